/** Elevation of the wall, to scale: studs, bands, things, rails, cabinets. Cabinets and things can be dragged; the pane has the typed fields. */
import { cableBands, ceilingAt, floorAt, tapeTextWithUnit, thingsInOrder, toMm, type Entered, type Length } from '@keen/core';
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { DimensionLine } from '../../ui/DimensionLine.tsx';
import { useSize } from '../../ui/useSize.ts';
import { openField } from '../box/openField.ts';
import { selectDesign, selectPlan, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';
import { useNavigate, useParams } from 'react-router';
import { GhostCabinet, Holes, Outline, Rails, StudLines, Thing, CabinetOnWall, type View } from './WallLayers.tsx';
import type { Layer } from './layers.ts';
import { draggedTo, stepped, straight } from './useWallDrag.ts';

const ROOM = { left: 58, right: 20, top: 26, bottom: 40 } as const;
/** Snap distance of a drag, px. */
const SNAP_PX = 9;

export interface WallDrawingProps {
  readonly shown: ShownCabinet | undefined;
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

interface Drag {
  readonly kind: 'unit' | 'thing';
  readonly id: string;
  readonly from: readonly [number, number];
  readonly start: { readonly along: number; readonly up: number };
  readonly moved: boolean;
  readonly to: string;
  /** Landing position of the drag; nothing is changed before the drop. */
  readonly landed: { readonly along: Entered; readonly up: Entered } | null;
}

function Drawing({ shown, layers, width, height }: WallDrawingProps & { readonly width: number; readonly height: number }) {
  const { wall, units: specs } = useAppSelector(selectDesign);
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
      kind === 'unit' ? { along: specs[id]!.place.along.nm, up: specs[id]!.place.up.nm } : { along: wall.things[id]!.left.nm, up: wall.things[id]!.up.nm };
    setDrag({ kind, id, from: at(event), start, moved: false, to: '', landed: null });
    if (kind === 'thing') dispatch(picked({ kind: 'thing', id }));
    else dispatch(picked(null));
  };
  const move = (event: PointerEvent): void => {
    if (!drag) return;
    const [px, py] = at(event);
    const [dx, dy] = straight(px - drag.from[0], py - drag.from[1], event.pointerType === 'touch');
    if (!drag.moved && Math.hypot(dx, dy) < 4) return;
    const to = { along: drag.start.along + (dx / scale) * 1e6, up: drag.start.up - (dy / scale) * 1e6 };
    const reach = event.altKey ? 0 : (SNAP_PX / scale) * 1e6;
    if (drag.kind === 'unit') {
      const { to: words, ...landed } = draggedTo(wall, plan, drag.id, to, reach, specs[drag.id]!.unit);
      // The axis that was left alone.
      const { place } = specs[drag.id]!;
      setDrag({ ...drag, moved: true, to: words, landed: { along: dx === 0 ? place.along : landed.along, up: dy === 0 ? place.up : landed.up } });
    } else {
      const thing = wall.things[drag.id]!;
      const landed = { along: dx === 0 ? thing.left : stepped(to.along, unit), up: dy === 0 ? thing.up : stepped(to.up, unit) };
      setDrag({ ...drag, moved: true, landed });
    }
  };
  const drop = (): void => {
    if (drag && !drag.moved && drag.kind === 'unit') void navigate(`/project/${projectId}/${drag.id}/wall`);
    if (drag?.landed) {
      const [along, up] =
        drag.kind === 'unit'
          ? (['along', 'up'] as const).map((key) => ['units', drag.id, 'place', key])
          : (['left', 'up'] as const).map((key) => ['wall', 'things', drag.id, key]);
      apply(
        [
          { path: along!, value: drag.landed.along },
          { path: up!, value: drag.landed.up },
        ],
        `${drag.id}.place`,
      );
    }
    leave();
    setDrag(null);
  };
  /** Offset of the dragged thing from its place, px. */
  const shiftOf = (kind: Drag['kind'], id: string): string | undefined =>
    drag?.landed && drag.kind === kind && drag.id === id
      ? `translate(${((drag.landed.along.nm - drag.start.along) / 1e6) * scale} ${((drag.start.up - drag.landed.up.nm) / 1e6) * scale})`
      : undefined;
  const order = [...plan.cabinets.map(({ id }) => ({ kind: 'unit' as const, id })), ...thingsInOrder(wall).map(({ id }) => ({ kind: 'thing' as const, id }))];
  /** Arrows move the selection; with Shift they move the selected thing by the display step. */
  const keys = (event: KeyboardEvent): void => {
    const by = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!by) {
      if (event.key === 'Enter') openField(chosen?.kind === 'thing' ? `wall.things.${chosen.id}.left` : 'place.along');
      return;
    }
    event.preventDefault();
    const current = chosen?.kind === 'thing' ? { kind: 'thing' as const, id: chosen.id } : shown ? { kind: 'unit' as const, id: shown.spec.id } : undefined;
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
        ? { along: specs[current.id]!.place.along.nm, up: specs[current.id]!.place.up.nm }
        : { along: wall.things[current.id]!.left.nm, up: wall.things[current.id]!.up.nm };
    const [path, value] = by[0] !== 0 ? [alongPath!, start.along + by[0]! * step] : [upPath!, start.up + by[1]! * step];
    apply([{ path, value: stepped(value, unit) }], path.join('.'));
  };
  const bands = useMemo(() => cableBands(wall), [wall]);
  const name = `The wall, ${tapeTextWithUnit(wall.width.nm, unit)} wide, ${tapeTextWithUnit(wall.ceiling.nm, unit)} high. ${plan.cabinets
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
        // The dragged element has pointer capture, so its click reaches the whole drawing.
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
        <g key={thing.id} transform={shiftOf('thing', thing.id)}>
          <Thing thing={thing} view={view} lit={chosen?.kind === 'thing' && chosen.id === thing.id} onTake={take('thing', thing.id)} />
        </g>
      ))}
      <Rails plan={plan} view={view} chosen={chosen?.kind === 'rail' ? chosen.id : null} onPick={(id) => dispatch(picked({ kind: 'rail', id }))} />
      {plan.cabinets.map((cabinetPlan) => (
        <g key={cabinetPlan.id} transform={shiftOf('unit', cabinetPlan.id)}>
          <CabinetOnWall
            cabinetPlan={cabinetPlan}
            view={view}
            lit={shown?.spec.id === cabinetPlan.id && chosen === null}
            onTake={take('unit', cabinetPlan.id)}
          />
        </g>
      ))}
      {shown && <GhostCabinet cabinetId={shown.spec.id} view={view} />}
      {layers.has('holes') && plan.cabinets.map((cabinetPlan) => <Holes key={cabinetPlan.id} cabinetPlan={cabinetPlan} wall={wall} plan={plan} view={view} />)}
      {shown && chosen === null && width > 560 && <PlaceDimensions shown={shown} view={view} />}
      {drag?.moved && drag.to !== '' && (
        <text className="snap-words" x={left + 6} y={top + 18}>
          {drag.to}
        </text>
      )}
    </svg>
  );
}

function PlaceDimensions({ shown, view: { x, y } }: { readonly shown: ShownCabinet; readonly view: View }) {
  const { spec, plan, unit } = shown;
  const mm = (nm: number): number => toMm(nm as Length);
  const { left, bottom, top } = plan.block;
  const line = y((mm(bottom) + mm(top)) / 2);
  return (
    <>
      <DimensionLine
        name="from the left end of the wall"
        entered
        value={spec.place.along.nm}
        unit={unit}
        from={[x(0), line]}
        to={[x(mm(left)), line]}
        onPick={() => openField('place.along')}
      />
      <DimensionLine
        name="bottom above the floor"
        entered
        value={spec.place.up.nm}
        unit={unit}
        from={[x(mm(left)) + 16, y(mm(bottom))]}
        to={[x(mm(left)) + 16, y(0)]}
        onPick={() => openField('place.up')}
      />
    </>
  );
}
