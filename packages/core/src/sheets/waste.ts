/** Use of a project's sheets: parts, offcuts worth keeping, and waste, as planned and as cut. */
import type { WordKey } from '../checks/words/labels.ts';
import { remainingStockAfter } from '../sawing/remaining-stock.ts';
import { keepsOffcut } from '../stock/workshop.ts';
import { evaluate, formula, termOf, total, type ExplainedValue, type ValueTerm } from '../explained/explained-value.ts';
import { type Design } from '../model/design.ts';
import { progressOf } from './layouts.ts';
import type { Workshop } from '../model/workshop.ts';
import { shopFacts } from '../model/shop-facts.ts';
import type { RecordEntry } from '../model/record.ts';

/** Cut sheets of one product, m². */
export interface LearnedWaste {
  readonly product: string;
  readonly sheets: number;
  readonly sheetsM2: ExplainedValue;
  /** Usable parts. */
  readonly partsM2: ExplainedValue;
  /** Offcuts worth keeping. */
  readonly keptM2: ExplainedValue;
  /** Waste, as planned and as cut. */
  readonly plannedM2: ExplainedValue;
  readonly wasteM2: ExplainedValue;
}

const SURFACE = formula({
  label: 'surface',
  unit: 'm2',
  text: 'l · w',
  source: '[eq]',
  terms: { l: 'mm', w: 'mm' },
  compute: ({ l, w }) => (l / 1e3) * (w / 1e3),
});

const USABLE = formula({
  label: 'parts-usable',
  unit: 'm2',
  text: 'parts − spoiled',
  source: '[eq]',
  terms: { parts: 'm2', spoiled: 'm2' },
  compute: ({ parts, spoiled }) => parts - spoiled,
});

const PLANNED_WASTE = formula({
  label: 'waste-planned',
  unit: 'm2',
  text: 'sheets − parts − kept',
  source: '[eq]',
  terms: { sheets: 'm2', parts: 'm2', kept: 'm2' },
  compute: ({ sheets, parts, kept }) => sheets - parts - kept,
});

const WASTE = formula({
  label: 'waste',
  unit: 'm2',
  text: 'planned + spoiled',
  source: '[eq]',
  terms: { planned: 'm2', spoiled: 'm2' },
  compute: ({ planned, spoiled }) => planned + spoiled,
});

/** Use of the cut sheets of one product, piece by piece. */
type Pieces = Readonly<Record<'sheets' | 'parts' | 'spoiled' | 'kept', ValueTerm[]>>;

const surface = (l: number, w: number, key: WordKey): ValueTerm => termOf(evaluate(SURFACE, { l: l / 1e6, w: w / 1e6 }), '', { key });

/** Sheets with all cuts made, by product. */
export function wasteOf(design: Pick<Design, 'layouts'>, record: readonly RecordEntry[], workshop: Workshop): LearnedWaste[] {
  const spoiled = shopFacts(record).spoiled.map((each) => each.spoiled);
  const rows = new Map<string, Pieces>();
  for (const kept of Object.values(design.layouts)) {
    if (!Object.hasOwn(workshop.products, kept.product)) continue;
    const { layout, sequence, done } = progressOf(kept, record, workshop);
    const lying = remainingStockAfter(layout.sheets, sequence.steps, new Set(done.keys()));
    layout.sheets.forEach(({ length, width, placements }, index) => {
      if (!sequence.steps.filter(({ sheet }) => sheet === index).every(({ id }) => done.has(id))) return;
      const row: Pieces = rows.get(kept.product) ?? { sheets: [], parts: [], spoiled: [], kept: [] };
      rows.set(kept.product, row);
      row.sheets.push(surface(length, width, 'sheet-cut-up'));
      for (const { dx, dy, part } of placements) {
        row.parts.push(surface(dx, dy, 'part-cut'));
        if (spoiled.some((each) => each.layout === layout.id && each.part === part)) row.spoiled.push(surface(dx, dy, 'part-spoiled'));
      }
      for (const { sheet, piece } of lying)
        if (sheet === index && piece.part === null && keepsOffcut(workshop.shop, piece)) row.kept.push(surface(piece.dx, piece.dy, 'offcut-kept'));
    });
  }
  return [...rows].map(([product, pieces]) => wasteSummary(product, pieces));
}

function wasteSummary(product: string, pieces: Pieces): LearnedWaste {
  const all = (of: keyof Pieces): ExplainedValue => total(`all-${of}`, 'm2', pieces[of]);
  const [sheets, parts, spoiled, kept] = [all('sheets'), all('parts'), all('spoiled'), all('kept')];
  const planned = evaluate(PLANNED_WASTE, { sheets, parts, kept });
  return {
    product,
    sheets: pieces.sheets.length,
    sheetsM2: sheets,
    partsM2: evaluate(USABLE, { parts, spoiled }),
    keptM2: kept,
    plannedM2: planned,
    wasteM2: evaluate(WASTE, { planned, spoiled }),
  };
}
