/** Reads untrusted JSON text: size and depth are limited before it is parsed. */
import { Refusal } from '../problem/problem.ts';

/** Limit of a posted body or a nesting problem. A design of a few hundred cabinets is well below this. */
export const MAX_BYTES = 5_000_000;
export const MAX_DEPTH = 40;

/**
 * Reads JSON text of at most `max` characters, without its byte order mark.
 * @throws Refusal
 */
export function readJsonText(marked: string, where = 'file', max = MAX_BYTES): unknown {
  if (marked.length > max) throw new Refusal('too-large', `the text is ${(marked.length / 1e6).toFixed(1)} MB`, where, `at most ${max / 1e6} MB`);
  const text = marked.startsWith('\uFEFF') ? marked.slice(1) : marked;
  checkDepth(text, where);
  try {
    // The key may be spelled with escapes; only a text that could contain it is checked key by key.
    return (/__proto__|\\u005f/i.test(text) ? JSON.parse(text, refusePrototype(where)) : JSON.parse(text)) as unknown;
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('not-json', `this is not whole JSON: ${(error as Error).message}`, where, 'a complete JSON file');
  }
}

/** Refuses `__proto__` keys: some later readers would drop them silently. */
const refusePrototype =
  (where: string) =>
  (key: string, value: unknown): unknown => {
    if (key === '__proto__') throw new Refusal('forbidden-key', "the key '__proto__' is not allowed", where, 'a file without it');
    return value;
  };

function checkDepth(text: string, where: string): void {
  let depth = 0;
  let inText = false;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (inText) {
      if (code === 92) i++;
      else if (code === 34) inText = false;
    } else if (code === 34) inText = true;
    else if (code === 123 || code === 91) {
      if (++depth > MAX_DEPTH) throw new Refusal('too-deep', `brackets stand more than ${MAX_DEPTH} deep`, `${where}, character ${i + 1}`, 'a project file');
    } else if (code === 125 || code === 93) depth--;
  }
}
