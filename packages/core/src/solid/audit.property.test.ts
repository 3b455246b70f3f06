/** The audit every family must pass: random boxes, their slabs and strips compared in whole nanometers. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { toMm } from '../length/length.ts';
import type { Feature } from '../parts/features.ts';
import type { PartLine } from '../parts/part-line.ts';
import { aloneBox, solidOf } from '../test/print-room.ts';
import { arbitraryBox } from '../test/arbitrary-box.ts';
import { place, type Panel } from './panel.ts';
import type { ResolvedPanel } from './resolve.ts';
import type { ResolvedCabinet } from './cabinet.ts';
import { boundsOf } from './views.ts';
import { bulkOf, removed } from './volume.ts';

interface Block {
  readonly low: readonly [number, number, number];
  readonly high: readonly [number, number, number];
}

const AXES = ['along', 'up', 'out'] as const;
const nm = (mm: number): number => Math.round(mm * 1e6);

/** A box of the panel's own frame as a block of the cabinet frame. */
function blockOf(panel: Panel, u: readonly [number, number], v: readonly [number, number], w: readonly [number, number]): Block {
  const a = place(panel.frame, { u: u[0], v: v[0] }, w[0]);
  const b = place(panel.frame, { u: u[1], v: v[1] }, w[1]);
  const at = (pick: (x: number, y: number) => number) => AXES.map((axis) => pick(a[axis], b[axis])) as unknown as Block['low'];
  return { low: at(Math.min), high: at(Math.max) };
}

function slabOf(panel: ResolvedPanel): Block {
  const us = panel.outline.map(({ from }) => from.u);
  const vs = panel.outline.map(({ from }) => from.v);
  return blockOf(panel, [Math.min(...us), Math.max(...us)], [Math.min(...vs), Math.max(...vs)], [0, panel.thickness]);
}

const cutsOf = (panel: ResolvedPanel): Block[] =>
  removed(panel).map(({ u0, u1, v0, v1, w0, w1 }) => blockOf(panel, [nm(u0), nm(u1)], [nm(v0), nm(v1)], [nm(w0), nm(w1)]));

function overlap(a: Block, b: Block): Block | undefined {
  const low = a.low.map((value, axis) => Math.max(value, b.low[axis]!)) as unknown as Block['low'];
  const high = a.high.map((value, axis) => Math.min(value, b.high[axis]!)) as unknown as Block['high'];
  return low.every((value, axis) => value < high[axis]!) ? { low, high } : undefined;
}

/** True when every point of `space` lies in one of the blocks: its cells between their faces are tried one by one. */
function covered(space: Block, blocks: readonly Block[]): boolean {
  const cuts = AXES.map((_, axis) =>
    [...new Set([space.low[axis]!, space.high[axis]!, ...blocks.flatMap(({ low, high }) => [low[axis]!, high[axis]!])])]
      .filter((value) => value >= space.low[axis]! && value <= space.high[axis]!)
      .sort((a, b) => a - b),
  );
  for (let i = 0; i + 1 < cuts[0]!.length; i++)
    for (let j = 0; j + 1 < cuts[1]!.length; j++)
      for (let k = 0; k + 1 < cuts[2]!.length; k++) {
        const middle = [cuts[0]!, cuts[1]!, cuts[2]!].map((row, axis) => (row[[i, j, k][axis]!]! + row[[i, j, k][axis]! + 1]!) / 2);
        if (!blocks.some(({ low, high }) => middle.every((value, axis) => value > low[axis]! && value < high[axis]!))) return false;
      }
  return true;
}

/** Pairs of panels that stand in one another outside what was cut away. The two cleat halves mate on their bevels and are left out. */
function clashes(cabinet: ResolvedCabinet): string[] {
  const rows = cabinet.panels.map((panel) => ({ panel, slab: slabOf(panel), cuts: cutsOf(panel) }));
  return rows.flatMap((a, index) =>
    rows.slice(index + 1).flatMap((b) => {
      if (a.panel.role === 'cabinet-half' && b.panel.role === 'wall-half') return [];
      const space = overlap(a.slab, b.slab);
      return space && !covered(space, [...a.cuts, ...b.cuts]) ? [`${a.panel.id} and ${b.panel.id}`] : [];
    }),
  );
}

const hasRoom = (cabinet: ResolvedCabinet): boolean => cabinet.compartments.every(({ height, depth }) => height.value > 0 && depth.value > 0);
/** A rail, cleat or spacer as tall as the box itself cannot stand in it: the checks say so, the geometry need not. */
const tallEnough = (cabinet: ResolvedCabinet): boolean =>
  cabinet.compartments.at(-1)!.height.value > 100e6 && cabinet.hanging.valleyUp - cabinet.hanging.shortFace > 80e6;

test('slabs less their strips never stand in one another', () => {
  let tried = 0;
  fc.assert(
    fc.property(arbitraryBox, (box) => {
      const cabinet = solidOf(box);
      fc.pre(hasRoom(cabinet) && tallEnough(cabinet));
      tried++;
      expect(clashes(cabinet)).toEqual([]);
    }),
    { numRuns: 1500 },
  );
  expect(tried).toBeGreaterThan(700);
});

test('the audit itself sees a shelf that is moved into its neighbour', () => {
  fc.assert(
    fc.property(arbitraryBox, (box) => {
      const cabinet = solidOf(box);
      fc.pre(hasRoom(cabinet) && Object.keys(box.shelves).length > 0);
      const moved = cabinet.panels.map((panel) =>
        panel.role === 'bottom'
          ? { ...panel, frame: { ...panel.frame, origin: { ...panel.frame.origin, up: cabinet.byId.get(`${box.id}/shelf/s1`)!.frame.origin.up } } }
          : panel,
      );
      expect(clashes({ ...cabinet, panels: moved }).length).toBeGreaterThan(0);
    }),
    { numRuns: 20 },
  );
});

test('each dado holds its guest with the play that was asked and no more', () => {
  fc.assert(
    fc.property(arbitraryBox, (box) => {
      const cabinet = solidOf(box);
      for (const host of cabinet.panels)
        for (const slot of host.slots) {
          const guest = cabinet.byId.get(slot.guest)!;
          if (slot.kind === 'dado') {
            expect(slot.far - slot.near).toBe(guest.thickness + slot.play);
            expect(slabOf(guest)).toSatisfyDepth(slot.depth, slabOf(host));
          } else expect(slot.far - slot.near).toBeGreaterThanOrEqual(guest.thickness);
        }
    }),
    { numRuns: 200 },
  );
});

declare module 'expect' {
  interface Matchers<R> {
    toSatisfyDepth(depth: number, host: Block): R;
  }
}
expect.extend({
  /** The guest goes into the host by the joint's depth less the end play of 0.25 mm. */
  toSatisfyDepth(received: unknown, depth: number, host: Block) {
    const guest = received as Block;
    const space = overlap(guest, host);
    const into = space ? Math.min(...space.low.map((value, axis) => space.high[axis]! - value)) : 0;
    return { pass: into === depth - 250_000, message: () => `goes in ${into} nm of ${depth}` };
  },
});

test('every outer dimension is what was asked, to the nanometre', () => {
  fc.assert(
    fc.property(arbitraryBox, (box) => {
      const cabinet = solidOf(box);
      const carcass = cabinet.panels.filter(({ role }) => ['side', 'top', 'bottom', 'back'].includes(role)).map(slabOf);
      const span = (axis: number): number => Math.max(...carcass.map(({ high }) => high[axis]!)) - Math.min(...carcass.map(({ low }) => low[axis]!));
      expect([span(0), span(1), span(2)]).toEqual([box.width.nm, box.height.nm, box.depth.nm]);
    }),
    { numRuns: 300 },
  );
});

test('openings and shelves fill the inside exactly, and no opening differs from another by more than rounding', () => {
  fc.assert(
    fc.property(arbitraryBox, (box) => {
      const cabinet = solidOf(box);
      const floors = cabinet.compartments.map(({ floor, at, height }) => ({ top: at.up + height.value, floor, at: at.up, height: height.value }));
      const heights = floors.map(({ height }) => height);
      expect(Math.max(...heights) - Math.min(...heights)).toBe(0);
      const T = cabinet.byId.get(`${box.id}/bottom`)!.thickness;
      for (const [index, next] of floors.slice(1).entries()) expect(Math.abs(next.at - T - floors[index]!.top)).toBeLessThanOrEqual(1);
    }),
    { numRuns: 200 },
  );
});

/** The volume of a blank with its features cut, from the cut list alone: what a person with a saw would be left with. */
function replay({ length, width, thickness, features }: PartLine): number {
  const full = toMm(length.value) * toMm(width.value) * toMm(thickness);
  // Holes for screws and pilots are filled again by what goes into them.
  const strips = features
    .filter(({ kind }) => kind !== 'holes')
    .map((feature: Feature) => {
      const [from, to] = [toMm(feature.at), toMm(feature.at) + toMm(feature.width)];
      return { crosses: feature.from === 'start', from, to, depth: toMm(feature.depth) };
    });
  const us = [...new Set([0, toMm(length.value), ...strips.filter(({ crosses }) => crosses).flatMap(({ from, to }) => [from, to])])].sort((a, b) => a - b);
  const vs = [...new Set([0, toMm(width.value), ...strips.filter(({ crosses }) => !crosses).flatMap(({ from, to }) => [from, to])])].sort((a, b) => a - b);
  let gone = 0;
  for (let i = 0; i + 1 < us.length; i++)
    for (let j = 0; j + 1 < vs.length; j++) {
      const u = (us[i]! + us[i + 1]!) / 2;
      const v = (vs[j]! + vs[j + 1]!) / 2;
      const depth = Math.max(0, ...strips.filter(({ crosses, from, to }) => (crosses ? u > from && u < to : v > from && v < to)).map((strip) => strip.depth));
      gone += (us[i + 1]! - us[i]!) * (vs[j + 1]! - vs[j]!) * depth;
    }
  return full - gone;
}

test('replaying the cut list on its blanks gives the slabs, and the mass by volume', () => {
  fc.assert(
    fc.property(arbitraryBox, (box) => {
      const { cabinet, parts, weights } = aloneBox(box);
      fc.pre(hasRoom(cabinet));
      for (const line of parts.filter(({ role }) => role !== 'cleat-blank'))
        for (const id of line.panels) {
          const panel = cabinet.byId.get(id)!;
          const { volumeMm3 } = bulkOf(panel);
          expect(Math.abs(replay(line) / volumeMm3 - 1)).toBeLessThan(1e-9);
          const density = weights.panels.get(id)!.terms.find(({ symbol }) => symbol === 'ρ')!.value;
          expect(weights.panels.get(id)!.value).toBeCloseTo((volumeMm3 * density) / 1e9, 9);
        }
    }),
    { numRuns: 200 },
  );
});

test('the two sides are mirror images: same numbers, faces exchanged', () => {
  fc.assert(
    fc.property(arbitraryBox, (box) => {
      const cabinet = solidOf(box);
      const left = cabinet.byId.get(`${box.id}/side/left`)!;
      const right = cabinet.byId.get(`${box.id}/side/right`)!;
      const strips = (panel: ResolvedPanel, face: 'reference' | 'other') =>
        panel.slots.map((slot) => ({ ...slot, id: '', face: slot.face === face ? 'inside' : 'outside' })).sort((a, b) => a.near - b.near || a.depth - b.depth);
      expect(strips(left, 'other')).toEqual(strips(right, 'reference'));
      expect(left.length.value).toBe(right.length.value);
    }),
    { numRuns: 100 },
  );
});

test('every panel hangs together with the cabinet half through meetings or its screws', () => {
  fc.assert(
    fc.property(arbitraryBox, (box) => {
      const cabinet = solidOf(box);
      const reached = new Set([`${box.id}/side/left`]);
      for (let grown = -1; grown !== reached.size;) {
        grown = reached.size;
        for (const { guest, host } of cabinet.connections) {
          if (reached.has(guest)) reached.add(host);
          if (reached.has(host)) reached.add(guest);
        }
      }
      const loose = cabinet.panels.filter(({ id, role }) => !reached.has(id) && !['wall-half', 'cabinet-half', 'spacer'].includes(role));
      expect(loose.map(({ id }) => id)).toEqual([]);
    }),
    { numRuns: 100 },
  );
});

test('the halves of the cleat mate: the bevels lie on one plane and neither half goes past the wall plane', () => {
  fc.assert(
    fc.property(arbitraryBox, fc.integer({ min: 25, max: 60 }), (box, bevelDeg) => {
      const cabinet = solidOf({ ...box, hanging: { ...box.hanging, bevelDeg } });
      const hook = boundsOf(cabinet.byId.get(cabinet.hanging.cabinetHalf)!);
      const wall = boundsOf(cabinet.byId.get(cabinet.hanging.wallHalf)!);
      // The wall cleat's point stands over the valley by the engagement, the cabinet cleat's hangs down to the valley.
      expect(wall.high.up - hook.low.up).toBeCloseTo(cabinet.hanging.rip!.engagement.value, 5);
      expect(wall.low.out).toBeCloseTo(0, 9);
      expect(hook.low.out).toBeCloseTo(0, 9);
    }),
    { numRuns: 100 },
  );
});
