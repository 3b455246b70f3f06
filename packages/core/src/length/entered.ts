/**
 * A length as a person typed it. The text comes back as typed; the nanometers are its meaning. Text without a unit is stored with the unit of its field, so
 * that a file stands alone.
 */
import { accept, type Outcome } from '../problem/problem.ts';
import { nanometers, NM_PER, type DisplayUnit, type Length } from './length.ts';
import { tapeText } from './format.ts';
import { parseLength, type ParseOptions } from './parse.ts';

export interface Entered {
  readonly text: string;
  readonly nm: Length;
}

/** Text typed in a field with display unit `unit`, as an Entered: '32 - 2*3/4' typed in inches is stored as '(32 - 2*3/4) in'. */
export function enter(given: string, unit: DisplayUnit, where?: string): Outcome<Entered> {
  // As read off a tape, and as in cut lists: the mark is what is meant.
  const typed = given.replace(/ +(strong|shy)(?= *(mm|in|"|″)? *$)/i, '');
  const parsed = parseLength(typed, where === undefined ? { unit } : { unit, where });
  if (!parsed.ok) return parsed;
  const { nm, ownUnit, expression } = parsed.value;
  const text = typed.trim();
  if (ownUnit) return accept({ text, nm });
  return accept({ text: expression ? `(${text}) ${unit}` : `${text} ${unit}`, nm });
}

/** Reads stored text, which always names its unit. */
export function readEntered(text: string, options: ParseOptions = {}): Outcome<Entered> {
  const parsed = parseLength(text, options);
  return parsed.ok ? accept({ text, nm: parsed.value.nm }) : parsed;
}

/**
 * An Entered in code.
 * @throws on text that cannot be read
 */
export function entered(text: string): Entered {
  const read = readEntered(text);
  if (!read.ok) throw new RangeError(read.problem.message);
  return read.value;
}

/**
 * A computed length, to the nanometer, as if typed in millimeters.
 * @throws RangeError on a fraction of a nanometer
 */
export const enteredFromNm = (nm: number): Entered => ({ text: `${nm / NM_PER.mm} mm`, nm: nanometers(nm) });

const WORKED_OUT = /^-?\d+\.\d{4,} ?(mm|in)$/;

/** Text to put back into a field with display unit `unit`: as typed, without the unit where it is the field's own. */
export function typedText({ text, nm }: Entered, unit: DisplayUnit): string {
  // Nobody types this many decimals: it was computed, and is shown as on a tape.
  if (WORKED_OUT.test(text)) return unit === 'in' ? tapeText(nm, unit) : String(Math.round(nm / 1e5) / 10);
  const own = new RegExp(`^(.*?)\\s*${unit}$`).exec(text);
  if (!own) return text;
  const bare = own[1]!.trim();
  const bracketed = /^\(([^()]*)\)$/.exec(bare);
  if (bracketed) return bracketed[1]!;
  // A sum whose terms carry units keeps them all: dropping the last would change its meaning.
  return parseLength(bare, { unit }).ok && !/[a-z"'′″]/i.test(bare) ? bare : text;
}
