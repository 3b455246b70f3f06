/** Where the checks of making begin: just under, nothing is said; just over, it is. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { setupsOf } from '../setups/setups.ts';
import { defaultShop } from '../stock/shop.ts';
import { newSpec } from '../test/family-units.ts';
import { replayFaults } from '../test/replay-check.ts';
import { aloneBox, boxOf } from '../test/print-room.ts';
import type { CheckId, Finding } from './finding.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';
import type { ToolTill } from '../model/specs/tool-till.ts';

const said = (spec: Parameters<typeof aloneBox>[0], check: CheckId): Finding[] => aloneBox(spec).findings.filter((finding) => finding.check === check);
const box = (more: Partial<ShelfBox>, assembly: Partial<ShelfBox['assembly']> = {}): ShelfBox => {
  const base = boxOf();
  return { ...base, ...more, assembly: { ...base.assembly, ...assembly } };
};
const mm = (text: string) => entered(`${text} mm`);
const finish = (kind: ShelfBox['finish']['kind'], when: ShelfBox['finish']['when'], masked = false): ShelfBox['finish'] => ({ kind, when, masked });

describe('a brad wanders by 3 mm and a tenth of its way', () => {
  // Through a side of 12 less a slot of 6: 50 mm goes 44 in and wanders 7.4; half of 12 covers 6.
  const brads = (length: string, stock = 'birch-12') =>
    said(box({ stock, shelfJoint: 'dado' }, { by: 'brads', perJoint: 3, length: mm(length) }), 'nail-blows-out');
  test('what wanders further than half the part is said, with a shorter one that does not', () => {
    const [finding] = brads('50');
    expect(finding).toMatchObject({ check: 'nail-blows-out', coverMm: 6 });
    const shorter = finding!.fixes.find(({ label }) => label.key === 'use-brads')!;
    expect(brads(String(shorter.label.lengthNm! / 1e6))).toEqual([]);
  });
  test('in 18 mm the same brad is covered', () => {
    expect(brads('50', 'birch-18')).toEqual([]);
  });
});

describe('pockets', () => {
  const pockets = (up: string, on: ShelfBox['assembly']['pocketsOn'], more: Partial<ShelfBox> = {}) =>
    said(box({ place: { along: mm('900'), up: mm(up) }, ...more }, { by: 'pockets', perJoint: 2, pocketsOn: on }), 'visible-pocket-holes');
  test('hidden is hidden at any height', () => {
    for (const up of ['0', '700', '1200', '1900']) expect(pockets(up, 'hidden')).toEqual([]);
  });
  test('under is seen above the eye, on top below it', () => {
    expect(pockets('1900', 'under')).toHaveLength(1);
    expect(pockets('1900', 'upper')).toEqual([]);
    expect(pockets('300', 'upper')).toHaveLength(1);
    expect(pockets('300', 'under')).toEqual([]);
  });
  test('behind a door nobody sees them', () => {
    expect(pockets('1900', 'under', { front: 'doors' })).toEqual([]);
  });
});

describe('finish and glue', () => {
  test.each([
    ['stain after, bare', finish('stain', 'after'), ['squeeze-out']],
    ['stain after, taped off', finish('stain', 'after', true), []],
    ['stain before, bare', finish('stain', 'before'), ['glue-on-finish']],
    ['oil after', finish('oil', 'after'), []],
    ['varnish before, bare', finish('varnish', 'before'), ['glue-on-finish']],
    ['varnish before, taped off', finish('varnish', 'before', true), []],
    ['nothing', finish('none', 'before'), []],
  ] as const)('%s', (_name, how, expected) => {
    const found = aloneBox(box({ finish: how }))
      .findings.map(({ check }) => check)
      .filter((check) => check === 'squeeze-out' || check === 'glue-on-finish');
    expect(found).toEqual(expected);
  });
  test('without glue neither matters', () => {
    expect(said(box({ finish: finish('stain', 'after'), glue: false }), 'squeeze-out')).toEqual([]);
  });
  test('a narrow space is only said where a brush must go in afterwards', () => {
    const shelves = { s1: { ...boxOf().shelves['s1']!, at: mm('119') } };
    const narrow = (how: ShelfBox['finish'], depth = '300') => said(box({ shelves, finish: how, depth: mm(depth) }), 'finish-before-assembly');
    expect(narrow(finish('oil', 'after'))).toHaveLength(1);
    expect(narrow(finish('oil', 'before'))).toEqual([]);
    expect(narrow(finish('none', 'after'))).toEqual([]);
    // 240 deep inside: an arm reaches that.
    expect(narrow(finish('oil', 'after'), '246')).toEqual([]);
  });
});

describe('order and edges', () => {
  const till = newSpec('tool-till') as ToolTill;
  test('a plain box may be cut in any order, a tapered till may not', () => {
    expect(said(box({ cutFirst: 'shape' }), 'taper-before-slots')).toEqual([]);
    expect(said({ ...till, cutFirst: 'shape' }, 'taper-before-slots')).toHaveLength(1);
    expect(said({ ...till, cutFirst: 'shape', sides: 'parallel' }, 'taper-before-slots')).toEqual([]);
  });
  test('nothing tears that is banded, covered by a frame, stopped, without grain or backed', () => {
    const bare = (more: Partial<ShelfBox> = {}) => said(box({ slotExit: 'bare', ...more }), 'tear-out');
    expect(bare()).toHaveLength(1);
    expect(bare({ band: mm('1') })).toEqual([]);
    const frame = { stock: 'birch-18', stile: mm('40'), rail: mm('40'), overhang: mm('3'), inside: 'flush', joined: 'pockets' } as const;
    // The frame covers the sides; the slots of its own top and bottom are what is left, and there are none.
    expect(bare({ faceFrame: frame })).toEqual([]);
    expect(bare({ stock: 'mdf-18' })).toEqual([]);
    expect(said(box({ slotExit: 'backed' }), 'tear-out')).toEqual([]);
    expect(said(box({ slotExit: 'wide' }), 'tear-out')).toEqual([]);
  });
  test('a piece left wide is 3 mm wider in the cut list, ripped to its width after its slots and before what is measured from that edge', () => {
    const wide = aloneBox(box({ slotExit: 'wide' }));
    const [sides, plain] = [wide, aloneBox(box({}))].map(({ parts }) => parts.find(({ role }) => role === 'side')!);
    expect(sides!.width.value - plain!.width.value).toBe(3_000_000);
    expect(sides!.width.terms.at(-1)!.label.key).toBe('left-wide');
    expect(replayFaults(wide.cabinet, defaultShop())).toEqual([]);
    const stages = setupsOf([wide.cabinet], defaultShop()).setups.flatMap(({ stage, cuts }) =>
      cuts.filter(({ operation }) => operation.panel === sides!.panels[0]).map(() => stage),
    );
    expect([...new Set(stages)].slice(0, 3)).toEqual(['slots', 'widths', 'grooves']);
  });
  test('slots that run out have no round ends', () => {
    expect(said(box({ stopEnds: 'round' }), 'round-corner')).toEqual([]);
    expect(said(box({ stopEnds: 'round', setback: mm('15') }), 'round-corner')).toHaveLength(1);
  });
  test('four screws in the end of a rail of 90 keep 2.5 diameters; of 8 mm ones they do not', () => {
    const railed = (screw: string) => said(box({}, { screw, perJoint: 0 }), 'edge-split');
    expect(railed('4mm')).toEqual([]);
    expect(railed('6mm')).toHaveLength(1);
  });
  test('a door that is hollow may be screwed at its rim', () => {
    const base = boxOf();
    const hollow = (lip: string) =>
      box(
        { stock: 'hollow-door-40', shelves: {}, bottom: { ...base.bottom, lip: mm(lip) }, hanging: { ...base.hanging, rail: null } },
        { perJoint: 2, length: mm('50') },
      );
    // Half of 40 and a lip of 5 stand 25 in from the end; with a lip of 15 the screw is past the rim of 30.
    expect(said(hollow('5'), 'hollow-core')).toEqual([]);
    expect(said(hollow('15'), 'hollow-core')).toHaveLength(1);
  });
});

describe('backs', () => {
  test('a millimeter in all is enough', () => {
    const { back } = boxOf();
    expect(said(box({ back: { ...back, play: mm('0.5') } }), 'tight-back')).toEqual([]);
    expect(said(box({ back: { ...back, play: mm('0.49') } }), 'tight-back')).toHaveLength(1);
  });
  test('a seam in the middle of a shelf is behind it', () => {
    const { back } = boxOf();
    // Inside 649: shelf 1 from 204.33 to 222.33.
    expect(said(box({ back: { ...back, split: mm('213') } }), 'split-back')).toEqual([]);
    expect(said(box({ back: { ...back, split: mm('260') } }), 'split-back')).toHaveLength(1);
  });
  test('in two pieces both are in the cut list, and between them as high as one with its play', () => {
    const { back } = boxOf();
    const whole = aloneBox(boxOf()).cabinet.byId.get('u1/back')!;
    const { cabinet } = aloneBox(box({ back: { ...back, split: mm('213') } }));
    const pieces = ['u1/back', 'u1/back/upper'].map((id) => cabinet.byId.get(id)!);
    expect(pieces.reduce((sum, { length }) => sum + length.value, 0)).toBe(whole.length.value);
    expect(pieces.map(({ width }) => width.value)).toEqual([whole.width.value, whole.width.value]);
  });
});

describe('pins at both ends of a shelf', () => {
  const shelves = { s1: { ...boxOf().shelves['s1']!, fixing: 'pins' as const } };
  const { pins } = boxOf();
  test('counted from one end they are level', () => {
    for (const from of ['bottom', 'top'] as const) expect(said(box({ shelves, pins: { ...pins, from, fromRight: from } }), 'not-mirrored')).toEqual([]);
  });
  test('counted from opposite ends they are only level where the height is a whole number of pitches', () => {
    // Inside 649: 96 at both ends leaves 457, 14 pitches of 32 and 9 mm.
    const [finding] = said(box({ shelves, pins: { ...pins, fromRight: 'top' } }), 'not-mirrored');
    expect(finding).toMatchObject({ byNm: 9_000_000 });
    expect(said(box({ shelves, height: mm('692'), pins: { ...pins, fromRight: 'top' } }), 'not-mirrored')).toHaveLength(1);
    expect(said(box({ shelves, height: mm('691'), pins: { ...pins, fromRight: 'top' } }), 'not-mirrored')).toEqual([]);
  });
});

test('dividers glued to a panel that comes out come out with it; glued to the bottom too they would hold it in', () => {
  const till = newSpec('tool-till');
  if (till.family !== 'tool-till') throw new Error('a tool till was asked for');
  const glued = aloneBox({ ...till, panel: 'removable', dividersBy: 'glue' });
  expect(glued.findings.filter(({ check }) => check === 'glued-shut')).toEqual([]);
  const bottoms = glued.cabinet.connections.filter(({ guest, edge }) => guest.includes('/divider/') && edge === 'start');
  expect(bottoms.every(({ joint }) => !joint.glue)).toBe(true);
});
