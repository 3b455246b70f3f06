/** Use of a link on the one scale there is: fine up to a mark, limit at 100 %. Zones by ticks and hatching, never by colour alone. */
import { percentText } from '@keen/core';

export function UseBar({ use, fineTo }: { readonly use: number; readonly fineTo: number }) {
  const zone = use > 1 ? 'over' : use > fineTo ? 'tight' : 'fine';
  const full = 1.25;
  const at = (share: number): string => `${(Math.min(share, full) / full) * 100}%`;
  return (
    <span className={`use-bar ${zone}`} role="img" aria-label={`uses ${percentText(use)}: ${zone}`}>
      <span className="use-fill" style={{ width: at(use) }} />
      <span className="use-mark dashed" style={{ left: at(fineTo) }} />
      <span className="use-mark" style={{ left: at(1) }} />
    </span>
  );
}
