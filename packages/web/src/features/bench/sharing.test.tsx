/** @jest-environment ./src/test/browser.mjs */
/** A phone is paired with the desk: on the phone, and on the desk that shows the code. */
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { answerWith, type Answer, type Asked } from '../../test/answers.ts';
import { Component as PairPage } from './PairPage.tsx';
import { SharingDialog } from './SharingDialog.tsx';

let restore = (): void => {};
afterEach(() => {
  cleanup();
  restore();
});

function page(element: React.ReactNode, answer: (asked: Asked) => Answer, at = '/') {
  const server = answerWith(answer);
  ({ restore } = server);
  const router = createMemoryRouter([{ path: '*', element }], { initialEntries: [at] });
  render(<RouterProvider router={router} />);
  return server.asked;
}

describe('on the phone', () => {
  const code = (): HTMLInputElement => document.querySelector('[data-field="pair.code"]')!;
  const pair = (): HTMLButtonElement => screen.getByRole('button', { name: 'Pair' });

  test('the code of the address it was opened by is sent with the name of the device', async () => {
    const asked = page(<PairPage />, () => ({ body: {} }), '/pair?code=123456');
    expect(code().value).toBe('123456');
    await userEvent.clear(screen.getByLabelText('what this device is called'));
    await userEvent.type(screen.getByLabelText('what this device is called'), 'Tablet by the saw ');
    await userEvent.click(pair());
    expect(await screen.findByText(/^Paired\./)).toBeTruthy();
    expect(asked.filter(({ method }) => method === 'POST')).toEqual([
      { method: 'POST', path: 'sharing/pair', body: { code: '123456', name: 'Tablet by the saw' } },
    ]);
  });

  test('a device that is paired is named and can sign out; then it may be paired again', async () => {
    let isPaired = true;
    const asked = page(
      <PairPage />,
      ({ method, path }) => {
        if (path === 'sharing/own' && method === 'DELETE') isPaired = false;
        return path === 'sharing/own' ? { body: isPaired ? { kind: 'device', name: 'Tablet by the saw' } : undefined, status: isPaired ? 200 : 204 } : {};
      },
      '/pair',
    );
    expect(await screen.findByText('Tablet by the saw')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Pair' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Sign out' }));
    expect(await screen.findByRole('button', { name: 'Pair' })).toBeTruthy();
    expect(asked.some(({ method, path }) => method === 'DELETE' && path === 'sharing/own')).toBe(true);
  });

  test('nothing but six figures is a code', async () => {
    page(<PairPage />, () => ({ body: {} }));
    await userEvent.type(code(), '12a 34');
    expect([code().value, pair().disabled]).toEqual(['1234', true]);
    await userEvent.type(code(), '5678');
    expect([code().value, pair().disabled]).toEqual(['123456', false]);
    await userEvent.clear(screen.getByLabelText('what this device is called'));
    expect(pair().disabled).toBe(true);
  });

  test.each<[string, Answer, RegExp]>([
    [
      'that is wrong',
      { status: 403, body: { code: 'pairing', message: 'the code is not the one on show', where: 'code', accepted: 'the six figures the desk shows' } },
      /the code is not the one on show\. Accepted: the six figures/,
    ],
    ['to a desk that does not answer', 'away', /the desk does not answer\. Accepted: the same network, and the desk started with bin\/start --share/],
  ])('a code %s is refused in words, and can be tried again', async (_, answer, words) => {
    page(<PairPage />, () => answer, '/pair?code=123456');
    await userEvent.click(pair());
    expect((await screen.findByRole('alert')).textContent).toMatch(words);
    expect([code().value, pair().disabled]).toEqual(['123456', false]);
  });
});

describe('on the desk', () => {
  const shared = (more: object = {}) => ({ address: 'https://10.0.0.2:8443', code: null, until: null, devices: [], ...more });
  const dialog = (answer: (asked: Asked) => Answer) => page(<SharingDialog path="/project/p/ink/bench" onClose={() => {}} />, answer);

  test('that is not shared says how it would be', async () => {
    dialog(() => ({ body: shared({ address: null }) }));
    expect(await screen.findByText('bin/start --share')).toBeTruthy();
    expect(screen.queryByRole('img')).toBeNull();
  });

  test('shows where a paired device opens this page, as a picture and in words', async () => {
    dialog(() => ({ body: shared() }));
    expect(await screen.findByText('https://10.0.0.2:8443')).toBeTruthy();
    const picture = screen.getByRole<HTMLImageElement>('img', { name: 'Address of this page for a paired device: https://10.0.0.2:8443/project/p/ink/bench' });
    await waitFor(() => expect(decodeURIComponent(picture.src)).toMatch(/^data:image\/svg\+xml;utf8,<svg/));
    expect(screen.getByText('None yet.')).toBeTruthy();
  });

  test('a code is asked for, and shown until when it holds', async () => {
    const asked = dialog(({ method }) => ({ body: method === 'POST' ? shared({ code: '654321', until: '2026-12-01T20:15:00' }) : shared() }));
    await userEvent.click(await screen.findByRole('button', { name: 'Show a code for the next device' }));
    expect(await screen.findByText('654321')).toBeTruthy();
    expect(screen.getByText(/until 20:15/)).toBeTruthy();
    expect(asked.filter(({ method }) => method === 'POST').map(({ path }) => path)).toEqual(['sharing/code']);
    expect(screen.getByRole('img', { name: /pair\?code=654321$/ })).toBeTruthy();
  });

  test('a device that is paired is named, and forgotten with a click', async () => {
    const device = { id: 'd1', name: 'Tablet by the saw', pairedAt: '2026-11-01T10:00:00', seenAt: '2026-11-02T19:30:00' };
    const asked = dialog(({ method }) => ({ body: method === 'DELETE' ? shared() : shared({ devices: [device] }) }));
    const row = within(await screen.findByText(/^Tablet by the saw, seen 2 Nov, 19:30/));
    await userEvent.click(row.getByRole('button', { name: 'Forget it' }));
    expect(await screen.findByText('None yet.')).toBeTruthy();
    expect(asked.some(({ method, path }) => method === 'DELETE' && path === 'sharing/devices/d1')).toBe(true);
  });

  test('that does not answer says so', async () => {
    dialog(() => 'away');
    expect((await screen.findByRole('alert')).textContent).toMatch(/the server does not answer/);
  });
});
