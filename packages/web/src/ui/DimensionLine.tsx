/** A dimension as on a shop drawing: a line with slanted ticks and the number in it. */
import type { DisplayUnit, Length } from '@keen/core';
import type { MouseEvent } from 'react';
import { LengthTspans } from './LengthText.tsx';

export interface DimensionLineProps {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly value: Length;
  readonly unit: DisplayUnit;
  readonly entered?: boolean;
  readonly lit?: boolean;
  readonly name: string;
  readonly onPick: (anchor: Element) => void;
}

const TICK = 5;
/** Room a number takes along the line, px. */
const figureRoom = (value: Length, unit: DisplayUnit): number => (unit === 'in' ? 62 : value % 1_000_000 === 0 ? 40 : 66);

export function DimensionLine({ from, to, value, unit, entered = false, lit = false, name, onPick }: DimensionLineProps) {
  const [x1, y1] = from;
  const [x2, y2] = to;
  const upright = Math.abs(y2 - y1) > Math.abs(x2 - x1);
  const length = Math.hypot(x2 - x1, y2 - y1);
  const room = upright ? 24 : figureRoom(value, unit);
  const middle: [number, number] = [(x1 + x2) / 2, (y1 + y2) / 2];
  // Too short for the number between the ticks: it is placed beside the line.
  const beside = length < room + 12;
  const at: [number, number] = beside ? (upright ? [middle[0] + figureRoom(value, unit) / 2 + 8, middle[1]] : [middle[0], middle[1] + 16]) : middle;
  const half = beside ? 0 : room / 2;
  const along: [number, number] = [(x2 - x1) / (length || 1), (y2 - y1) / (length || 1)];
  const tick = ([x, y]: readonly [number, number]) => <path d={`M${x - TICK} ${y + TICK}L${x + TICK} ${y - TICK}`} />;
  return (
    <g
      className={`dimension${entered ? ' entered' : ''}${lit ? ' lit' : ''}`}
      data-dimension={name}
      onClick={(event: MouseEvent<SVGGElement>) => onPick(event.currentTarget)}
    >
      <title>{entered ? `${name}: change it` : `${name}: how it is worked out`}</title>
      <path
        className="dimension-line"
        d={`M${x1} ${y1}L${middle[0] - along[0] * half} ${middle[1] - along[1] * half}M${middle[0] + along[0] * half} ${middle[1] + along[1] * half}L${x2} ${y2}`}
      />
      {tick(from)}
      {tick(to)}
      <rect className="dimension-room" x={at[0] - figureRoom(value, unit) / 2} y={at[1] - 12} width={figureRoom(value, unit)} height={24} />
      <text x={at[0]} y={at[1]}>
        <LengthTspans value={value} unit={unit} />
      </text>
    </g>
  );
}
