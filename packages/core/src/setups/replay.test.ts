/** Setups of every demo unit, replayed as wood taken from blanks, in every shop. */
import { describe, expect, test } from '@jest/globals';
import back from '../../../../examples/print-room-back.carcass.json' with { type: 'json' };
import { readProject } from '../formats/project-file.ts';
import { plan } from '../plan/plan.ts';
import { alongStrip } from '../solid/resolve.ts';
import { STARTER_SHOPS } from '../stock/shop.ts';
import { furnishedRoom } from '../test/print-room.ts';
import { STAGES } from './operations.ts';
import { replay } from './replay.ts';
import { orderFault, setupsOf } from './setups.ts';

/** A hundredth of a millimetre. */
const WITHIN = 10_000 + 1;

const rooms = [furnishedRoom(), readProject(back)];
const units = rooms.flatMap(({ design, record, workshop }) => plan(design, record, workshop).units.map(({ unit, name }) => ({ name, unit })));
const shops = STARTER_SHOPS.map(({ id, make }) => [id, make()] as const);

describe.each(shops)('in the %s shop', (_id, shop) => {
  test.each(units.map(({ name, unit }) => [name, unit] as const))('%s: every feature is cut once, where it was drawn', (_name, unit) => {
    const made = setupsOf([unit], shop);
    expect(made.unmade.map(({ id, work }) => [id, work.kind])).toEqual([]);
    expect(made.proved).toBe(true);
    const { slots, holes, others, bevels, times } = replay(made, shop);
    expect([...times.values()].every((count) => count === 1)).toBe(true);
    // Against the resolved panels themselves, strip by strip.
    for (const panel of unit.panels) {
      const blank = made.blanks.get(panel.id);
      if (!blank) continue;
      const { box } = blank;
      const square = panel.strips.filter(({ normal }) => normal.u === 1 || normal.v === 1);
      const cut = slots.filter((slot) => slot.panel === panel.id);
      expect(cut).toHaveLength(square.length);
      for (const strip of square) {
        const across = strip.normal.u === 1;
        const [off, size] = across ? [box.u0, box.u1 - box.u0] : [box.v0, box.v1 - box.v0];
        const here = cut.filter(
          (slot) =>
            slot.face === strip.face &&
            slot.across === across &&
            Math.abs(slot.depth - strip.depth) <= WITHIN &&
            // Past the blank's edge there is nothing to take.
            Math.abs(slot.near - Math.max(0, strip.near - off)) <= WITHIN &&
            Math.abs(slot.far - Math.min(size, strip.far - off)) <= WITHIN,
        );
        expect([strip.id, here.length]).toEqual([strip.id, 1]);
      }
      const drawn = panel.cuts.filter((each) => each.kind === 'holes');
      for (const row of drawn) {
        const bored = holes.find(({ operation }) => operation === `${panel.id}:${row.id}`)!;
        expect(bored.on).toBe(row.face);
        expect(Math.abs(bored.diameter - row.diameter)).toBeLessThanOrEqual(WITHIN);
        expect(bored.depth).toBe(row.depth);
        bored.at.forEach((at, n) => {
          expect(Math.abs(at.u + box.u0 - row.at.u - row.step.u * n)).toBeLessThanOrEqual(WITHIN);
          expect(Math.abs(at.v + box.v0 - row.at.v - row.step.v * n)).toBeLessThanOrEqual(WITHIN);
        });
      }
      for (const strip of panel.strips.filter((each) => !square.includes(each))) {
        const turned = others.find(({ operation }) => operation === `${panel.id}:${strip.id}`)!;
        expect(Math.abs(turned.width - (strip.far - strip.near))).toBeLessThanOrEqual(WITHIN);
        expect(turned.depth).toBe(strip.depth);
        // Turned from square to the length as far as the strip's own direction is.
        const run = alongStrip(strip.normal);
        expect(Math.tan((turned.turnedDeg * Math.PI) / 180)).toBeCloseTo(Math.abs(run.u / run.v), 9);
      }
      for (const groove of panel.cuts.filter((each) => each.kind === 'edge-groove')) {
        const cutIn = others.find(({ operation }) => operation === `${panel.id}:${groove.id}`)!;
        expect(Math.abs(cutIn.width - groove.width)).toBeLessThanOrEqual(WITHIN);
        expect(Math.abs(cutIn.from! - groove.from)).toBeLessThanOrEqual(WITHIN);
        expect(cutIn.depth).toBe(groove.depth);
      }
      for (const { edge, deg } of bevels.filter((each) => each.panel === panel.id)) {
        expect(deg).toBeCloseTo(panel.outline.find(({ id }) => id === edge)!.bevel, 6);
      }
      // Whatever is slanted, notched or beveled is somewhere in the setups.
      const slanted = made.setups.flatMap(({ cuts }) => cuts).filter(({ operation }) => operation.panel === panel.id && operation.work.kind === 'notch');
      expect(slanted).toHaveLength(panel.cuts.filter(({ kind }) => kind === 'notch').length);
    }
  });

  test.each(units.map(({ name, unit }) => [name, unit] as const))('%s: nothing that hurts is proposed', (_name, unit) => {
    const { setups, blanks } = setupsOf([unit], shop);
    for (const { setting, cuts } of setups)
      for (const { operation, way } of cuts) {
        const { length, width } = blanks.get(operation.panel)!;
        const saw = shop.machines[setting.machine]!.kind;
        if ((setting.held === 'fence' || setting.held === 'table') && way.against && setting.bit === undefined) {
          const crosswise = way.against === 'start' || way.against === 'end';
          const [onFence, across] = crosswise ? [width, length] : [length, width];
          // short-edge-on-fence: it racks and kicks back.
          expect(onFence).toBeGreaterThanOrEqual(Math.max(across, 200e6));
        }
        // too-small-to-hold: cut in a longer piece first.
        const least = saw === 'table-saw' ? 300e6 : saw === 'router-table' ? 150e6 : 0;
        if (Math.max(length, width) < least && setting.held !== 'wedge') expect(way.longer).toBe(true);
        if (setting.router) expect(setting.router.eachDown).toBeLessThanOrEqual(6e6);
      }
  });

  test.each(units.map(({ name, unit }) => [name, unit] as const))('%s: in an order that keeps its references', (_name, unit) => {
    const { setups } = setupsOf([unit], shop);
    expect(
      orderFault(
        setups.map(({ id }) => id),
        setups,
      ),
    ).toBeNull();
    const stageOf = new Map<string, number>();
    for (const { stage, cuts } of setups)
      for (const { operation } of cuts) {
        const at = STAGES.indexOf(stage);
        expect(at).toBeGreaterThanOrEqual(stageOf.get(operation.panel) ?? 0);
        stageOf.set(operation.panel, at);
      }
  });
});
