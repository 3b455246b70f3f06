/** @jest-environment ./src/test/browser.mjs */
/** Clamps and labels of the shop: added, changed, removed; saved with the shop. */
import { afterEach, describe, expect, test } from '@jest/globals';
import { glueOf, starterWorkshop, type DisplayUnit, type Shop } from '@keen/core';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { ClampsForm } from './ClampsForm.tsx';
import { LabelsForm } from './LabelsForm.tsx';

afterEach(cleanup);

function form(unit: DisplayUnit, start: Shop = starterWorkshop().shop) {
  let last = start;
  function Forms() {
    const [shop, setShop] = useState(start);
    const set = (next: Shop): void => {
      last = next;
      setShop(next);
    };
    return (
      <>
        <ClampsForm shop={shop} unit={unit} onChange={(clamps) => set({ ...shop, clamps })} />
        <LabelsForm shop={shop} unit={unit} onChange={(labels) => set({ ...shop, labels })} />
      </>
    );
  }
  const { container } = render(<Forms />);
  const field = (name: string): HTMLInputElement => container.querySelector(`[data-field="${name}"]`)!;
  const type = async (name: string, text: string): Promise<void> => {
    await userEvent.clear(field(name));
    await userEvent.type(field(name), text);
    await userEvent.tab();
  };
  return { shop: () => last, type, field };
}
const rows = ({ clamps }: Shop) => Object.values(clamps).map(({ count, reach }) => `${count} × ${reach.nm / 1e6}`);

describe('clamps', () => {
  test('as many as there are, as far as they open', async () => {
    const { shop, type } = form('mm');
    expect(rows(shop())).toEqual(['6 × 300', '8 × 800', '4 × 1250']);
    await type('shop.clamps.clamps-2.count', '3');
    await type('shop.clamps.clamps-2.reach', '900');
    expect(rows(shop())).toEqual(['6 × 300', '3 × 900', '4 × 1250']);
  });

  test('more of another length, and some taken out; none at all is said', async () => {
    const { shop } = form('mm');
    await userEvent.click(screen.getByRole('button', { name: 'Add clamps' }));
    expect(rows(shop())).toEqual(['6 × 300', '8 × 800', '4 × 1250', '2 × 600']);
    for (const name of ['300 mm', '800 mm', '1250 mm', '600 mm'])
      await userEvent.click(screen.getByRole('button', { name: `Take out the clamps that open ${name}` }));
    expect(rows(shop())).toEqual([]);
    expect(screen.getByText(/^None: only what screws or brads hold/)).toBeTruthy();
  });

  test('none of a kind is not a count', async () => {
    const { shop, type, field } = form('mm');
    await type('shop.clamps.clamps-1.count', '0');
    expect(rows(shop())[0]).toBe('6 × 300');
    expect(field('shop.clamps.clamps-1.count').getAttribute('aria-invalid')).toBe('true');
  });
});

describe('labels', () => {
  const group = (name: RegExp) => within(screen.getByText(name).closest('details')!);

  test('what the bottle says stands in place of the usual figures, all of them, until they are taken back', async () => {
    const { shop, type } = form('mm');
    await type('shop.labels.glue.yellow.openMin', '12');
    expect(shop().labels.glues).toEqual({ yellow: { openMin: 12, clampMin: 45, cureMin: 1440, leastC: 10 } });
    await type('shop.labels.glue.yellow.cureMin', '12');
    expect(glueOf('yellow', shop())).toMatchObject({ openMin: 12, cureMin: 720 });
    expect(group(/^yellow wood glue/).getByText(/open 12 min, 45 min in the clamps, strong after 12 h, off the label/)).toBeTruthy();
    await userEvent.click(group(/^yellow wood glue/).getByRole('button', { name: 'Back to the usual figures' }));
    expect(shop().labels.glues).toEqual({});
  });

  test('of a tin in hours and square meters', async () => {
    const { shop, type } = form('mm');
    await type('shop.labels.finish.oil.recoatMin', '8');
    await type('shop.labels.finish.oil.coversM2', '12,5');
    expect(shop().labels.finishes['oil']).toMatchObject({ coats: 2, recoatMin: 480, coversM2: 12.5 });
  });

  test('in an inch room in quarts, square feet and degrees Fahrenheit', async () => {
    const { shop, type } = form('in');
    await type('shop.labels.finish.paint.coversM2', '100');
    // 100 ft² a quart: 100 · 0.09290304 m² over 0.946352946 l.
    expect(shop().labels.finishes['paint']!.coversM2).toBeCloseTo((100 * 0.09290304) / 0.946352946, 9);
    await type('shop.labels.finish.paint.leastC', '50');
    expect(shop().labels.finishes['paint']!.leastC).toBe(10);
  });

  test('no open time of nothing', async () => {
    const { shop, type, field } = form('mm');
    await type('shop.labels.glue.white.openMin', '0');
    expect(shop().labels.glues).toEqual({});
    expect(field('shop.labels.glue.white.openMin').getAttribute('aria-invalid')).toBe('true');
  });
});
