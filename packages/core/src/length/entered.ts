/**
 * A length as a person typed it. The text comes back as typed; the nanometers are what it means.
 * Text without a unit is kept with the unit of the field it was typed in, so that a file stands alone.
 */
import { accept, type Outcome } from '../problem/problem.ts';
import { nanometers, NM_PER, type DisplayUnit, type Length } from './length.ts';
import { tapeText } from './format.ts';
import { parseLength, type ParseOptions } from './parse.ts';

export interface Entered {
  readonly text: string;
  readonly nm: Length;
}

/** Text typed in a field whose unit is `unit`, as an Entered: '32 - 2*3/4' typed in inches is kept as '(32 - 2*3/4) in'. */
export function enter(given: string, unit: DisplayUnit, where?: string): Outcome<Entered> {
  // As a tape is read out, and as cut lists say it: the mark is what is meant.
  const typed = given.replace(/ +(strong|shy)(?= *(mm|in|"|″)? *$)/i, '');
  const parsed = parseLength(typed, where === undefined ? { unit } : { unit, where });
  if (!parsed.ok) return parsed;
  const { nm, ownUnit, expression } = parsed.value;
  const text = typed.trim();
  if (ownUnit) return accept({ text, nm });
  return accept({ text: expression ? `(${text}) ${unit}` : `${text} ${unit}`, nm });
}

/** Reads stored text, which always says its unit. */
export function readEntered(text: string, options: ParseOptions = {}): Outcome<Entered> {
  const parsed = parseLength(text, options);
  return parsed.ok ? accept({ text, nm: parsed.value.nm }) : parsed;
}

/** An Entered in code: throws on text that cannot be read. */
export function entered(text: string): Entered {
  const read = readEntered(text);
  if (!read.ok) throw new RangeError(read.problem.message);
  return read.value;
}

/** A length that was worked out, to the nanometer, as if it had been typed in millimeters. Throws a RangeError on one that is not whole. */
export const enteredFromNm = (nm: number): Entered => ({ text: `${nm / NM_PER.mm} mm`, nm: nanometers(nm) });

const WORKED_OUT = /^-?\d+\.\d{4,} ?(mm|in)$/;

/** What to put back into a field shown in `unit`: as typed, without the unit when it is the field's own. */
export function typedText({ text, nm }: Entered, unit: DisplayUnit): string {
  // Nobody types so many decimals: it was worked out, and is said as the tape says it.
  if (WORKED_OUT.test(text)) return unit === 'in' ? tapeText(nm, unit) : String(Math.round(nm / 1e5) / 10);
  const own = new RegExp(`^(.*?)\\s*${unit}$`).exec(text);
  if (!own) return text;
  const bare = own[1]!.trim();
  const bracketed = /^\(([^()]*)\)$/.exec(bare);
  if (bracketed) return bracketed[1]!;
  // A sum whose terms carry cabinets keeps them all: taking the last away would change its meaning.
  return parseLength(bare, { unit }).ok && !/[a-z"'′″]/i.test(bare) ? bare : text;
}
