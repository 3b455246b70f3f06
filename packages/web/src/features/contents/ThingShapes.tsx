/** Items drawn to scale: on a floor, while dragged, and in the tray. */
import { massText, toMm, type CompartmentLoad, type Item, type unplacedItems } from '@keen/core';
import type { PointerEvent } from 'react';
import type { ShownCabinet } from '../project/selectors.ts';
import { placedOutline } from './Silhouette.tsx';

export type Take = (item: Item, on: string | null) => (event: PointerEvent) => void;

export function Floor({
  load,
  shown,
  x,
  y,
  scale,
  chosen,
  lit,
  onTake,
}: {
  readonly load: CompartmentLoad;
  readonly shown: ShownCabinet;
  readonly x: (mm: number) => number;
  readonly y: (mm: number) => number;
  readonly scale: number;
  readonly chosen: string | null;
  readonly lit: boolean;
  readonly onTake: Take;
}) {
  const { compartment, arrangement, mass } = load;
  const [along, up] = [toMm(compartment.at.along), toMm(compartment.at.up)];
  const [wide, high] = [toMm(compartment.width.value), toMm(compartment.height.value)];
  // Rear ones first, so that the front ones cover them.
  const spots = [...(arrangement?.spots ?? [])].sort((a, b) => b.behind - a.behind);
  return (
    <g>
      {lit && <rect className="floor-lit" x={x(along)} y={y(up + high)} width={wide * scale} height={Math.max(0, high * scale)} />}
      {spots.map(({ item, index, along: from, up: over, behind, foot }) => (
        <g key={`${item.id} ${index}`} className={`thing${behind > 0 ? ' behind' : ''}`} data-thing={item.id} onPointerDown={onTake(item, compartment.keptBy)}>
          <title>{item.name}</title>
          <Shape item={item} x={x} y={y} along={along + toMm(from)} up={up + toMm(over)} lit={chosen === item.id} />
          {behind === 0 && (
            <ThingName item={item} x={x(along + toMm(from))} y={y(up + toMm(over))} width={toMm(foot.along) * scale} height={toMm(foot.up) * scale} />
          )}
        </g>
      ))}
      <text className="floor-words" x={x(toMm(shown.plan.cabinet.outside.width.value)) + 12} y={y(up + high / 2)} dominantBaseline="central">
        <tspan>{massText(mass.value, shown.unit)}</tspan>
        <tspan className="rest" x={x(toMm(shown.plan.cabinet.outside.width.value)) + 12} dy={17}>
          {arrangement ? `${Math.round(arrangement.fill * 100)} % full` : mass.value > 0 ? 'assumed' : 'empty'}
        </tspan>
      </text>
    </g>
  );
}

/** Width of a letter, and least width for a name, px. */
const LETTER = 6.2;
const MIN_NAME = 44;

/** An item's name, as much of it as fits; vertical in narrow ones. */
function ThingName({
  item,
  x,
  y,
  width,
  height,
}: {
  readonly item: Item;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}) {
  const lies = width >= MIN_NAME && height >= 16;
  const room = lies ? width : height;
  if (!lies && (width < 16 || height < MIN_NAME)) return null;
  const letters = Math.floor((room - 6) / LETTER);
  const text = item.name.length > letters ? `${item.name.slice(0, Math.max(1, letters - 1))}…` : item.name;
  const [cx, cy] = [x + width / 2, y - height / 2];
  return (
    <text className="thing-name" x={cx} y={cy} textAnchor="middle" dominantBaseline="central" {...(lies ? {} : { transform: `rotate(-90 ${cx} ${cy})` })}>
      {text}
    </text>
  );
}

export function Shape({
  item,
  x,
  y,
  along,
  up,
  lit,
}: {
  readonly item: Item;
  readonly x: (mm: number) => number;
  readonly y: (mm: number) => number;
  readonly along: number;
  readonly up: number;
  readonly lit: boolean;
}) {
  return (
    <polygon
      className={`thing-shape ${item.kind}${lit ? ' selected' : ''}`}
      points={placedOutline(item, along, up)
        .map(([mx, my]) => `${x(mx)},${y(my)}`)
        .join(' ')}
    />
  );
}

/** Items without a place, one of each kind, in rows. */
export function Tray({
  lots,
  x: left,
  y: top,
  width,
  height,
  scale: boxScale,
  chosen,
  onTake,
}: {
  readonly lots: ReturnType<typeof unplacedItems>;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly chosen: string | null;
  readonly onTake: Take;
}) {
  const pad = 14;
  // At the drawing's scale when they fit; otherwise smaller, with a remark.
  let scale = boxScale;
  let rows = layRows(lots, scale, width - 2 * pad);
  while (rows.height > height - 46 && scale > 0.02) {
    scale *= 0.85;
    rows = layRows(lots, scale, width - 2 * pad);
  }
  return (
    <g className="tray">
      <rect className="tray-room" x={left} y={top} width={width} height={height} />
      <text className="view-name" x={left + pad} y={top + 20}>
        without a place{scale < boxScale * 0.99 ? ', drawn smaller' : ''}
      </text>
      {rows.places.map(({ lot, x, y }) => (
        <g key={lot.item.id} className="thing" data-thing={lot.item.id} onPointerDown={onTake(lot.item, null)}>
          <title>
            {lot.count} × {lot.item.name}
          </title>
          <Shape item={lot.item} x={(mm) => left + pad + x + mm * scale} y={(mm) => top + 34 + y - mm * scale} along={0} up={0} lit={chosen === lot.item.id} />
          <text className="rest" x={left + pad + x} y={top + 34 + y + 13}>
            {lot.count > 1 ? `${lot.count} × ` : ''}
            {lot.item.name.length > 14 ? `${lot.item.name.slice(0, 13)}…` : lot.item.name}
          </text>
        </g>
      ))}
    </g>
  );
}

function layRows(
  lots: ReturnType<typeof unplacedItems>,
  scale: number,
  width: number,
): { places: { lot: (typeof lots)[number]; x: number; y: number }[]; height: number } {
  const places: { lot: (typeof lots)[number]; x: number; y: number }[] = [];
  let [x, y, high] = [0, 0, 0];
  let row: typeof places = [];
  const close = (): void => {
    for (const place of row) places.push({ ...place, y: y + high });
    y += high + 26;
    [x, high, row] = [0, 0, []];
  };
  for (const lot of lots) {
    const points = placedOutline(lot.item, 0, 0);
    const wide = Math.max(...points.map(([px]) => px)) * scale;
    const room = Math.max(wide, 96);
    if (x > 0 && x + room > width) close();
    row.push({ lot, x, y: 0 });
    x += room + 10;
    high = Math.max(high, Math.max(...points.map(([, py]) => py)) * scale);
  }
  close();
  return { places, height: y };
}
