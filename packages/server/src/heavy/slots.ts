/** A line of work of which only so much runs at once. */
import { ProblemException } from '../problems/problem.exception.ts';

export class Slots {
  private running = 0;
  private readonly waiting: (() => void)[] = [];

  /** `atOnce` tasks run, `maxWaiting` wait; a further one is refused with 503, by the name of the line. */
  constructor(
    private readonly atOnce: number,
    private readonly maxWaiting: number,
    private readonly name: string,
  ) {}

  /** Runs a task as soon as there is a slot. */
  async take<T>(task: () => Promise<T>): Promise<T> {
    if (this.running >= this.atOnce) {
      if (this.waiting.length >= this.maxWaiting)
        throw new ProblemException(503, {
          code: 'busy',
          message: `${this.waiting.length} ${this.name} are waiting already`,
          where: 'server',
          accepted: 'the same again in a moment',
        });
      await new Promise<void>((resolve) => this.waiting.push(resolve));
    } else this.running++;
    try {
      return await task();
    } finally {
      // The slot passes straight on to whoever waits longest.
      const next = this.waiting.shift();
      if (next) next();
      else this.running--;
    }
  }
}
