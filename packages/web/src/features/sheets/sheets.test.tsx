/** @jest-environment ./src/test/browser.mjs */
/** Cutting and pinning at the Sheets station, in a store of its own: what is ticked becomes facts, what is settled or pinned decisions. */
import { afterEach, describe, expect, test } from '@jest/globals';
import {
  asPlan,
  shopFacts,
  isOutOfDate,
  layoutOf,
  mm,
  plan,
  progressOf,
  search,
  sheetJobs,
  starterWorkshop,
  type NestPlan,
  type Placement,
  type SheetJob,
} from '@keen/core';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useAppSelector } from '../../app/store.ts';
import { openStore, Opened } from '../../test/open-project.tsx';
import { DESIGN, READINGS } from '../../test/print-room.ts';
import { selectOpen, selectPlan, useCabinet } from '../project/selectors.ts';
import { panelSelected } from '../project/view.slice.ts';
import { CutsView } from './CutsView.tsx';
import { Labels } from './Labels.tsx';
import { PinFields } from './PinFields.tsx';
import { RoomToSpare } from './RoomToSpare.tsx';
import { useCutting } from './useCutting.ts';
import { usePins } from './usePins.ts';
import type { Nest } from './useNests.tsx';

afterEach(cleanup);

const workshop = starterWorkshop();
/** The 18 mm sheets as they are laid out before anything is cut. */
const laid: { readonly job: SheetJob; readonly plan: NestPlan } = (() => {
  const job = sheetJobs(plan(DESIGN, READINGS, workshop).parts, workshop).find(({ product }) => product === 'birch-18')!;
  const stepper = search(job.problem);
  stepper.step(60);
  return { job, plan: stepper.plan() };
})();

/** The nest as the provider would give it: settled once a layout is kept. */
function useNest(): Nest {
  const { design, record } = useAppSelector(selectOpen);
  const layout = layoutOf(design, 'birch-18');
  if (!layout) return { ...laid, progress: null, stale: false, cut: null, key: 'k' };
  const finished = shopFacts(record).finished;
  const job = { ...laid.job, problem: { ...laid.job.problem, parts: laid.job.problem.parts.filter(({ id }) => !finished.has(id)) } };
  const cut = progressOf(layout, record, workshop);
  return { ...asPlan(job, layout, workshop), progress: null, stale: isOutOfDate(job, cut), cut, key: null };
}

function Cuts() {
  const nest = useNest();
  const cutting = useCutting(nest)!;
  const { parts } = useAppSelector(selectPlan);
  return (
    <>
      <p data-testid="state">{nest.stale ? 'out of date' : 'in date'}</p>
      <CutsView nest={nest} cutting={cutting} parts={parts} unit="mm" />
    </>
  );
}

function Pinning({ placement }: { readonly placement: Placement }) {
  const nest = useNest();
  const { parts } = useAppSelector(selectPlan);
  const pins = usePins(nest);
  const other = laid.plan.sheets[0]!.placements.find(({ part }) => part !== placement.part)!;
  return (
    <>
      <p data-testid="own-place">{pins.tryAt(laid.plan.sheets[0]!, placement, 0).makeWay}</p>
      <p data-testid="on-another">{pins.tryAt(laid.plan.sheets[0]!, { ...placement, x: other.x, y: other.y }, 0).makeWay}</p>
      <PinFields nest={nest} sheet={laid.plan.sheets[0]!} placement={placement} parts={parts} unit="mm" />
    </>
  );
}

function shown(what: 'cuts' | Placement) {
  const store = openStore();
  render(
    <Opened store={store} at="/project/p/ink/sheets">
      {what === 'cuts' ? <Cuts /> : <Pinning placement={what} />}
    </Opened>,
  );
  const open = () => store.getState().project.open!;
  return { store, design: () => open().design, sawn: () => shopFacts(open().record).sawn };
}
const card = (): string => document.querySelector('.cut-card')!.textContent!;
const made = (): HTMLElement => screen.getByRole('button', { name: 'Cut is made' });

describe('cut by cut', () => {
  test('the first tick settles the layout, each is a fact, and the next cut is shown', async () => {
    const { design, sawn } = shown('cuts');
    expect(card()).toMatch(/^Cut 1 of \d+/);
    expect(Object.keys(design().layouts)).toEqual([]);
    await userEvent.click(made());
    expect(Object.values(design().layouts)).toMatchObject([{ product: 'birch-18', order: 0, kerf: laid.job.problem.kerf }]);
    expect(sawn()).toHaveLength(1);
    expect(card()).toMatch(/^Cut 2 of/);
    await userEvent.click(made());
    expect(Object.keys(design().layouts)).toHaveLength(1);
    expect(sawn()).toHaveLength(2);
  });

  test('arrow keys go through the cuts; one whose piece is not there yet cannot be made', async () => {
    shown('cuts');
    await userEvent.keyboard('{ArrowRight}{ArrowRight}');
    expect(card()).toMatch(/^Cut 3 of/);
    const boxes = screen.getAllByRole<HTMLInputElement>('checkbox');
    expect(boxes[0]!.disabled).toBe(false);
    expect(boxes.at(-1)!.disabled).toBe(true);
    await userEvent.keyboard('{ArrowLeft}{ArrowLeft}{ArrowLeft}');
    expect(card()).toMatch(/^Cut 1 of/);
  });

  test('a tick is taken back only while no later cut stands on it', async () => {
    const { sawn } = shown('cuts');
    await userEvent.click(made());
    await userEvent.click(made());
    await userEvent.keyboard('{ArrowLeft}{ArrowLeft}');
    const [first, second] = screen.getAllByRole<HTMLInputElement>('checkbox');
    expect([first!.checked, second!.checked]).toEqual([true, true]);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Not made after all' }).disabled).toBe(true);
    await userEvent.click(second!);
    expect(sawn()).toHaveLength(1);
    await userEvent.click(screen.getByRole('button', { name: 'Not made after all' }));
    expect(sawn()).toHaveLength(0);
  });

  test('a part that is spoiled is wanted once more, and the layout says it is out of date', async () => {
    const { store } = shown('cuts');
    for (let n = 0; n < 40 && screen.queryByRole('button', { name: 'Cut is made' }); n++) await userEvent.click(made());
    expect(screen.getByTestId('state').textContent).toBe('in date');
    for (let n = 0; n < 40 && screen.queryAllByRole('button', { name: /is spoiled/ }).length === 0; n++) await userEvent.keyboard('{ArrowLeft}');
    await userEvent.click(screen.getAllByRole('button', { name: /is spoiled/ })[0]!);
    expect(store.getState().project.open!.record.at(-1)).toMatchObject({ kind: 'spoiled', spoiled: { part: expect.stringContaining('ink/') } });
    expect(screen.getByTestId('state').textContent).toBe('out of date');
  });
});

describe('pinning', () => {
  const side = laid.plan.sheets[0]!.placements.find(({ part }) => part === 'ink/side/left')!;

  test('a part is pinned where it lies, moved by typing, and let go', async () => {
    const { design, store } = shown(side);
    act(() => void store.dispatch(panelSelected('ink/side/left')));
    await userEvent.click(screen.getByRole('button', { name: 'Pin it here' }));
    expect(design().pins).toEqual({
      'ink/side/left': { id: 'ink/side/left', product: 'birch-18', sheet: 'birch-18#1', x: side.x, y: side.y, turned: side.turned },
    });
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Pinned' }).disabled).toBe(true);
    await userEvent.click(screen.getByRole('button', { name: 'Let it go' }));
    expect(design().pins).toEqual({});
  });

  test('a place that cannot be is said, with why, and nothing is pinned', async () => {
    const { design } = shown(side);
    const left = screen.getByLabelText('from the left edge');
    await userEvent.clear(left);
    await userEvent.type(left, '1900');
    await userEvent.tab();
    expect(screen.getByText('past the edge of the sheet, or in its trim')).toBeTruthy();
    await userEvent.clear(left);
    await userEvent.type(left, '600');
    await userEvent.tab();
    await userEvent.click(screen.getByRole('switch', { name: 'turned' }));
    expect(screen.getByText('across the grain')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Pin it there' }).disabled).toBe(true);
    expect(design().pins).toEqual({});
  });

  test('how many others make way is counted: none where it lies, whoever lies where it goes', () => {
    shown(side);
    expect(screen.getByTestId('own-place').textContent).toBe('0');
    expect(Number(screen.getByTestId('on-another').textContent)).toBeGreaterThan(0);
  });
});

describe('room to spare', () => {
  /** Two parts in a row on one sheet of 1000 by 500 with a kerf of 3.2 mm: so much over along it. */
  const rowOf = (over: number): Pick<Nest, 'job' | 'plan' | 'cut' | 'progress'> => {
    const { job } = laid;
    const part = (id: string, length: number) => ({ id, length: mm(length), width: mm(300), count: 1, grain: 'length' as const, group: null, order: 0 });
    const sheet = { id: 'S', length: mm(1000), width: mm(500), count: null, grain: 'length' as const, cost: null, offcut: false };
    const problem = { kerf: mm(3.2), trim: mm(0), cuts: 'guillotine' as const, sheets: [sheet], parts: [part('a', 600), part('b', 396.8 - over)] };
    const stepper = search(problem);
    stepper.step(1);
    return { job: { ...job, problem }, plan: stepper.plan(), cut: null, progress: null };
  };
  /** Several such sheets of one product. */
  const sheetsOf = (...over: readonly number[]): ReturnType<typeof rowOf> => {
    const rows = over.map(rowOf);
    return { ...rows[0]!, plan: { ...rows[0]!.plan!, sheets: rows.map(({ plan }) => plan!.sheets[0]!) } };
  };
  const told = (nests: readonly ReturnType<typeof rowOf>[]): string => {
    const { container } = render(
      <Opened store={openStore()}>
        <RoomToSpare nests={nests} />
      </Opened>,
    );
    return container.textContent!;
  };

  test('told down to a mark of the tape, with a word where it is little', () => {
    expect(told([rowOf(1.8)])).toMatch(/1\.5 mmplenty1\.8 mm.*: the sheet has little to spare\. Measure it, and the kerf/);
    cleanup();
    expect(told([rowOf(12)])).toMatch(/12 mmplentyplenty$/);
  });

  test('of several sheets those are named that have little to spare', () => {
    const said = (...over: readonly number[]): string => {
      const text = told([sheetsOf(...over)]);
      cleanup();
      return text;
    };
    expect(said(12, 1, 12)).toContain(': sheet 2 has little to spare. Measure it, and');
    expect(said(1, 12, 1, 1)).toContain(': sheets 1, 3 and 4 have little to spare. Measure them, and');
    expect(said(1, 1)).toContain(': both sheets have');
    expect(said(1, 1, 1)).toContain(': all 3 sheets have');
    expect(said(1, 1, 1, 1, 1, 12)).toContain(': 5 of 6 sheets have');
    expect(said(12, 12)).not.toContain('little to spare');
  });

  test('nothing is told of sheets that are being searched for, or that are cut into', () => {
    expect(told([{ ...rowOf(12), progress: 0.4 }])).not.toContain('Room to spare');
    cleanup();
    expect(told([{ ...rowOf(12), cut: {} as NonNullable<Nest['cut']> }])).not.toContain('Room to spare');
  });
});

describe('labels', () => {
  const plain = globalThis.fetch;
  afterEach(() => void (globalThis.fetch = plain));

  function Station() {
    return <Labels shown={useCabinet()!} />;
  }

  test('a job nobody answered for is sent again under the same id, the next one under another', async () => {
    const ids: string[] = [];
    let away = true;
    globalThis.fetch = ((_url: string, init: RequestInit = {}) => {
      if (init.method !== 'POST') return Promise.resolve(new Response('{}', { status: 404 }));
      const { id, labels } = JSON.parse(init.body as string) as { id: string; labels: unknown[] };
      ids.push(id);
      if (away) return Promise.reject(new TypeError('nobody'));
      return Promise.resolve(new Response(JSON.stringify({ id, labels: labels.length, printed: labels.length, printer: 'ready' }), { status: 201 }));
    }) as typeof fetch;
    const store = openStore();
    render(
      <Opened store={store} at="/project/p/ink/sheets">
        <Station />
      </Opened>,
    );
    const print = () => userEvent.click(screen.getByRole('button', { name: 'On the label printer' }));
    await print();
    expect(store.getState().project.open!.problem).toMatchObject({ code: 'away' });
    away = false;
    await print();
    expect(await screen.findByText(/^(\d+) of \1 printed$/)).toBeTruthy();
    await print();
    expect(ids).toHaveLength(3);
    expect(ids[1]).toBe(ids[0]);
    expect(ids[2]).not.toBe(ids[0]);
  });
});
