/** What a project's cuts did to the store: sheets that are cut into, and their remaining pieces worth keeping. */
import { remainingStockAfter } from '../sawing/remaining-stock.ts';
import type { Length } from '../length/length.ts';
import { keepsOffcut } from '../stock/workshop.ts';
import type { Design } from '../model/design.ts';
import { layoutOf, progressOf } from './layouts.ts';
import type { Workshop } from '../model/workshop.ts';
import type { RecordEntry } from '../model/record.ts';

export interface SheetState {
  /** Layout and sheet index: 'l1#0'. */
  readonly id: string;
  readonly product: string;
  /** What it is cut from: a piece on hand, a new sheet (isNewSheet), or a piece of an earlier layout ('l0/…'). */
  readonly sheet: string;
  readonly length: Length;
  readonly width: Length;
  /** For a piece of an earlier layout: the sheet it was part of. */
  readonly of: string | null;
  readonly cutInto: boolean;
  /** Worth keeping and used by no later layout, once all its cuts are made or another layout took over. */
  readonly left: readonly { readonly from: string; readonly length: Length; readonly width: Length }[];
}

/** Every sheet of every settled layout, in the order they were settled. */
export function sheetStates(design: Pick<Design, 'layouts'>, record: readonly RecordEntry[], workshop: Workshop): SheetState[] {
  const layouts = Object.values(design.layouts).sort((a, b) => a.order - b.order);
  const used = new Set(layouts.flatMap(({ sheets }) => sheets.map(({ sheet }) => sheet)));
  const known = layouts.filter(({ product }) => Object.hasOwn(workshop.products, product)).map((layout) => progressOf(layout, record, workshop));
  /** The sheet a remaining piece was part of: 'l0/…' of 'l0#1'. */
  const parentOf = (rest: string): string | null => {
    const from = known.find(({ layout }) => rest.startsWith(`${layout.id}/`));
    const piece = from && rest.slice(from.layout.id.length + 1);
    const step = from?.sequence.steps.find(({ near, far }) => near.id === piece || far?.id === piece);
    return from && step ? `${from.layout.id}#${step.sheet}` : null;
  };
  return known.flatMap(({ layout, sequence, done }) => {
    const lying = remainingStockAfter(layout.sheets, sequence.steps, new Set(done.keys()));
    const isLast = layoutOf(design, layout.product)?.id === layout.id;
    return layout.sheets.map(({ sheet, length, width }, index): SheetState => {
      const steps = sequence.steps.filter((step) => step.sheet === index);
      const cutInto = steps.some(({ id }) => done.has(id));
      const over = cutInto && (!isLast || steps.every(({ id }) => done.has(id)));
      const left = lying
        .filter((each) => each.sheet === index && each.piece.part === null && keepsOffcut(workshop.shop, each.piece))
        .map(({ piece }) => ({ from: `${layout.id}/${piece.id}`, length: piece.dx, width: piece.dy }))
        .filter(({ from }) => !used.has(from));
      return { id: `${layout.id}#${index}`, product: layout.product, sheet, length, width, of: parentOf(sheet), cutInto, left: over ? left : [] };
    });
  });
}
