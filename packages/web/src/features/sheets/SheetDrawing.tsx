/** One sheet to scale: parts with mark and size, kerfs as gaps, waste hatched, offcuts named; at a cut, its line and both sides. */
import {
  labelWords,
  pieceName,
  lineOfPiece,
  tapeText,
  toMm,
  trimOf,
  type CutStep,
  type DisplayUnit,
  type Left,
  type Length,
  type NestedSheet,
  type PartLine,
  type Placement,
  wrongPlaceWords,
  type SawnPiece,
} from '@keen/core';
import type { KeyboardEvent, PointerEvent } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { LengthTspans } from '../../ui/LengthText.tsx';
import { useSize } from '../../ui/useSize.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';
import type { Nest } from './useNests.tsx';
import type { Pins } from './usePins.ts';
import { useSheetDrag, type Dragged } from './useSheetDrag.ts';

export interface SheetDrawingProps {
  readonly page: { readonly nest: Nest; readonly sheet: NestedSheet; readonly number: number };
  readonly parts: readonly PartLine[];
  readonly unit: DisplayUnit;
  readonly stale: boolean;
  /** The cuts of this sheet, numbered, and the current one. */
  readonly cuts?: {
    readonly steps: readonly CutStep[];
    readonly numbers: ReadonlyMap<string, number>;
    readonly at: CutStep | null;
    readonly done: ReadonlySet<string>;
  };
  readonly left?: readonly Left[];
  /** Parts can be dragged and pinned. */
  readonly pins?: Pins;
}

const MARGIN = 26;

export function SheetDrawing({ page: { nest, sheet }, parts, unit, stale, cuts, left = [], pins }: SheetDrawingProps) {
  const [ref, size] = useSize<HTMLDivElement>();
  const selected = useAppSelector(({ view }) => view.selected);
  const dispatch = useAppDispatch();
  const kind = nest.job.problem.sheets.find(({ id }) => id === sheet.sheet)!;
  const length = toMm(kind.length);
  const width = toMm(kind.width);
  const scale = Math.max(0.02, Math.min((size.width - 2 * MARGIN) / length, (Math.max(size.height, size.width < 500 ? 220 : 0) - 2 * MARGIN) / width));
  const x = (mm: number): number => (size.width - length * scale) / 2 + mm * scale;
  const y = (mm: number): number => MARGIN + mm * scale;
  const trim = toMm(trimOf(nest.job.problem, kind));
  const drag = useSheetDrag(sheet, nest.job.product, scale, pins ?? null);
  const panelsOf = (piece: string): readonly string[] => {
    const line = lineOfPiece(parts, piece);
    return line?.role === 'cleat-blank' ? line.panels : [piece];
  };
  const keys = (event: KeyboardEvent): void => {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const here = sheet.placements.findIndex(({ part }) => selected !== null && panelsOf(part).includes(selected));
    const next = sheet.placements[(here + step + sheet.placements.length) % sheet.placements.length]!;
    dispatch(panelSelected(panelsOf(next.part)[0]!));
  };
  const list = sheet.placements
    .map(({ part, dx, dy }) => `${lineOfPiece(parts, part)?.mark ?? part}, ${tapeText(dx, unit)} by ${tapeText(dy, unit)}`)
    .join('; ');
  return (
    <div className="drawing-room" ref={ref}>
      {size.width > 0 && (
        <svg
          className={`drawing${stale ? ' stale' : ''}`}
          width={size.width}
          height={width * scale + 2 * MARGIN}
          tabIndex={0}
          role="img"
          aria-label={`Sheet ${tapeText(kind.length, unit)} by ${tapeText(kind.width, unit)} ${unit}: ${list}`}
          onKeyDown={keys}
          onClick={() => dispatch(panelSelected(null))}
          onPointerMove={drag.move}
          onPointerUp={drag.end}
          onPointerCancel={drag.cancel}
        >
          <defs>
            <pattern id="waste" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <path d="M0 0 V8" className="hatch" />
            </pattern>
          </defs>
          <text className="view-name" x={x(0)} y={16}>
            {kind.offcut ? `${pieceName(kind.id)}, ` : ''}
            <LengthTspans value={kind.length} unit={unit} />
            <tspan> × </tspan>
            <LengthTspans value={kind.width} unit={unit} />
            <tspan> {unit}</tspan>
            <tspan>{kind.grain === 'length' ? '   grain →' : ''}</tspan>
          </text>
          <rect className="sheet-edge" x={x(0)} y={y(0)} width={length * scale} height={width * scale} />
          <rect className="sheet-waste" x={x(trim)} y={y(trim)} width={(length - 2 * trim) * scale} height={(width - 2 * trim) * scale} />
          {(kind.flaws ?? []).map((flaw, index) => (
            <rect key={index} className="sheet-flaw" x={x(toMm(flaw.x))} y={y(toMm(flaw.y))} width={toMm(flaw.dx) * scale} height={toMm(flaw.dy) * scale} />
          ))}
          {left.map(({ piece, step }) => (
            <LeftOver key={step} left={piece} unit={unit} x={x} y={y} scale={scale} />
          ))}
          {sheet.placements.map((row, index) => (
            <Piece
              key={index}
              row={row}
              panels={panelsOf(row.part)}
              line={lineOfPiece(parts, row.part)}
              unit={unit}
              x={x}
              y={y}
              scale={scale}
              pinned={pins?.isPinned(row.part) ?? false}
              {...(pins ? { onGrab: (event: PointerEvent<Element>) => drag.begin(event, row) } : {})}
            />
          ))}
          {drag.dragged && <Carried dragged={drag.dragged} parts={parts} x={x} y={y} scale={scale} />}
          {cuts?.at && <rect className="cut-piece" {...rectOf(cuts.at.piece, x, y, scale)} />}
          {cuts?.steps.map((step) => (
            <CutLine
              key={step.id}
              step={step}
              number={cuts.numbers.get(step.id)!}
              state={step.id === cuts.at?.id ? 'now' : cuts.done.has(step.id) ? 'done' : 'later'}
              x={x}
              y={y}
            />
          ))}
        </svg>
      )}
    </div>
  );
}

type OnScreen = (mm: number) => number;

interface CarriedProps {
  readonly dragged: Dragged;
  readonly parts: readonly PartLine[];
  readonly x: OnScreen;
  readonly y: OnScreen;
  readonly scale: number;
}

/** The dragged part: where it would be pinned, or why it cannot be. */
function Carried({ dragged: { at, wrong, makeWay, over }, parts, x, y, scale }: CarriedProps) {
  const markOf = (piece: string): string => lineOfPiece(parts, piece)?.mark ?? piece;
  const words = over !== null ? 'onto that sheet' : wrong ? wrongPlaceWords(wrong, markOf) : makeWay > 0 ? `${makeWay} make way` : 'pinned here';
  const [left, top] = [x(toMm(at.x)), y(toMm(at.y))];
  return (
    <g className={`carried${wrong && over === null ? ' wrong' : ''}`} pointerEvents="none">
      <rect x={left} y={top} width={toMm(at.dx) * scale} height={toMm(at.dy) * scale} />
      <text x={left + 6} y={top + 18}>
        {markOf(at.part)}: {words}
      </text>
    </g>
  );
}

const rectOf = ({ at }: SawnPiece, x: OnScreen, y: OnScreen, scale: number) => ({
  x: x(toMm(at.x)),
  y: y(toMm(at.y)),
  width: toMm(at.dx) * scale,
  height: toMm(at.dy) * scale,
});

/** Offcuts worth keeping: outlined, with their size where it fits. */
function LeftOver({
  left,
  unit,
  x,
  y,
  scale,
}: {
  readonly left: SawnPiece;
  readonly unit: DisplayUnit;
  readonly x: OnScreen;
  readonly y: OnScreen;
  readonly scale: number;
}) {
  const box = rectOf(left, x, y, scale);
  const upright = box.height > box.width && box.width < 150;
  const [along, across] = upright ? [box.height, box.width] : [box.width, box.height];
  const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
  return (
    <g className="left-over">
      <rect {...box} />
      {along > 150 && across > 22 && (
        <text x={cx} y={cy} {...(upright ? { transform: `rotate(-90 ${cx} ${cy})` } : {})}>
          <tspan>keep </tspan>
          <LengthTspans value={left.dx} unit={unit} />
          <tspan> × </tspan>
          <LengthTspans value={left.dy} unit={unit} />
        </text>
      )}
    </g>
  );
}

/** A cut as its saw line; its number is at its start. */
function CutLine({
  step,
  number,
  state,
  x,
  y,
}: {
  readonly step: CutStep;
  readonly number: number;
  readonly state: 'now' | 'done' | 'later';
  readonly x: OnScreen;
  readonly y: OnScreen;
}) {
  const { piece, near, axis, purpose } = step;
  const { at } = piece;
  const line = toMm(
    purpose === 'trim' ? (axis === 'x' ? near.at.x : near.at.y) : axis === 'x' ? ((near.at.x + near.at.dx) as Length) : ((near.at.y + near.at.dy) as Length),
  );
  const ends =
    axis === 'x'
      ? { x1: x(line), x2: x(line), y1: y(toMm(at.y)), y2: y(toMm((at.y + at.dy) as Length)) }
      : { x1: x(toMm(at.x)), x2: x(toMm((at.x + at.dx) as Length)), y1: y(line), y2: y(line) };
  if (state === 'later') return null;
  return (
    <g className={`cut-line ${state}`} data-cut={step.id}>
      <line {...ends} />
      {state === 'now' && (
        <>
          <circle cx={ends.x1} cy={ends.y1} r={13} />
          <text x={ends.x1} y={ends.y1}>
            {number}
          </text>
        </>
      )}
    </g>
  );
}

interface PieceProps {
  readonly row: Placement;
  readonly panels: readonly string[];
  readonly line: PartLine | undefined;
  readonly unit: DisplayUnit;
  readonly x: (mm: number) => number;
  readonly y: (mm: number) => number;
  readonly scale: number;
  readonly pinned: boolean;
  readonly onGrab?: (event: PointerEvent<Element>) => void;
}

/** Width of a text, px, with a margin at both ends. */
const letters = (text: string): number => 12 + text.length * 7;

function Piece({ row, panels, line, unit, x, y, scale, pinned, onGrab }: PieceProps) {
  const lit = useAppSelector(({ view: { selected, hovered } }) =>
    selected !== null && panels.includes(selected) ? 'selected' : hovered !== null && panels.includes(hovered) ? 'hovered' : '',
  );
  const dispatch = useAppDispatch();
  const left = x(toMm(row.x));
  const top = y(toMm(row.y));
  const wide = toMm(row.dx) * scale;
  const high = toMm(row.dy) * scale;
  const upright = high > wide && wide < 92;
  const along = upright ? high : wide;
  const across = upright ? wide : high;
  const centre = `${left + wide / 2} ${top + high / 2}`;
  const name = line
    ? line.role === 'cleat-blank' || line.count === 1
      ? line.names.map((label) => labelWords(label)).join(', ')
      : labelWords(line.names[line.panels.indexOf(row.part)] ?? line.names[0]!)
    : row.part;
  const mark = line?.mark ?? row.part;
  return (
    <g
      className={`piece ${lit}${onGrab ? ' draggable' : ''}`}
      data-piece={row.part}
      onClick={(event) => {
        event.stopPropagation();
        dispatch(panelSelected(panels[0]!));
      }}
      {...(onGrab ? { onPointerDown: onGrab } : {})}
      onPointerEnter={() => dispatch(panelHovered(panels[0]!))}
      onPointerLeave={() => dispatch(panelHovered(null))}
    >
      <title>{`${mark} ${name}${pinned ? ', pinned' : ''}`}</title>
      <rect x={left} y={top} width={wide} height={high} />
      {pinned && <path className="pin-sign" d={`M${left + 9} ${top + 4} a5 5 0 1 1 0 10 a5 5 0 1 1 0 -10 m-3 5 h6 m-3 -3 v6`} />}
      <g {...(upright ? { transform: `rotate(-90 ${centre})` } : {})}>
        {across > 11 && along > letters(mark) && (
          <text className={across > 15 ? 'piece-name' : 'piece-name slim'} x={left + wide / 2} y={top + high / 2 - (across > 34 && along > 120 ? 8 : 0)}>
            {along > letters(`${mark} ${name}`) ? `${mark} ${name}` : mark}
          </text>
        )}
        {across > 34 && along > 120 && (
          <text className="piece-size" x={left + wide / 2} y={top + high / 2 + 10}>
            <LengthTspans value={row.dx} unit={unit} />
            <tspan> × </tspan>
            <LengthTspans value={row.dy} unit={unit} />
          </text>
        )}
      </g>
    </g>
  );
}
