/** The wall to scale from the front: studs, bands, what is on it, rails, cabinets. Drag a cabinet or a thing; the pane has the typed twin. */
import {
  cableBands,
  ceilingAt,
  drillState,
  floorAt,
  frontView,
  holesOf,
  studsOf,
  tapeTextWithUnit,
  thingsInOrder,
  toMm,
  type Length,
  type Plan,
  type UnitPlan,
  type Wall,
  type WallThing,
} from '@keen/core';
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { DimensionLine } from '../../ui/DimensionLine.tsx';
import { useSize } from '../../ui/useSize.ts';
import { openField } from '../box/openField.ts';
import { selectDesign, selectPlan, useDisplayUnit, useGhost, type ShownUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';
import { useNavigate, useParams } from 'react-router';
import type { Layer } from './WallStation.tsx';
import { draggedTo, stepped } from './useWallDrag.ts';

const ROOM = { left: 58, right: 20, top: 26, bottom: 40 } as const;
/** A drag snaps within so many px. */
const SNAP_PX = 9;

export interface WallDrawingProps {
  readonly shown: ShownUnit | undefined;
  readonly layers: ReadonlySet<Layer>;
}

export function WallDrawing(props: WallDrawingProps) {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <div className="drawing-room wall-room" ref={ref}>
      {size.width > 0 && <Drawing {...props} width={size.width} height={size.height} />}
    </div>
  );
}

export interface View {
  readonly x: (mm: number) => number;
  readonly y: (mm: number) => number;
  readonly scale: number;
}

interface Drag {
  readonly kind: 'unit' | 'thing';
  readonly id: string;
  readonly from: readonly [number, number];
  readonly start: { readonly along: number; readonly up: number };
  readonly moved: boolean;
  readonly to: string;
}

function Drawing({ shown, layers, width, height }: WallDrawingProps & { readonly width: number; readonly height: number }) {
  const { wall, units } = useAppSelector(selectDesign);
  const plan = useAppSelector(selectPlan);
  const chosen = useAppSelector(({ view }) => view.picked);
  const unit = useDisplayUnit();
  const dispatch = useAppDispatch();
  const { apply, leave } = useEdit();
  const { projectId } = useParams();
  const navigate = useNavigate();
  const svg = useRef<SVGSVGElement>(null);
  const grabbed = useRef(false);
  const [drag, setDrag] = useState<Drag | null>(null);
  const wide = toMm(wall.width.nm);
  const highest = Math.max(toMm(ceilingAt(wall, 0) as Length), toMm(ceilingAt(wall, wall.width.nm) as Length));
  const lowest = Math.min(0, toMm(floorAt(wall, wall.width.nm) as Length));
  const scale = Math.max(0.01, Math.min((width - ROOM.left - ROOM.right) / wide, (height - ROOM.top - ROOM.bottom) / (highest - lowest)));
  const left = ROOM.left + Math.max(0, (width - ROOM.left - ROOM.right - wide * scale) / 2);
  const top = ROOM.top + Math.max(0, (height - ROOM.top - ROOM.bottom - (highest - lowest) * scale) / 2);
  const view: View = { x: (mm) => left + mm * scale, y: (mm) => top + (highest - mm) * scale, scale };
  const { x, y } = view;

  const at = (event: PointerEvent): [number, number] => {
    const box = svg.current!.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  };
  const take = (kind: Drag['kind'], id: string) => (event: PointerEvent) => {
    event.stopPropagation();
    grabbed.current = true;
    svg.current?.setPointerCapture(event.pointerId);
    const start =
      kind === 'unit' ? { along: units[id]!.place.along.nm, up: units[id]!.place.up.nm } : { along: wall.things[id]!.left.nm, up: wall.things[id]!.up.nm };
    setDrag({ kind, id, from: at(event), start, moved: false, to: '' });
    if (kind === 'thing') dispatch(picked({ kind: 'thing', id }));
    else dispatch(picked(null));
  };
  const move = (event: PointerEvent): void => {
    if (!drag) return;
    const [px, py] = at(event);
    const [dx, dy] = [px - drag.from[0], py - drag.from[1]];
    if (!drag.moved && Math.hypot(dx, dy) < 4) return;
    const to = { along: drag.start.along + (dx / scale) * 1e6, up: drag.start.up - (dy / scale) * 1e6 };
    const reach = event.altKey ? 0 : (SNAP_PX / scale) * 1e6;
    if (drag.kind === 'unit') {
      const landed = draggedTo(wall, plan, drag.id, to, reach, units[drag.id]!.unit);
      setDrag({ ...drag, moved: true, to: landed.to });
      apply(
        [
          { path: ['units', drag.id, 'place', 'along'], value: landed.along },
          { path: ['units', drag.id, 'place', 'up'], value: landed.up },
        ],
        `${drag.id}.place`,
      );
    } else {
      setDrag({ ...drag, moved: true });
      apply(
        [
          { path: ['wall', 'things', drag.id, 'left'], value: stepped(to.along, unit) },
          { path: ['wall', 'things', drag.id, 'up'], value: stepped(to.up, unit) },
        ],
        `${drag.id}.thing`,
      );
    }
  };
  const drop = (): void => {
    if (drag && !drag.moved && drag.kind === 'unit') void navigate(`/project/${projectId}/${drag.id}/wall`);
    leave();
    setDrag(null);
  };
  const order = [...plan.units.map(({ id }) => ({ kind: 'unit' as const, id })), ...thingsInOrder(wall).map(({ id }) => ({ kind: 'thing' as const, id }))];
  /** Arrows go from one to the next; with Shift they move the one that is chosen by the display step. */
  const keys = (event: KeyboardEvent): void => {
    const by = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!by) {
      if (event.key === 'Enter') openField(chosen?.kind === 'thing' ? `wall.things.${chosen.id}.left` : 'place.along');
      return;
    }
    event.preventDefault();
    const current = chosen?.kind === 'thing' ? { kind: 'thing' as const, id: chosen.id } : shown ? { kind: 'unit' as const, id: shown.box.id } : undefined;
    if (!event.shiftKey) {
      const here = order.findIndex(({ kind, id }) => kind === current?.kind && id === current.id);
      const next = order[(here + (by[0]! > 0 || by[1]! < 0 ? 1 : -1) + order.length) % order.length];
      if (!next) return;
      dispatch(picked(next.kind === 'thing' ? { kind: 'thing', id: next.id } : null));
      if (next.kind === 'unit') void navigate(`/project/${projectId}/${next.id}/wall`);
      return;
    }
    if (!current) return;
    const step = unit === 'mm' ? 1e6 : 25_400_000 / 16;
    const [alongPath, upPath] =
      current.kind === 'unit'
        ? (['along', 'up'] as const).map((key) => ['units', current.id, 'place', key])
        : (['left', 'up'] as const).map((key) => ['wall', 'things', current.id, key]);
    const start =
      current.kind === 'unit'
        ? { along: units[current.id]!.place.along.nm, up: units[current.id]!.place.up.nm }
        : { along: wall.things[current.id]!.left.nm, up: wall.things[current.id]!.up.nm };
    const [path, value] = by[0] !== 0 ? [alongPath!, start.along + by[0]! * step] : [upPath!, start.up + by[1]! * step];
    apply([{ path, value: stepped(value, unit) }], path.join('.'));
  };
  const bands = useMemo(() => cableBands(wall), [wall]);
  const name = `The wall, ${tapeTextWithUnit(wall.width.nm, unit)} wide, ${tapeTextWithUnit(wall.ceiling.nm, unit)} high. ${plan.units
    .map(
      ({ name: box, block }) =>
        `${box} ${tapeTextWithUnit(block.left as Length, unit)} from the left, bottom at ${tapeTextWithUnit(block.bottom as Length, unit)}`,
    )
    .join('; ')}. ${thingsInOrder(wall)
    .map((thing) => thing.name)
    .join(', ')}. Arrow keys move from one to the next, with Shift they move it.`;
  return (
    <svg
      ref={svg}
      className="drawing wall-drawing"
      width={width}
      height={height}
      tabIndex={0}
      role="img"
      aria-label={name}
      onKeyDown={keys}
      onPointerMove={move}
      onPointerUp={drop}
      onPointerCancel={() => setDrag(null)}
      onClick={(event) => {
        // What was grabbed holds the pointer, so that its click comes to the whole drawing.
        if (event.target === svg.current && !grabbed.current) dispatch(picked(null));
        grabbed.current = false;
      }}
    >
      <defs>
        <pattern id="band" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line className="band-line" x1="0" y1="0" x2="0" y2="8" />
        </pattern>
      </defs>
      <Outline wall={wall} view={view} />
      {layers.has('bands') &&
        bands.map((band) => (
          <rect
            key={band.id}
            className={`band ${band.from}`}
            x={x(Math.max(0, toMm(band.left as Length)))}
            y={y(Math.min(highest, toMm(band.top as Length)))}
            width={Math.max(1, (Math.min(wide, toMm(band.right as Length)) - Math.max(0, toMm(band.left as Length))) * scale)}
            height={Math.max(1, (toMm(band.top as Length) - Math.max(lowest, toMm(band.bottom as Length))) * scale)}
          >
            <title>{band.from === 'run' ? 'a surveyed run: never drill here' : 'cables may run here: never drill here'}</title>
          </rect>
        ))}
      {Object.values(wall.looked).map((area) => (
        <rect
          key={area.id}
          className={`looked${chosen?.kind === 'looked' && chosen.id === area.id ? ' selected' : ''}`}
          x={x(toMm(area.left.nm))}
          y={y(toMm(area.up.nm) + toMm(area.height.nm))}
          width={toMm(area.width.nm) * scale}
          height={toMm(area.height.nm) * scale}
          onPointerDown={(event) => {
            event.stopPropagation();
            dispatch(picked({ kind: 'looked', id: area.id }));
          }}
        >
          <title>looked at here</title>
        </rect>
      ))}
      {layers.has('studs') && (
        <StudLines
          wall={wall}
          view={view}
          highest={highest}
          lowest={lowest}
          chosen={chosen?.kind === 'stud' ? chosen.id : null}
          onPick={(id) => dispatch(picked({ kind: 'stud', id }))}
        />
      )}
      {thingsInOrder(wall).map((thing) => (
        <Thing key={thing.id} thing={thing} view={view} lit={chosen?.kind === 'thing' && chosen.id === thing.id} onTake={take('thing', thing.id)} />
      ))}
      <Rails plan={plan} view={view} chosen={chosen?.kind === 'rail' ? chosen.id : null} onPick={(id) => dispatch(picked({ kind: 'rail', id }))} />
      {plan.units.map((unitPlan) => (
        <UnitOnWall
          key={unitPlan.id}
          unitPlan={unitPlan}
          view={view}
          lit={shown?.box.id === unitPlan.id && chosen === null}
          onTake={take('unit', unitPlan.id)}
        />
      ))}
      {shown && <GhostUnit unitId={shown.box.id} view={view} />}
      {layers.has('holes') && plan.units.map((unitPlan) => <Holes key={unitPlan.id} unitPlan={unitPlan} wall={wall} plan={plan} view={view} />)}
      {shown && chosen === null && width > 560 && <PlaceDimensions shown={shown} view={view} />}
      {drag?.moved && drag.to !== '' && (
        <text className="snap-words" x={left + 6} y={top + 18}>
          {drag.to}
        </text>
      )}
    </svg>
  );
}

function Outline({ wall, view: { x, y } }: { readonly wall: Wall; readonly view: View }) {
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

function StudLines({
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

/** Px one letter of a name takes: a name that does not fit is left to the list and the title. */
const LETTER = 6.4;

function Thing({
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
      {/* Small things are still as large as a finger. */}
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

function Rails({
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

function UnitOnWall({
  unitPlan,
  view: { x, y, scale },
  lit,
  onTake,
}: {
  readonly unitPlan: UnitPlan;
  readonly view: View;
  readonly lit: boolean;
  readonly onTake: (event: PointerEvent) => void;
}) {
  const { block, unit } = unitPlan;
  const [l, b] = [toMm(block.left as Length), toMm(block.bottom as Length)];
  const bad = unitPlan.findings.some(({ station, severity }) => station === 'wall' && severity !== 'look');
  const w = (toMm(block.right as Length) - l) * scale;
  return (
    <g className={`wall-unit${lit ? ' selected' : ''}${bad ? ' bad' : ''}`} data-unit={unitPlan.id} onPointerDown={onTake}>
      <title>{unitPlan.name}</title>
      {frontView(unit)
        .filter(({ role, hidden }) => !hidden && role !== 'wall-half' && role !== 'cabinet-half' && role !== 'spacer')
        .map(({ panel, points, role }) => (
          <polygon key={panel} className={role} points={points.map(([along, up]) => `${x(l + along)},${y(b + up)}`).join(' ')} />
        ))}
      <rect className="unit-edge" x={x(l)} y={y(toMm(block.top as Length))} width={w} height={(toMm(block.top as Length) - b) * scale} />
      <text className="unit-name" x={x(l) + w / 2} y={y(b) + 17} textAnchor="middle">
        {w > 70 ? unitPlan.name : unitPlan.letter}
      </text>
    </g>
  );
}

function GhostUnit({ unitId, view: { x, y } }: { readonly unitId: string; readonly view: View }) {
  const ghost = useGhost(unitId);
  if (!ghost) return null;
  const { left, right, bottom, top } = ghost.block;
  const mm = (nm: number): number => toMm(nm as Length);
  return (
    <g className="ghost" aria-hidden="true">
      <polygon points={`${x(mm(left))},${y(mm(bottom))} ${x(mm(right))},${y(mm(bottom))} ${x(mm(right))},${y(mm(top))} ${x(mm(left))},${y(mm(top))}`} />
    </g>
  );
}

/** Screw holes by what is known of them: a cross for never, a ring for look first, a disc where someone looked. */
function Holes({ unitPlan, wall, plan, view: { x, y } }: { readonly unitPlan: UnitPlan; readonly wall: Wall; readonly plan: Plan; readonly view: View }) {
  const { units } = useAppSelector(selectDesign);
  const box = units[unitPlan.id];
  const bands = useMemo(() => cableBands(wall), [wall]);
  if (!box || plan.byId.get(unitPlan.id) !== unitPlan) return null;
  return (
    <g className="holes" pointerEvents="none">
      {holesOf({ box, unit: unitPlan.unit, hang: unitPlan.hang }).map(({ along, up }, index) => {
        const state = drillState(wall, along, up, bands);
        const [px, py] = [x(toMm(along as Length)), y(toMm(up as Length))];
        return state === 'never' ? (
          <path key={index} className="never" d={`M${px - 4} ${py - 4}l8 8m0 -8l-8 8`} />
        ) : (
          <circle key={index} className={state} cx={px} cy={py} r="3.2" />
        );
      })}
    </g>
  );
}

function PlaceDimensions({ shown, view: { x, y } }: { readonly shown: ShownUnit; readonly view: View }) {
  const { box, plan, unit } = shown;
  const mm = (nm: number): number => toMm(nm as Length);
  const { left, bottom, top } = plan.block;
  const line = y((mm(bottom) + mm(top)) / 2);
  return (
    <>
      <DimensionLine
        name="from the left end of the wall"
        entered
        value={box.place.along.nm}
        unit={unit}
        from={[x(0), line]}
        to={[x(mm(left)), line]}
        onPick={() => openField('place.along')}
      />
      <DimensionLine
        name="bottom above the floor"
        entered
        value={box.place.up.nm}
        unit={unit}
        from={[x(mm(left)) + 16, y(mm(bottom))]}
        to={[x(mm(left)) + 16, y(0)]}
        onPick={() => openField('place.up')}
      />
    </>
  );
}
