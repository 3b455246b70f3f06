/** Units that share a wall rail: where the rail ends behind each, what each lays on the studs of the others, and the boards of the rail. */
import type { Stocked } from '../carcass/box-frame.ts';
import { buildUnit, enters, type UnitDesign } from '../carcass/families.ts';
import type { HangInput, RailNeighbour } from '../hang/hang-input.ts';
import { G0 } from '../hang/fasteners.ts';
import { studsBehind } from '../hang/wall-links.ts';
import { hungShares } from '../hang/hung-shares.ts';
import { enteredFromNm } from '../length/entered.ts';
import { NM_PER, toMm, type Length } from '../length/length.ts';
import { planRail, type RailHalf, type RailPlan } from '../parts/rail-parts.ts';
import type { Load } from '../parts/weights.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import { layRail } from '../wall/rails.ts';
import { railsInOrder, type Wall } from '../wall/wall.ts';
import type { Design } from './design.ts';

/** A unit on a rail has the rail's ends behind it instead of its own. */
export function onItsRail(box: UnitDesign, wall: Wall, stockOf: (id: string) => Stocked): UnitDesign {
  const { wallRail, kind } = box.hanging;
  const rail = wallRail !== null && Object.hasOwn(wall.rails, wallRail) ? wall.rails[wallRail] : undefined;
  if (!rail || kind !== 'outside') return wallRail === null ? box : { ...box, hanging: { ...box.hanging, wallRail: null } };
  const inset = (nm: number) => enteredFromNm(nm);
  const width = enters(box, 'width') ? box.width.nm : buildUnit(box, stockOf).outside.width.value;
  return {
    ...box,
    hanging: {
      ...box.hanging,
      leftInset: inset(rail.left.nm - box.place.along.nm),
      rightInset: inset(box.place.along.nm + width - rail.right.nm),
    },
  };
}

/** A unit on a rail that is butted from several boards is told where each of them ends. */
export function onPieces(unit: ResolvedUnit, { hanging, place }: UnitDesign, wall: Wall): ResolvedUnit {
  const rail = unit.hanging.onRail && hanging.wallRail !== null && Object.hasOwn(wall.rails, hanging.wallRail) ? wall.rails[hanging.wallRail] : undefined;
  if (!rail) return unit;
  const { pieces } = layRail(wall, rail, unit.hanging.shortFace);
  if (pieces.length === 1) return unit;
  const within = (at: Length): number => toMm(at) - toMm(place.along.nm);
  return { ...unit, hanging: { ...unit.hanging, pieces: pieces.map(({ from, to }) => ({ from: within(from), to: within(to) })) } };
}

interface OnRail {
  readonly box: UnitDesign;
  readonly unit: ResolvedUnit;
  readonly loaded: Load;
  readonly hangInput: HangInput;
}

/** For each unit, what the others on its rail lay on its studs, the greatest share of each and never less than nothing, and where they bear. */
export function railNeighbours(units: readonly OnRail[]): (unit: OnRail) => readonly RailNeighbour[] {
  const loads = new Map<string, RailNeighbour>();
  const shared = units.filter(({ unit }) => unit.hanging.onRail);
  if (shared.length < 2) return () => [];
  for (const each of shared) loads.set(each.box.id, sharesOf(each));
  return ({ box, unit }) => {
    if (!unit.hanging.onRail) return [];
    return shared
      .filter((other) => other.box.id !== box.id && other.box.hanging.wallRail === box.hanging.wallRail)
      .map((other) => shifted(loads.get(other.box.id)!, toMm(other.box.place.along.nm) - toMm(box.place.along.nm)));
  };
}

/** From its own left end. */
function sharesOf({ box, unit, loaded, hangInput }: OnRail): RailNeighbour {
  const behind = studsBehind(unit, hangInput.studsMm);
  if (behind.length === 0) return { from: box.name, studs: [], stretches: [] };
  const { shares, stretches } = hungShares(unit, loaded.mass.value * G0, loaded.along, behind);
  const { simple, continuous, rigid } = shares;
  const studs = behind.map((atMm, index) => ({ atMm, newtons: Math.max(0, simple[index]!, continuous[index]!, rigid[index]!) }));
  return { from: box.name, studs, stretches };
}

const shifted = ({ from, studs, stretches }: RailNeighbour, byMm: number): RailNeighbour => ({
  from,
  studs: studs.map(({ atMm, newtons }) => ({ atMm: atMm + byMm, newtons })),
  stretches: stretches.map((each) => ({ ...each, from: each.from + byMm, to: each.to + byMm, studs: each.studs.map((at) => at + byMm) })),
});

/** The boards of every rail, with the cabinet halves of the units that hang on it. */
export function railPlans(
  design: Design,
  units: readonly { readonly id: string; readonly unit: ResolvedUnit }[],
  stockOf: (id: string) => Stocked,
): RailPlan[] {
  const rails = railsInOrder(design.wall);
  const halves = new Map(rails.map(({ id }) => [id, [] as RailHalf[]]));
  for (const { id, unit } of units) {
    const { onRail, brackets, lower } = unit.hanging;
    const own = onRail ? design.wall.rails[design.units[id]!.hanging.wallRail!] : undefined;
    if (!own) continue;
    const half = (panel: string): RailHalf => ({ unit: id, panel, length: unit.byId.get(panel)!.length });
    halves.get(own.id)!.push(...brackets.map(half));
    // The lower half comes out of the board of the rail it hooks over, where there is one.
    const pitch = design.units[id]!.hanging.lowerCleat;
    const below = pitch && rails.find(({ up }) => Math.abs(own.up.nm - up.nm - pitch.nm) <= NM_PER.mm);
    if (lower) halves.get((below ?? own).id)!.push(half(lower.cabinetHalf));
  }
  return rails.map((rail, index) => planRail(design.wall, rail, stockOf(rail.stock), halves.get(rail.id)!, `R${index + 1}.`));
}
