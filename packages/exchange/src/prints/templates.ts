/** Templates at true size: a part flat on the bench with all its cuts, and wedges for blades, fences and tables. */
import { edgeWords, labelWords, type PartLine, type PieceDrawing } from '@keen/core';
import { circle, flattened, line, shape, type Stroke, type TrueDrawing, type Words } from './marks.ts';

const TEXT_MM = 3;
/** Extension of a hole's cross beyond its rim. */
const CROSS_MM = 2;

/** A part with its busier face up; what lies underneath is dashed. */
export function partTemplate(part: PartLine, piece: PieceDrawing): TrueDrawing {
  const { outline, underOutline, slots, holes, rips, lengthMm, widthMm } = piece;
  const strokes: Stroke[] = [
    shape(flattened(outline)),
    ...(underOutline ? [shape(flattened(underOutline), 'dashed')] : []),
    ...slots.map(({ under, shape: corners }) => shape(corners, under ? 'dashed' : 'heavy')),
    ...holes.flatMap(({ x, y, diameterMm, under }) => {
      const reach = diameterMm / 2 + CROSS_MM;
      return [
        circle({ x, y }, diameterMm / 2, under ? 'dashed' : 'heavy'),
        line({ x: x - reach, y }, { x: x + reach, y }, 'light'),
        line({ x, y: y - reach }, { x, y: y + reach }, 'light'),
      ];
    }),
    ...rips.map(({ atMm }) => line({ x: 0, y: atMm }, { x: lengthMm, y: atMm })),
  ];
  const words: Words[] = [{ text: part.mark, at: { x: lengthMm / 2, y: widthMm / 2 }, high: TEXT_MM, centred: true }];
  const name = `${part.mark} ${labelWords(part.names[0]!)}`;
  return {
    title: `template for ${name}, ${edgeWords(part, 'start')} at the left, ${edgeWords(part, piece.below)} below, ${piece.up} face up`,
    width: lengthMm,
    height: widthMm,
    strokes,
    words,
  };
}

/** Long leg of a wedge, mm: long enough to set a blade by, short enough for every paper. */
const LEG_MM = 160;

/** A wedge of an angle below 60 degrees, to set a blade, a fence or a bevel gauge by. `what` names it. */
export function wedge(angleDeg: number, what: string): TrueDrawing {
  if (!(angleDeg > 0 && angleDeg < 60)) throw new RangeError(`a wedge of ${angleDeg} degrees cannot be printed: more than 0 and less than 60 can`);
  const run = angleDeg > 30 ? LEG_MM / 2 : LEG_MM;
  const rise = run * Math.tan((angleDeg * Math.PI) / 180);
  const text = `${Math.round(angleDeg * 100) / 100}°`;
  const corner = [
    { x: 0, y: 0 },
    { x: run, y: 0 },
    { x: run, y: rise },
  ];
  return {
    title: `wedge of ${text}, ${what}`,
    width: Math.max(run, 110) + 4,
    height: rise + 14,
    strokes: [shape(corner.map(({ x, y }) => ({ x, y: y + 10 })))],
    words: [{ text: `${text} from the long leg, ${Math.round((90 - angleDeg) * 100) / 100}° from the short one: ${what}`, at: { x: 0, y: 3 }, high: TEXT_MM }],
  };
}
