/** What a project file may say, and every kind of nonsense it may not. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import file from '../../../../examples/print-room.carcass.json' with { type: 'json' };
import schema from '../../../../docs/project.schema.json' with { type: 'json' };
import { arbitraryBox } from '../test/arbitrary-box.ts';
import { furnishedRoom, printRoom } from '../test/print-room.ts';
import { MAX_BYTES } from './json-text.ts';
import { MAX_FILE_BYTES } from './project-file.ts';
import { MIGRATIONS } from './migrations.ts';
import { projectSchema, readProjectFile, VERSION, writeProject, writeProjectText } from './project-file.ts';

type Row = Record<string, unknown>;
/** The example with one value changed; `undefined` takes it out. */
function changed(path: string, value: unknown): string {
  const copy = JSON.parse(JSON.stringify(file)) as Row;
  const keys = path.split('.');
  const last = keys.pop()!;
  const parent = keys.reduce<Row>((node, key) => node[key] as Row, copy);
  if (value === undefined) delete parent[last];
  else parent[last] = value;
  return JSON.stringify(copy);
}
const problemOf = (text: string) => {
  const read = readProjectFile(text);
  return read.ok ? undefined : read.problem;
};

describe('a file that is right', () => {
  test('reads, writes and reads again as the same', () => {
    const project = furnishedRoom();
    expect(writeProject(project)).toEqual(file);
    expect(readProjectFile(writeProjectText(project))).toEqual({ ok: true, value: project });
  });

  test('any box the family can make survives the file, its lengths as typed', () => {
    fc.assert(
      fc.property(arbitraryBox, (box) => {
        const project = printRoom();
        const mine = { ...project, design: { ...project.design, units: { [box.id]: box } } };
        expect(readProjectFile(writeProjectText(mine))).toEqual({ ok: true, value: mine });
      }),
      { numRuns: 100 },
    );
  });

  test('the published schema is the one the reader is made of', () => {
    expect(projectSchema()).toEqual(schema);
  });

  test('every version below this one has its step up', () => {
    expect(Object.keys(MIGRATIONS).map(Number)).toEqual(Array.from({ length: VERSION - 1 }, (_, index) => index + 1));
  });
});

describe('a file that is wrong', () => {
  test.each<[string, string, string, string]>([
    ['nothing', '', 'not-json', 'file'],
    ['cut off', JSON.stringify(file).slice(0, 4000), 'not-json', 'file'],
    ['a list', '[]', 'not-a-project', 'file'],
    ['null', 'null', 'not-a-project', 'file'],
    ['another format', changed('format', 'something-else'), 'not-a-project', 'file.format'],
    ['no version', changed('version', undefined), 'version', 'file.version'],
    ['version as text', changed('version', '1'), 'version', 'file.version'],
    ['a newer version', changed('version', VERSION + 1), 'newer-version', 'file.version'],
    ['a strange field', changed('design.units.ink.colour', 'red'), 'unknown-field', 'file.design.units.ink'],
    ['a missing field', changed('design.units.ink.width', undefined), 'missing-field', 'file.design.units.ink'],
    ['a number for a length', changed('design.units.ink.width', 700), 'value', 'file.design.units.ink.width'],
    ['a length without a unit', changed('design.units.ink.width', '700'), 'length-unit', 'file.design.units.ink.width'],
    ['a negative size', changed('design.units.ink.width', '-700 mm'), 'range', 'file.design.units.ink.width'],
    ['a size past any shop', changed('design.units.ink.width', '90 m'), 'range', 'file.design.units.ink.width'],
    ['text for a list', changed('record', 'x'), 'value', 'file.record'],
    ['a list for an object', changed('design.units', []), 'value', 'file.design.units'],
    ['an unknown choice', changed('design.units.ink.fit', 'wobbly'), 'value', 'file.design.units.ink.fit'],
    ['an unknown screw', changed('design.units.ink.assembly.screw', '#99'), 'value', 'file.design.units.ink.assembly.screw'],
    ['contents without end', changed('design.units.ink.contents.bottom.kg', 1e308), 'value', 'file.design.units.ink.contents.bottom.kg'],
    ['half a screw', changed('design.units.ink.hanging.wallScrew.upper', 1.5), 'value', 'file.design.units.ink.hanging.wallScrew.upper'],
    ['an id that is not its key', changed('design.units.ink.id', 'type'), 'id', 'file.design.units.ink.id'],
    ['stock nobody has', changed('design.units.ink.stock', 'ebony'), 'unknown-product', 'design.units.ink.stock'],
    ['the same entry twice', changed('record', [file.record[0], file.record[0]]), 'twice', 'file.record[1].id'],
    ['a date that is none', changed('record.0.at', 'yesterday'), 'time', 'file.record[0].at'],
    ['a name without end', changed('design.name', 'x'.repeat(10_000)), 'value', 'file.design.name'],
  ])('%s is refused, with what, where and what would do', (_name, text, code, where) => {
    const problem = problemOf(text);
    expect(problem).toMatchObject({ code: expect.stringContaining(code) });
    expect(problem!.where).toContain(where);
    expect(problem!.message.length).toBeGreaterThan(5);
    expect(problem!.message.length).toBeLessThan(300);
    expect(problem!.accepted).not.toBe('');
  });

  test('what cannot be built is no wrong file: it is kept, and told where it is planned', () => {
    expect(problemOf(changed('design.units.type.back.kind', 'over'))).toBeUndefined();
  });

  test('the prototype is out of reach', () => {
    const hostile = JSON.stringify(file).replace('"units":{', '"units":{"__proto__":{"polluted":true},');
    expect(problemOf(hostile)).toMatchObject({ code: 'forbidden-key', where: 'file' });
    expect(problemOf(hostile.replace('__proto__', '\\u005f_proto__'))).toMatchObject({ code: 'forbidden-key' });
    expect(problemOf(JSON.stringify(file).replace('"format"', '"__proto__":{"polluted":1},"format"'))).toMatchObject({ code: 'forbidden-key' });
    expect(problemOf(changed('design.units', JSON.parse('{"constructor":{}}')))).toMatchObject({ code: 'id' });
    expect(({} as Row)['polluted']).toBeUndefined();
  });

  test('too large and too deep are refused before they are parsed', () => {
    expect(problemOf(`{"format":"${'x'.repeat(MAX_FILE_BYTES)}"}`)).toMatchObject({ code: 'too-large' });
    expect(problemOf('['.repeat(100_000))).toMatchObject({ code: 'too-deep' });
    expect(problemOf(`{"a":"${'['.repeat(1000)}"}`)).not.toMatchObject({ code: 'too-deep' });
    expect(MAX_BYTES).toBeLessThan(10_000_000);
  });

  test('whatever is put in any one place, the reader answers and never throws', () => {
    const paths: string[] = [];
    const walk = (node: unknown, path: string): void => {
      if (path) paths.push(path);
      if (typeof node === 'object' && node !== null) for (const [key, each] of Object.entries(node)) walk(each, path ? `${path}.${key}` : key);
    };
    walk({ ...file, workshop: { ...file.workshop, products: { 'birch-18': file.workshop.products['birch-18'] } } }, '');
    fc.assert(
      fc.property(
        fc.constantFrom(...paths),
        fc.oneof(fc.jsonValue(), fc.constantFrom<unknown>(null, -1, Infinity, '', '-5 mm', '1/0 in', true, [], {})),
        (path, value) => {
          const read = readProjectFile(changed(path, value));
          if (!read.ok) expect(read.problem.where).not.toBe('');
        },
      ),
      { numRuns: 250 },
    );
  });
});
