/** The outline of one item in its stance, to scale. */
import { toMm, type Item } from '@keen/core';

/** Points of the outline in mm, from the lower left corner up. */
export function outlineOf({ kind, width, height, neck, profile }: Item): [number, number][] {
  const [w, h] = [toMm(width.nm), toMm(height.nm)];
  const symmetric = (rows: readonly (readonly [number, number])[]): [number, number][] => [
    ...rows.map(([at, wide]): [number, number] => [w / 2 + wide / 2, at]),
    ...[...rows].reverse().map(([at, wide]): [number, number] => [w / 2 - wide / 2, at]),
  ];
  if (profile.length >= 2) return symmetric(profile.map(({ at, width: wide }) => [toMm(at.nm), toMm(wide.nm)]));
  const thin = neck ? toMm(neck.nm) : w * 0.35;
  if (kind === 'glass')
    return symmetric([
      [0, w * 0.8],
      [h * 0.03, w * 0.8],
      [h * 0.05, thin],
      [h * 0.45, thin],
      [h * 0.55, w],
      [h, w * 0.85],
    ]);
  if (kind === 'bottle' && neck)
    return symmetric([
      [0, w],
      [h * 0.6, w],
      [h * 0.78, thin],
      [h, thin],
    ]);
  return [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ];
}

/** An item in a frame of (along, up) mm, in its stance. */
export function placedOutline(item: Item, along: number, up: number): [number, number][] {
  const points = outlineOf(item);
  const [w, h] = [toMm(item.width.nm), toMm(item.height.nm)];
  if (item.turned) {
    // Seen from its side: a plain block of its depth.
    const d = toMm(item.depth.nm);
    const [across, high] = item.stands === 'lying' ? [d, w] : [d, h];
    return [
      [0, 0],
      [across, 0],
      [across, high],
      [0, high],
    ].map(([x, y]): [number, number] => [along + x!, up + y!]);
  }
  if (item.stands === 'lying') return points.map(([x, y]) => [along + y, up + x]);
  if (item.stands === 'leaning') {
    const lean = (12 * Math.PI) / 180;
    return points.map(([x, y]) => [along + x * Math.cos(lean) + y * Math.sin(lean), up + y * Math.cos(lean) + (w - x) * Math.sin(lean)]);
  }
  return points.map(([x, y]) => [along + x, up + y]);
}

export function Silhouette({ item, size = 120 }: { readonly item: Item; readonly size?: number }) {
  const points = placedOutline(item, 0, 0);
  const wide = Math.max(...points.map(([x]) => x), 1);
  const high = Math.max(...points.map(([, y]) => y), 1);
  const scale = (size - 8) / Math.max(wide, high);
  return (
    <svg className="silhouette drawing" width={wide * scale + 8} height={high * scale + 8} role="img" aria-label={`Outline of ${item.name}`}>
      <polygon className="thing-shape" points={points.map(([x, y]) => `${4 + x * scale},${4 + (high - y) * scale}`).join(' ')} />
    </svg>
  );
}
