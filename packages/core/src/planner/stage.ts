/** Stages of planning: each declares what it reads, and runs again only when some of that has changed. */

/** The result of a stage, with the inputs it was made from. */
export interface Kept<I, T> {
  readonly inputs: I;
  readonly value: T;
}

/** Equality of single inputs that need not be identical to be the same. */
type Same<I> = { readonly [K in keyof I]?: (a: I[K], b: I[K]) => boolean };

/** A stage: give it its last result and its inputs. */
export type Stage<I, T> = (before: Kept<I, T> | undefined, inputs: I) => Kept<I, T>;

/**
 * Makes a stage.
 * @param run a pure function of its inputs
 * @param same equality of single inputs; the others are the same when they are identical, since documents are immutable
 */
export function stage<I extends object, T>(run: (inputs: I) => T, same: Same<I> = {}): Stage<I, T> {
  return (before, inputs) => (before && isSame(before.inputs, inputs, same) ? before : { inputs, value: run(inputs) });
}

/** Whether two sets of inputs are the same. */
export function isSame<I extends object>(a: I, b: I, same: Same<I> = {}): boolean {
  for (const key in b) if (a[key] !== b[key] && !same[key]?.(a[key], b[key])) return false;
  return true;
}

/** For small derived values: the same content is the same input. */
export const sameContent = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Whether two lists hold the same objects in the same order. */
export const sameList = <T>(a: readonly T[], b: readonly T[]): boolean => a.length === b.length && a.every((each, index) => each === b[index]);
