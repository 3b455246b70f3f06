/** Opens every sum of a plan, however deep: each number is one, each term has words. Test support. */
import { labelWords } from '../checks/words/labels.ts';
import type { Label } from '../explained/explained-length.ts';

/** What is wrong with the sums below a value, by path; empty where every number is finite and every label has words. */
export function faultsOfSums(value: unknown, path = 'plan', seen = new Set<unknown>()): string[] {
  if (typeof value === 'number') return Number.isNaN(value) ? [`${path} is no number`] : [];
  if (typeof value !== 'object' || value === null || seen.has(value)) return [];
  seen.add(value);
  if (value instanceof Map) return [...value].flatMap(([key, each]) => faultsOfSums(each, `${path}.${String(key)}`, seen));
  const faults = Object.entries(value).flatMap(([key, each]) => faultsOfSums(each, `${path}.${key}`, seen));
  // Fixes have words of their own.
  if (isLabel(value) && !/fixes\.\d+\.label$/.test(path)) {
    try {
      labelWords(value);
    } catch (error) {
      faults.push(`${path}: ${(error as Error).message}`);
    }
  }
  return faults;
}

const isLabel = (value: object): value is Label => {
  const keys = Object.keys(value);
  return typeof (value as { key?: unknown }).key === 'string' && keys.every((key) => key === 'key' || key === 'of');
};
