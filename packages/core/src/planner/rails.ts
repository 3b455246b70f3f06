/** Cabinets that share a wall rail: the extent of the rail behind each, the load of the others on its studs, and the boards of the rail. */
import type { Stocked } from '../cabinets/box-frame.ts';
import { buildCabinet, enters } from '../cabinets/families.ts';
import type { HangInput, RailNeighbour } from '../hang/hang-input.ts';
import { studsBehind } from '../hang/wall-links.ts';
import { bearingShares } from '../hang/bearing-shares.ts';
import { enteredFromNm } from '../length/entered.ts';
import { NM_PER, toMm, type Length } from '../length/length.ts';
import { planRail, type RailHalf, type RailPlan } from '../parts/rail-parts.ts';
import type { Load } from '../parts/weights.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { layRail } from '../wall/rails.ts';
import { railsInOrder, type Wall } from '../model/wall.ts';
import type { Design } from '../model/design.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** A cabinet on a rail has the rail's ends behind it instead of its own. */
export function onItsRail(spec: CabinetSpec, wall: Wall, stockOf: (id: string) => Stocked): CabinetSpec {
  const { wallRail, kind } = spec.hanging;
  const rail = wallRail !== null && Object.hasOwn(wall.rails, wallRail) ? wall.rails[wallRail] : undefined;
  if (!rail || kind !== 'outside') return wallRail === null ? spec : { ...spec, hanging: { ...spec.hanging, wallRail: null } };
  const inset = (nm: number) => enteredFromNm(nm);
  const width = enters(spec, 'width') ? spec.width.nm : buildCabinet(spec, stockOf).outside.width.value;
  return {
    ...spec,
    hanging: {
      ...spec.hanging,
      leftInset: inset(rail.left.nm - spec.place.along.nm),
      rightInset: inset(spec.place.along.nm + width - rail.right.nm),
    },
  };
}

/** A cabinet on a rail of several boards knows where each of them ends. */
export function onPieces(cabinet: ResolvedCabinet, { hanging, place }: CabinetSpec, wall: Wall): ResolvedCabinet {
  const rail = cabinet.hanging.onRail && hanging.wallRail !== null && Object.hasOwn(wall.rails, hanging.wallRail) ? wall.rails[hanging.wallRail] : undefined;
  if (!rail) return cabinet;
  const { pieces } = layRail(wall, rail, cabinet.hanging.shortFace);
  if (pieces.length === 1) return cabinet;
  const within = (at: Length): number => toMm(at) - toMm(place.along.nm);
  return { ...cabinet, hanging: { ...cabinet.hanging, pieces: pieces.map(({ from, to }) => ({ from: within(from), to: within(to) })) } };
}

interface OnRail {
  readonly spec: CabinetSpec;
  readonly cabinet: ResolvedCabinet;
  readonly loaded: Load;
  readonly hangInput: HangInput;
}

/** Per cabinet, the greatest load of each neighbor on the rail on its studs, never negative, and where they bear. */
export function railNeighbours(units: readonly OnRail[]): (unit: OnRail) => readonly RailNeighbour[] {
  const loads = new Map<string, RailNeighbour>();
  const shared = units.filter(({ cabinet }) => cabinet.hanging.onRail);
  if (shared.length < 2) return () => [];
  for (const each of shared) loads.set(each.spec.id, sharesOf(each));
  return ({ spec, cabinet }) => {
    if (!cabinet.hanging.onRail) return [];
    return shared
      .filter((other) => other.spec.id !== spec.id && other.spec.hanging.wallRail === spec.hanging.wallRail)
      .map((other) => shifted(loads.get(other.spec.id)!, toMm(other.spec.place.along.nm) - toMm(spec.place.along.nm)));
  };
}

/** From its own left end. */
function sharesOf({ spec, cabinet, loaded, hangInput }: OnRail): RailNeighbour {
  const behind = studsBehind(cabinet, hangInput.studsMm);
  if (behind.length === 0) return { from: spec.name, studs: [], stretches: [] };
  const { shares, stretches } = bearingShares(cabinet, loaded.mass.value * STANDARD_GRAVITY, loaded.along, behind);
  const { simple, continuous, rigid } = shares;
  const studs = behind.map((atMm, index) => ({ atMm, newtons: Math.max(0, simple[index]!, continuous[index]!, rigid[index]!) }));
  return { from: spec.name, studs, stretches };
}

const shifted = ({ from, studs, stretches }: RailNeighbour, byMm: number): RailNeighbour => ({
  from,
  studs: studs.map(({ atMm, newtons }) => ({ atMm: atMm + byMm, newtons })),
  stretches: stretches.map((each) => ({ ...each, from: each.from + byMm, to: each.to + byMm, studs: each.studs.map((at) => at + byMm) })),
});

/** The boards of every rail, with the cabinet cleats that come out of them. */
export function railPlans(
  design: Pick<Design, 'wall' | 'units'>,
  cabinets: readonly { readonly id: string; readonly cabinet: ResolvedCabinet }[],
  stockOf: (id: string) => Stocked,
): RailPlan[] {
  const rails = railsInOrder(design.wall);
  const halves = new Map(rails.map(({ id }) => [id, [] as RailHalf[]]));
  for (const { id, cabinet } of cabinets) {
    const { onRail, brackets, lower } = cabinet.hanging;
    const own = onRail ? design.wall.rails[design.units[id]!.hanging.wallRail!] : undefined;
    if (!own) continue;
    const half = (panel: string): RailHalf => ({ unit: id, panel, length: cabinet.byId.get(panel)!.length });
    halves.get(own.id)!.push(...brackets.map(half));
    // The cleat hooked over a rail comes out of that rail's board, where there is one.
    const pitch = design.units[id]!.hanging.lowerCleat;
    const below = pitch && rails.find(({ up }) => Math.abs(own.up.nm - up.nm - pitch.nm) <= NM_PER.mm);
    if (lower) halves.get((below ?? own).id)!.push(half(lower.cabinetHalf));
  }
  return rails.map((rail, index) => planRail(design.wall, rail, stockOf(rail.stock), halves.get(rail.id)!, `R${index + 1}.`));
}
