/** Story sticks as drawings at true size: every mark of a part from its named end, for all parts with the same marks. */
import {
  edgeWords,
  tapeTextWithUnit,
  labelWords,
  lieOf,
  lineOfPiece,
  storySticks,
  toMm,
  type OperationBlank,
  type DisplayUnit,
  type Plan,
  type Setups,
  type StoryStick,
} from '@keen/core';
import { wideAs } from './letters.ts';
import { line, shape, type Stroke, type TrueDrawing, type Words } from './marks.ts';

/** The strip itself; above it what goes in where, and from which end; below it the dimensions, in as many rows as needed. */
const STRIP_MM = 24;
const TEXT_MM = 2.6;
const ROW_MM = 4.4;
const HEAD_MM = 11;

/** The sticks of one cabinet's setups, with marks for hand work too. */
export const sticksOf = ({ setups, unmade, blanks, touches }: Pick<Setups, 'setups' | 'unmade' | 'blanks' | 'touches'>): StoryStick[] =>
  storySticks(blanks, [...setups.flatMap(({ cuts }) => cuts.map(({ operation }) => operation)), ...unmade], touches);

/** A stick to print. `unit`: unit of its numbers; both are the same on paper. */
export function stickDrawing(stick: StoryStick, blanks: ReadonlyMap<string, OperationBlank>, plan: Plan, unit: DisplayUnit): TrueDrawing {
  const first = blanks.get(stick.panels[0]!)!.panel;
  const lies = { role: first.role, lie: lieOf(first) };
  const markOf = (panel: string): string => lineOfPiece(plan.parts, panel)?.mark ?? '';
  const length = toMm(stick.length);
  const labels = stick.marks.map(({ near }) => ({ at: toMm(near), text: tapeTextWithUnit(near, unit) }));
  const rows = rowsOf([...labels, { at: length, text: tapeTextWithUnit(stick.length, unit) }]);
  const under = Math.max(...rows.map(({ row }) => row + 1)) * ROW_MM + 2;
  const [low, high] = [under, under + STRIP_MM];
  const strokes: Stroke[] = [
    shape([
      { x: 0, y: low },
      { x: length, y: low },
      { x: length, y: high },
      { x: 0, y: high },
    ]),
  ];
  const words: Words[] = [];
  for (const { near, far, guest } of stick.marks) {
    const [a, b] = [toMm(near), toMm(far)];
    strokes.push(
      line({ x: a, y: low }, { x: a, y: high }),
      line({ x: b, y: low }, { x: b, y: high }),
      line({ x: a, y: low }, { x: b, y: high }, 'light'),
      line({ x: a, y: high }, { x: b, y: low }, 'light'),
    );
    if (guest && blanks.has(guest)) words.push({ text: markOf(guest), at: { x: (a + b) / 2, y: high + 3 }, high: TEXT_MM, centred: true });
  }
  for (const { at, text, row } of rows) {
    const y = low - 2 - row * ROW_MM - TEXT_MM;
    strokes.push(line({ x: at, y: low }, { x: at, y }, 'light'));
    words.push({ text, at: { x: at + 0.8, y }, high: TEXT_MM });
  }
  const names = stick.panels.map((panel) => `${markOf(panel)} ${labelWords(blanks.get(panel)!.panel.name)}`.trim()).join(', ');
  words.push({ text: `0 = ${edgeWords(lies, 'start')}, along the ${edgeWords(lies, 'near')}`, at: { x: 2, y: high + 7 }, high: TEXT_MM });
  return { title: `story stick for ${names}`, width: length + widest(rows, length), height: high + HEAD_MM, strokes, words };
}

interface Labelled {
  readonly at: number;
  readonly text: string;
}

const wide = (text: string): number => wideAs({ text, high: TEXT_MM }) + 2;

/** Each on the first row without overlap. */
function rowsOf(labels: readonly Labelled[]): (Labelled & { readonly row: number })[] {
  const ends: number[] = [];
  return [...labels]
    .sort((a, b) => a.at - b.at)
    .map((label) => {
      let row = ends.findIndex((end) => end <= label.at);
      if (row < 0) row = ends.length;
      ends[row] = label.at + wide(label.text);
      return { ...label, row };
    });
}

/** Overhang of a text at the end. */
const widest = (rows: readonly Labelled[], length: number): number => Math.max(2, ...rows.map(({ at, text }) => at + 0.8 + wide(text) - length));
