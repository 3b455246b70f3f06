/** The text of a cut through a sheet: what to do, what stays, what falls off, what to watch. */
import { fineText } from '../checks/words/amounts.ts';
import type { CutStep, SheetPiece } from '../sawing/pieces.ts';
import { isLarge } from '../sawing/ways.ts';
import { tapeText } from '../length/format.ts';
import type { DisplayUnit, Length } from '../length/length.ts';

export interface CutWords {
  /** 'Table saw, fence at 300 mm' */
  readonly set: string;
  /** 'Rip a strip 300 mm wide off sheet 1, 1210 × 2440' */
  readonly what: string;
  /** Pieces after the cut, on each side. */
  readonly stays: string;
  readonly falls: string;
  readonly cautions: readonly string[];
}

export interface CutContext {
  /** Mark of a part. */
  readonly markOf: (part: string) => string;
  readonly unit: DisplayUnit;
  /** Number of sheets: a single one needs no number. */
  readonly sheets: number;
}

const upper = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Sizes along and across, as on a tape. */
export const sizeWords = ({ dx, dy }: { readonly dx: Length; readonly dy: Length }, unit: DisplayUnit): string =>
  `${tapeText(dx, unit)} × ${tapeText(dy, unit)} ${unit}`;

export function cutWords(step: CutStep, context: CutContext): CutWords {
  const { piece, near, far, purpose, axis } = step;
  const { unit } = context;
  const sheet = context.sheets > 1 ? `sheet ${step.sheet + 1}` : 'the sheet';
  const from = step.after === null ? sheet : `the piece of ${sheet}`;
  const verb = axis === 'y' ? 'Rip' : 'Crosscut';
  const across = axis === 'y' ? 'wide' : 'long';
  const size = fineText(step.keep, unit);
  const what =
    purpose === 'trim'
      ? `Trim the ${axis === 'y' ? 'long' : 'short'} near edge of ${from}, ${sizeWords(piece, unit)}: the cut is measured from it.`
      : purpose === 'size'
        ? `${verb} ${from}, ${sizeWords(piece, unit)}, to ${size} ${across === 'wide' ? 'in width' : 'in length'}.`
        : `${verb} ${size} off ${from}, ${sizeWords(piece, unit)}.`;
  return {
    set: setWords(step, unit),
    what,
    stays: pieceWords(near, context),
    falls: far ? pieceWords(far, context) : purpose === 'trim' ? 'the edge, as narrow as it is' : 'only dust: the blade takes what is left',
    cautions: cautionsOf(step, unit),
  };
}

function setWords({ way, axis, purpose }: CutStep, unit: DisplayUnit): string {
  if (!way) return 'No saw in the shop makes this cut';
  const at = fineText(way.setting, unit);
  const name = upper(way.machine.name);
  if (purpose === 'trim') return `${name}: just enough off to leave a clean straight edge`;
  if (way.held === 'guide') return `${name}: the line ${at} from the near ${axis === 'y' ? 'long edge' : 'end'}`;
  if (way.held === 'sled') return `${name}, stop at ${at}`;
  return way.against === 'near' ? `${name}, fence at ${at}` : `${name}, fence at ${at} on the far side`;
}

function pieceWords(piece: SheetPiece, { markOf, unit }: CutContext): string {
  const size = sizeWords(piece, unit);
  if (piece.part !== null) return `${markOf(piece.part)}, ${size}: a part, write its mark on it`;
  return piece.left ? `left over, ${size}` : `${size}, cut further`;
}

function cautionsOf({ way, cut, near, far }: CutStep, unit: DisplayUnit): string[] {
  const texts: string[] = [];
  if (way?.hazard === 'thin-rip')
    texts.push(`The strip between blade and fence is only ${fineText(cut.keep, unit)}: push it through with a long stick, or rip it from a wider piece.`);
  if (way?.hazard === 'short-piece')
    texts.push(
      `The piece is only ${fineText(Math.max(cut.line, cut.size) as Length, unit)} long: clamp it down, or hold it with a longer block, so that no hand comes near the blade.`,
    );
  if (way?.hazard === 'thin-falls') {
    const thin = way.against === 'far' ? near : far;
    texts.push(
      `A strip of ${thin ? fineText(thin.dx < thin.dy ? thin.dx : thin.dy, unit) : 'next to nothing'} falls free on the side away from the fence: stand beside it, not behind.`,
    );
  }
  if (isLarge(cut) && way?.held !== 'guide')
    texts.push(`${Math.round(cut.kg)} kg, ${fineText(cut.size, unit)} across: a second pair of hands, or a stand on the far side.`);
  else if (isLarge(cut)) texts.push(`${Math.round(cut.kg)} kg: cut it where it lies, on a sheet of foam or on battens.`);
  return texts;
}
