/** A scan as it streams in: samples, and every way it can end. */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { readScan, type Sample } from './readScan.ts';

const LINE = { from: 0, to: 100, up: 1500 };
const real = globalThis.fetch;
afterEach(() => void (globalThis.fetch = real));

/** A server that sends these chunks, split wherever the network splits them. */
function answering(pieces: readonly string[], status = 200): void {
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      for (const piece of pieces) controller.enqueue(new TextEncoder().encode(piece));
      controller.close();
    },
  });
  globalThis.fetch = jest.fn<typeof fetch>().mockResolvedValue(new Response(body, { status }));
}
const read = async (signal = new AbortController().signal) => {
  const samples: Sample[] = [];
  const end = await readScan(LINE, signal, (sample) => samples.push(sample));
  return { samples, end };
};

describe('a scan that arrives', () => {
  test('is told sample by sample, however the lines are cut', async () => {
    answering(['{"type":"sample","at":0,"lev', 'el":7}\n{"type":"sample","at":5,"level":9}\n{"ty', 'pe":"end"}\n']);
    expect(await read()).toEqual({
      samples: [
        { at: 0, level: 7 },
        { at: 5, level: 9 },
      ],
      end: { kind: 'end', batteryLow: false },
    });
    expect((globalThis.fetch as jest.Mock).mock.calls[0]![0]).toBe('/api/devices/scanner/scan?from=0&to=100&up=1500');
  });
  test('says that the battery is low', async () => {
    answering(['{"type":"battery-low","battery":0.1}\n{"type":"end"}\n']);
    expect((await read()).end).toEqual({ kind: 'end', batteryLow: true });
  });
});

describe('a scan that is lost keeps what came', () => {
  test('the scanner was dropped', async () => {
    answering(['{"type":"sample","at":0,"level":7}\n', '{"type":"lost","why":"silent"}\n']);
    expect(await read()).toEqual({ samples: [{ at: 0, level: 7 }], end: { kind: 'lost', why: 'silent' } });
  });
  test('the server went away in the middle of a line', async () => {
    answering(['{"type":"sample","at":0,"level":7}\n{"type":"sam']);
    expect(await read()).toEqual({ samples: [{ at: 0, level: 7 }], end: { kind: 'lost', why: 'dropped' } });
  });
  test('a line that is garbled ends it, and what came before stands', async () => {
    answering(['{"type":"sample","at":0,"level":7}\nnot json\n']);
    expect(await read()).toEqual({ samples: [{ at: 0, level: 7 }], end: { kind: 'lost', why: 'dropped' } });
  });
  test('the person stopped it', async () => {
    const abort = new AbortController();
    globalThis.fetch = jest.fn<typeof fetch>().mockImplementation(() => {
      abort.abort();
      return Promise.reject(new DOMException('stopped', 'AbortError'));
    });
    expect((await read(abort.signal)).end).toEqual({ kind: 'stopped' });
  });
});

describe('no scan at all', () => {
  test('no scanner answers: says what else can be done', async () => {
    answering(['{"code":"scanner-away","message":"no stud scanner answers","accepted":"type the studs in"}'], 503);
    expect((await read()).end).toEqual({ kind: 'away', message: 'no stud scanner answers: type the studs in' });
  });
  test('an answer that is no problem either is told as no answer', async () => {
    answering(['<html>'], 502);
    expect((await read()).end).toEqual({ kind: 'away', message: 'the scanner does not answer' });
  });
});
