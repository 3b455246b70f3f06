/** The cabinet to scale: front and section side by side, dimensioned as on a shop drawing. One tab stop; arrow keys move between parts. */
import {
  baysShown,
  boundsOfCabinet,
  entered,
  enters,
  frontView,
  heightsShown,
  labelWords,
  withArticle,
  NM_PER,
  sectionPlane,
  sectionView,
  tapeTextWithUnit,
  toMm,
  type SeenPanel,
  type CabinetPlan,
} from '@keen/core';
import { memo, type KeyboardEvent } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { DimensionLine } from '../../ui/DimensionLine.tsx';
import { useExplain } from '../../ui/Explained.tsx';
import { useSize } from '../../ui/useSize.ts';
import { useGhost, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';
import { openField } from './openField.ts';
import { usePanelDrag, type Grip, type GripAxis } from './usePanelDrag.ts';

/** Margins around the views, px: left dimensions, openings, the section's wall, bottom dimensions. */
const ROOM = { left: 74, openings: 40, between: 112, right: 46 } as const;
/** On a phone the section is below the front. */
const NARROW_ROOM = { left: 62, openings: 44, between: 92, right: 0 } as const;
const TOP = 34;
const BOTTOM = 46;
const STACKED = 74;
const WALL_MM = 45;

interface View {
  readonly x: (mm: number) => number;
  readonly y: (mm: number) => number;
}

/** `closed` draws doors and fronts over the inside. */
export function BoxDrawing({ shown, closed }: { readonly shown: ShownCabinet; readonly closed: boolean }) {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <div className="drawing-room" ref={ref}>
      {size.width > 0 && <Drawing shown={shown} closed={closed} width={size.width} height={size.height} />}
    </div>
  );
}

function Drawing({
  shown,
  closed,
  width,
  height,
}: {
  readonly shown: ShownCabinet;
  readonly closed: boolean;
  readonly width: number;
  readonly height: number;
}) {
  const { plan, unit, spec } = shown;
  const selected = useAppSelector(({ view }) => view.selected);
  const dispatch = useAppDispatch();
  const { show } = useExplain();
  const { apply } = useEdit();
  // During a drag the drawing shows the cabinet as it would be.
  const drag = usePanelDrag(shown);
  const solid = drag.draft ?? plan.cabinet;
  const { outside } = solid;
  const across = toMm(outside.width.value);
  const up = toMm(outside.height.value);
  const out = toMm(outside.depth.value);
  const narrow = width < 560;
  const room = narrow ? NARROW_ROOM : ROOM;
  const scale = Math.max(
    0.02,
    Math.min(
      (width - room.left - room.between - room.right) / (narrow ? Math.max(across, out + WALL_MM) : across + out + WALL_MM),
      narrow ? Infinity : (height - TOP - BOTTOM) / up,
    ),
  );
  const drawn = room.left + room.between + room.right + (narrow ? across : across + WALL_MM + out) * scale;
  const shift = Math.max(0, (width - drawn) / 2);
  const high = narrow ? TOP + 2 * up * scale + STACKED + BOTTOM : TOP + up * scale + BOTTOM;
  const lower = narrow ? 0 : Math.max(0, (height - high) / 2);
  const top = TOP + lower;
  // A top beyond the sides, a frame beyond them: the paper starts where the cabinet does.
  const leftmost = Math.min(0, boundsOfCabinet(solid).low.along);
  const front: View = { x: (mm) => shift + room.left + (mm - leftmost) * scale, y: (mm) => top + (up - mm) * scale };
  const sectionTop = narrow ? top + up * scale + STACKED : top;
  const sectionLeft = narrow ? shift + room.left : shift + room.left + across * scale + room.between;
  const section: View = { x: (mm) => sectionLeft + (WALL_MM + mm) * scale, y: (mm) => sectionTop + (up - mm) * scale };
  const openings = solid.compartments;
  const chosen = selected ? solid.byId.get(selected) : undefined;

  const handle = plan.cabinet.handles?.find(({ panel }) => panel === selected);
  const keys = (event: KeyboardEvent): void => {
    const order = plan.cabinet.panels.map(({ id }) => id);
    const here = selected ? order.indexOf(selected) : -1;
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step !== undefined) {
      event.preventDefault();
      dispatch(panelSelected(order[(here + step + order.length) % order.length]!));
    } else if (event.key === 'Enter') openField(handle ? handle.path.join('.') : 'width');
    else if (event.key === '+' || event.key === '-') {
      event.preventDefault();
      nudge(event.key === '+' ? 1 : -1);
    }
  };
  /** By the display step: a draggable part moves, otherwise the cabinet gets wider. */
  const nudge = (by: number): void => {
    const step = unit === 'mm' ? NM_PER.mm : NM_PER.in / 16;
    const text = (nm: number): string => (unit === 'mm' ? `${nm / NM_PER.mm} mm` : `${nm / NM_PER.in} in`);
    if (handle) {
      const value =
        handle.kind === 'degrees' ? Math.round((handle.value + by) * 2) / 2 : entered(text(Math.max(0, Math.round(handle.value / step) * step + by * step)));
      apply([{ path: ['units', spec.id, ...handle.path], value }], `${spec.id}.${handle.path.join('.')}`);
    } else if (enters(spec, 'width'))
      apply([{ path: ['units', spec.id, 'width'], value: entered(text(Math.round(spec.width.nm / step) * step + by * step)) }], `${spec.id}.width`);
  };
  const pick = (title: string, of: (typeof outside)['width'], field?: string) => (anchor: Element) =>
    field ? openField(field) : show(anchor, { title, unit, dimension: of });
  const name = `${spec.name}, front and section. ${tapeTextWithUnit(outside.width.value, unit)} wide, ${tapeTextWithUnit(outside.height.value, unit)} high, ${tapeTextWithUnit(outside.depth.value, unit)} from the wall. ${chosen ? `Selected: ${labelWords(chosen.name)}.` : 'Arrow keys move between parts.'}`;

  return (
    <svg
      className="drawing"
      width={width}
      height={Math.max(height, high)}
      tabIndex={0}
      role="img"
      aria-label={name}
      onKeyDown={keys}
      onPointerMove={drag.move}
      onPointerUp={drag.drop}
      onPointerCancel={drag.cancel}
      onClick={() => !drag.justDropped() && dispatch(panelSelected(null))}
    >
      <text className="view-name" x={front.x(0)} y={top - 14}>
        front
      </text>
      {frontView(solid)
        .filter(({ role }) => role !== 'wall-half' && (closed || role !== 'door'))
        .map((seen) => (
          <PanelShape key={seen.panel} seen={seen} view={front} grip={drag.grip(seen.panel, FRONT_AXES, scale)} />
        ))}
      <GhostShapes cabinetId={spec.id} view={front} of={(ghost) => frontView(ghost.cabinet).filter(({ role }) => role !== 'wall-half')} />
      <text className="view-name" x={section.x(0)} y={sectionTop - 14}>
        section
      </text>
      <rect className="wallboard" x={section.x(-WALL_MM)} y={sectionTop - 8} width={WALL_MM * scale} height={up * scale + 16} />
      {sectionView(solid, sectionPlane(solid)).map((seen) => (
        <PanelShape key={seen.panel} seen={seen} view={section} grip={drag.grip(seen.panel, SECTION_AXES, scale)} />
      ))}
      <GhostShapes cabinetId={spec.id} view={section} of={(ghost) => sectionView(ghost.cabinet, sectionPlane(ghost.cabinet))} />
      <RailName shown={shown} view={front} />

      <DimensionLine
        name="outside width"
        entered
        value={outside.width.value}
        unit={unit}
        from={[front.x(leftmost), front.y(0) + 28]}
        to={[front.x(leftmost + across), front.y(0) + 28]}
        onPick={pick('outside width', outside.width, enters(spec, 'width') ? 'width' : undefined)}
      />
      <DimensionLine
        name="outside height"
        entered
        value={outside.height.value}
        unit={unit}
        from={[front.x(leftmost) - 36, front.y(up)]}
        to={[front.x(leftmost) - 36, front.y(0)]}
        onPick={pick('outside height', outside.height, enters(spec, 'height') ? 'height' : undefined)}
      />
      <DimensionLine
        name="depth from the wall"
        value={outside.depth.value}
        unit={unit}
        from={[section.x(0), section.y(0) + 28]}
        to={[section.x(out), section.y(0) + 28]}
        onPick={pick('depth from the wall', outside.depth)}
      />
      {openings[0] && openings[0].depth.value > 0 && (
        <DimensionLine
          name="depth inside"
          value={openings[0].depth.value}
          unit={unit}
          from={[section.x(toMm(openings[0].at.out)), section.y(toMm(openings[0].at.up) + toMm(openings[0].height.value) / 2)]}
          to={[section.x(toMm(openings[0].at.out) + toMm(openings[0].depth.value)), section.y(toMm(openings[0].at.up) + toMm(openings[0].height.value) / 2)]}
          onPick={pick('depth inside', openings[0].depth)}
        />
      )}
      {heightsShown(openings).map(({ space: { id, height: opening, at, width: clear, name: label }, outside: beside }) => {
        const x = beside ? front.x(leftmost + across) + room.openings : front.x(toMm(at.along) + toMm(clear.value) / 4);
        return (
          <DimensionLine
            key={id}
            name={labelWords(label)}
            value={opening.value}
            unit={unit}
            from={[x, front.y(toMm(at.up) + toMm(opening.value))]}
            to={[x, front.y(toMm(at.up))]}
            onPick={pick(labelWords(label), opening)}
          />
        );
      })}
      {baysShown(openings).map(({ id, width: clear, at, height: opening, name: label }) => (
        <DimensionLine
          key={`${id}-width`}
          name={`width, ${labelWords(label)}`}
          value={clear.value}
          unit={unit}
          from={[front.x(toMm(at.along)), front.y(toMm(at.up) + toMm(opening.value) * 0.82)]}
          to={[front.x(toMm(at.along) + toMm(clear.value)), front.y(toMm(at.up) + toMm(opening.value) * 0.82)]}
          onPick={pick(`width, ${labelWords(label)}`, clear)}
        />
      ))}
      {chosen && chosen.role !== 'side' && chosen.role !== 'back' && (
        <SelectedLength panel={chosen} shown={shown} front={front} onPick={pick('length', chosen.length)} />
      )}
    </svg>
  );
}

function SelectedLength({
  panel,
  shown,
  front,
  onPick,
}: {
  readonly panel: NonNullable<ReturnType<ShownCabinet['plan']['cabinet']['byId']['get']>>;
  readonly shown: ShownCabinet;
  readonly front: View;
  readonly onPick: (anchor: Element) => void;
}) {
  const seen = frontView(shown.plan.cabinet).find((each) => each.panel === panel.id);
  if (!seen) return null;
  const xs = seen.points.map(([x]) => x);
  const y = front.y(Math.min(...seen.points.map(([, up]) => up))) + 20;
  return (
    <DimensionLine
      name={`length of ${withArticle(panel.name)}`}
      lit
      value={panel.length.value}
      unit={shown.unit}
      from={[front.x(Math.min(...xs)), y]}
      to={[front.x(Math.max(...xs)), y]}
      onPick={onPick}
    />
  );
}

/** The change of a previewed fix, dashed over the current state. */
export function GhostShapes({
  cabinetId,
  view,
  of,
}: {
  readonly cabinetId: string;
  readonly view: View;
  readonly of: (ghost: CabinetPlan) => readonly SeenPanel[];
}) {
  const ghost = useGhost(cabinetId);
  if (!ghost) return null;
  return (
    <g className="ghost" aria-hidden="true">
      {of(ghost).map((seen) => (
        <path key={seen.panel} d={pathOf(seen, view)} />
      ))}
    </g>
  );
}

/** Another part covers the middle of this one. */
function isCovered(order: readonly SeenPanel[], seen: SeenPanel): boolean {
  const spread = (points: SeenPanel['points'], axis: 0 | 1): [number, number] => [
    Math.min(...points.map((point) => point[axis])),
    Math.max(...points.map((point) => point[axis])),
  ];
  const middle = ([0, 1] as const).map((axis) => spread(seen.points, axis).reduce((sum, value) => sum + value, 0) / 2) as [number, number];
  const at = order.findIndex(({ panel }) => panel === seen.panel);
  return order
    .slice(at + 1)
    .some(
      ({ points, hidden }) => !hidden && ([0, 1] as const).every((axis) => spread(points, axis)[0] < middle[axis] && middle[axis] < spread(points, axis)[1]),
    );
}

/** The only part of the front without a position in its name. */
function RailName({ shown, view }: { readonly shown: ShownCabinet; readonly view: View }) {
  const rail = shown.plan.cabinet.hanging.hangingRail;
  const seen = rail ? frontView(shown.plan.cabinet).find(({ panel }) => panel === rail) : undefined;
  if (!seen) return null;
  const [low, high] = [Math.min(...seen.points.map(([, up]) => up)), Math.max(...seen.points.map(([, up]) => up))];
  if (isCovered(frontView(shown.plan.cabinet), seen)) return null;
  if (view.y(low) - view.y(high) < 26) return null;
  const middle = (Math.min(...seen.points.map(([x]) => x)) + Math.max(...seen.points.map(([x]) => x))) / 2;
  return (
    <text className="view-name" textAnchor="middle" pointerEvents="none" x={view.x(middle)} y={(view.y(low) + view.y(high)) / 2 + 5}>
      hanging rail
    </text>
  );
}

/** A panel's outline with its cutouts, as a path. */
export const pathOf = ({ points, others }: SeenPanel, { x, y }: View): string =>
  [points, ...others].map((ring) => `M${ring.map(([across, up]) => `${x(across)} ${y(up)}`).join('L')}Z`).join('');

/** What can be dragged in each view, and the direction of the paper there. */
const FRONT_AXES: readonly GripAxis[] = [
  { axis: 'along', screen: 'x', sign: 1 },
  { axis: 'up', screen: 'y', sign: -1 },
];
const SECTION_AXES: readonly GripAxis[] = [
  { axis: 'out', screen: 'x', sign: 1 },
  { axis: 'up', screen: 'y', sign: -1 },
];

interface PanelShapeProps {
  readonly seen: SeenPanel;
  readonly view: View;
  readonly grip?: Grip | undefined;
}

export function PanelShape({ seen, view, grip }: PanelShapeProps) {
  const radius = view.x(1) - view.x(0);
  const holes = seen.holes.map(({ at: [across, up], radius: mm }) => `${view.x(across)} ${view.y(up)} ${Math.max(1, mm * radius)}`).join(';');
  return <DrawnShape panel={seen.panel} look={`${seen.role} ${seen.hidden ? 'hidden' : ''}`} d={pathOf(seen, view)} holes={holes} grip={grip} />;
}

interface DrawnShapeProps {
  readonly panel: string;
  readonly look: string;
  readonly d: string;
  /** Centers and radii, px. */
  readonly holes: string;
  readonly grip: Grip | undefined;
}

/** While one panel is dragged the others stay as they were drawn. */
const DrawnShape = memo(
  function DrawnShape({ panel, look, d, holes, grip }: DrawnShapeProps) {
    const lit = useAppSelector(({ view: { selected, hovered } }) => (selected === panel ? 'selected' : hovered === panel ? 'hovered' : ''));
    const dispatch = useAppDispatch();
    return (
      <g
        className={`panel-shape ${look} ${lit} ${grip ? 'grip' : ''}`}
        data-panel={panel}
        onPointerDown={grip?.press}
        onClick={(event) => {
          event.stopPropagation();
          dispatch(panelSelected(panel));
        }}
        onPointerEnter={() => dispatch(panelHovered(panel))}
        onPointerLeave={() => dispatch(panelHovered(null))}
      >
        <path d={d} fillRule="evenodd" />
        {holes !== '' &&
          holes.split(';').map((hole, index) => {
            const [x, y, r] = hole.split(' ');
            return <circle key={index} className="hole" cx={x} cy={y} r={r} />;
          })}
      </g>
    );
  },
  (a, b) => a.panel === b.panel && a.look === b.look && a.d === b.d && a.holes === b.holes && a.grip?.key === b.grip?.key,
);
