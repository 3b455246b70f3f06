/** Messages of findings about fixings, what is below a cabinet, and its hanging height. */
import { roundToNm, type DisplayUnit } from '../../length/length.ts';
import type { Finding } from '../finding.ts';
import { bothMasses, fineText, lengthsApart, lengthText, massesApart, percentText } from './amounts.ts';
import { labelWords } from './labels.ts';
import { capital, type Sentence } from './sentence.ts';

type HangingFinding = Extract<
  Finding,
  {
    check:
      | 'ground'
      | 'bed'
      | 'earthquake'
      | 'height-shift'
      | 'join-first'
      | 'moving-wall'
      | 'unrated-fixing'
      | 'plates-ground'
      | 'half-in-way'
      | 'lower-cleat-back'
      | 'stud-edge'
      | 'plugs-close'
      | 'stud-by-end'
      | 'marks-close'
      | 'over-load';
  }
>;

const UNDER = { seat: 'a seat', bed: 'a bed', cot: 'a cot', cooker: 'a cooker' } as const;

const UNRATED = {
  plate: 'Nobody has entered what one of its keyhole plates carries.',
  'back-plane': 'Nobody has entered what one fixing in the back carries, straight out and along the wall.',
  'second-plane': 'Nobody has entered what one fixing of its second plane carries.',
} as const;

export function hangingWords(finding: HangingFinding, unit: DisplayUnit): Sentence {
  const mm = (value: number): string => lengthText(roundToNm(value), unit);
  switch (finding.check) {
    case 'ground':
      if (finding.why === 'unrated')
        return {
          says: 'It hangs from anchors in the wallboard, and nobody has entered what one of them carries.',
          why: "Wallboard crumbles slowly under a load that stays. Without its maker's rating an anchor counts as nothing.",
        };
      return {
        says: `Loaded it weighs ${massesApart(finding.kg, finding.limitKg, unit).join(`; ${finding.ground === 'anchors' ? 'anchors in wallboard' : 'light metal studs'} are trusted with `)}.`,
        why:
          finding.ground === 'anchors'
            ? 'A load that stays creeps out of wallboard: studs must carry it.'
            : 'Screws draw out of thin sheet: a plywood backer across several studs, or a timber stud, must carry it.',
      };
    case 'lower-cleat-back':
      return {
        says:
          finding.backNm === 0
            ? 'There is nothing to screw the lower cabinet cleat to.'
            : `The lower cabinet cleat is screwed to a ${fineText(finding.backNm, unit)} back alone.`,
        why: 'A few millimeters decide which of the two cleats carries the cabinet, so each must hold all of it. Screw heads pull through a thin back.',
      };
    case 'stud-edge': {
      const [has, wanted] = lengthsApart(roundToNm(Math.max(0, finding.hasMm)), roundToNm(finding.wantedMm), unit);
      return {
        says: `Screws stand ${has} from the edge of a ${fineText(finding.studNm, unit)} stud; ${wanted} is needed.`,
        why: 'So near its edge the stud splits and the screws let go.',
      };
    }
    case 'plugs-close':
      return {
        says: `Two plugs in one row stand ${mm(finding.apartMm)} apart; ${mm(finding.wantedMm)} is needed for both to count.`,
        why: 'The masonry breaks out around both at once: the two hold what one holds, and are counted as one.',
      };
    case 'stud-by-end': {
      const { hasMm, wantedMm, side } = finding;
      return {
        says: `A stud stands ${mm(hasMm)} from the ${side} end of the wall cleat; screws want ${mm(wantedMm)}. With ${mm(wantedMm - hasMm)} more this stud counts.`,
        why: 'Screws nearer to its end split the cleat, so the stud behind it carries nothing.',
      };
    }
    case 'marks-close':
      return {
        says: `${finding.marks} stud marks within ${fineText(finding.apartNm, unit)} are counted as one stud.`,
        why: 'A finder marks both edges of one stud. Probe each mark with a thin nail to count them as two.',
      };
    case 'over-load': {
      const { carriesKg, plannedKg } = finding;
      const link = `${capital(labelWords(finding.link))}: ${percentText(finding.use)}.`;
      // Where another stop refuses it at any load, the capacity is not mentioned.
      const carries =
        carriesKg === null
          ? ''
          : carriesKg > 0
            ? `Carries ${bothMasses(carriesKg, unit)} of contents; ${massesApart(plannedKg, carriesKg, unit)[0]} planned. `
            : 'It is over its limit with nothing in it. ';
      return finding.atLow
        ? { says: carries + link, why: 'With everything that nobody weighed as heavy as it may be. Weigh it, or strengthen the hanging.' }
        : { says: carries + link, why: 'Over limit: do not hang it like this.' };
    }
    case 'bed':
      return {
        says: `It hangs over ${UNDER[finding.under]}: its weakest link is used ${percentText(finding.use)}, 50 % is the most there${finding.locked ? '' : ', and nothing keeps it from being lifted off'}.`,
        why:
          finding.under === 'cooker'
            ? 'Heat and grease get at glue and finish, and hands reach up in haste. Better elsewhere.'
            : 'Whoever rests there cannot step aside. Better elsewhere; else locked, doors latched, used by half.',
      };
    case 'earthquake':
      return {
        says: finding.locked
          ? 'The ground shakes here, and the forces of that are not covered: this says nothing about them.'
          : 'The ground shakes here, and nothing keeps the unit from hopping off its hook.',
        why: 'A shake lifts as much as it pulls. Fixed at top and bottom, doors that latch, and the rules of the place.',
      };
    case 'height-shift':
      return {
        says: `Hung, its bottom came to ${lengthText(finding.cameNm, unit)}; ${lengthText(finding.askedNm, unit)} was asked for: ${fineText(Math.abs(finding.lowerNm), unit)} ${finding.lowerNm > 0 ? 'lower' : 'higher'}.`,
        why: 'The bevels settle into one another by what their points and the kerf leave. The line is marked higher by as much.',
      };
    case 'moving-wall':
      return finding.bolted
        ? {
            says: `In ${finding.structure} each of its two planes is reckoned for the road and the sea; what a crash does is not covered.`,
            why: 'Fixings for a crash, and for people beside it, are the business of whoever certifies the vehicle. Doors want latches.',
          }
        : {
            says: `On ${finding.structure} a hook alone does not hold: do not hang it on the cleat alone.`,
            why: 'What moves lifts the unit off its bevel. It needs bolts through two planes, and latches.',
          };
    case 'unrated-fixing':
      return { says: UNRATED[finding.what], why: "Without its maker's word it counts as nothing: sheet, insert and frame are its own business." };
    case 'plates-ground':
      return {
        says: `Keyhole plates on ${finding.ground} are not covered.`,
        why: 'A plate hangs on the head of a screw that stands off the wall: thin sheet and wallboard let such a screw tilt.',
      };
    case 'half-in-way':
      return {
        says: `The wall half of its cleat lies over ${finding.other}.`,
        why: 'It would not lie flat on the wall, and what is under it could not be reached. A notch in its lower edge goes round.',
      };
    case 'join-first':
      return {
        says: `It stands ${finding.apartNm <= 0 ? 'against' : `${fineText(finding.apartNm, unit)} from`} ${finding.other}, each on its own.`,
        why: 'Neighbors are clamped flush and screwed to each other before either is fixed to the wall, or their fronts never line up.',
      };
  }
}
