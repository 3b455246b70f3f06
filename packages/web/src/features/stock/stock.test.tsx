/** @jest-environment ./src/test/browser.mjs */
/** Readings with their own store: typed, by sheet and place; what a layout is cut from; parts as cut. */
import { afterEach, describe, expect, test } from '@jest/globals';
import { entered, shopFacts, type RecordEntry } from '@keen/core';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { READINGS } from '../../test/print-room.ts';
import { AsCutFields } from '../box/AsCutFields.tsx';
import { useCabinet } from '../project/selectors.ts';
import { WhichSheet } from '../sheets/WhichSheet.tsx';
import { StockCard } from './StockCard.tsx';

afterEach(cleanup);

function opened(element: (shown: NonNullable<ReturnType<typeof useCabinet>>) => React.ReactNode, record: readonly RecordEntry[] = READINGS) {
  const store = openStore([], record);
  function Shown() {
    return <>{element(useCabinet()!)}</>;
  }
  const { container } = render(
    <Opened store={store}>
      <Shown />
    </Opened>,
  );
  const open = () => store.getState().project.open!;
  return { container, record: () => open().record, design: () => open().design, workshop: open().workshop };
}
const reading = (id: string, value: string, more: object = {}): RecordEntry => ({
  id,
  at: '2026-03-01T10:00:00Z',
  kind: 'thickness',
  reading: { product: 'birch-18', value: entered(value), ...more },
});
const field = (container: HTMLElement, name: string): HTMLInputElement => container.querySelector(`[data-field="${name}"]`)!;

describe('readings of a sheet', () => {
  const card = (record?: readonly RecordEntry[]) => {
    const made = opened((shown) => <StockCard product={shownProduct()} shown={shown} />, record);
    return made;
  };
  const shownProduct = () => openStore().getState().project.open!.workshop.products['birch-18']!;

  test('of the lot have no place', async () => {
    const { container, record } = card();
    await userEvent.type(field(container, 'reading.birch-18'), '17.7{Enter}');
    expect(shopFacts(record()).readings.at(-1)).toEqual({ product: 'birch-18', value: entered('17.7 mm') });
    expect(screen.queryByRole('radiogroup')).toBeNull();
  });

  test('of one that has a letter go round it, place by place, or to the place that is picked', async () => {
    const { container, record } = card();
    await userEvent.type(field(container, 'reading-sheet.birch-18'), 'B');
    await userEvent.type(field(container, 'reading.birch-18'), '17.7{Enter}');
    await userEvent.type(field(container, 'reading.birch-18'), '17.8{Enter}');
    await userEvent.click(screen.getByRole('radio', { name: 'middle' }));
    await userEvent.type(field(container, 'reading.birch-18'), '17.9{Enter}');
    expect(
      shopFacts(record())
        .readings.filter(({ sheet }) => sheet === 'B')
        .map(({ place }) => place),
    ).toEqual(['near-left', 'near', 'middle']);
    expect(screen.getByRole('radio', { name: 'near right corner' }).getAttribute('aria-checked')).toBe('true');
    expect(container.textContent).toContain('Sheet B: 17.8 mm, mean of 3, spread 0.2 mm');
  });

  test('say which way the sheet grows thicker, and each is taken back by itself', async () => {
    const { container, record } = card([
      reading('a', '17.6 mm', { sheet: 'A', place: 'near-left' }),
      reading('b', '17.6 mm', { sheet: 'A', place: 'near' }),
      reading('c', '17.9 mm', { sheet: 'A', place: 'far' }),
    ]);
    expect(container.textContent).toContain('0.3 mm thicker towards the far edge');
    await userEvent.click(screen.getByLabelText('Take back the reading 17.9 mm far edge'));
    expect(shopFacts(record()).readings).toHaveLength(2);
    expect(container.textContent).not.toContain('thicker towards');
  });

  test('of no such sheet are refused with what would do', async () => {
    const { container, record } = card([]);
    await userEvent.type(field(container, 'reading.birch-18'), '12{Enter}');
    expect(container.textContent).toContain('from 13.5 mm to 22.5 mm');
    expect(record()).toEqual([]);
  });
});

describe('which sheet a layout is cut from', () => {
  const measured = [reading('a', '17.6 mm', { sheet: 'A', place: 'near' }), reading('b', '18 mm', { sheet: 'B', place: 'near' })];
  const which = (record: readonly RecordEntry[], pieces = ['ink/shelf/s1', 'ink/shelf/s2']) =>
    opened(() => <WhichSheet product="birch-18" pieces={pieces} />, record);

  test('is not asked before any was told apart', () => {
    const { container } = which(READINGS);
    expect(container.querySelector('select')).toBeNull();
    expect(container.textContent).toContain('Sheets that have a letter on them');
  });

  test('is a decision for all its pieces, changed and taken back as one', async () => {
    const { container, design } = which(measured);
    const choose = (sheet: string) => userEvent.selectOptions(container.querySelector('select')!, sheet);
    await choose('B');
    expect(design().cutFrom).toEqual([{ product: 'birch-18', sheet: 'B', pieces: ['ink/shelf/s1', 'ink/shelf/s2'] }]);
    await choose('A');
    expect(design().cutFrom.map(({ sheet }) => sheet)).toEqual(['A']);
    await choose('');
    expect(design().cutFrom).toEqual([]);
  });
});

describe('a part as it came off the saw', () => {
  const fields = (record?: readonly RecordEntry[]) =>
    opened(({ plan, unit }) => {
      const panel = plan.cabinet.byId.get('ink/shelf/s1')!;
      return <AsCutFields panel={panel} line={plan.parts.find(({ panels }) => panels.includes(panel.id))!} unit={unit} />;
    }, record);

  test('is kept as it measures, and what was not measured is left open', async () => {
    const { container, record } = fields();
    await userEvent.type(field(container, 'as-cut.length'), '675.2');
    await userEvent.click(screen.getByRole('button', { name: 'It measures that' }));
    expect(shopFacts(record()).asCut.get('ink/shelf/s1')!.cut).toEqual({
      panel: 'ink/shelf/s1',
      length: entered('675.2 mm'),
      planned: { length: entered('675.8 mm') },
    });
    await userEvent.type(field(container, 'as-cut.thickness'), '17.9');
    await userEvent.click(screen.getByRole('button', { name: 'It measures that' }));
    const known = shopFacts(record()).asCut.get('ink/shelf/s1')!;
    expect([known.cut.length?.text, known.cut.thickness?.text, known.entries.length]).toEqual(['675.2 mm', '17.9 mm', 2]);
  });

  test('cut as planned takes the sizes of the cut list; not cut after all takes everything back', async () => {
    const { container, record } = fields();
    await userEvent.click(screen.getByRole('button', { name: 'It is cut as planned' }));
    const { cut } = shopFacts(record()).asCut.get('ink/shelf/s1')!;
    expect(Object.keys(cut).sort()).toEqual(['length', 'panel', 'planned', 'width']);
    await userEvent.click(within(container).getByRole('button', { name: 'Not cut after all' }));
    expect(shopFacts(record()).asCut.size).toBe(0);
    expect(container.textContent).toContain('Cut? As it came off the saw');
  });
});

describe('lengths of a board', () => {
  const product = openStore().getState().project.open!.workshop.products['board-1x4']!;
  afterEach(() => {
    globalThis.fetch = realFetch;
  });
  const realFetch = globalThis.fetch;

  test('one more is sent with its price, and is sold from then on; one that is known is not added again', async () => {
    const sent: { workshop: { products: Record<string, { length: string; price: number }> } }[] = [];
    globalThis.fetch = ((_url: unknown, init: RequestInit) => {
      const body = JSON.parse(init.body as string) as (typeof sent)[number];
      sent.push(body);
      return Promise.resolve(new Response(JSON.stringify({ workshop: body.workshop, revision: 2 }), { status: 200 }));
    }) as typeof fetch;
    const { container } = opened((shown) => <StockCard product={product} shown={shown} />);
    const add = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Add it' });
    await userEvent.type(field(container, 'lengths.board-1x4'), '96in');
    await userEvent.type(field(container, 'lengths.price.board-1x4'), '9');
    expect([add().disabled, container.textContent!.includes('sold in that length already')]).toEqual([true, true]);
    await userEvent.clear(field(container, 'lengths.board-1x4'));
    await userEvent.type(field(container, 'lengths.board-1x4'), '120in');
    await userEvent.click(add());
    expect(Object.entries(sent[0]!.workshop.products).find(([id]) => id.startsWith('board-1x4-'))![1].price).toBe(9);
    expect(await screen.findByLabelText(/No longer sold in 120/)).toBeTruthy();
    expect(container.textContent).toContain('the mix of lengths that costs least');
    await userEvent.click(screen.getByLabelText(/No longer sold in 120/));
    expect(Object.keys(sent.at(-1)!.workshop.products)).toEqual(Object.keys(openStore().getState().project.open!.workshop.products));
  });
});
