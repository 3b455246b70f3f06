/** @jest-environment ./src/test/browser.mjs */
/** The Joints station with its own store: entries become facts or decisions, and their effects appear on the page. */
import { afterEach, describe, expect, test } from '@jest/globals';
import { entered, shopFacts, type Edit, type RecordEntry } from '@keen/core';
import { act, cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { READINGS } from '../../test/print-room.ts';
import { edited } from '../project/project.slice.ts';
import { useCabinet } from '../project/selectors.ts';
import { JointsReading } from './JointsReading.tsx';
import { JointsStation } from './JointsStation.tsx';

afterEach(cleanup);

function Whole() {
  const shown = useCabinet()!;
  return (
    <>
      <JointsStation shown={shown} onStation={() => {}} />
      <JointsReading shown={shown} findings={null} />
    </>
  );
}

function station(edit: Edit = [], record: readonly RecordEntry[] = READINGS) {
  const store = openStore(edit, record);
  const { container } = render(
    <Opened store={store} at="/project/p/ink/joints">
      <Whole />
    </Opened>,
  );
  const open = () => store.getState().project.open!;
  return {
    store,
    container,
    design: () => open().design,
    record: () => open().record,
    cards: () => [...container.querySelectorAll<HTMLElement>('.setup-card')],
  };
}
async function setups(...given: Parameters<typeof station>) {
  const made = station(...given);
  await userEvent.click(screen.getByRole('tab', { name: 'Setups' }));
  return made;
}
const ink = (path: string, value: unknown): Edit[number] => ({ path: ['units', 'ink', ...path.split('.')], value });

describe('joints in section', () => {
  test('what is chosen in the list is marked on the drawing, and what is clicked there is chosen in the list', async () => {
    const { container } = station();
    await userEvent.click(screen.getByRole('button', { name: /^rabbet.*top into left side/ }));
    expect(container.querySelectorAll('.joint-seam.current')).toHaveLength(2);
    const seam = [...container.querySelectorAll('.joint-seam')].find((each) => each.textContent === 'shelf 1 and left side')!;
    await userEvent.click(seam);
    expect(container.querySelector('.joint-list .current')!.textContent).toContain('shelf 1 into left side');
    expect(container.querySelector('.joint-facts')!.textContent).toContain('a push fit0.1 mm');
  });

  test('a change of the joints is told part by part, until it is counted from there', () => {
    const { store } = station();
    expect(screen.queryByRole('region', { name: 'What changed' })).toBeNull();
    act(() => void store.dispatch(edited({ edit: [ink('jointDepth', entered('4 mm'))], key: 'k' })));
    const told = screen.getByRole('region', { name: 'What changed' });
    expect(told.textContent).toContain('left side: slots 6 mm deep, now 4 mm');
    expect(within(told).getAllByRole('listitem').length).toBeGreaterThan(3);
    act(() => within(told).getByRole('button', { name: 'Count from here' }).click());
    expect(screen.queryByRole('region', { name: 'What changed' })).toBeNull();
  });

  test('shelves that come and go are told by their names', () => {
    const { store } = station();
    act(() => void store.dispatch(edited({ edit: [ink('shelves.s2', undefined)], key: 'k' })));
    expect(screen.getByRole('region', { name: 'What changed' }).textContent).toContain('shelf 2: gone');
    act(() => void store.dispatch(edited({ edit: [ink('shelves.s9', { id: 's9', order: 9, at: null, in: 'bottom', level: 0, fixing: 'fixed' })], key: 'l' })));
    expect(screen.getByRole('region', { name: 'What changed' }).textContent).toMatch(/shelf \d: new/);
  });
});

describe('setups', () => {
  test('one that is ticked is a fact with its slots as they are cut; unticked it is taken back', async () => {
    const { record, cards } = await setups();
    const first = cards()[0]!;
    await userEvent.click(within(first).getByRole('checkbox'));
    expect(shopFacts(record()).operations).toHaveLength(1);
    const slots = [...shopFacts(record()).slots.values()];
    expect(slots.length).toBeGreaterThan(0);
    // A slot is as wide as the measured part and the play of a push fit, a rabbet as the measured part.
    for (const { width, depth } of slots) {
      expect([17.85, 17.95]).toContain(width.nm / 1e6);
      expect(depth.nm).toBe(6e6);
    }
    expect(cards()[0]!.classList.contains('done')).toBe(true);
    await userEvent.click(within(cards()[0]!).getByRole('checkbox'));
    expect(shopFacts(record()).operations).toEqual([]);
    expect(shopFacts(record()).slots.size).toBe(0);
  });

  test('one is made later by a click, and the order is a decision that can be taken back', async () => {
    const { design, cards } = await setups();
    const [one, two] = cards().map((card) => card.querySelector('.setup-set')!.textContent);
    await userEvent.click(screen.getByRole('button', { name: 'Make setup 1 later' }));
    expect(design().setupOrder.length).toBe(cards().length);
    expect(
      cards()
        .map((card) => card.querySelector('.setup-set')!.textContent)
        .slice(0, 2),
    ).toEqual([two, one]);
    await userEvent.click(screen.getByRole('button', { name: 'Back to the order they were found in' }));
    expect(design().setupOrder).toEqual([]);
    expect(cards()[0]!.querySelector('.setup-set')!.textContent).toBe(one);
  });

  test('one that must come after says why, with the parts, and stays', async () => {
    const { design, container } = await setups([ink('slotExit', 'wide')]);
    const rip = [...container.querySelectorAll<HTMLElement>('.setup-card')].find((card) => card.textContent.includes('pieces left wide'))!;
    for (let tries = 0; tries < 8 && within(rip).getByRole('status').textContent === ''; tries++)
      await userEvent.click(within(rip).getByRole('button', { name: /earlier$/ }));
    expect(within(rip).getByRole('status').textContent).toMatch(/^Slots of A\d.* come out over the strip that is ripped off here: they are cut first\.$/);
    const kept = design().setupOrder;
    await userEvent.click(within(rip).getByRole('button', { name: /earlier$/ }));
    expect(design().setupOrder).toBe(kept);
  });

  test('a test cut of the width is the stack’s, one of the place is its scale’s; each is taken back by itself', async () => {
    const { record, cards } = await setups();
    const placed = () => cards().find((each) => each.textContent.includes('to the near side of the cutter'))!;
    const came = () => placed().querySelector<HTMLInputElement>('.test-cut input[type="text"]')!;
    const setUp = () => userEvent.click(within(placed()).getByRole('button', { name: 'Set up from it' }));
    await userEvent.type(came(), '18.05');
    await setUp();
    expect(shopFacts(record()).testCuts.map(({ testCut }) => [testCut.of, testCut.cutter])).toEqual([[undefined, 'stack']]);
    // Other shims make another setup: its card is new.
    await userEvent.selectOptions(placed().querySelector('select')!, 'place');
    const wanted = Number(/\(([\d.]+) mm wanted\)/.exec(placed().textContent)![1]);
    await userEvent.type(came(), String(wanted + 0.5));
    await setUp();
    expect(shopFacts(record()).testCuts.map(({ testCut }) => testCut.of)).toEqual([undefined, 'place']);
    expect(placed().textContent).toContain('it comes out 0.5 mm over, by one test cut');
    await userEvent.click(within(placed()).getAllByRole('button', { name: 'Take the last one back' }).at(-1)!);
    expect(shopFacts(record()).testCuts.map(({ testCut }) => testCut.of)).toEqual([undefined]);
  });

  test('what came out of another cut is refused with what would do, and is not kept', async () => {
    const { record, cards } = await setups();
    const card = cards()[0]!;
    await userEvent.type(card.querySelector<HTMLInputElement>('.test-cut input[type="text"]')!, '40');
    expect(card.textContent).toMatch(/from 15\.5.* to 20\.5/);
    expect(within(card).getByRole<HTMLButtonElement>('button', { name: 'Set up from it' }).disabled).toBe(true);
    await userEvent.keyboard('{Enter}');
    expect(shopFacts(record()).testCuts).toEqual([]);
  });
});

test('what is said of slots comes from what was chosen for where they come out', async () => {
  for (const [exit, words] of [
    ['backed', 'Scrap clamped behind the front edge'],
    ['wide', 'over the edge that is left wide'],
    ['bare', 'it tears where it comes out'],
  ] as const) {
    const { container } = await setups([ink('slotExit', exit)]);
    expect(container.textContent).toContain(words);
    cleanup();
  }
});
