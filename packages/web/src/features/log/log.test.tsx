/** @jest-environment ./src/test/browser.mjs */
/** The log: finding and withdrawing entries, and what they taught. */
import { afterEach, describe, expect, test } from '@jest/globals';
import { shopFacts, applyEdit, designCodec, entered, type NewFact, type RecordEntry } from '@keen/core';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { answerWith, type Answer } from '../../test/answers.ts';
import { DESIGN, READINGS } from '../../test/print-room.ts';
import { useCabinet } from '../project/selectors.ts';
import { LogStation } from './LogStation.tsx';

afterEach(cleanup);

const mm = (text: string) => entered(`${text} mm`);
const facts = (...all: readonly NewFact[]): RecordEntry[] =>
  all.map((fact, index) => ({ id: `f${index}`, at: new Date(Date.UTC(2026, 3, 4, 9, index)).toISOString(), ...fact }));

function log(record: readonly RecordEntry[], at = '/project/p/ink/log') {
  const store = openStore([], record);
  function Shown() {
    return <LogStation shown={useCabinet()!} />;
  }
  render(
    <Opened store={store} at={at}>
      <Shown />
    </Opened>,
  );
  return { record: () => store.getState().project.open!.record };
}
const DAY = facts(
  { kind: 'as-cut', asCut: { panel: 'ink/shelf/s1', length: mm('600') } },
  { kind: 'kept', kept: { panel: 'ink/shelf/s1', how: 'accepted' } },
  { kind: 'diagonals', diagonals: { assembly: 'ink/side/left', one: mm('1080'), other: mm('1076') } },
  { kind: 'diagonals', diagonals: { assembly: 'ink/side/left', one: mm('1078'), other: mm('1078') } },
  { kind: 'test-cut', testCut: { cutter: 'stack', thick: mm('17.8'), came: mm('17.9') } },
  { kind: 'step', done: { step: 'ink/sand-inside', kind: 'sand', planned: 20, minutes: 80 } },
  { kind: 'note', note: { text: 'Tape the slots', photos: [], nextTime: true, unit: 'ink' } },
);

describe('entries', () => {
  test('are found by words, and only those', async () => {
    log(DAY);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('7 entries in the log of Print room.');
    await userEvent.type(screen.getByRole('textbox', { name: 'find' }), 'tape slots');
    expect(screen.getAllByRole('listitem')).toHaveLength(1);
    expect(screen.getByText('Tape the slots')).toBeTruthy();
    await userEvent.type(screen.getByRole('textbox', { name: 'find' }), ' nowhere');
    expect(screen.getByText('Nothing of that is in the log.')).toBeTruthy();
  });

  test('are taken back, and stay to be read', async () => {
    const { record } = log(DAY);
    await userEvent.click(screen.getByRole('button', { name: 'Take back: Tape the slots' }));
    expect(record().at(-1)).toMatchObject({ kind: 'withdrawn', withdraws: 'f6' });
    expect(screen.getByText('(taken back)')).toBeTruthy();
  });

  test('a note is written down with what it is about', async () => {
    const { record } = log(READINGS);
    await userEvent.type(screen.getByLabelText('note'), 'Shelf pins are short');
    await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    expect(record().at(-1)).toMatchObject({ kind: 'note', note: { text: 'Shelf pins are short', unit: 'ink', nextTime: false } });
  });

  test('an empty log says what comes there', () => {
    log([]);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Nothing has happened yet.');
    expect(screen.getByText(/come here by themselves/)).toBeTruthy();
  });
});

describe('what was learned', () => {
  const section = (name: string) => within(screen.getByRole('region', { name }));

  test('time, cutters, what was saved and what came true, notes for next time: each with its figures', () => {
    log(DAY, '/project/p/ink/log?view=learned');
    const row = section('Time').getByRole('row', { name: /sanding/ });
    // (80 + 60) / (20 + 60)
    expect(row.textContent).toBe('sanding20 min1 h 20 min× 1.75');
    expect(section('Cutters and scales').getByText('The dado stack cuts 0.1 mm wider than it is, by one test cut.')).toBeTruthy();
    expect(section('Checks that saved something').getByText(/stood 4 mm out of square/)).toBeTruthy();
    expect(section('Left aside, and it came true').getByText(/too short and was used as it is/)).toBeTruthy();
    expect(section('For next time').getByText('Tape the slots')).toBeTruthy();
  });

  test('of nothing says how each comes to be', () => {
    log([], '/project/p/ink/log?view=learned');
    expect(section('Time').getByText(/No step was timed yet/)).toBeTruthy();
    expect(section('Sizes').getByText(/No part was measured/)).toBeTruthy();
    expect(section('Cutters and scales').getByText(/No test cut was measured/)).toBeTruthy();
    expect(section('Checks that saved something').getByText(/None so far/)).toBeTruthy();
    expect(screen.queryByRole('region', { name: 'Left aside, and it came true' })).toBeNull();
  });
});

describe('pictures of a note', () => {
  let restore = (): void => {};
  afterEach(() => restore());
  const pick = (...names: readonly string[]): Promise<void> =>
    userEvent.upload(
      screen.getByLabelText('Pictures'),
      names.map((name) => new File(['x'], name, { type: 'image/jpeg' })),
    );

  test('one that does not get through is sent again under its own id, and goes with the note', async () => {
    let away = true;
    const server = answerWith(() => (away ? 'away' : { body: {} }));
    ({ restore } = server);
    const { record } = log(READINGS);
    await pick('glue.jpg');
    expect(await screen.findByText(/glue\.jpg: the server does not answer: the picture is not kept\. Accepted: send it again/)).toBeTruthy();
    away = false;
    await userEvent.click(screen.getByRole('button', { name: 'Send it again' }));
    expect(await screen.findByAltText('glue.jpg')).toBeTruthy();
    expect(new Set(server.asked.map(({ path }) => path)).size).toBe(1);
    await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    expect(shopFacts(record()).notes.at(-1)!.note.photos).toEqual([server.asked[0]!.path.split('/').at(-1)]);
  });

  test('one the server refuses says why, and is left out', async () => {
    const server = answerWith(({ path }) =>
      path.includes('/photos/')
        ? { status: 422, body: { code: 'no-picture', message: 'the file is no picture', where: 'picture', accepted: 'a JPEG' } }
        : { body: {} },
    );
    ({ restore } = server);
    log(READINGS);
    await pick('letter.jpg');
    expect(await screen.findByText(/letter\.jpg: the file is no picture\. Accepted: a JPEG/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Send it again' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Leave letter.jpg out' }));
    expect(screen.queryByText(/letter\.jpg/)).toBeNull();
  });
});

describe('what changed', () => {
  let restore = (): void => {};
  afterEach(() => restore());
  const revisions = (answer: (path: string) => Answer): void => {
    ({ restore } = answerWith(({ path }) => answer(path)));
    log(READINGS, '/project/p/ink/log?view=changes');
  };
  const before = designCodec.write(applyEdit(DESIGN, [{ path: ['units', 'ink', 'width'], value: entered('600 mm') }]));
  const history = [
    { number: 2, savedAt: '2026-11-02T10:00:00Z' },
    { number: 1, savedAt: '2026-11-01T10:00:00Z' },
  ];

  test('since a version is said in words, with the cabinet then and now', async () => {
    revisions((path) => ({ body: path.endsWith('/revisions') ? history : { id: 'p', demo: false, revision: 1, document: before } }));
    expect(await screen.findByText(/width.*600 mm.*700 mm/)).toBeTruthy();
    expect(screen.getByText('Ink cupboard then')).toBeTruthy();
    expect(screen.getByText('Ink cupboard now')).toBeTruthy();
  });

  test('nothing since is said too', async () => {
    revisions((path) => ({ body: path.endsWith('/revisions') ? history : { id: 'p', demo: false, revision: 2, document: designCodec.write(DESIGN) } }));
    expect(await screen.findByText('Nothing has changed since.')).toBeTruthy();
  });

  test('without the server it says that the history cannot be read now', async () => {
    revisions(() => 'away');
    expect(await screen.findByText(/^The history cannot be read now/)).toBeTruthy();
  });
});
