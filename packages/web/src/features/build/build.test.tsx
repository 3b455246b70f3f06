/** @jest-environment ./src/test/browser.mjs */
/** Build at the desk: how a glue-up is closed, what it waits for, days it is held to, the hours there are, what came out. */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { entered, shopFacts, type Edit, type RecordEntry } from '@keen/core';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { READINGS } from '../../test/print-room.ts';
import { useCabinet } from '../project/selectors.ts';
import { AsBuiltView } from './AsBuiltView.tsx';
import { BuildReading } from './BuildReading.tsx';
import { clockOf } from './clock.ts';
import { StepCard } from './StepCard.tsx';
import { StepList } from './StepList.tsx';
import { useBuild, type BuildOf } from './useBuild.ts';
import { useTick } from './useTick.ts';

const TUESDAY = new Date(2026, 11, 1, 20, 10);
beforeEach(() => {
  jest.useFakeTimers({ now: TUESDAY, advanceTimers: true });
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

function shown(
  element: (of: BuildOf, cabinet: NonNullable<ReturnType<typeof useCabinet>>) => React.ReactNode,
  edit: Edit = [],
  record: readonly RecordEntry[] = READINGS,
) {
  const store = openStore(edit, record);
  function Shown() {
    return <>{element(useBuild('mm', ['ink']), useCabinet()!)}</>;
  }
  const { container } = render(
    <Opened store={store} at="/project/p/ink/build">
      <Shown />
    </Opened>,
  );
  const open = () => store.getState().project.open!;
  return { container, build: () => open().design.build, record: () => open().record };
}

function Card({ id, of, falls = null }: { readonly id: string; readonly of: BuildOf; readonly falls?: number | null }) {
  const ticker = useTick(of);
  return <StepCard step={of.byId.get(id)!} of={of} unit="mm" ticker={ticker} onMove={() => {}} refused={null} onStep={() => {}} falls={falls} />;
}
const card = (id: string, edit: Edit = [], record?: readonly RecordEntry[], falls: number | null = null) =>
  shown((of) => <Card id={id} of={of} falls={falls} />, edit, record);
const field = (container: HTMLElement, name: string): HTMLInputElement => container.querySelector(`[data-field="${name}"]`)!;
const RING = 'ink/glue/side/left';
const once: Edit = [{ path: ['build', 'glueUps', RING], value: { goes: 'one', cauls: false } }];

describe('a glue-up', () => {
  test('is closed as glue, clamps and hands allow, and by another way where a person says so', async () => {
    const { build } = card(`${RING}/first`);
    const ways = within(screen.getByRole('group', { name: 'How it is closed' }));
    const names = ways.getAllByRole('radio').map((radio) => radio.closest('label')!.textContent);
    expect(names[0]).toMatch(/^all at once, a clamp to each joint 13 min, 8 clamps · the glue skins over$/);
    expect(names[3]).toMatch(/^one side after the other, cauls along the sides 8 min, 4 clamps$/);
    expect(ways.getAllByRole<HTMLInputElement>('radio').map(({ checked }) => checked)).toEqual([false, false, false, true]);
    await userEvent.click(ways.getAllByRole('button', { name: '8 clamps' })[0]!);
    // Two to each of top, bottom and the two fixed shelves.
    expect(screen.getByRole('dialog', { name: 'Sum: clamps wanted' }).textContent).toMatch(/top.*2.*bottom.*2.*8/);
    await userEvent.keyboard('{Escape}');
    await userEvent.click(ways.getAllByRole('radio')[1]!);
    expect(build().glueUps).toEqual({ [RING]: { goes: 'two', cauls: false } });
    await userEvent.click(screen.getByRole('button', { name: 'Leave it to what is at hand' }));
    expect(build().glueUps).toEqual({});
  });

  test('in two goes is drawn with what is put on dry in a broken line, and apart from the rest like the others', () => {
    const { container } = card(`${RING}/first`);
    const of = (name: string): DOMRect => {
      const xs = [...container.querySelectorAll(`.step-drawing polygon${name}`)].flatMap((polygon) =>
        polygon
          .getAttribute('points')!
          .split(' ')
          .map((point) => Number(point.split(',')[0])),
      );
      return { left: Math.min(...xs), right: Math.max(...xs) } as DOMRect;
    };
    expect(container.querySelectorAll('.step-drawing polygon.dry')).toHaveLength(1);
    expect(container.querySelectorAll('.step-drawing polygon.aside.side')).toHaveLength(0);
    // 700 wide, the right side drawn 90 off to the right of the row between: 18 of it stand beyond that row.
    expect(of('.dry').left - of('.bottom').right).toBeGreaterThan(60);
  });

  test('that cannot be closed in time says so with what would: another way, or a slower glue', async () => {
    const { build } = card(RING, once);
    expect(screen.getByText(/10 joints want 13 min from the first to the last clamp; the glue stays open for 8 min/)).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: /^Close it one side after the other, cauls along the sides/ }));
    expect(build().glueUps[RING]).toEqual({ goes: 'two', cauls: true });
  });

  test('with a slower glue it is closed at once', async () => {
    const { build } = card(RING, once);
    await userEvent.click(screen.getByRole('button', { name: /^Take slow-setting wood glue/ }));
    expect(build().glue).toBe('slow-yellow');
    expect(screen.queryByText(/the glue stays open for 8 min\./)).toBeNull();
  });

  test('in the cold is said with both figures, and warmed with a click', async () => {
    const { build } = card(RING, [...once, { path: ['build', 'tempC'], value: 6 }]);
    await userEvent.click(screen.getByRole('button', { name: 'Warm it to 10 °C' }));
    expect(build().tempC).toBe(10);
  });
});

describe('what sets', () => {
  const glued: RecordEntry = {
    id: 'g',
    at: new Date(2026, 11, 1, 20, 0).toISOString(),
    kind: 'step',
    done: { step: 'ink/square/side/left', kind: 'square', planned: 3 },
  };

  test('is waited for by the clock, with what it is and until when', () => {
    card(RING, [], [...READINGS, glued]);
    // 45 min at 18 °C: 45 · 2^0.2 = 51.7, from 20:00; it is 20:10.
    const told = screen.getByText(/^Not before/);
    expect(told.textContent).toContain('Not before Tue 1 Dec, 20:52, in 42 min. “Compare the diagonals” was done at 20:00.');
  });

  test('says how the wait is worked out, down to the label', async () => {
    card(RING, [], [...READINGS, glued]);
    await userEvent.click(within(screen.getByText(/^Not before/)).getByRole('button', { name: '42 min' }));
    const sum = within(screen.getByRole('dialog', { name: 'Sum: still to wait' }));
    // ⌈51.7⌉ − 10
    expect(sum.getAllByRole('row').map(({ textContent }) => textContent)).toEqual([
      expect.stringMatching(/to wait in all|at this temperature/),
      expect.stringMatching(/gone since then.*10 min/),
      expect.stringMatching(/still to wait.*42 min/),
      expect.stringContaining('docs/formulas/temperature-factor.md'),
    ]);
    await userEvent.click(sum.getByRole('button', { name: 'at this temperature' }));
    expect(screen.getByRole('dialog').textContent).toMatch(/as the label says.*45 min/);
  });

  test('is waited for no longer when its time is over', () => {
    card(RING, [], [...READINGS, { ...glued, at: new Date(2026, 11, 1, 18, 0).toISOString() }]);
    expect(screen.queryByText(/^Not before/)).toBeNull();
  });

  test('keeps what follows it out of the next step', () => {
    let next: string | null = null;
    const all = ['label', 'sand-inside', 'dry-fit/side/left', 'glue/top', `glue/side/left/first`].map((name, index): RecordEntry => ({
      id: `t${index}`,
      at: glued.at,
      kind: 'step',
      done: { step: `ink/${name}`, kind: 'sand' },
    }));
    shown(
      (of) => {
        next = of.next?.id ?? null;
        return null;
      },
      [],
      [...READINGS, ...all, glued],
    );
    expect(next).not.toBe(RING);
    expect(next).not.toBeNull();
  });

  test('a device’s time is taken by the clock on the wall here', () => {
    expect(clockOf(TUESDAY.toISOString()) % 1440).toBe(20 * 60 + 10);
  });
});

describe('a step', () => {
  test('is held to a day that is typed, and let go again', async () => {
    const { container, build } = card('ink/cleat-rip');
    await userEvent.type(field(container, 'step.notBefore'), '2026-12-12');
    expect(build().notBefore).toEqual({ 'ink/cleat-rip': '2026-12-12' });
    await userEvent.click(screen.getByRole('button', { name: 'Let it go' }));
    expect(build().notBefore).toEqual({});
  });

  test('held to a day before it can be done says when it is', () => {
    card('ink/hang', [{ path: ['build', 'notBefore', 'ink/hang'], value: '2026-12-02' }], READINGS, clockOf(new Date(2026, 11, 5, 9).toISOString()));
    expect(screen.getByText(/^Held to Wed 2 Dec, it falls on Sat 5 Dec all the same/)).toBeTruthy();
  });

  test('ticked with the minutes it took', async () => {
    const { container, record } = card('ink/sand-inside');
    await userEvent.type(field(container, 'step.minutes'), '25');
    await userEvent.click(screen.getByRole('button', { name: 'Done' }));
    expect(record().at(-1)).toMatchObject({ kind: 'step', done: { step: 'ink/sand-inside', kind: 'sand', minutes: 25 } });
  });

  test('of one machine is told from another by its parts', () => {
    shown((of) => <StepList of={of} steps={of.build.steps} at={null} schedule={null} onStep={() => {}} />);
    const marks = [...document.querySelectorAll('.step-marks')].map((each) => each.textContent);
    expect(marks.length).toBeGreaterThan(2);
    for (const each of marks) expect(each).toMatch(/^A\d+( A\d+)*( …)?$/);
  });
});

describe('the hours there are', () => {
  const pane = () => shown((_, cabinet) => <BuildReading shown={cabinet} findings={null} />);

  test('a machine that is not there on Tuesdays is taken out, and put back', async () => {
    const { build } = pane();
    await userEvent.click(screen.getAllByText('every machine is there')[0]!);
    const box = screen.getByRole('checkbox', { name: 'table saw is there, Tuesday 19:00' });
    await userEvent.click(box);
    expect(build().week['tuesday']!.without).toEqual(['table-saw']);
    expect(screen.getByText('without table saw')).toBeTruthy();
    await userEvent.click(screen.getByRole('checkbox', { name: 'table saw is there, Tuesday 19:00' }));
    expect(build().week['tuesday']!.without).toEqual([]);
  });

  test('hours where no machine may run ask for none of them', async () => {
    const { build } = pane();
    await userEvent.click(screen.getAllByRole('switch', { name: 'no machines' })[0]!);
    expect(build().week['tuesday']!.quiet).toBe(true);
    expect(screen.getAllByText('every machine is there')).toHaveLength(2);
  });

  test('more hours, fewer, and a day off', async () => {
    const { build } = pane();
    await userEvent.click(screen.getByRole('button', { name: 'Add hours' }));
    expect(Object.keys(build().week)).toHaveLength(4);
    await userEvent.click(screen.getByRole('button', { name: 'Take out Tuesday 19:00' }));
    expect(Object.keys(build().week)).not.toContain('tuesday');
    await userEvent.type(screen.getByLabelText('a day off'), '2026-12-24');
    await userEvent.click(screen.getByRole('button', { name: 'Add' }));
    expect(build().away).toEqual(['2026-12-24']);
  });

  test('an end before the beginning is not taken', async () => {
    const { build } = pane();
    const to = screen.getAllByLabelText('to')[0]!;
    await userEvent.clear(to);
    await userEvent.type(to, '18:00');
    expect(screen.getByText('it ends before it begins: a later end')).toBeTruthy();
    expect(build().week['tuesday']!.to).toBe(22 * 60);
  });
});

describe('as it was built', () => {
  const view = (record?: readonly RecordEntry[]) => shown((of, cabinet) => <AsBuiltView shown={cabinet} of={of} />, [], record);

  test('an opening, both diagonals and the height it came to are entered beside what was planned', async () => {
    const { container, record } = view();
    await userEvent.type(container.querySelector<HTMLInputElement>('[data-field^="opening."][data-field$=".width"]')!, '663{Enter}');
    expect([...shopFacts(record()).openings.values()].map(({ opening }) => opening.width?.nm)).toEqual([663e6]);
    await userEvent.type(container.querySelector<HTMLInputElement>('[data-field="diagonal.ink/side/left.one"]')!, '1080');
    await userEvent.type(container.querySelector<HTMLInputElement>('[data-field="diagonal.ink/side/left.other"]')!, '1076');
    await userEvent.click(screen.getByRole('button', { name: 'They measure that' }));
    expect(shopFacts(record()).diagonals.get('ink/side/left')).toMatchObject({ one: { nm: 1080e6 }, other: { nm: 1076e6 } });
    expect(screen.getByText(/^4 mm apart: out of square$/)).toBeTruthy();
    await userEvent.type(field(container, 'hung.came'), '1317');
    await userEvent.click(screen.getByRole('button', { name: 'Enter it' }));
    expect(shopFacts(record()).hung[0]!.hung.came.nm).toBe(1317e6);
  });

  test('what its record says stands where it is made again', () => {
    const measured: RecordEntry = {
      id: 'h',
      at: '2026-12-01T10:00:00Z',
      kind: 'hung',
      hung: { unit: 'ink', asked: entered('1320 mm'), came: entered('1317 mm'), allowed: entered('0 mm') },
    };
    view([...READINGS, measured]);
    expect(within(screen.getByRole('list', { name: 'What its record says' })).getByText(/came 3 mm lower than asked/)).toBeTruthy();
  });

  test('made again as it came out: the side that came longer makes the next one as high', async () => {
    const longer: RecordEntry = {
      id: 's',
      at: '2026-12-01T10:00:00Z',
      kind: 'as-cut',
      asCut: { panel: 'ink/side/left', length: entered('821.5 mm'), planned: { length: entered('820 mm') } },
    };
    const { container } = view([...READINGS, longer]);
    await userEvent.click(screen.getByRole('button', { name: 'Take the size it came to' }));
    expect([field(container, 'again.height').value, field(container, 'again.width').value]).toEqual(['821.5', '700']);
    await userEvent.click(screen.getByRole('button', { name: /^821\.5/ }));
    expect(screen.getByRole('dialog', { name: 'Sum: height it came to' }).textContent).toMatch(/as it was asked for820 mm\+came out longer by1\.5 mm/);
  });

  test('made again at another size it is a cabinet of its own beside the first', async () => {
    const store = openStore();
    function Shown() {
      return <AsBuiltView shown={useCabinet()!} of={useBuild('mm', ['ink'])} />;
    }
    const { container } = render(
      <Opened store={store} at="/project/p/ink/build">
        <Shown />
      </Opened>,
    );
    await userEvent.clear(field(container, 'again.width'));
    await userEvent.type(field(container, 'again.width'), '500{Enter}');
    await userEvent.click(screen.getByRole('button', { name: 'Make one of this size' }));
    const again = Object.values(store.getState().project.open!.design.units).find(({ name }) => name.endsWith(', again'))!;
    expect(again).toMatchObject({ family: 'shelf-box', width: { nm: 500e6 } });
    expect(again.id).not.toBe('ink');
  });
});
