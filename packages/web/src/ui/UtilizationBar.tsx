/** Utilization of a link on a common scale: OK up to a mark, limit at 100 %. Zones by ticks and hatching, never by color alone. */
import { percentText } from '@keen/core';

export function UtilizationBar({ use, fineTo, limit }: { readonly use: number; readonly fineTo: number; readonly limit: number }) {
  const zone = use > limit ? 'over' : use > fineTo ? 'tight' : 'fine';
  const full = 1.25;
  const at = (share: number): string => `${(Math.min(share, full) / full) * 100}%`;
  return (
    <span className={`use-bar ${zone}`} role="img" aria-label={`uses ${percentText(use)}: ${zone}`}>
      <span className="use-fill" style={{ width: at(use) }} />
      {fineTo < limit && <span className="use-mark dashed" style={{ left: at(fineTo) }} />}
      <span className="use-mark" style={{ left: at(Number.isFinite(limit) ? limit : 1) }} />
    </span>
  );
}
