/** The wall from above: how far everything projects, and what swings. */
import { ownSwings, swingOf, tapeTextWithUnit, thingsInOrder, toMm, type Length, type Sector } from '@keen/core';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { useSize } from '../../ui/useSize.ts';
import { selectDesign, selectPlan, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import { picked } from '../project/view.slice.ts';

const ROOM = { left: 58, right: 20, top: 20, bottom: 6 } as const;
const WALL_PX = 8;
/** Height grows with the projections, at the scale of the elevation, up to this. */
const MAX_HIGH = 200;

export function PlanView({ shown }: { readonly shown: ShownCabinet | undefined }) {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <div className="plan-room" ref={ref}>
      {size.width > 0 && <Plan shown={shown} width={size.width} />}
    </div>
  );
}

function Plan({ shown, width }: { readonly shown: ShownCabinet | undefined; readonly width: number }) {
  const { wall, units: specs } = useAppSelector(selectDesign);
  const plan = useAppSelector(selectPlan);
  const unit = useDisplayUnit();
  const chosen = useAppSelector(({ view }) => (view.picked?.kind === 'thing' ? view.picked.id : null));
  const dispatch = useAppDispatch();
  const mm = (nm: number): number => toMm(nm as Length);
  const wide = mm(wall.width.nm);
  const things = thingsInOrder(wall);
  const swings = things.flatMap((thing) => {
    const sector = swingOf(thing, wall);
    return sector ? [{ id: thing.id, sector }] : [];
  });
  const deepest = Math.max(
    400,
    ...plan.cabinets.map(({ block }) => mm(block.out)),
    ...things.map(({ out, kind }) => (kind === 'side-door' ? 0 : mm(out.nm))),
    ...swings.map(({ sector }) => Math.min(900, mm(sector.out + sector.radius))),
  );
  const edge = ROOM.top + ROOM.bottom + WALL_PX;
  const scale = Math.min((width - ROOM.left - ROOM.right) / wide, (MAX_HIGH - edge) / deepest);
  const high = deepest * scale + edge;
  const left = ROOM.left + Math.max(0, (width - ROOM.left - ROOM.right - wide * scale) / 2);
  const x = (along: number): number => left + along * scale;
  const y = (out: number): number => ROOM.top + WALL_PX + out * scale;
  return (
    <svg
      className="drawing plan-view"
      width={width}
      height={high}
      role="img"
      aria-label={`From above. ${plan.cabinets.map(({ name, block }) => `${name} stands ${tapeTextWithUnit(block.out as Length, unit)} out`).join('; ')}.`}
    >
      <text className="view-name" x={left} y={13}>
        from above
      </text>
      <rect className="wallboard" x={x(0)} y={ROOM.top} width={wide * scale} height={WALL_PX} />
      {things
        .filter(({ kind, out }) => kind !== 'side-door' && kind !== 'door' && out.nm > 0)
        .map((thing) => (
          <rect
            key={thing.id}
            className={`plan-thing${chosen === thing.id ? ' selected' : ''}`}
            x={x(mm(thing.left.nm))}
            y={y(0)}
            width={Math.max(2, mm(thing.width.nm) * scale)}
            height={Math.max(2, mm(thing.out.nm) * scale)}
            onClick={() => dispatch(picked({ kind: 'thing', id: thing.id }))}
          >
            <title>{thing.name}</title>
          </rect>
        ))}
      {swings.map(({ id, sector }) => (
        <path
          key={id}
          className={`swing${chosen === id ? ' selected' : ''}`}
          d={sectorPath(sector, x, y, scale)}
          onClick={() => dispatch(picked({ kind: 'thing', id }))}
        >
          <title>{wall.things[id]!.name} swings here</title>
        </path>
      ))}
      {plan.cabinets.map(({ id, block, name }) => (
        <g key={id}>
          <rect
            className={`plan-unit${shown?.spec.id === id ? ' selected' : ''}`}
            x={x(mm(block.left))}
            y={y(0)}
            width={mm(block.right - block.left) * scale}
            height={mm(block.out) * scale}
          >
            <title>{name}</title>
          </rect>
          {ownSwings(specs[id]!, block).map((sector, index) => (
            <path key={index} className="swing own" d={sectorPath(sector, x, y, scale)} />
          ))}
        </g>
      ))}
    </svg>
  );
}

/** A sector in plan as an SVG path; its angles turn from along towards out, which is down on the screen. */
function sectorPath({ along, out, radius, fromDeg, toDeg }: Sector, x: (mm: number) => number, y: (mm: number) => number, scale: number): string {
  const mm = (nm: number): number => toMm(nm as Length);
  const [cx, cy, r] = [x(mm(along)), y(mm(out)), mm(radius) * scale];
  const point = (deg: number): string => `${cx + r * Math.cos((deg * Math.PI) / 180)} ${cy + r * Math.sin((deg * Math.PI) / 180)}`;
  return `M${cx} ${cy}L${point(fromDeg)}A${r} ${r} 0 ${toDeg - fromDeg > 180 ? 1 : 0} 1 ${point(toDeg)}Z`;
}
