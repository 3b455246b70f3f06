/** Parses the words of a command: positional ones in order, and options with their values. */
import { Refusal } from '@keen/core';

export interface ReadWords<K extends string> {
  readonly plain: readonly string[];
  readonly options: Readonly<Record<K, string | null>>;
}

/**
 * Parses words by the known options.
 * @throws Refusal on an unknown option, or one without its value
 */
export function readWords<K extends string>(words: readonly string[], known: readonly K[], usage: string): ReadWords<K> {
  const plain: string[] = [];
  const options = Object.fromEntries(known.map((name) => [name, null])) as Record<K, string | null>;
  for (let i = 0; i < words.length; i++) {
    const word = words[i]!;
    if (!word.startsWith('--')) {
      plain.push(word);
      continue;
    }
    if (!Object.hasOwn(options, word)) throw new Refusal('usage', `there is no option '${word}'`, word, usage);
    const value = words[++i];
    if (value === undefined) throw new Refusal('usage', 'nothing is given after it', word, usage);
    options[word as K] = value;
  }
  return { plain, options };
}
