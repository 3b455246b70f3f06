/** Messages of findings about where a cabinet hangs. */
import { roundToNm, type DisplayUnit } from '../../length/length.ts';
import type { Finding } from '../finding.ts';
import { fineText, lengthsApart, lengthText } from './amounts.ts';
import { withArticle } from './labels.ts';
import { capital, type Sentence } from './sentence.ts';

type WallFinding = Extract<
  Finding,
  {
    check:
      | 'collides'
      | 'covers-outlet'
      | 'hits-baseboard'
      | 'room-door'
      | 'door-hits'
      | 'head-room'
      | 'lid-room'
      | 'cable-unknown'
      | 'bowed-wall'
      | 'rail-pitch'
      | 'cleat-below'
      | 'off-rail'
      | 'rail-mismatch';
  }
>;

const INTO = { wall: 'the end of the wall', ceiling: 'the ceiling', floor: 'the floor' } as const;
const MISMATCH = {
  gone: 'The rail it hung on is gone.',
  board: 'is ripped from another board than its cabinet half',
  recessed: 'runs past the sides, and a cleat hidden in the depth does not let it',
  through: 'takes a cabinet half, and this unit is screwed to the studs',
  ends: 'does not reach over its whole width',
} as const;

export function wallWords(finding: WallFinding, unit: DisplayUnit): Sentence {
  const length = (nm: number): string => lengthText(nm, unit);
  switch (finding.check) {
    case 'collides': {
      const into = finding.what === 'unit' || finding.what === 'thing' ? finding.other : INTO[finding.what];
      return { says: `It runs ${length(finding.byNm)} into ${into}.`, why: 'Both cannot be there.' };
    }
    case 'covers-outlet':
      return { says: `It covers ${finding.other}.`, why: 'It has to be reached, and nobody should close in a fitting without an electrician.' };
    case 'hits-baseboard':
      return {
        says: `Its bottom is ${length(finding.byNm)} below the top of the baseboard, which stands ${length(finding.outNm)} out.`,
        why: 'It cannot lie flat to the wall there.',
      };
    case 'room-door':
      return {
        says: `${capital(finding.other)} swings into it: it stands ${length(finding.depthNm)} out, the door leaves ${length(finding.freeNm)}.`,
        why: 'The door with its handle meets the corner, every day.',
      };
    case 'door-hits':
      return {
        says: `Its door opens into ${finding.wall ? 'the side wall' : finding.other}.`,
        why: 'A door that stops before it is open blocks half of the shelves, and pries at its hinges.',
      };
    case 'lid-room': {
      const [free, needed] = lengthsApart(roundToNm(Math.max(0, finding.freeMm)), roundToNm(finding.neededMm), unit);
      return {
        says: `${free} free above; ${withArticle(finding.name)} takes ${needed} to turn up.`,
        why: 'Its thickness rises over the edge it turns about: it stops half open.',
      };
    }
    case 'head-room': {
      const [free, wanted] = lengthsApart(finding.freeNm, finding.wantedNm, unit);
      return { says: `${free} free over ${finding.other}; ${wanted} is wanted.`, why: 'Heads meet corners over a bench.' };
    }
    case 'cable-unknown':
      return finding.inBand > 0
        ? {
            says: `${finding.inBand} ${finding.inBand === 1 ? 'hole is' : 'holes are'} in a band where cables run${bandOf(finding.other)}: never drill there.`,
            why: 'Bands are a habit, not a promise; the other holes are "look first" too.',
          }
        : {
            says: `${finding.unlooked} ${finding.unlooked === 1 ? 'hole goes' : 'holes go'} in where nobody has looked.`,
            why: 'Cables and pipes run anywhere in old walls: detector, probe hole, power off. Then enter that you looked.',
          };
    case 'bowed-wall':
      return {
        says: `The wall bows ${fineText(finding.bowNm, unit)} along the cleat; ${fineText(finding.allowedNm, unit)} is the most unshimmed.${finding.rackNm > 1e6 ? ` Top and bottom are turned by ${fineText(finding.rackNm, unit)}: the unit would rack.` : ''}`,
        why: 'Screwed down to a bow the cleat bends, and the box goes out of square with it.',
      };
    case 'rail-pitch':
      return {
        says: `Its two cleats are ${length(finding.moduleNm)} apart; ${finding.railsNm === null ? 'there is no second rail below its own' : `the nearest rails are ${length(finding.railsNm)} apart`}.`,
        why: 'Only one of the two hooks would seat.',
      };
    case 'cleat-below':
      return { says: `Its lower cleat hangs ${length(finding.byNm)} below its bottom.`, why: 'It has nothing to be fixed to there, and shows.' };
    case 'off-rail':
      return {
        says: `It hangs ${length(Math.abs(finding.byNm))} ${finding.byNm > 0 ? 'above' : 'below'} where ${finding.rail} takes it.`,
        why: 'The bevels do not meet.',
      };
    case 'rail-mismatch':
      return {
        says: finding.what === 'gone' ? MISMATCH.gone : `${capital(finding.rail)} ${MISMATCH[finding.what]}.`,
        why: 'The halves of a cleat hook only when they come from one setting.',
      };
  }
}

const bandOf = (other: string): string => (other === '' ? '' : other === 'corner' || other === 'ceiling' ? ` along the ${other}` : ` (${other})`);
