/** Set-out off the page's thread. A newer job ends the older one; every few steps it yields to notice that. */
import { kgOf, setOut, smallestBox, type Length, type SetOut, type SetOutJob } from '@keen/core';
import { expose } from 'comlink';

const CHUNK_MS = 16;
let current = 0;

export interface SetOutRequest {
  readonly job: SetOutJob;
  /** What the carcass adds to the inside, for the smallest box; null to fill the existing one. */
  readonly frame: { readonly width: Length; readonly height: Length } | null;
}

const setter = {
  /** Searches for `ms`, reporting each better result. Resolves with the last one, or null when a newer job or stop() ended it. */
  async run({ job, frame }: SetOutRequest, ms: number, onBetter: (found: SetOut, share: number) => void): Promise<SetOut | null> {
    const mine = ++current;
    const search = frame ? smallestBox(job, kgOf, frame) : setOut(job, kgOf);
    const started = performance.now();
    let told = Infinity;
    for (;;) {
      const spent = performance.now() - started;
      const share = Math.min(1, spent / ms);
      if (search.cost < told) {
        told = search.cost;
        onBetter(search.best(), share);
      }
      if (share >= 1) return search.best();
      const until = performance.now() + CHUNK_MS;
      let done: boolean;
      do done = search.step(4);
      while (!done && performance.now() < until);
      if (mine !== current) return null;
      if (done) return search.best();
      await new Promise((resolve) => setTimeout(resolve, 0));
    }
  },
  stop(): void {
    current++;
  },
};

export type Setter = typeof setter;
expose(setter);
