/** Side view of the cabinet, each link marked by its utilization: where to look first. */
import { labelWords, percentText, toMm, type Link, type ExistingCabinet } from '@keen/core';

const [W, H] = [420, 260];

export function ExistingCabinetDrawing({ existing, links }: { readonly existing: ExistingCabinet; readonly links: readonly Link[] }) {
  const [high, deep] = [toMm(existing.height), toMm(existing.depth)];
  const s = Math.min((H - 50) / high, 190 / deep);
  const [x, y] = [90, 24];
  const [w, h] = [deep * s, high * s];
  const places: Readonly<Record<string, readonly [number, number]>> = {
    'wall-screws': [x - 14, y + 26],
    tip: [x + 4, y + 14],
    'cabinet-half': [x + 14, y + 34],
    bottom: [x + w * 0.8, y + h - 5],
    lid: [x + w * 0.5, y - 4],
  };
  return (
    <svg
      className="drawing sum-picture"
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`From the side: ${links.map(({ name, use }) => `${labelWords(name)} ${percentText(use.value)}`).join(', ')}.`}
    >
      <rect className="sum-wood stud" x={40} y={6} width={50} height={H - 12} />
      <rect className="sum-outline" x={x} y={y} width={w} height={h} />
      <rect className="sum-wood wall-half" x={x} y={y + 14} width={8} height={26} />
      {existing.spacer && <rect className="sum-wood side" x={x} y={y + h - 16} width={8} height={16} />}
      <path className="sum-tick" d={`M${x + 8} ${y + h - 8}H${x + w}`} />
      {links.map(({ id, name, use, limit }, index) => {
        const [px, py] = places[id]!;
        const over = use.value > limit;
        return (
          <g key={id} className={`worry-mark ${over ? 'over' : use.value > 0.8 ? 'tight' : 'fine'}`}>
            {over ? <path d={`M${px - 5} ${py - 5}l10 10m0 -10l-10 10`} /> : <circle cx={px} cy={py} r={index === 0 ? 6 : 4} />}
            <path className="lead-line" d={`M${px} ${py}L${x + w + 18} ${40 + index * 34}`} />
            <text x={x + w + 22} y={44 + index * 34}>
              {labelWords(name)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
