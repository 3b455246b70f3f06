import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { arbitraryBox } from '../test/arbitrary-box.ts';
import { boxOf, ink, solidOf, cabinetWith } from '../test/print-room.ts';
import { boundsOf, frontView, hookPlane, sectionView } from './views.ts';

const span = (points: readonly (readonly [number, number])[], axis: 0 | 1): [number, number] => [
  Math.min(...points.map((point) => point[axis])),
  Math.max(...points.map((point) => point[axis])),
];

describe('from the front', () => {
  test('the carcass fills the size that was asked, to scale', () => {
    fc.assert(
      fc.property(arbitraryBox, (box) => {
        const cabinet = solidOf(box);
        const seen = frontView(cabinet).filter(({ role }) => ['side', 'top', 'bottom'].includes(role));
        const all = seen.flatMap(({ points }) => points);
        const [left, right] = span(all, 0);
        const [low, high] = span(all, 1);
        expect([left, low]).toEqual([0, 0]);
        expect(right).toBeCloseTo(toMm(box.width.nm), 6);
        expect(high).toBeCloseTo(toMm(box.height.nm), 6);
      }),
      { numRuns: 60 },
    );
  });

  test('ends let into a side are drawn over it; what is behind the back is dashed', () => {
    const { cabinet } = cabinetWith('ink');
    const order = frontView(cabinet).map(({ panel }) => panel);
    for (const guest of ['ink/shelf/s1', 'ink/shelf/s2', 'ink/bottom', 'ink/top']) expect(order.indexOf(guest)).toBeGreaterThan(order.indexOf('ink/side/left'));
    const hidden = frontView(cabinet)
      .filter((seen) => seen.hidden)
      .map(({ role }) => role);
    expect(hidden.sort()).toEqual(['cabinet-half', 'spacer', 'wall-half']);
    // A shelf's end shows as deep in the side as the dado less the end play.
    const shelf = frontView(cabinet).find(({ panel }) => panel === 'ink/shelf/s1')!;
    expect(span(shelf.points, 0)[0]).toBeCloseTo(17.8 - 5.75, 9);
  });
});

describe('in section', () => {
  const { cabinet } = cabinetWith('ink');
  const cut = sectionView(cabinet, 350);
  test('only what the plane passes through is there: no sides', () => {
    expect(cut.map(({ role }) => role)).not.toContain('side');
    expect(cut).toHaveLength(cabinet.panels.length - 2);
    expect(sectionView(cabinet, 5).map(({ role }) => role)).toContain('side');
    expect(sectionView(cabinet, -5)).toEqual([]);
  });
  test('the halves of the cleat meet on their bevel, the back stands clear of the wall by the gap', () => {
    const half = cut.find(({ role }) => role === 'cabinet-half')!;
    const ups = half.points.map(([, up]) => up).sort((a, b) => a - b);
    expect(ups[1]! - ups[0]!).toBeCloseTo(17.8, 6); // the point hangs 17.8 lower at 45 degrees
    const back = cut.find(({ role }) => role === 'back')!;
    expect(span(back.points, 0)).toEqual([17.8, 24]);
  });
  test('a top with a rabbet for the back is drawn with its step', () => {
    const top = cut.find(({ role }) => role === 'top')!;
    expect(top.points).toHaveLength(6);
    expect(sectionView(solidOf({ ...boxOf(), back: { ...boxOf().back, kind: 'none' } }), 300).find(({ role }) => role === 'top')!.points).toHaveLength(4);
  });
});

test('a bevelled board reaches as far as its longer face', () => {
  const { cabinet } = cabinetWith('ink');
  const half = cabinet.byId.get('ink/wall-half')!;
  const { low, high } = boundsOf(half);
  expect(high.up - low.up).toBeCloseTo(toMm(cabinet.hanging.longFace), 5);
});

test('the section through the hook goes through a bracket, and beside a notch that lies in its way', () => {
  const cabinet = cabinetWith('ink', ink('hanging.brackets', { count: 2, length: entered('120 mm') })).cabinet;
  expect(hookPlane(cabinet)).toBe(60);
  const plain = cabinetWith('ink').cabinet;
  const at = hookPlane(plain);
  const notched = cabinetWith(
    'ink',
    ink('hanging.notch', { at: entered(`${Math.round(at) - 40} mm`), length: entered('80 mm'), depth: entered('20 mm') }),
  ).cabinet;
  const { notch } = notched.hanging;
  expect(hookPlane(notched)).toBeCloseTo(notch!.from / 1e6 - 5, 9);
});
