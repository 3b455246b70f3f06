/** Text of a part's label as it comes off the saw. */
import { labelWords } from '../checks/words/labels.ts';
import { tapeText } from '../length/format.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { PartLine } from '../parts/part-line.ts';
import { edgeWords } from './cut-list-csv.ts';
import type { Workshop } from '../model/workshop.ts';

export interface PartLabel {
  readonly mark: string;
  readonly name: string;
  readonly size: string;
  readonly stock: string;
  /** Along the first dimension, across it, or either way. */
  readonly grain: 'along' | 'across' | 'none';
  readonly band: string;
  readonly next: string;
  /** Id of its panel. */
  readonly panel: string;
}

const plural = (count: number, one: string, more: string): string => (count === 1 ? one : `${count} ${more}`);

/** What follows after cutting to size: slots while its edges are square, then holes, shapes, bands. */
function nextWords({ role, features, bands }: PartLine): string {
  if (role === 'cleat-blank') return 'rip at the bevel into its two halves';
  const of = (...kinds: readonly PartLine['features'][number]['kind'][]): number => features.filter(({ kind }) => kinds.includes(kind)).length;
  const slots = of('dado', 'groove', 'rabbet');
  if (slots > 0) return `cut its ${plural(slots, 'slot', 'slots')}`;
  if (of('holes') > 0) return 'drill its holes';
  if (of('slant', 'notch', 'edge-bevel') > 0) return 'saw its slope, notch or bevel';
  if (bands.length > 0) return 'band its edges';
  return 'sand, then dry fit';
}

/** One label per part of the given lines, in order of marks. */
export function partLabels(
  lines: readonly PartLine[],
  { products }: Pick<Workshop, 'products'>,
  unitOf: (unit: string) => { readonly name: string; readonly unit: DisplayUnit },
): PartLabel[] {
  return lines.flatMap((line) => {
    const { name, unit } = unitOf(line.unit);
    const panels = line.role === 'cleat-blank' ? line.panels.slice(0, 1) : line.panels;
    return panels.map((panel, index): PartLabel => ({
      mark: line.mark,
      name: `${line.role === 'cleat-blank' ? line.names.map((each) => labelWords(each)).join(', ') : labelWords(line.names[index] ?? line.names[0]!)}, ${name}`,
      size: `${tapeText(line.length.value, unit)} × ${tapeText(line.width.value, unit)} ${unit}`,
      stock: products[line.stock]?.name ?? line.stock,
      grain: line.grain === 'none' ? 'none' : line.grain === 'length' ? 'along' : 'across',
      band: line.bands.map((edge) => edgeWords(line, edge)).join(', '),
      next: nextWords(line),
      panel,
    }));
  });
}
