/** @jest-environment ./src/test/browser.mjs */
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { applyEdit, entered, isShelfBox } from '@keen/core';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { ReadingPane } from '../project/ReadingPane.tsx';
import { useCabinet } from '../project/selectors.ts';
import { Stations } from '../project/Stations.tsx';
import { panelSelected, unitChosen } from '../project/view.slice.ts';
import { BoxStation } from './BoxStation.tsx';

// The whole station is drawn, without a browser's speed.
// jsdom lays nothing out: the drawing is given the room it has at the desk.
beforeAll(() => {
  Element.prototype.getBoundingClientRect = () => ({ x: 0, y: 0, left: 0, top: 0, width: 800, height: 600, right: 800, bottom: 600, toJSON: () => ({}) });
});
afterEach(cleanup);

function Whole() {
  const shown = useCabinet()!;
  return (
    <>
      <Stations current="box" onStation={() => {}} onSums={() => {}} />
      <BoxStation shown={shown} />
      <ReadingPane shown={shown} station="box" onStation={() => {}} />
    </>
  );
}
function station(edit = [] as Parameters<typeof openStore>[0]) {
  const store = openStore(edit);
  const { container } = render(
    <Opened store={store}>
      <Whole />
    </Opened>,
  );
  return { store, container, width: () => screen.getByLabelText<HTMLInputElement>('outside width') };
}

function inkBox(store: ReturnType<typeof openStore>) {
  const spec = store.getState().project.open!.design.units['ink']!;
  if (!isShelfBox(spec)) throw new Error('the ink cupboard is a shelf box');
  return spec;
}

describe('the drawing', () => {
  test('is one stop with a name that says what it shows', () => {
    station();
    const drawing = screen.getByRole('img', { name: /Ink cupboard, front and section\. 700 mm wide, 820 mm high/ });
    expect(drawing.getAttribute('tabindex')).toBe('0');
  });

  test('arrows go from part to part, plus and minus by the display step', async () => {
    const { store, width, container } = station();
    act(() => container.querySelector<SVGElement>('svg.drawing')!.focus());
    await userEvent.keyboard('{ArrowRight}');
    expect(store.getState().view.selected).toBe('ink/side/left');
    await userEvent.keyboard('{ArrowLeft}');
    expect(store.getState().view.selected).toBe('ink/spacer');
    act(() => void store.dispatch(panelSelected(null)));
    await userEvent.keyboard('+++-');
    expect(store.getState().project.open!.design.units['ink']!.width.text).toBe('702 mm');
    act(() => void store.dispatch(unitChosen('in')));
    await userEvent.keyboard('+');
    expect(store.getState().project.open!.design.units['ink']!.width.nm % (25.4e6 / 16)).toBe(0);
    expect(width().value).not.toBe('');
  });

  test('a part that is clicked shows its size with the sum, its place in the list and what can be done with it', async () => {
    const { store, container } = station();
    await userEvent.click(container.querySelector('[data-panel="ink/shelf/s1"]')!);
    expect(store.getState().view.selected).toBe('ink/shelf/s1');
    expect(container.querySelector('.reading h2')!.textContent).toBe('shelf 1');
    expect(container.querySelector('.sum-table')!.textContent).toContain('into the dado');
    await userEvent.click(screen.getByText('Take this shelf out'));
    expect(Object.keys(inkBox(store).shelves)).toEqual(['s2']);
  });
});

describe('typing', () => {
  test('a width changes the drawing, the list and the stations with the key', async () => {
    const { container, width } = station();
    await userEvent.clear(width());
    await userEvent.type(width(), '900');
    expect(container.querySelector('[data-dimension="outside width"]')!.textContent).toContain('900');
    await userEvent.click(screen.getByText('Cut list'));
    // 900 − 2 × 17.85 + 2 × 5.75 = 875.8
    expect(container.querySelector('.cut-list')!.textContent).toContain('876');
  });

  test('a shelf is added with an id of its own and the contents of its neighbour', async () => {
    const { store } = station([{ path: ['units', 'ink', 'contents', 's2'], value: { preset: 'books', kg: null } }]);
    await userEvent.click(screen.getByText('Add a shelf'));
    const box = inkBox(store);
    const added = Object.keys(box.shelves).find((id) => id !== 's1' && id !== 's2')!;
    expect(box.contents[added]).toEqual({ preset: 'books', kg: null });
    expect(store.getState().view.selected).toBe(`ink/shelf/${added}`);
    expect(store.getState().project.open!.past).toHaveLength(1);
  });
});

test('a station says what is the matter with it, by shape and in words', () => {
  station([
    { path: ['units', 'ink', 'jointDepth'], value: entered('12 mm') },
    { path: ['units', 'ink', 'hanging', 'spacer'], value: null },
  ]);
  const [, , box, , , , hang] = document.querySelectorAll('.station-link');
  expect(box!.textContent).toContain('1 to look at');
  expect(hang!.textContent).toContain('Over limit');
  expect(hang!.querySelector('svg')!.getAttribute('aria-label')).toBe('something is wrong');
});

test('the same design in the other unit is the same design', () => {
  const store = openStore();
  const before = store.getState().project.open!.design;
  store.dispatch(unitChosen('in'));
  expect(store.getState().project.open!.design).toBe(before);
  expect(applyEdit(before, [])).toBe(before);
});

describe('tries', () => {
  const tab = (name: string) => userEvent.click(screen.getByRole('tab', { name }));
  test('kept, changed and taken: both columns say what they are compared by', async () => {
    const { store } = station();
    await tab('Tries');
    await userEvent.click(screen.getByRole('button', { name: 'Keep it as a try' }));
    const [kept] = Object.values(store.getState().project.open!.design.tries);
    expect(kept).toMatchObject({ name: 'Try 1', unit: { id: 'ink', depth: { text: '280 mm' } } });
    const depth = screen.getByLabelText<HTMLInputElement>('carcass depth');
    await userEvent.clear(depth);
    await userEvent.type(depth, '340');
    expect(screen.getByRole('region', { name: /as it stands/ }).textContent).toContain('358 mm');
    const column = screen.getByRole('region', { name: 'Try 1' });
    expect(column.textContent).toContain('298 mm');
    for (const term of ['outside', 'into the room', 'sheets, boards', 'money', 'weight', 'worst sag', 'weakest link', 'to look at'])
      expect(column.textContent).toContain(term);
    await userEvent.click(screen.getByRole('button', { name: 'Take this one' }));
    expect(inkBox(store).depth.text).toBe('280 mm');
    expect(Object.values(store.getState().project.open!.design.tries)[0]!.unit.depth.text).toBe('340 mm');
  });
  test('no more than three are kept: a fourth asks for room', async () => {
    station();
    await tab('Tries');
    for (let each = 0; each < 3; each++) await userEvent.click(screen.getByRole('button', { name: 'Keep it as a try' }));
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep it as a try' }).disabled).toBe(true);
    expect(screen.getByText(/take one out first/)).toBeTruthy();
  });
});
