/** Outlines of parts from a drawing of another program, with what was not understood. */
import { accept, outcomeOf, refuse, type Outcome } from '@keen/core';
import { dxfCurves } from './dxf.ts';
import { outlinesOf, type Outline } from './rings.ts';
import { svgCurves } from './svg.ts';

const MAX_BYTES = 5_000_000;

export interface ReadOutlines {
  readonly outlines: readonly Outline[];
  /** What was left out or assumed, as text. */
  readonly notes: readonly string[];
}

/** `name` is the file name; the content decides the format. Refused without any outline. */
export function readOutlines(bytes: Uint8Array, name: string): Outcome<ReadOutlines> {
  if (bytes.length > MAX_BYTES) return refuse('too-large', `the drawing has ${Math.ceil(bytes.length / 1e6)} MB`, name, `at most ${MAX_BYTES / 1e6} MB`);
  const text = new TextDecoder().decode(bytes).replace(/^\uFEFF/, '');
  if (text.includes('\0')) return refuse('no-text', 'the drawing is not in text', name, 'a DXF saved as text, or an SVG');
  const drawing = /^\s*</.test(text) ? svgCurves(text) : dxfCurves(text);
  if (!drawing.ok) return drawing;
  const made = outcomeOf(() => outlinesOf(drawing.value.curves));
  if (!made.ok) return made;
  const { outlines, notes } = made.value;
  const all = [...drawing.value.notes, ...notes];
  if (outlines.length === 0)
    return refuse('no-outline', `there is no outline in it${all.length > 0 ? `: ${all.join('; ')}` : ''}`, name, 'closed lines and arcs, of 5 mm to 10 m');
  return accept({ outlines, notes: all });
}
