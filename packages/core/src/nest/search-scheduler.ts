/**
 * Whose turn it is, of several ways to look for a better layout: the one that would have worked least for its share by the middle of its next try.
 * A way that finds something is given back half of what it worked, so that it has more turns while it does (a bandit without chance: the same
 * problem and seed give the same turns).
 */

export interface SearchMethod {
  /** How much of the work is its, beside the shares of the others. */
  readonly share: number;
  /** Work of its next try, in pieces placed; Infinity when there is none now. */
  work(): number;
  /** One try; true when what it gave is the best so far. */
  step(): boolean;
}

export interface SearchScheduler {
  /** One try of the way whose turn it is; of several the one named first. */
  step(): void;
}

/** Of the work done, given back for something better. */
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
