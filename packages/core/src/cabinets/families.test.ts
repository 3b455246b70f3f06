/** What must be true of every family of the list, read off its form and a cabinet to start from. */
import { describe, expect, test } from '@jest/globals';
import { labelWords, WORDS } from '../checks/words/labels.ts';
import { specCodec } from '../formats/spec-codec.ts';
import { entered } from '../length/entered.ts';
import { audit } from '../test/audit.ts';
import { FAMILY_IDS, newSpec } from '../test/family-units.ts';
import { aloneBox, solidOf } from '../test/print-room.ts';
import { familyOf } from './families.ts';
import type { FormField } from './form.ts';

const at = (row: unknown, path: readonly string[]): unknown => path.reduce<unknown>((node, key) => (node as Record<string, unknown> | null)?.[key], row);

describe.each(FAMILY_IDS)('%s', (family) => {
  const { form } = familyOf({ family });

  test('has words for itself, its fields, their options and its lists', () => {
    const need = (key: string): void => expect(WORDS[key] === undefined ? key : '').toBe('');
    [`family-${family}`, `family-${family}-for`].forEach(need);
    for (const field of [...form.fields, ...form.elements.flatMap((list) => list.fields)]) {
      if (field.kind !== 'id' && field.when?.toString() !== '() => false') need(field.label);
      if (field.kind === 'choice' && !field.label.includes('screw'))
        for (const option of field.options) {
          const own = `${field.path.at(-1) === 'kind' ? field.path[0] : field.path.at(-1)}-${option}`;
          expect(WORDS[own] ?? WORDS[option] ?? `no words for ${own}`).not.toMatch(/^no words/);
        }
    }
    form.elements.forEach(({ label }) => need(label));
  });

  test.each(['mm', 'in'] as const)('starts sound in %s: within its own limits, written and read back the same, its panels in order', (unit) => {
    const design = newSpec(family, unit);
    const within = (row: unknown, field: FormField): void => {
      const value = at(row, field.path);
      if (value === null || value === undefined) return;
      if (field.kind === 'length') {
        const { nm } = value as { nm: number };
        expect(`${field.path.join('.')} ${nm >= field.least && nm <= field.most}`).toBe(`${field.path.join('.')} true`);
      }
      if (field.kind === 'choice') expect(field.options).toContain(value);
    };
    for (const field of form.fields) {
      within(design, field);
      if (field.path.every((_, index) => index === 0 || at(design, field.path.slice(0, index)) !== null))
        expect(at(design, field.path) === undefined ? field.path.join('.') : '').toBe('');
    }
    expect(specCodec.read(specCodec.write(design), 'unit')).toEqual(design);
    expect(audit(solidOf(design))).toEqual([]);
  });

  test('is planned whole: every part named, weighed and cut, its hanging worked out', () => {
    const { parts, cabinet, weights, hang } = aloneBox(newSpec(family));
    expect(parts.length).toBeGreaterThan(2);
    for (const panel of cabinet.panels) {
      expect(labelWords(panel.name)).not.toBe('');
      expect(parts.filter(({ panels }) => panels.includes(panel.id)).length).toBe(1);
    }
    for (const { length, width, names } of parts) {
      names.forEach(labelWords);
      [...length.terms, ...width.terms].forEach(({ label }) => labelWords(label));
    }
    for (const space of cabinet.compartments) labelWords(space.name);
    for (const { name } of cabinet.hardware) labelWords(name);
    expect(weights.empty.mass.value).toBeGreaterThan(0.5);
    expect(hang.links.length).toBeGreaterThan(2);
    expect(['fine', 'tight', 'over', 'refused', 'not-checked']).toContain(hang.state);
  });

  test('an element more changes no other name', () => {
    const design = newSpec(family);
    for (const list of form.elements) {
      const more = { ...design, [list.path]: { ...(design as unknown as Record<string, object>)[list.path], fresh: list.start(design, 'fresh', 99) } };
      const before = new Set(solidOf(design).panels.map(({ id }) => id));
      const after = new Set(solidOf(more as typeof design).panels.map(({ id }) => id));
      expect([...before].filter((id) => !after.has(id))).toEqual([]);
    }
  });

  test('the same lengths typed in inches and in millimetres are the same wood', () => {
    const design = newSpec(family);
    const again = JSON.parse(JSON.stringify(design), (_key, value: unknown) =>
      typeof value === 'object' && value !== null && 'nm' in value && 'text' in value
        ? entered(`${Number(value.nm) / 25.4e6} in`.includes('e') ? '0 in' : `(${Number(value.nm) / 1e6} mm)`)
        : value,
    ) as typeof design;
    expect(solidOf(again).panels.map(({ id, outline, thickness }) => [id, outline, thickness])).toEqual(
      solidOf(design).panels.map(({ id, outline, thickness }) => [id, outline, thickness]),
    );
  });
});
