/** Each check: what sets it off, what it says, and a fix that, applied, settles it. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import type { Design } from '../model/design.ts';
import { applyEdit } from '../model/edit.ts';
import { sheetJobs } from '../sheets/cutting.ts';
import { plan } from '../planner/plan.ts';
import { BOX_CASES } from '../test/box-cases.ts';
import type { Case } from '../test/check-case.ts';
import { MAKING_CASES } from '../test/making-cases.ts';
import { PLACE_CASES } from '../test/place-cases.ts';
import { ink, printRoom, typed } from '../test/print-room.ts';
import type { CheckId } from './finding.ts';
import { findingWords } from './words/findings.ts';
import { fixWords } from './words/fixes.ts';
import type { RecordEntry } from '../model/record.ts';

const planned = (design: Design, more: readonly RecordEntry[] = [], shop: NonNullable<Case['workshop']> = (workshop) => workshop) =>
  plan(design, [...printRoom().record, ...more], shop(printRoom().workshop)).byId.get('ink')!;

describe.each([...BOX_CASES, ...MAKING_CASES, ...PLACE_CASES])('$check $says', ({ check, edits, severity, says, record = [], workshop, cures = true }) => {
  const design = applyEdit(printRoom().design, edits);
  const found = planned(design, record, workshop).findings.filter((finding) => finding.check === check && says.test(findingWords(finding, 'mm').says));

  test('is found, with its numbers, its severity and why it matters', () => {
    expect(found.map((finding) => finding.severity)).toContain(severity);
    const { says: sentence, why } = findingWords(found[0]!, 'mm');
    expect(sentence).toMatch(/[.]$/);
    expect(why).toMatch(/[.]$/);
    expect(findingWords(found[0]!, 'in').says).not.toContain('NaN');
  });

  test('each fix has its words, and one of them settles it', () => {
    const { fixes } = found[0]!;
    expect(fixes.length).toBeGreaterThan(0);
    for (const { label } of fixes) {
      expect(fixWords(label, 'mm')).not.toContain('undefined');
      expect(fixWords(label, 'in')).not.toContain('undefined');
    }
    if (!cures) return;
    const settles = fixes.some(
      (fix) =>
        'edit' in fix &&
        !planned(applyEdit(design, fix.edit), record, workshop).findings.some(
          (finding) => finding.check === check && says.test(findingWords(finding, 'mm').says),
        ),
    );
    expect(settles).toBe(true);
  });
});

test('the ink cupboard as it stands sets off nothing that stops it', () => {
  const { findings } = planned(printRoom().design);
  expect(findings.filter(({ severity }) => severity === 'stop')).toEqual([]);
  expect(findings.map(({ check }) => check)).not.toContain('nominal-thickness');
});

test('every check that exists is in one of the lists', () => {
  const tried = new Set([...BOX_CASES, ...MAKING_CASES, ...PLACE_CASES].map(({ check }) => check));
  // offcut-first is a finding of a layout (sheets/offcut-first.test.ts), not-planned of what has no plan (planner/unplanned.test.ts).
  const all: Record<Exclude<CheckId, 'offcut-first' | 'not-planned'>, true> = {
    'grain-crossed': true,
    'nominal-thickness': true,
    'cannot-be-made': true,
    'parts-clash': true,
    'slender-strip': true,
    'weak-bottom': true,
    'fastener-pulls-out': true,
    sag: true,
    'shelf-breaks': true,
    'shelf-outside': true,
    'slot-too-deep': true,
    'screw-too-long': true,
    'screw-too-short': true,
    'few-studs': true,
    'no-stud-anchors': true,
    'lift-clearance': true,
    'thin-back-only': true,
    'half-misses': true,
    'lid-room': true,
    nowhere: true,
    'stem-too-wide': true,
    'too-few-notches': true,
    'not-filled': true,
    'part-outside': true,
    'no-room-for-cut': true,
    'off-balance': true,
    'no-spacer': true,
    'lower-cleat-back': true,
    'stud-edge': true,
    'plugs-close': true,
    'stud-by-end': true,
    'marks-close': true,
    'wrong-spacer': true,
    'lifts-off': true,
    unfastened: true,
    'slim-cleat': true,
    overhang: true,
    'cleat-splits': true,
    'cleat-material': true,
    'over-load': true,
    children: true,
    'machine-too-small': true,
    'too-large-for-stock': true,
    'look-alikes': true,
    'heavy-sheet': true,
    'thin-rip': true,
    'no-straight-edge': true,
    'kerf-forgotten': true,
    'wont-fit-car': true,
    'too-heavy-alone': true,
    'glue-on-finish': true,
    'holds-too-deep': true,
    'holds-too-tall': true,
    'no-room': true,
    'cannot-grasp': true,
    'slot-count': true,
    'no-growth': true,
    'bridges-gap': true,
    'slides-off': true,
    'out-of-reach': true,
    ground: true,
    bed: true,
    earthquake: true,
    'height-shift': true,
    'join-first': true,
    'moving-wall': true,
    'unrated-fixing': true,
    'plates-ground': true,
    'half-in-way': true,
    collides: true,
    'covers-outlet': true,
    'hits-baseboard': true,
    'room-door': true,
    'door-hits': true,
    'head-room': true,
    'cable-unknown': true,
    'bowed-wall': true,
    'rail-pitch': true,
    'cleat-below': true,
    'off-rail': true,
    'rail-mismatch': true,
    'through-or-between': true,
    'front-clearance': true,
    'tight-back': true,
    'round-corner': true,
    'split-back': true,
    'glued-shut': true,
    'not-mirrored': true,
    'wood-movement': true,
    'bevel-mismatch': true,
    'not-glass': true,
    'taper-before-slots': true,
    'tear-out': true,
    'already-cut': true,
    'already-glued': true,
    'finish-before-assembly': true,
    'squeeze-out': true,
    'nail-blows-out': true,
    'visible-pocket-holes': true,
    'edge-split': true,
    'hollow-core': true,
  };
  expect([...tried].sort()).toEqual(Object.keys(all).sort());
});

test('where children reach the unit, leaning that it does not bear stops it; elsewhere it is a caution', () => {
  const weak = [typed('depth', '420 mm'), ink('hanging.wallScrew.upper', 1), typed('place.up', '900 mm')];
  const severity = (children: boolean) =>
    planned({ ...applyEdit(printRoom().design, weak), children }).findings.find(({ check }) => check === 'children')?.severity;
  expect(severity(false)).toBe('look');
  expect(severity(true)).toBe('stop');
});

test('two readings are wanted: one is not enough, and a typed length keeps its own unit in the fix', () => {
  const { design, record, workshop } = printRoom();
  const one = plan(design, record.slice(0, 1), workshop)
    .byId.get('ink')!
    .findings.find(({ check }) => check === 'nominal-thickness');
  expect(one).toMatchObject({ readings: 1, fixes: [{ label: { key: 'take-readings', number: 1 }, visit: 'stock' }, { label: { key: 'fit-loose' } }] });
  expect(
    plan(design, record.slice(0, 2), workshop)
      .byId.get('ink')!
      .findings.some(({ check }) => check === 'nominal-thickness'),
  ).toBe(false);
  expect(entered('15 mm').text).toBe('15 mm');
});

test('an offcut without a straight edge is laid out only where a saw on a guide gives it one', () => {
  const { design, record, workshop } = printRoom();
  const offcut = { id: 'offcut-9', product: 'birch-18', kind: 'offcut' as const, length: entered('900 mm'), width: entered('500 mm'), crooked: true };
  const shop = { ...workshop, pieces: { 'offcut-9': offcut } };
  const { 'guided-saw': _gone, ...machines } = shop.shop.machines;
  const sheets = (of: typeof shop): string[] => sheetJobs(plan(design, record, of).parts, of).flatMap(({ problem }) => problem.sheets.map(({ id }) => id));
  expect(sheets(shop)).toContain('offcut-9');
  expect(sheets({ ...shop, shop: { ...shop.shop, machines } })).not.toContain('offcut-9');
  expect(planned(design, [], () => shop).findings.map(({ check }) => check)).not.toContain('no-straight-edge');
});
