/** Why a part cannot lie somewhere on a sheet, as text. */
import type { WrongPlace } from '../sheets/pins.ts';

export function wrongPlaceWords(wrong: WrongPlace, markOf: (piece: string) => string): string {
  switch (wrong.why) {
    case 'off':
      return 'past the edge of the sheet, or in its trim';
    case 'grain':
      return 'across the grain';
    case 'flaw':
      return 'on a flaw';
    case 'near':
      return `nearer than a saw cut to ${markOf(wrong.part)}, which is pinned`;
    case 'no-cut':
      return 'no cut from edge to edge gets it off beside the others that are pinned';
    default:
      return wrong satisfies never;
  }
}
