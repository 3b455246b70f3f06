/** Answers to devices that are still being written: event streams above all. */
import type { Response } from 'express';

const open = new Map<string, Set<Response>>();

/** Remembers an answer until it is closed. */
export function answerOpened(deviceId: string, response: Response): void {
  const answers = open.get(deviceId) ?? new Set();
  open.set(deviceId, answers.add(response));
  response.once('close', () => {
    answers.delete(response);
    if (answers.size === 0) open.delete(deviceId);
  });
}

/** Cuts every open answer of a device, for instance when the desk removes it. */
export function endAnswersOf(deviceId: string): void {
  for (const response of open.get(deviceId) ?? []) response.destroy();
}
