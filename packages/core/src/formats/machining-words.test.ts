/** The words of a part's slots read back: a rectangle on its blank, which must be the one that its drawing shows. */
import { describe, expect, test } from '@jest/globals';
import { toMm } from '../length/length.ts';
import type { PartLine } from '../parts/part-line.ts';
import { pieceDrawing } from '../parts/piece-drawing.ts';
import { plan } from '../planner/plan.ts';
import type { RectEdge } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { FAMILY_IDS } from '../test/family-units.ts';
import { randomProject } from '../test/random-project.ts';
import { edgeWords, featureWords } from './cut-list-csv.ts';

const EDGES: readonly RectEdge[] = ['start', 'end', 'near', 'far'];
const NUMBER = String.raw`(\d+(?:\.\d+)?) mm(?: strong| shy)?`;
/** A tape reads whole millimeters. */
const TAPE = 0.6;

interface Read {
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
}

/** Where a slot lies by its words, mm from the start and the near edge; null for what is tilted or let into an edge. */
function readBack(words: string, line: PartLine, panel: ResolvedPanel): Read | null {
  const edgeOf = (text: string): RectEdge => EDGES.find((edge) => edgeWords(line, edge) === text)!;
  // What is left wide to be ripped after its slots counts for nothing here.
  const [length, width] = [toMm(panel.length.value), toMm(panel.width.value)];
  const slot = new RegExp(
    String.raw`^(dado|groove|rabbet) ${NUMBER} wide, ${NUMBER} deep, (?:near side ${NUMBER} from|on) the ([a-z]+ (?:end|edge))(?:, stops (.*))?$`,
  ).exec(words);
  if (!slot) return null;
  const [, kind, wide, , at, edgeSaid, stopsSaid] = slot;
  const edge = edgeOf(edgeSaid!);
  const [w, from] = [Number(wide), at === undefined ? 0 : Number(at)];
  if (kind === 'rabbet') expect(at).toBeUndefined();
  const size = edge === 'start' || edge === 'end' ? length : width;
  const own: readonly [number, number] = edge === 'start' || edge === 'near' ? [from, from + w] : [size - from - w, size - from];
  const ends = edge === 'start' || edge === 'end' ? width : length;
  const run: [number, number] = [0, ends];
  for (const stop of stopsSaid?.split(' and ') ?? []) {
    const [, by, stopEdge] = new RegExp(String.raw`^${NUMBER} from the ([a-z]+ (?:end|edge))$`).exec(stop)!;
    const low = edgeOf(stopEdge!) === 'start' || edgeOf(stopEdge!) === 'near';
    run[low ? 0 : 1] = low ? Number(by) : ends - Number(by);
  }
  return edge === 'start' || edge === 'end' ? { x: own, y: run } : { x: run, y: own };
}

describe.each(FAMILY_IDS)('of a %s', (family) => {
  test('every slot stands where its words say', () => {
    let seen = 0;
    for (let seed = 1; seed <= 16; seed++) {
      const { design, record, workshop } = randomProject(seed, { family, changed: [0.15, 0.4][seed % 2]! });
      const made = plan(design, record, workshop);
      for (const line of made.parts) {
        const cabinet = made.byId.get(line.unit)?.cabinet;
        const panel = line.role === 'cleat-blank' ? undefined : cabinet?.byId.get(line.panels[0]!);
        // A blank that is not the part's own rectangle, or ends before its band, is drawn otherwise than it is sawn.
        if (!cabinet || !panel || panel.bands.length > 0 || panel.outline.length !== 4 || panel.outline.some(({ bevel }) => bevel !== 0)) continue;
        if (line.length.value <= 0 || line.width.value <= 0) continue;
        const piece = pieceDrawing(line, cabinet);
        const drawn = piece.slots.map(({ shape }) => {
          const [xs, ys] = [shape.map(({ x }) => x), shape.map(({ y }) => (piece.below === 'near' ? y : toMm(panel.width.value) - y))];
          return { x: [Math.min(...xs), Math.max(...xs)], y: [Math.min(...ys), Math.max(...ys)] } as const;
        });
        for (const feature of line.features) {
          const words = featureWords(feature, line, 'mm');
          const read = feature.face === 'edge' || feature.angleDeg !== undefined ? null : readBack(words, line, panel);
          if (!read) continue;
          seen++;
          const off = (a: readonly number[], b: readonly number[]): number => Math.max(Math.abs(a[0]! - b[0]!), Math.abs(a[1]! - b[1]!));
          const nearest = Math.min(...drawn.map((each) => Math.max(off(each.x, read.x), off(each.y, read.y))));
          expect([seed, line.mark, words, nearest < TAPE]).toEqual([seed, line.mark, words, true]);
        }
      }
    }
    if (family !== 'slab' && family !== 'mitred-box' && family !== 'fold-down' && family !== 'tool-till') expect(seen).toBeGreaterThan(5);
  });
});
