/** @jest-environment ./src/test/browser.mjs */
/** The shop set's dialog against a server with scripted answers: progress, pages, refusals, and no answer. */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { SetDialog } from './SetDialog.tsx';
import type { SetState } from './useSet.ts';

const plain = globalThis.fetch;
interface Sent {
  readonly url: string;
  readonly method: string;
  readonly body: Record<string, unknown> | undefined;
}
let sent: Sent[] = [];
/** Answers in turn; the last one repeats. */
let answers: (readonly [status: number, body: unknown])[] = [];
let away = false;
beforeEach(() => {
  [sent, answers, away] = [[], [], false];
  globalThis.fetch = ((url: string, init: RequestInit = {}) => {
    if (away) return Promise.reject(new TypeError('nobody answers'));
    sent.push({ url, method: init.method ?? 'GET', body: typeof init.body === 'string' ? (JSON.parse(init.body) as Record<string, unknown>) : undefined });
    if (init.method === 'DELETE') return Promise.resolve(new Response(null, { status: 204 }));
    const [status, body] = answers.length > 1 ? answers.shift()! : answers[0]!;
    return Promise.resolve(new Response(JSON.stringify(body), { status }));
  }) as typeof fetch;
});
afterEach(() => {
  cleanup();
  globalThis.fetch = plain;
});

const state = (more: Partial<SetState> = {}): SetState => ({
  id: 's1',
  state: 'running',
  done: 2,
  of: 9,
  doing: 'A Ink cupboard',
  pages: 0,
  problem: null,
  ...more,
});
const done = state({ state: 'done', done: 9, pages: 31 });

function shown(): void {
  render(
    <Opened store={openStore()}>
      <SetDialog onClose={() => {}} />
    </Opened>,
  );
}
const draw = (): Promise<void> => userEvent.click(screen.getByRole('button', { name: 'Draw it' }));

describe('a set that is asked for', () => {
  test('says how far it is, then shows its pages one by one and where to print them', async () => {
    answers = [
      [202, state({ done: 0, of: 1, doing: 'beginning' })],
      [200, state()],
      [200, done],
    ];
    shown();
    await userEvent.selectOptions(screen.getByLabelText('paper'), 'a3');
    await draw();
    expect(sent[0]).toMatchObject({ url: '/api/projects/p/sets', method: 'POST', body: { paper: 'a3', units: 'mm', layouts: {} } });
    expect(sent[0]!.body).not.toHaveProperty('cabinets');
    expect(await screen.findByText('A Ink cupboard, 2 of 9')).toBeTruthy();
    const first = await screen.findByAltText('Page 1 of 31 as it will be printed');
    expect(first.getAttribute('src')).toBe('/api/projects/p/sets/s1/pages/1');
    await userEvent.click(screen.getByRole('button', { name: 'Page after' }));
    expect(screen.getByAltText('Page 2 of 31 as it will be printed')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'This page as SVG' }).getAttribute('href')).toBe('/api/projects/p/sets/s1/pages/2');
    expect(screen.getByRole('link', { name: 'Open its 31 pages to print them' }).getAttribute('href')).toBe('/api/projects/p/sets/s1/pdf');
  });

  test('on other paper it is another set: the one that was drawn is let go of', async () => {
    answers = [
      [202, state()],
      [200, done],
    ];
    shown();
    await draw();
    await screen.findByAltText(/^Page 1/);
    await userEvent.selectOptions(screen.getByLabelText('paper'), 'tabloid');
    expect(screen.queryByAltText(/^Page 1/)).toBeNull();
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ url: '/api/projects/p/sets/s1', method: 'DELETE' }));
  });

  test('is stopped, and the server told', async () => {
    answers = [
      [202, state()],
      [200, state()],
    ];
    shown();
    await draw();
    await userEvent.click(await screen.findByRole('button', { name: 'Stop' }));
    expect(screen.queryByText(/2 of 9/)).toBeNull();
    await waitFor(() => expect(sent.some(({ method }) => method === 'DELETE')).toBe(true));
  });
});

describe('what goes wrong is said', () => {
  const busy = { code: 'busy', message: '2 sets are being drawn already', where: 'sets', accepted: 'one more when one of them is done' };
  test.each<[string, (readonly [number, unknown])[], RegExp]>([
    ['refused at once', [[429, busy]], /2 sets are being drawn already/],
    [
      'failed on the way',
      [
        [202, state()],
        [200, state({ state: 'failed', problem: { code: 'layout', message: 'a layout does not fit', where: 'layouts', accepted: 'another' } })],
      ],
      /a layout does not fit/,
    ],
    [
      'gone with the server it was made on',
      [
        [202, state()],
        [404, { code: 'not-found', message: 'the server was started anew', where: 'set', accepted: 'the set, asked for again' }],
      ],
      /the server was started anew/,
    ],
  ])('%s', async (_, given, words) => {
    answers = given;
    shown();
    await draw();
    expect(await screen.findByText(words)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Draw it' }).hasAttribute('disabled')).toBe(false);
  });

  test('and a server that is away', async () => {
    away = true;
    shown();
    await draw();
    expect(await screen.findByText(/the server does not answer/)).toBeTruthy();
  });
});
