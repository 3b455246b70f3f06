/** Effect of a design change on the parts: added, removed, or cut to another size or with other slots. */
import type { Length } from '../length/length.ts';
import type { Label } from '../explained/explained-length.ts';
import type { Feature } from './features.ts';
import type { PartLine } from './part-line.ts';

export type PartChange =
  | { readonly kind: 'came' | 'went'; readonly panel: string; readonly name: Label }
  | { readonly kind: 'length' | 'width'; readonly panel: string; readonly name: Label; readonly from: Length; readonly to: Length }
  /** Its slots, holes or bevels: number before and after, and the depth of its slots where changed. */
  | {
      readonly kind: 'cuts';
      readonly panel: string;
      readonly name: Label;
      readonly from: number;
      readonly to: number;
      readonly depths: { readonly from: Length; readonly to: Length } | null;
    };

interface Part {
  readonly name: Label;
  readonly length: Length;
  readonly width: Length;
  readonly features: readonly Feature[];
}

function byPanel(lines: readonly PartLine[]): Map<string, Part> {
  return new Map(
    lines.flatMap(({ panels, names, length, width, features }) =>
      // A cleat's two halves are one blank with one name.
      panels.map((panel, index): [string, Part] => [panel, { name: names[index] ?? names[0]!, length: length.value, width: width.value, features }]),
    ),
  );
}

/** Panel by panel in the order of the newer list, removed ones last; empty where all parts are unchanged. */
export function partChanges(before: readonly PartLine[], after: readonly PartLine[]): PartChange[] {
  const [old, fresh] = [byPanel(before), byPanel(after)];
  const changes: PartChange[] = [];
  for (const [panel, part] of fresh) {
    const was = old.get(panel);
    const { name } = part;
    if (!was) {
      changes.push({ kind: 'came', panel, name });
      continue;
    }
    for (const along of ['length', 'width'] as const)
      if (was[along] !== part[along]) changes.push({ kind: along, panel, name, from: was[along], to: part[along] });
    if (JSON.stringify(was.features) !== JSON.stringify(part.features))
      changes.push({ kind: 'cuts', panel, name, from: was.features.length, to: part.features.length, depths: depthsOf(was.features, part.features) });
  }
  for (const [panel, { name }] of old) if (!fresh.has(panel)) changes.push({ kind: 'went', panel, name });
  return changes;
}

const SLOTS: readonly Feature['kind'][] = ['dado', 'groove', 'rabbet'];

/** The first slot whose depth changed, both lists in the same order. */
function depthsOf(before: readonly Feature[], after: readonly Feature[]): { readonly from: Length; readonly to: Length } | null {
  if (before.length !== after.length) return null;
  const index = after.findIndex(({ kind, depth }, at) => SLOTS.includes(kind) && depth !== before[at]!.depth);
  return index < 0 ? null : { from: before[index]!.depth, to: after[index]!.depth };
}
