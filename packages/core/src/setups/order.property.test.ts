/** A person's own order of setups: kept as far as references allow, never further. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { defaultShop } from '../stock/shop.ts';
import { newSpec } from '../test/family-units.ts';
import { aloneBox, boxOf } from '../test/print-room.ts';
import { inWantedOrder, movedBy, orderFault } from './order.ts';
import { setupsOf } from './setups.ts';

const till = aloneBox({ ...newSpec('tool-till'), slotExit: 'wide' });
const { setups } = setupsOf([till.cabinet, aloneBox({ ...boxOf(), slotExit: 'wide' }).cabinet], defaultShop());
const ids = setups.map(({ id }) => id);
const shuffled = fc.shuffledSubarray(ids, { minLength: 0, maxLength: ids.length });

describe('an order put in by hand', () => {
  test('whatever is wanted, no setup comes before what it must follow, and none is lost', () => {
    fc.assert(
      fc.property(shuffled, (wanted) => {
        const order = inWantedOrder(setups, wanted).map(({ id }) => id);
        expect([...order].sort()).toEqual([...ids].sort());
        expect(orderFault(order, setups)).toBeNull();
      }),
    );
  });

  test('an order that is allowed comes out as it went in; names of setups that are gone change nothing', () => {
    fc.assert(
      fc.property(shuffled, (wanted) => {
        const order = inWantedOrder(setups, wanted).map(({ id }) => id);
        expect(inWantedOrder(setups, order).map(({ id }) => id)).toEqual(order);
        expect(inWantedOrder(setups, ['gone', ...order, 'lost']).map(({ id }) => id)).toEqual(order);
      }),
    );
  });

  test('a setup changes places with its neighbor, or says which of the two must come first and on which parts', () => {
    let refused = 0;
    for (const [index, id] of ids.entries()) {
      const back = movedBy(setups, id, -1);
      if (index === 0) expect(back).toEqual({ ok: true, order: ids });
      else if (back.ok) {
        expect(back.order.indexOf(id)).toBe(index - 1);
        expect(inWantedOrder(setups, back.order).map((setup) => setup.id)).toEqual(back.order);
      } else {
        refused++;
        expect([back.first.id, back.then.id]).toEqual([ids[index - 1], id]);
        expect(back.panels.length).toBeGreaterThan(0);
      }
    }
    expect(refused).toBeGreaterThan(0);
  });

  test('slots and holes of one part may change places; a rip to width may not come before its slots', () => {
    const stageOf = (stage: string) => setups.filter((setup) => setup.stage === stage);
    for (const hole of stageOf('holes')) expect(hole.after.filter((id) => stageOf('slots').some((setup) => setup.id === id))).toEqual([]);
    for (const rip of stageOf('widths')) expect(rip.after.some((id) => stageOf('slots').some((setup) => setup.id === id))).toBe(true);
  });
});
