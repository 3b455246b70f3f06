/** Work in steps, one at a time while the page has nothing else to do. */

/**
 * Takes a generator's steps one by one; `onValue` is given what it yields, `onDone` what it returns.
 * @returns stops it: nothing is said after that
 */
export function inIdleSteps<Value, Result>(steps: Generator<Value, Result>, onValue: (value: Value) => void, onDone: (result: Result) => void): () => void {
  let handle = whenIdle(next);
  function next(): void {
    const { done, value } = steps.next();
    if (done) return onDone(value as Result);
    onValue(value as Value);
    handle = whenIdle(next);
  }
  return () => notWhenIdle(handle);
}

const hasIdle = typeof requestIdleCallback === 'function';
const whenIdle = (run: () => void): number => (hasIdle ? requestIdleCallback(run, { timeout: 400 }) : window.setTimeout(run, 0));
const notWhenIdle = (handle: number): void => (hasIdle ? cancelIdleCallback(handle) : window.clearTimeout(handle));
