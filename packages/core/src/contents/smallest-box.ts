/** The smallest box for a set of items: set-out at many widths in parallel, keeping the least front area. */
import { toMm, type Length } from '../length/length.ts';
import { columnOf } from './arrange.ts';
import { setOut, type SetOut, type SetOutSearch } from './set-out.ts';
import { columnGroupsOf, widthsToTry, type KgOf, type SetOutJob } from './set-out-job.ts';

interface Tried {
  readonly search: SetOutSearch;
  /** Outer front of this width, with sides and ends added; unplaced items count as height. */
  area(): number;
}

/**
 * A stepper like setOut(): `job` holds the limits, the answer's width and depth what it uses of them. `frame` is what the box adds to its inside width and
 * height.
 */
export function smallestBox(job: SetOutJob, kgOf: KgOf, frame: { readonly width: Length; readonly height: Length }, seed = 1): SetOutSearch {
  const { pieces } = columnGroupsOf(job, kgOf);
  const tried = widthsToTry(pieces, job.width).map((width, index): Tried => {
    const search = setOut({ ...job, width }, kgOf, seed + index);
    return { search, area: () => (search.cost + toMm(frame.height)) * toMm((width + frame.width) as Length) };
  });
  if (tried.length === 0) tried.push({ search: setOut(job, kgOf, seed), area: () => 0 });
  const best = (): Tried => tried.reduce((a, b) => (b.area() < a.area() ? b : a));
  let turn = 0;
  return {
    step(count) {
      // Every other try goes to the leading width; the rest in turn.
      for (let n = 0; n < count; n++) (n % 2 === 0 ? best() : tried[turn++ % tried.length]!).search.step(1);
      return false;
    },
    best: () => shallowest(best().search.best()),
    get cost() {
      return best().area();
    },
  };
}

/** Only as deep as its deepest column. */
function shallowest(found: SetOut): SetOut {
  const deepest = found.levels
    .flatMap(({ lots }) => lots.map(({ item }) => columnOf(item, found.depth)))
    .reduce((most, { foot, rows }) => Math.max(most, foot.out * rows), 0);
  return deepest > 0 ? { ...found, depth: deepest as Length } : found;
}
