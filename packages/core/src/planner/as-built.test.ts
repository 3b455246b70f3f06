/** What is cut stays, what is not cut yet follows, and what cannot is said. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Finding } from '../checks/finding.ts';
import { findingWords } from '../checks/words/findings.ts';
import { entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { aloneBox, boxOf, printRoom } from '../test/print-room.ts';
import type { Design } from '../model/design.ts';
import { applyEdit } from '../model/edit.ts';
import { plan, type CabinetPlan } from './plan.ts';
import type { AsCut, MeasuredSlot, NewFact, RecordEntry } from '../model/record.ts';

let count = 0;
const fact = (more: NewFact): RecordEntry => ({ id: `e${++count}`, at: '2026-03-01T09:00:00Z', ...more });
const cut = (panel: string, size: Partial<Record<'length' | 'width' | 'thickness', string>>): RecordEntry =>
  fact({ kind: 'as-cut', asCut: { panel, ...Object.fromEntries(Object.entries(size).map(([key, text]) => [key, entered(text)])) } as AsCut });
const slot = (operation: string, width: string, depth: string, at: string): MeasuredSlot => ({
  operation,
  width: entered(width),
  depth: entered(depth),
  at: entered(at),
});
const made = (...slots: MeasuredSlot[]): RecordEntry => fact({ kind: 'made', made: slots.map(({ operation }) => operation), slots });

const box = boxOf();
const with_ = (record: readonly RecordEntry[], more: object = {}): CabinetPlan => aloneBox({ ...box, ...more }, record);
const SHELF = 'u1/shelf/s1';
const lengthOf = (cabinetPlan: CabinetPlan, panel: string): number => toMm(cabinetPlan.cabinet.byId.get(panel)!.length.value);
const stripsFor = (cabinetPlan: CabinetPlan, guest: string) =>
  cabinetPlan.cabinet.panels.flatMap((host) => host.slots.filter((strip) => strip.guest === guest).map((strip) => ({ host: host.id, ...strip })));
const cutFindings = ({ findings }: CabinetPlan): Finding[] => findings.filter(({ check }) => check === 'already-cut');

describe('a part that came out otherwise', () => {
  const before = with_([]);
  const planned = lengthOf(before, SHELF);

  test('a shelf cut 1 mm short is let in 0.5 mm less at both ends: it reaches, and nothing else is touched', () => {
    const after = with_([cut(SHELF, { length: `${planned - 1} mm` })]);
    expect(lengthOf(after, SHELF)).toBe(planned - 1);
    expect(stripsFor(after, SHELF).map(({ depth }) => toMm(depth))).toEqual([5.5, 5.5]);
    expect(stripsFor(after, 'u1/shelf/s2')).toEqual(stripsFor(before, 'u1/shelf/s2'));
    expect(cutFindings(after)).toEqual([]);
    expect(after.cabinet.outside.width.value).toBe(before.cabinet.outside.width.value);
  });

  test('20 mm short is more than joints can take up: it is said, and one click takes the width back to it', () => {
    const record = [cut(SHELF, { length: `${planned - 20} mm` })];
    const [finding] = cutFindings(with_(record));
    expect(finding).toMatchObject({ why: 'length', severity: 'change' });
    expect(findingWords(finding!, 'mm').says).toContain(`is cut ${planned - 20} mm long; the plan has it at ${planned} mm now`);
    const fix = finding!.fixes[0]!;
    const { design, workshop } = printRoom();
    const alone: Design = { ...design, units: { u1: box } };
    const fixed = plan(applyEdit(alone, 'edit' in fix ? fix.edit : []), record, workshop).byId.get('u1')!;
    expect(toMm(fixed.cabinet.outside.width.value)).toBe(580);
    expect(cutFindings(fixed).filter((each) => each.panels.includes(SHELF))).toEqual([]);
  });

  test('a width changed after the shelf is cut is said; one that is taken back is not', () => {
    const record = [cut(SHELF, { length: `${planned} mm` })];
    expect(cutFindings(with_(record))).toEqual([]);
    const wider = with_(record, { width: entered('640 mm') });
    expect(cutFindings(wider)).toHaveLength(1);
    expect(cutFindings(with_([...record, fact({ kind: 'withdrawn', withdraws: record[0]!.id })], { width: entered('640 mm') }))).toEqual([]);
  });

  test('whatever a shelf came out as, the plan has it so or says that it cannot', () => {
    fc.assert(
      fc.property(fc.integer({ min: -12_000, max: 12_000 }), (microns) => {
        const is = planned + microns / 1000;
        const after = with_([cut(SHELF, { length: `${is} mm` })]);
        const said = cutFindings(after).length > 0;
        expect(Math.abs(lengthOf(after, SHELF) - is) <= 0.2).toBe(!said);
        for (const { depth } of stripsFor(after, SHELF)) expect(toMm(depth)).toBeLessThanOrEqual((18 * 2) / 3);
      }),
      { numRuns: 60 },
    );
  });
});

describe('thickness of its own', () => {
  const thickness = (cabinetPlan: CabinetPlan, guest: string) => stripsFor(cabinetPlan, guest).map(({ near, far, play }) => toMm((far - near - play) as never));

  test('a shelf that measures 18.2 gets slots for 18.2; the others keep theirs', () => {
    const after = with_([cut(SHELF, { thickness: '18.2 mm' })]);
    expect(thickness(after, SHELF)).toEqual([18.2, 18.2]);
    expect(thickness(after, 'u1/shelf/s2')).toEqual([18, 18]);
  });

  test('parts cut from sheet B get slots for what B measures, as soon as it is known that they are', () => {
    const reading = (sheet: string, value: string) => fact({ kind: 'thickness', reading: { product: 'birch-18', value: entered(value), sheet } });
    const record = [reading('A', '17.6 mm'), reading('A', '17.6 mm'), reading('B', '17.9 mm'), reading('B', '17.9 mm')];
    const { design, workshop } = printRoom();
    const planned = (cutFrom: Design['cutFrom']) => plan({ ...design, units: { u1: box }, cutFrom }, record, workshop).byId.get('u1')!;
    // The mean of the lot is 17.75.
    expect(thickness(planned([]), SHELF)).toEqual([17.75, 17.75]);
    const known = planned([
      { product: 'birch-18', sheet: 'B', pieces: [SHELF] },
      { product: 'birch-18', sheet: 'C', pieces: ['u1/shelf/s2'] },
    ]);
    expect(thickness(known, SHELF)).toEqual([17.9, 17.9]);
    // Nobody measured C.
    expect(thickness(known, 'u1/shelf/s2')).toEqual([17.75, 17.75]);
  });
});

describe('slots that are cut', () => {
  const before = with_([]);
  const [left, right] = stripsFor(before, SHELF);
  const operation = (strip: typeof left): string => `${strip!.host}:${strip!.id}`;
  const at = `${toMm(left!.near as never)} mm`;
  const both = (width: string, depth: string) => made(slot(operation(left), width, depth, at), slot(operation(right), width, depth, at));

  test('stay as deep as they are when the joints are planned shallower, and the shelf is made for them', () => {
    const after = with_([both('18.1 mm', '6 mm')], { jointDepth: entered('4 mm') });
    expect(stripsFor(after, SHELF).map(({ depth }) => toMm(depth))).toEqual([6, 6]);
    expect(stripsFor(after, 'u1/shelf/s2').map(({ depth }) => toMm(depth))).toEqual([4, 4]);
    expect(lengthOf(after, SHELF) - lengthOf(after, 'u1/shelf/s2')).toBe(4);
    expect(cutFindings(after)).toEqual([]);
  });

  test('stay as wide as they are; a shelf that measures more does not go in, and that is said', () => {
    const record = [both('18.1 mm', '6 mm'), cut(SHELF, { thickness: '18.3 mm' })];
    const after = with_(record);
    expect(stripsFor(after, SHELF).map(({ near, far }) => toMm((far - near) as never))).toEqual([18.1, 18.1]);
    const found = cutFindings(after);
    expect(found.map((finding) => 'why' in finding && finding.why)).toEqual(['slot-narrow', 'slot-narrow']);
    expect(findingWords(found[0]!, 'mm').says).toContain('is cut 18.1 mm wide; shelf 1 measures 18.3 mm');
  });

  test('do not move: a shelf planned elsewhere is said, with both places', () => {
    const after = with_([both('18.1 mm', '6 mm')], { shelves: { ...box.shelves, s1: { ...box.shelves['s1']!, at: entered('150 mm') } } });
    expect(cutFindings(after).map((finding) => 'why' in finding && finding.why)).toEqual(['slot-place', 'slot-place']);
    expect(cutFindings(with_([both('18.1 mm', '6 mm')]))).toEqual([]);
  });

  test('a shelf that is cut and its slots that are cut leave nothing to follow', () => {
    const short = with_([both('18.1 mm', '6 mm'), cut(SHELF, { length: `${lengthOf(before, SHELF) - 1} mm` })]);
    expect(cutFindings(short).map((finding) => 'why' in finding && finding.why)).toEqual(['length']);
  });
});
