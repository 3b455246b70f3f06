/**
 * Schedules several search methods: next comes the one with the least work per share by the middle of its next try. A method that finds an improvement is
 * credited half of its work, so that it runs more often while it succeeds (a deterministic bandit: the same problem and seed give the same schedule).
 */

export interface SearchMethod {
  /** Its share of the work, relative to the others. */
  readonly share: number;
  /** Work of its next try, in pieces placed; Infinity when it has none. */
  work(): number;
  /** One try; true when it found a new best. */
  step(): boolean;
}

export interface SearchScheduler {
  /** Runs one try of the method that is next; ties go to the first. */
  step(): void;
}

/** Share of the work credited for an improvement. */
const GIVEN_BACK = 0.5;

export function searchScheduler(ways: readonly SearchMethod[]): SearchScheduler {
  const worked = ways.map(() => 0);
  return {
    step() {
      let [next, work, least] = [-1, 0, Infinity];
      ways.forEach((way, index) => {
        const own = way.work();
        const reached = (worked[index]! + own / 2) / way.share;
        if (reached < least) [next, work, least] = [index, own, reached];
      });
      if (next < 0) return;
      worked[next]! += work;
      if (ways[next]!.step()) worked[next]! *= 1 - GIVEN_BACK;
    },
  };
}
