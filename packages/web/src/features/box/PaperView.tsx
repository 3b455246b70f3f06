/** One view on its paper: panels to scale, the wall, two outer sizes. */
import type { DisplayUnit, Length, SeenPanel } from '@keen/core';
import { DimensionLine } from '../../ui/DimensionLine.tsx';
import { useAppDispatch } from '../../app/store.ts';
import { panelSelected } from '../project/view.slice.ts';
import { PanelShape, pathOf } from './BoxDrawing.tsx';

export interface PaperMeasure {
  readonly name: string;
  readonly value: Length;
  readonly onPick: (anchor: Element) => void;
}

export interface PaperViewProps {
  readonly title: string;
  /** Accessible name of the drawing. */
  readonly label: string;
  readonly seen: readonly SeenPanel[];
  readonly ghost: readonly SeenPanel[];
  readonly width: number;
  readonly height: number;
  readonly unit: DisplayUnit;
  readonly across?: PaperMeasure | undefined;
  readonly up?: PaperMeasure | undefined;
  readonly wall: 'top' | 'left' | 'right' | null;
  /** Sizes of the selected part, as it lies on this paper. */
  readonly chosen?: { readonly panel: string; readonly across: PaperMeasure | null; readonly up: PaperMeasure | null } | null;
}

const ROOM = { left: 74, right: 30, top: 40, bottom: 68 } as const;
const WALL = 14;

export function PaperView({ title, label, seen, ghost, width, height, unit, across, up, wall, chosen }: PaperViewProps) {
  const dispatch = useAppDispatch();
  const points = seen.flatMap((each) => each.points);
  if (points.length === 0) return null;
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  // The wall is where nothing is behind: out = 0.
  const box = {
    left: Math.min(...xs, ...(wall === 'left' ? [0] : [])),
    right: Math.max(...xs, ...(wall === 'right' ? [0] : [])),
    low: Math.min(...ys),
    high: Math.max(...ys, ...(wall === 'top' ? [0] : [])),
  };
  const scale = Math.max(0.02, Math.min((width - ROOM.left - ROOM.right) / (box.right - box.left), (height - ROOM.top - ROOM.bottom) / (box.high - box.low)));
  const shiftX = ROOM.left + (width - ROOM.left - ROOM.right - (box.right - box.left) * scale) / 2;
  const shiftY = ROOM.top + (height - ROOM.top - ROOM.bottom - (box.high - box.low) * scale) / 2;
  // Parts on the wall may extend beyond the cabinet: sizes are the cabinet's own.
  const own = seen.filter(({ role }) => role !== 'wall-half').flatMap((each) => each.points);
  const span = own.length > 0 ? own : points;
  const [from, to] = [Math.min(...span.map(([x]) => x), ...(wall === 'left' ? [0] : [])), Math.max(...span.map(([x]) => x), ...(wall === 'right' ? [0] : []))];
  const view = { x: (mm: number) => shiftX + (mm - box.left) * scale, y: (mm: number) => shiftY + (box.high - mm) * scale };
  return (
    <svg className="drawing" width={width} height={height} role="img" aria-label={label} onClick={() => dispatch(panelSelected(null))}>
      <text className="view-name" x={view.x(box.left)} y={view.y(box.high) - (wall === 'top' ? WALL + 10 : 14)}>
        {title}
      </text>
      {wall === 'top' && (
        <rect className="wallboard" x={view.x(box.left) - 20} y={view.y(0) - WALL} width={(box.right - box.left) * scale + 40} height={WALL} />
      )}
      {wall === 'right' && <rect className="wallboard" x={view.x(0)} y={view.y(box.high) - 10} width={WALL} height={(box.high - box.low) * scale + 20} />}
      {wall === 'left' && <rect className="wallboard" x={view.x(0) - WALL} y={view.y(box.high) - 10} width={WALL} height={(box.high - box.low) * scale + 20} />}
      {seen.map((each) => (
        <PanelShape key={each.panel} seen={each} view={view} />
      ))}
      <g className="ghost" aria-hidden="true">
        {ghost.map((each) => (
          <path key={each.panel} d={pathOf(each, view)} />
        ))}
      </g>
      {chosen && <ChosenSizes chosen={chosen} seen={seen} view={view} unit={unit} />}
      {across && (
        <DimensionLine
          name={across.name}
          value={across.value}
          unit={unit}
          from={[view.x(from), view.y(box.low) + 30]}
          to={[view.x(to), view.y(box.low) + 30]}
          onPick={across.onPick}
        />
      )}
      {up && (
        <DimensionLine
          name={up.name}
          value={up.value}
          unit={unit}
          from={[view.x(box.left) - 36, view.y(box.high)]}
          to={[view.x(box.left) - 36, view.y(box.low)]}
          onPick={up.onPick}
        />
      )}
    </svg>
  );
}

interface ChosenProps {
  readonly chosen: NonNullable<PaperViewProps['chosen']>;
  readonly seen: readonly SeenPanel[];
  readonly view: { readonly x: (mm: number) => number; readonly y: (mm: number) => number };
  readonly unit: DisplayUnit;
}

/** Length and width of the selected part, above it and at its right. */
function ChosenSizes({ chosen, seen, view, unit }: ChosenProps) {
  const points = seen.filter(({ panel }) => panel === chosen.panel).flatMap((each) => each.points);
  if (points.length === 0) return null;
  const xs = points.map(([x]) => view.x(x));
  const ys = points.map(([, y]) => view.y(y));
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  return (
    <g className="chosen-sizes">
      {chosen.across && (
        <DimensionLine
          name={chosen.across.name}
          value={chosen.across.value}
          unit={unit}
          from={[left, top - 12]}
          to={[right, top - 12]}
          onPick={chosen.across.onPick}
        />
      )}
      {chosen.up && (
        <DimensionLine name={chosen.up.name} value={chosen.up.value} unit={unit} from={[right + 14, top]} to={[right + 14, bottom]} onPick={chosen.up.onPick} />
      )}
    </g>
  );
}
