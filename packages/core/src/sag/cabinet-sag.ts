/** Sag of every floor of a cabinet under its contents. Strength (bending over allowable) goes to the checks, appearance stays here. */
import { floorLoads, type MaterialOf, type CabinetWeights } from '../parts/weights.ts';
import { toMm } from '../length/length.ts';
import { hasSize } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { connectionsOf, type ResolvedCabinet } from '../solid/cabinet.ts';
import { evaluate, type ExplainedValue } from '../explained/explained-value.ts';
import { underEvenLoad, underLoads, type Beam } from './beam.ts';
import { BENDING_STIFFNESS, GLUED_ENDS, SAG_LATER, SAG_LIMIT } from './shelf-sag.ts';
import { bendingAcrossMPa } from '../stock/materials.ts';

/** A panel shorter than this share of the space above it is a tab. */
const TAB_SHARE = 0.6;

export interface ShelfSag {
  readonly panel: string;
  readonly now: ExplainedValue;
  readonly later: ExplainedValue;
  readonly limit: ExplainedValue;
  readonly bending: ExplainedValue;
}

/** Resolution of sag, a tenth of a millimeter: only more than that over the limit counts as visible. */
export const shows = ({ later, limit }: Pick<ShelfSag, 'later' | 'limit'>): boolean => Math.round(later.value * 10) > Math.round(limit.value * 10);

export function sagOf(cabinet: ResolvedCabinet, weights: CabinetWeights, materialOf: MaterialOf): ShelfSag[] {
  return floorLoads(weights.contents).flatMap(({ floor, span, alone, strips }) => {
    const panel = cabinet.byId.get(floor)!;
    // A part without a size cannot be made, and does not sag.
    if (!hasSize(panel) || span.value <= 0) return [];
    // A tab is held at its one end: the load across two of them spans no beam of theirs.
    if (toMm(panel.length.value) < TAB_SHARE * toMm(span.value)) return [];
    const material = materialOf(panel.stock);
    const source = { kind: 'table' as const, name: material.name, tag: material.source };
    // A part with free grain direction counts as cut across. Sheets without grain are equally stiff both ways.
    const along = panel.grain === 'length';
    const L = { value: toMm(span.value), length: span };
    const B = { value: toMm(panel.width.value), length: panel.width };
    const t = { value: toMm(panel.thickness), source: panel.thicknessFrom };
    const EI = evaluate(BENDING_STIFFNESS, { E: { value: along ? material.stiffnessAlongMPa : material.stiffnessAcrossMPa, source }, B, t });
    const κ = endsFactor(cabinet, panel);
    const own = weights.panels.get(panel.id)!;
    const F = { value: along ? material.bendingMPa : bendingAcrossMPa(material), source };
    const beam: Beam = { L, B, t, EI, F, κ };
    const { now, bending } =
      alone && strips.length === 0 ? underEvenLoad(beam, alone.mass, own) : underLoads(beam, [...strips, { mass: own, from: 0, to: L.value }]);
    return {
      panel: panel.id,
      now,
      later: evaluate(SAG_LATER, { 'sag now': now, creep: { value: material.creep, source } }),
      limit: evaluate(SAG_LIMIT, { L }),
      bending,
    };
  });
}

function endsFactor(cabinet: ResolvedCabinet, panel: ResolvedPanel): number {
  const ends = connectionsOf(cabinet, 'asGuest', panel.id).filter(({ edge }) => edge === 'start' || edge === 'end');
  return ends.length === 2 && ends.every(({ joint }) => joint.glue && joint.kind === 'dado') ? GLUED_ENDS : 1;
}
