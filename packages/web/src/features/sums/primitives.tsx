/** Drawing elements of the pictures of sums: wood, text, dimensions, forces, blocks in a row. */
import { MM_PER_INCH, roundToNm, tapeTextWithUnit, type DisplayUnit } from '@keen/core';
import type { ReactNode } from 'react';

export interface Numbers {
  readonly number: (key: string, fallback?: number) => number;
  readonly list: (key: string) => readonly number[];
  readonly text: (key: string) => string;
  /** A length in the person's unit, mm in; and the same without its unit. */
  readonly mm: (value: number) => string;
  readonly bare: (value: number) => string;
  /** Results that are groups: boards with their cuts. */
  readonly groups: (key: string) => readonly Readonly<Record<string, number | readonly number[]>>[];
}

export type Picture = (numbers: Numbers) => ReactNode;

export const [W, H] = [420, 190];
export const [CX, CY] = [W / 2, H / 2];

export const rad = (deg: number): number => (deg * Math.PI) / 180;
/** Scale at which so many millimeters fit the picture. */
export const fit = (wide: number, high: number, room = 44): number => Math.min((W - 2 * room) / Math.max(wide, 1e-6), (H - 2 * room) / Math.max(high, 1e-6));
export const short = (value: number): string => String(Number(value.toPrecision(4)));

export function Wood({
  x,
  y,
  w,
  h,
  kind = 'side',
}: {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly kind?: string;
}) {
  return <rect className={`sum-wood ${kind}`} x={x} y={y} width={Math.max(0, w)} height={Math.max(0, h)} />;
}
export function Words({
  x,
  y,
  children,
  anchor = 'middle',
}: {
  readonly x: number;
  readonly y: number;
  readonly children: ReactNode;
  readonly anchor?: 'start' | 'middle' | 'end';
}) {
  return (
    <text x={x} y={y} textAnchor={anchor}>
      {children}
    </text>
  );
}
/** A dimension: a line with a tick at each end, and its measure. */
export function Measure({
  from,
  to,
  label,
  off = 12,
}: {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly label: string;
  readonly off?: number;
}) {
  const across = Math.abs(from[1] - to[1]) < Math.abs(from[0] - to[0]);
  const [mx, my] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const tick = ([x, y]: readonly [number, number]): string => (across ? `M${x} ${y - 4}v8` : `M${x - 4} ${y}h8`);
  return (
    <g className="sum-measure">
      <path d={`M${from.join(' ')}L${to.join(' ')}${tick(from)}${tick(to)}`} />
      <Words x={across ? mx : mx + off} y={across ? my + off + 4 : my + 4} anchor={across ? 'middle' : off < 0 ? 'end' : 'start'}>
        {label}
      </Words>
    </g>
  );
}
/** A force: an arrow in proportion to its amount. */
export function Arrow({ x, y, dx, dy, label }: { readonly x: number; readonly y: number; readonly dx: number; readonly dy: number; readonly label: string }) {
  const length = Math.hypot(dx, dy) || 1;
  const [ux, uy] = [dx / length, dy / length];
  const tip = `M${x + dx} ${y + dy}l${-9 * ux - 4 * uy} ${-9 * uy + 4 * ux}l${8 * uy} ${-8 * ux}z`;
  return (
    <g className="sum-force">
      <path d={`M${x} ${y}l${dx} ${dy}`} />
      <path className="head" d={tip} />
      <Words
        x={x + dx + (Math.abs(ux) > 0.5 ? 6 * Math.sign(ux) : 8)}
        y={y + dy + (Math.abs(uy) > 0.5 ? 6 * Math.sign(uy) : -6)}
        anchor={ux < -0.5 ? 'end' : 'start'}
      >
        {label}
      </Words>
    </g>
  );
}

/** Below this, inches are shown in thousandths: a tape does not show them. */
const FINE_IN = 0.25;

/** A length without its unit, mm in, rounded to a tape mark. */
export function lengthLabel(value: number, unit: DisplayUnit): string {
  if (unit === 'mm') return short(value);
  if (Math.abs(value) < FINE_IN * MM_PER_INCH) return String(Number((value / MM_PER_INCH).toFixed(3)));
  return tapeTextWithUnit(roundToNm(value), 'in').replace(/ in( strong| shy)?$/, '');
}
export const newtons = (value: number): string => `${short(value)} N`;

/** Blocks side by side with their sizes: openings and dividers, strips and kerfs, cuts and the rest. */
export function Row({
  blocks,
  y = 70,
  h = 50,
}: {
  readonly blocks: readonly { readonly mm: number; readonly kind: string; readonly label?: string }[];
  readonly y?: number;
  readonly h?: number;
}) {
  const total = blocks.reduce((sum, block) => sum + block.mm, 0) || 1;
  const scale = (W - 40) / total;
  /** Left ends of the blocks, px. */
  const starts = blocks.map((_, index) => 20 + scale * blocks.slice(0, index).reduce((sum, each) => sum + each.mm, 0));
  return (
    <>
      {blocks.map((block, index) => {
        const at = starts[index]!;
        return (
          <g key={index}>
            <Wood x={at} y={y} w={block.mm * scale} h={h} kind={block.kind} />
            {block.label && block.mm * scale > 34 && (
              <Words x={at + (block.mm * scale) / 2} y={y + h / 2 + 4}>
                {block.label}
              </Words>
            )}
          </g>
        );
      })}
    </>
  );
}
