/** Work in steps, one at a time while the page is idle. */

/**
 * Runs a generator step by step; `onValue` gets its yields, `onDone` its return value.
 * @returns stops it: nothing is reported after that
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
