/** Layers of the elevation: wall face, studs, things, rails, cabinets, screw holes. */
import {
  cableBands,
  ceilingAt,
  floorAt,
  frontView,
  wallHoles,
  studsOf,
  tapeTextWithUnit,
  toMm,
  type Length,
  type Plan,
  type CabinetPlan,
  type Wall,
  type WallThing,
} from '@keen/core';
import { useMemo, type PointerEvent } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectDesign, useDisplayUnit, useGhost } from '../project/selectors.ts';

export interface View {
  readonly x: (mm: number) => number;
  readonly y: (mm: number) => number;
  readonly scale: number;
}

export function Outline({ wall, view: { x, y } }: { readonly wall: Wall; readonly view: View }) {
  const wide = toMm(wall.width.nm);
  const [c1, c2] = [toMm(ceilingAt(wall, 0) as Length), toMm(ceilingAt(wall, wall.width.nm) as Length)];
  const [f1, f2] = [0, toMm(floorAt(wall, wall.width.nm) as Length)];
  const base = toMm(wall.baseboard.height.nm);
  return (
    <g pointerEvents="none">
      <polygon className="wall-face" points={`${x(0)},${y(f1)} ${x(wide)},${y(f2)} ${x(wide)},${y(c2)} ${x(0)},${y(c1)}`} />
      {base > 0 && <polygon className="baseboard" points={`${x(0)},${y(f1)} ${x(wide)},${y(f2)} ${x(wide)},${y(f2 + base)} ${x(0)},${y(f1 + base)}`} />}
      <path className="floor-line" d={`M${x(0) - 14} ${y(f1)}L${x(wide) + 14} ${y(f2)}`} />
    </g>
  );
}

const STATE_WORDS = { assumed: 'assumed from the spacing', found: 'found', probed: 'confirmed by a probe hole' } as const;

export function StudLines({
  wall,
  view: { x, y, scale },
  highest,
  lowest,
  chosen,
  onPick,
}: {
  readonly wall: Wall;
  readonly view: View;
  readonly highest: number;
  readonly lowest: number;
  readonly chosen: string | null;
  readonly onPick: (id: string) => void;
}) {
  const unit = useDisplayUnit();
  const thick = toMm(wall.studs.width.nm);
  return (
    <g>
      {studsOf(wall).map(({ id, at, state }) => (
        <g
          key={id}
          className={`wall-stud ${state}${chosen === id ? ' selected' : ''}`}
          data-stud={id}
          onPointerDown={(event) => {
            event.stopPropagation();
            onPick(id);
          }}
        >
          <title>
            stud at {tapeTextWithUnit(at, unit)}, {STATE_WORDS[state]}
          </title>
          <rect x={x(toMm(at) - thick / 2)} y={y(highest)} width={Math.max(3, thick * scale)} height={(highest - lowest) * scale} />
          <path d={`M${x(toMm(at))} ${y(highest)}V${y(lowest)}`} />
          {state === 'probed' && <circle cx={x(toMm(at))} cy={y(highest) + 9} r="3.5" />}
          {state === 'found' && <circle className="open" cx={x(toMm(at))} cy={y(highest) + 9} r="3.5" />}
        </g>
      ))}
    </g>
  );
}

/** Width of a letter of a name, px: a name that does not fit is left to list and title. */
const LETTER = 6.4;

export function Thing({
  thing,
  view: { x, y, scale },
  lit,
  onTake,
}: {
  readonly thing: WallThing;
  readonly view: View;
  readonly lit: boolean;
  readonly onTake: (event: PointerEvent) => void;
}) {
  const [w, h] = [Math.max(3, toMm(thing.width.nm) * scale), Math.max(3, toMm(thing.height.nm) * scale)];
  const [px, py] = [x(toMm(thing.left.nm)), y(toMm(thing.up.nm) + toMm(thing.height.nm))];
  const label = w > thing.name.length * LETTER && h > 18;
  return (
    <g className={`wall-thing ${thing.kind}${lit ? ' selected' : ''}`} data-thing={thing.id} onPointerDown={onTake}>
      <title>{thing.name}</title>
      {/* Small things keep the size of a fingertip. */}
      <rect className="grip" x={px + w / 2 - Math.max(w, 24) / 2} y={py + h / 2 - Math.max(h, 24) / 2} width={Math.max(w, 24)} height={Math.max(h, 24)} />
      <rect x={px} y={py} width={w} height={h} />
      {thing.kind === 'window' && <path d={`M${px + w / 2} ${py}V${py + h}M${px} ${py + h / 2}H${px + w}`} />}
      {(thing.kind === 'door' || thing.kind === 'side-door') && (
        <path
          d={thing.hinge === 'right' ? `M${px} ${py}L${px + w} ${py + h / 2}L${px} ${py + h}` : `M${px + w} ${py}L${px} ${py + h / 2}L${px + w} ${py + h}`}
        />
      )}
      {thing.kind === 'outlet' && (
        <>
          <circle cx={px + w * 0.35} cy={py + h / 2} r={Math.max(1, w * 0.09)} />
          <circle cx={px + w * 0.65} cy={py + h / 2} r={Math.max(1, w * 0.09)} />
        </>
      )}
      {thing.kind === 'switch' && <path d={`M${px + w / 2} ${py + h * 0.25}V${py + h * 0.75}`} />}
      {label && (
        <text x={px + w / 2} y={thing.kind === 'window' || thing.kind === 'side-door' || thing.kind === 'door' ? py + h - 8 : py + h / 2} textAnchor="middle">
          {thing.name}
        </text>
      )}
    </g>
  );
}

export function Rails({
  plan,
  view: { x, y, scale },
  chosen,
  onPick,
}: {
  readonly plan: Plan;
  readonly view: View;
  readonly chosen: string | null;
  readonly onPick: (id: string) => void;
}) {
  return (
    <g>
      {plan.rails.map(({ rail, layout, shortFace }) => {
        const [l, r, upper] = [toMm(rail.left.nm), toMm(rail.right.nm), toMm(rail.up.nm)];
        const high = toMm(shortFace);
        return (
          <g
            key={rail.id}
            className={`wall-rail${chosen === rail.id ? ' selected' : ''}`}
            data-rail={rail.id}
            onPointerDown={(event) => {
              event.stopPropagation();
              onPick(rail.id);
            }}
          >
            <title>{rail.name}</title>
            <rect x={x(l)} y={y(upper)} width={Math.max(2, (r - l) * scale)} height={Math.max(4, high * scale)} />
            {layout.pieces.slice(1).map(({ from }) => (
              <path key={from} d={`M${x(toMm(from))} ${y(upper)}v${Math.max(4, high * scale)}`} />
            ))}
            {layout.notches.map(({ thing, from, to }) => (
              <rect key={thing} className="notch" x={x(toMm(from))} y={y(upper)} width={(toMm(to) - toMm(from)) * scale} height={Math.max(4, high * scale)} />
            ))}
          </g>
        );
      })}
    </g>
  );
}

export function CabinetOnWall({
  cabinetPlan,
  view: { x, y, scale },
  lit,
  onTake,
}: {
  readonly cabinetPlan: CabinetPlan;
  readonly view: View;
  readonly lit: boolean;
  readonly onTake: (event: PointerEvent) => void;
}) {
  const { block, cabinet } = cabinetPlan;
  const [l, b] = [toMm(block.left as Length), toMm(block.bottom as Length)];
  const bad = cabinetPlan.findings.some(({ station, severity }) => station === 'wall' && severity !== 'look');
  const w = (toMm(block.right as Length) - l) * scale;
  return (
    <g className={`wall-unit${lit ? ' selected' : ''}${bad ? ' bad' : ''}`} data-unit={cabinetPlan.id} onPointerDown={onTake}>
      <title>{cabinetPlan.name}</title>
      {frontView(cabinet)
        .filter(({ role, hidden }) => !hidden && role !== 'wall-half' && role !== 'cabinet-half' && role !== 'spacer')
        .map(({ panel, points, role }) => (
          <polygon key={panel} className={role} points={points.map(([along, up]) => `${x(l + along)},${y(b + up)}`).join(' ')} />
        ))}
      <rect className="unit-edge" x={x(l)} y={y(toMm(block.top as Length))} width={w} height={(toMm(block.top as Length) - b) * scale} />
      <text className="unit-name" x={x(l) + w / 2} y={y(b) + 17} textAnchor="middle">
        {w > 70 ? cabinetPlan.name : cabinetPlan.letter}
      </text>
    </g>
  );
}

export function GhostCabinet({ cabinetId, view: { x, y } }: { readonly cabinetId: string; readonly view: View }) {
  const ghost = useGhost(cabinetId);
  if (!ghost) return null;
  const { left, right, bottom, top } = ghost.block;
  const mm = (nm: number): number => toMm(nm as Length);
  return (
    <g className="ghost" aria-hidden="true">
      <polygon points={`${x(mm(left))},${y(mm(bottom))} ${x(mm(right))},${y(mm(bottom))} ${x(mm(right))},${y(mm(top))} ${x(mm(left))},${y(mm(top))}`} />
    </g>
  );
}

/** Screw holes by their zone: a cross for never, a ring for look first, a disc where it was looked at. */
export function Holes({
  cabinetPlan,
  wall,
  plan,
  view: { x, y },
}: {
  readonly cabinetPlan: CabinetPlan;
  readonly wall: Wall;
  readonly plan: Plan;
  readonly view: View;
}) {
  const { units: specs } = useAppSelector(selectDesign);
  const spec = specs[cabinetPlan.id];
  const bands = useMemo(() => cableBands(wall), [wall]);
  if (!spec || plan.byId.get(cabinetPlan.id) !== cabinetPlan) return null;
  const holes = wallHoles({ cabinet: cabinetPlan.cabinet, hang: cabinetPlan.hang, wall, at: spec.place, seating: cabinetPlan.seating.lower, bands });
  return (
    <g className="holes" pointerEvents="none">
      {holes.map(({ along, up, state }, index) => {
        const [px, py] = [x(toMm(along)), y(toMm(up))];
        return state === 'never' ? (
          <path key={index} className="never" d={`M${px - 4} ${py - 4}l8 8m0 -8l-8 8`} />
        ) : (
          <circle key={index} className={state} cx={px} cy={py} r="3.2" />
        );
      })}
    </g>
  );
}
