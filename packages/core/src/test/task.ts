/** A task of the days with nothing special about it, for tests of the schedule. */
import type { Task } from '../build/tasks.ts';

export const task = (id: string, minutes: number, more: Partial<Task> = {}): Task => ({
  id,
  steps: [id],
  minutes,
  helper: false,
  machines: [],
  canPause: true,
  notBefore: -Infinity,
  after: [],
  ...more,
});
