/** The command as a shell sees it: the built file, its two streams and its exit code. */
import { describe, expect, test } from '@jest/globals';
import { execFile, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { SUM_EXAMPLES, wordsOf } from '@keen/core';

const BUILT = fileURLToPath(new URL('../dist/keen.js', import.meta.url));
const EXAMPLE = fileURLToPath(new URL('../../../examples/print-room.carcass.json', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'keen-cli-'));
const file = (name: string, text: string): string => {
  writeFileSync(join(folder, name), text);
  return join(folder, name);
};
const keen = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [BUILT, ...args], { encoding: 'utf8', maxBuffer: 64e6 });
  return { status, stdout, stderr };
};
const refused = (...args: string[]) => {
  const { status, stdout, stderr } = keen(...args);
  expect([status, stdout]).toEqual([1, '']);
  const { error } = JSON.parse(stderr) as { error: { code: string; where: string; message: string; accepted: string } };
  expect(Object.keys(error).sort()).toEqual(['accepted', 'code', 'message', 'where']);
  return error;
};
const PROBLEM = {
  kerf: '3.2mm',
  sheets: [{ id: 'A', length: '2440mm', width: '1220mm', grain: 'length' }],
  parts: [{ id: 'side', length: '23 1/2in', width: '300mm', count: 9, grain: 'length' }],
};

describe('keen plan', () => {
  test('prints the whole plan as JSON and nothing else', () => {
    const { status, stdout, stderr } = keen('plan', EXAMPLE);
    expect([status, stderr]).toEqual([0, '']);
    const text = JSON.stringify(JSON.parse(stdout));
    for (const word of ['ink/side/left', 'carries', 'findings']) expect(text).toContain(word);
  });
});

test.each(['--help', '-h', 'help'])('keen %s lists the commands', (word) => {
  const { status, stdout, stderr } = keen(word);
  expect([status, stderr]).toEqual([0, '']);
  expect(stdout.split('\n')[0]).toBe('keen plan FILE');
});

test('keen cutlist prints CSV', () => {
  const { status, stdout } = keen('cutlist', EXAMPLE);
  expect(status).toBe(0);
  expect(stdout.split('\r\n')[0]).toMatch(/^\uFEFFmark,count,part,length,width/);
  expect(stdout).toContain(',675.9,');
});

describe('keen export', () => {
  test.each([
    ['parts-dxf', /^\s*0\r?\nSECTION/],
    ['sheets-dxf', /^\s*0\r?\nSECTION/],
    ['glb', /^glTF/],
    ['stl', /^units on a wall/],
    ['svg', /^PK/],
    ['bundle', /^PK/],
    ['shopping', /^Print room: to buy/],
    ['shopping-csv', /^ï»¿what,kind,material/],
    ['contents', /^ï»¿what,kind,count/],
    ['prices', /^ï»¿what,kind,material/],
    ['days', /^BEGIN:VCALENDAR/],
  ])('%s is written whole to its place, the same as to the pipe', (kind, begins) => {
    const out = join(folder, `room.${kind}`);
    const { status, stdout, stderr } = keen('export', EXAMPLE, kind, '--out', out);
    expect([status, stderr]).toEqual([0, '']);
    const bytes = readFileSync(out);
    expect(JSON.parse(stdout)).toEqual({ written: out, bytes: bytes.length });
    expect(bytes.toString('latin1', 0, 40)).toMatch(begins);
    const piped = spawnSync(process.execPath, [BUILT, 'export', EXAMPLE, kind], { maxBuffer: 64e6 });
    // The writer of drawings numbers each of them anew.
    if (kind === 'glb' || kind === 'stl') expect(piped.stdout.equals(bytes)).toBe(true);
    expect(piped.status).toBe(0);
  });

  test('one unit alone is less than all of them', () => {
    const all = keen('export', EXAMPLE, 'parts-dxf').stdout;
    const one = keen('export', EXAMPLE, 'parts-dxf', '--unit', 'type').stdout;
    expect(one).toContain('B1 x');
    expect(one).not.toContain('A1 x');
    expect(all).toContain('A1 x');
    // What belongs to no cabinet is in the whole.
    expect(all).toContain('R1.1 x');
    expect(one).not.toContain('R1.1 x');
  });

  test('what cannot be made is refused, and what stands at the place stays', () => {
    const out = file('kept.dxf', 'kept');
    expect(refused('export', EXAMPLE, 'parts-dxf', '--unit', 'attic', '--out', out)).toMatchObject({ code: 'unit', where: '--unit' });
    expect(refused('export', EXAMPLE, 'clay', '--out', out).accepted).toContain('parts-dxf');
    expect(refused('export', EXAMPLE, 'sheets-dxf', '--unit', 'ink').where).toBe('--unit');
    expect(refused('export', EXAMPLE, 'glb', '--out').where).toBe('--out');
    expect(refused('export', EXAMPLE, 'glb', '--out', join(folder, 'nowhere', 'x.glb')).message).toContain('cannot be written');
    expect(refused('export', file('no.json', '{'), 'glb', '--out', out).code).toBeTruthy();
    expect(readFileSync(out, 'utf8')).toBe('kept');
    expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
  });
});

describe('keen print', () => {
  test('the shop set is written as PDF, of all cabinets or of one', () => {
    const [all, one] = [join(folder, 'all.pdf'), join(folder, 'one.pdf')];
    expect(keen('print', EXAMPLE, 'set', '--out', all).status).toBe(0);
    expect(keen('print', EXAMPLE, 'set', '--unit', 'ink', '--paper', 'a3', '--units', 'mm', '--out', one).status).toBe(0);
    expect(readFileSync(one).length).toBeLessThan(readFileSync(all).length);
    expect(readFileSync(one).toString('latin1', 0, 5)).toBe('%PDF-');
    const bare = JSON.parse(readFileSync(EXAMPLE, 'utf8')) as { design: { units: object; items: object; cutFrom: object[] } };
    Object.assign(bare.design, { units: {}, items: {}, cutFrom: [] });
    expect(refused('print', file('bare.json', JSON.stringify(bare)), 'set').message).toContain('no cabinet');
  });

  test.each(['sticks', 'templates', 'wedges'])('%s are written as PDF', (kind) => {
    const out = join(folder, `${kind}.pdf`);
    const { status, stdout, stderr } = keen('print', EXAMPLE, kind, '--unit', 'ink', '--paper', 'letter', '--units', 'mm', '--bar-along', '99.5', '--out', out);
    expect([status, stderr]).toEqual([0, '']);
    const bytes = readFileSync(out);
    expect(bytes.toString('latin1', 0, 5)).toBe('%PDF-');
    expect(JSON.parse(stdout)).toEqual({ written: out, bytes: bytes.length });
  });

  test.each([
    [['posters'], 'kind', 'set, sticks, templates, wedges'],
    [['set', '--unit', 'attic'], '--unit', 'ink'],
    [['set', '--part', 'A1'], '--part', 'keen print'],
    [['sticks', '--paper', 'papyrus'], '--paper', 'a4'],
    [['sticks', '--units', 'ells'], '--units', 'in or mm'],
    [['sticks', '--bar-up', '80'], '--bar-up', '90 to 110'],
    [['sticks', '--unit', 'attic'], '--unit', 'ink'],
    [['templates', '--part', 'Q9'], '--part', 'A1'],
    [['sticks', '--colour', 'red'], '--colour', 'keen print'],
    [[], 'print', 'keen print'],
  ])('%j is refused', (words, where, accepted) => {
    const error = refused('print', EXAMPLE, ...words);
    expect(error.where).toBe(where);
    expect(error.accepted).toContain(accepted);
  });
});

describe('keen validate, convert, import', () => {
  const CONTENTS = 'what,count,width (mm),depth (mm),height (mm)\nInk tin,4,95,95,110\nRoller,two,30,30,300\n';

  test('what can be opened is said with what is in it', () => {
    expect(JSON.parse(keen('validate', EXAMPLE).stdout)).toMatchObject({ valid: true, kind: 'project', units: ['ink', 'type', 'spacing-1', 'spacing-2'] });
    expect(JSON.parse(keen('validate', file('p.json', JSON.stringify(PROBLEM))).stdout)).toMatchObject({ kind: 'nesting problem', parts: 1 });
    expect(JSON.parse(keen('validate', file('good.csv', CONTENTS.replace('two', '2'))).stdout)).toEqual({ valid: true, kind: 'contents', things: 2 });
    expect(refused('validate', file('bad.csv', CONTENTS))).toMatchObject({ where: 'row 3, count' });
    expect(refused('validate', file('cut.json', readFileSync(EXAMPLE, 'utf8').slice(0, 900))).message).not.toBe('');
  });

  test('cut lists, drawings and price lists come into a project', () => {
    const imported = (table: string, ...more: string[]): Record<string, any> => {
      const out = join(folder, 'grown.json');
      const { status, stdout, stderr } = keen('import', EXAMPLE, table, '--out', out, ...more);
      expect([status, stderr]).toEqual([0, '']);
      return { said: JSON.parse(stdout), ...(JSON.parse(readFileSync(out, 'utf8')) as object) };
    };
    const list = imported(file('list.csv', 'part,count,length,width\nShelf,2,500 mm,120 mm\nBad,x,1,1\n'), '--as', 'parts');
    expect(list['said']).toMatchObject({ parts: 1, leftOut: [{ row: 3, where: 'row 3, count' }] });
    expect(list['design'].loose['part-1']).toMatchObject({ name: 'Shelf', count: 2, length: '500 mm' });
    const drawn = imported(
      file(
        'tray.svg',
        '<svg xmlns="http://www.w3.org/2000/svg" width="300mm" height="90mm" viewBox="0 0 300 90"><path d="M0 0h300v50l-40 40h-260z"/><text/></svg>',
      ),
    );
    expect(drawn['said']).toMatchObject({ parts: 1, notes: ['1 × text not understood'] });
    expect(drawn['design'].loose['part-1'].outline).toHaveLength(5);
    const priced = imported(file('prices.csv', 'what,material,thickness,length,width,price\nPanel,MDF,12 mm,2440 mm,1220 mm,31.5\n'), '--as', 'prices');
    expect(priced['workshop'].products.panel).toMatchObject({ material: 'mdf', price: 31.5 });
    expect(refused('import', EXAMPLE, file('x.csv', 'a,b\n1,2\n'), '--as', 'music').where).toBe('--as');
    expect(refused('import', EXAMPLE, file('x.dxf', 'Dear reader')).code).toBe('dxf');
  });

  test('a column nobody knows is told, and a size that is not said is not made up', () => {
    const known = 'what,width,depth,height';
    const table = file('more.csv', `${known},shelf mark\nTin,90,90,110,K7\n`);
    expect(refused('import', EXAMPLE, table)).toMatchObject({ code: 'columns', message: 'no column is known that is called ‘shelf mark’' });
    expect(JSON.parse(keen('import', EXAMPLE, table, '--out', join(folder, 'more.json')).stdout)).toMatchObject({ things: 1, columnsNotRead: ['shelf mark'] });
    // Empty all the way down, it says nothing.
    expect(keen('import', EXAMPLE, file('none.csv', `${known},shelf mark\nTin,90,90,110,\n`)).status).toBe(0);
    expect(refused('import', EXAMPLE, file('flat.csv', 'what,count\nTin,3\n'))).toMatchObject({ code: 'no-column' });
  });

  test.each([
    ['contents', 'contents', 'things'],
    ['prices', 'prices', 'products'],
    ['cutlist', 'parts', 'parts'],
  ])('our own table of %s comes back without a word against it', (kind, as, what) => {
    const written = (kind === 'cutlist' ? keen('cutlist', EXAMPLE) : keen('export', EXAMPLE, kind)).stdout;
    const table = file(`own-${kind}.csv`, written);
    expect(keen('import', EXAMPLE, table, '--as', as)).toMatchObject({ status: 0, stderr: '' });
    const said = JSON.parse(keen('import', EXAMPLE, table, '--as', as, '--out', join(folder, `own-${kind}.json`)).stdout) as Record<string, unknown>;
    expect(said).toMatchObject({ [what]: written.trim().split('\r\n').length - 1, leftOut: [] });
    expect(said['columnsNotRead']).toBeUndefined();
  });

  test('sheets are drawn although a part fits on none', () => {
    const project = JSON.parse(readFileSync(EXAMPLE, 'utf8'));
    project.design.loose = {
      long: { id: 'long', order: 1, name: 'Plank', stock: 'birch-18', count: 1, length: '5 m', width: '100 mm', grain: 'length', outline: [] },
    };
    const { status, stdout } = keen('export', file('long.json', JSON.stringify(project)), 'sheets-dxf');
    expect(status).toBe(0);
    expect(stdout).toMatch(/on no sheet: \S+ Plank/);
  });

  test('a bundle is opened as the project it holds', () => {
    const zip = join(folder, 'room.zip');
    expect(keen('export', EXAMPLE, 'bundle', '--out', zip).status).toBe(0);
    expect(keen('convert', zip).stdout).toBe(keen('convert', EXAMPLE).stdout);
    expect(JSON.parse(keen('validate', zip).stdout)).toMatchObject({ valid: true, kind: 'bundle', pictures: 0 });
    expect(keen('plan', zip).status).toBe(0);
    expect(refused('export', EXAMPLE, 'glb', '--photos', folder).where).toBe('--photos');
    expect(refused('export', EXAMPLE, 'bundle', '--unit', 'ink').where).toBe('--unit');
    writeFileSync(join(folder, 'half.zip'), readFileSync(zip).subarray(0, 2000));
    expect(refused('plan', join(folder, 'half.zip')).code).toBe('damaged');
  });

  test('a project of the first version is written in the newest, and from then on stays the same', () => {
    const old = fileURLToPath(new URL('../../core/src/test/version-1.carcass.json', import.meta.url));
    const once = keen('convert', old).stdout;
    expect((JSON.parse(once) as { version: number }).version).toBeGreaterThan(1);
    expect(keen('convert', file('once.json', once)).stdout).toBe(once);
  });

  test('good rows come into a project, bad ones are told; without a place to write to nothing is made of it', () => {
    const table = file('things.csv', CONTENTS);
    const out = join(folder, 'grown.carcass.json');
    expect(refused('import', EXAMPLE, table)).toMatchObject({ code: 'rows', where: 'row 3, count' });
    const said = JSON.parse(keen('import', EXAMPLE, table, '--out', out).stdout) as { things: number; leftOut: { row: number }[] };
    expect([said.things, said.leftOut.map(({ row }) => row)]).toEqual([1, [3]]);
    const before = JSON.parse(keen('validate', EXAMPLE).stdout) as { things: number };
    expect(JSON.parse(keen('validate', out).stdout)).toMatchObject({ kind: 'project', things: before.things + 1 });
    // Twice in a row gives other things, not the same over again.
    const again = join(folder, 'again.carcass.json');
    keen('import', out, table, '--out', again);
    expect(JSON.parse(keen('validate', again).stdout)).toMatchObject({ things: before.things + 2 });
  });
});

describe('keen nest', () => {
  const problem = file('problem.json', JSON.stringify(PROBLEM));
  test('answers in the form of docs/nesting.md, within its time', () => {
    const began = Date.now();
    const { status, stdout } = keen('nest', problem, '--seconds', '1');
    expect(Date.now() - began).toBeLessThan(1700);
    expect(status).toBe(0);
    const plan = JSON.parse(stdout);
    expect(plan).toMatchObject({ unplaced: [], proved: true, score: { sheets: 1 }, bound: { sheets: 1 } });
    expect(plan.sheets[0].placements).toHaveLength(9);
  });

  test('the same effort and seed give the same plan', () => {
    // Six or eight to a sheet, while their area says nine: never proved, so the search goes on to the end.
    const hard = file('hard.json', JSON.stringify({ ...PROBLEM, parts: [{ id: 'p', length: '700mm', width: '450mm', count: 25 }] }));
    const once = () => {
      const { seconds: _seconds, ...plan } = JSON.parse(keen('nest', hard, '--effort', '130', '--seed', '7').stdout);
      return plan;
    };
    expect(once()).toEqual(once());
    expect(once()).toMatchObject({ seed: 7, effort: 130 });
  });

  test('parts that fit nowhere are said, with exit 0', () => {
    const large = file('large.json', JSON.stringify({ ...PROBLEM, parts: [{ id: 'door', length: '3m', width: '1m' }] }));
    const { status, stdout } = keen('nest', large);
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({ sheets: [], unplaced: [{ part: 'door', count: 1, why: expect.stringMatching(/./) }] });
  });

  test.each<[string, string[], string]>([
    ['a negative time', ['--seconds', '-1'], '--seconds'],
    ['half a seed', ['--seed', '1.5'], '--seed'],
    ['an option nobody knows', ['--fast', '1'], '--fast'],
  ])('%s is refused', (_name, options, where) => {
    expect(refused('nest', problem, ...options).where).toBe(where);
  });
});

describe('keen sum', () => {
  test('answers worked examples as the core does, to half a percent', async () => {
    const near = (got: unknown, value: unknown): boolean =>
      typeof value === 'number' ? Math.abs((got as number) - value) <= 0.005 * Math.max(Math.abs(value), 1e-9) : got === value;
    const wrong: string[] = [];
    const answer = async (line: string, results: (typeof SUM_EXAMPLES)[number]['results']): Promise<void> => {
      const { stdout } = await promisify(execFile)(process.execPath, [BUILT, 'sum', ...wordsOf(line)]);
      const answered = JSON.parse(stdout) as { results: Record<string, { value: unknown }>; working: string[] };
      if (answered.working.length === 0) wrong.push(`${line}: no working`);
      for (const [key, value] of Object.entries(results)) {
        const got = answered.results[key]!.value;
        const holds = Array.isArray(value) ? value.every((each, index) => near((got as unknown[])[index], each)) : near(got, value);
        if (!holds) wrong.push(`${line}: ${key} is ${JSON.stringify(got)}, not ${JSON.stringify(value)}`);
      }
    };
    // The core answers all of them in its own tests; here each is a whole command, so one in five has to do. A few at a time.
    const asked = SUM_EXAMPLES.filter((_, index) => index % 5 === 0);
    for (let from = 0; from < asked.length; from += 4) await Promise.all(asked.slice(from, from + 4).map(({ line, results }) => answer(line, results)));
    expect(wrong).toEqual([]);
  }, 60_000);
  test('answers', () => {
    const { status, stdout } = keen('sum', 'even-spacing', 'inside=700mm', 'count=3', 'thickness=18mm');
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({
      sum: 'even-spacing',
      results: { opening: { value: 161.5, unit: 'mm' }, positions: { value: [161.5, 341, 520.5], unit: 'mm' } },
    });
  });
  test('lists', () => {
    expect(JSON.parse(keen('sum', 'list').stdout).sums.map(({ name }: { name: string }) => name)).toContain('stud-shares');
  });
  test('refuses', () => {
    expect(refused('sum', 'even-spacing', 'inside=700', 'count=3', 'thickness=18mm')).toMatchObject({ where: 'inside' });
    expect(refused('sum', 'nothing')).toMatchObject({ code: 'unknown-sum' });
    expect(refused('sum')).toMatchObject({ code: 'unknown-sum' });
  });
});

describe('bad input', () => {
  test.each<[string, string[], string]>([
    ['no command', [], 'usage'],
    ['another command', ['saw'], 'usage'],
    ['no file', ['plan'], 'usage'],
    ['a file that is not there', ['plan', '/nowhere.json'], 'file'],
    ['two files', ['plan', EXAMPLE, EXAMPLE], 'usage'],
    ['a file cut off', ['plan', file('cut.json', '{"format":')], 'not-json'],
    ['a problem for a project', ['plan', file('p.json', JSON.stringify(PROBLEM))], 'not-a-project'],
    ['a project for a problem', ['nest', EXAMPLE], 'unknown-field'],
  ])('%s', (_name, args, code) => {
    expect(refused(...args).code).toBe(code);
  });
});

test('the printed schema is JSON Schema of the file', () => {
  expect(JSON.parse(keen('schema').stdout)).toMatchObject({
    $schema: expect.stringContaining('json-schema.org'),
    required: expect.arrayContaining(['design', 'workshop']),
  });
});
