/** Messages of findings about a cabinet's contents. */
import type { DisplayUnit } from '../../length/length.ts';
import type { Finding } from '../finding.ts';
import { lengthsApart, lengthText, percentText } from './amounts.ts';
import { withArticle } from './labels.ts';
import { capital, type Sentence } from './sentence.ts';

type ContentsFinding = Extract<
  Finding,
  {
    check:
      | 'holds-too-deep'
      | 'holds-too-tall'
      | 'no-room'
      | 'cannot-grasp'
      | 'slot-count'
      | 'no-growth'
      | 'bridges-gap'
      | 'slides-off'
      | 'out-of-reach'
      | 'stem-too-wide'
      | 'too-few-notches';
  }
>;

export function contentsWords(finding: ContentsFinding, unit: DisplayUnit): Sentence {
  const length = (nm: number): string => lengthText(nm, unit);
  /** Actual and required amount, where a finding compares them. */
  const [has, needs] =
    'hasNm' in finding ? lengthsApart(Math.max(0, finding.hasNm), 'needsNm' in finding ? finding.needsNm : finding.wantedNm, unit) : ['', ''];
  const item = capital(finding.item);
  switch (finding.check) {
    case 'holds-too-deep':
      return {
        says: `${item} needs ${needs} of depth; ${withArticle(finding.name)} has ${has}.`,
        why: 'It stands out at the front, and a door would not shut.',
      };
    case 'holds-too-tall':
      return {
        says: `${item} needs ${needs} with room to lift it out; ${withArticle(finding.name)} has ${has}.`,
        why: 'It does not go in, or does not come out again.',
      };
    case 'stem-too-wide':
      return {
        says: `${item} is ${needs} wide where a notch takes it; the notches of ${withArticle(finding.name)} are ${has}.`,
        why: 'It does not go in.',
      };
    case 'too-few-notches':
      return {
        says: `${finding.count} are to hang in ${withArticle(finding.name)}; it has ${finding.notches} ${finding.notches === 1 ? 'notch' : 'notches'}.`,
        why: 'Each takes one.',
      };
    case 'no-room':
      return {
        says: `${finding.count} of ${finding.item} ${finding.count === 1 ? 'finds' : 'find'} no room in ${withArticle(finding.name)}.`,
        why: 'What stands beside them takes the width.',
      };
    case 'cannot-grasp':
      return finding.why === 'hole'
        ? {
            says: `${item} stands ${has} out of its hole; ${needs} is wanted to take hold of it.`,
            why: 'Sunk too far, it has to be shaken out.',
          }
        : {
            says: `The rear ones of ${finding.item} stand behind others with ${has} of room over them; a hand wants ${needs}.`,
            why: 'They are taken out only after the ones before them.',
          };
    case 'slot-count':
      return finding.wanted > finding.fits
        ? {
            says: `${finding.wanted} of ${finding.item} are wanted; ${finding.fits} fit in ${length(finding.insideNm)}. One more than that takes ${length(finding.oneMoreNm)}.`,
            why: 'Counted before it is cut, nothing is left over.',
          }
        : {
            says: `${finding.fits} of ${finding.item} would fit; ${finding.wanted} ${finding.wanted === 1 ? 'is' : 'are'} planned.`,
            why: 'There is room for more in the same width.',
          };
    case 'no-growth':
      return {
        says: `Every place that can take ${finding.item} is ${percentText(finding.fill)} full.`,
        why: 'Over 90 % there is no room for one more.',
      };
    case 'bridges-gap':
      return {
        says: `${item}, ${length(finding.lengthNm)} from front to back, lies over a gap of ${length(finding.gapNm)}.`,
        why: finding.limp ? 'Limp things hang down between supports over a third of their length.' : 'It drops through when it is pushed a little.',
      };
    case 'slides-off':
      if (finding.why === 'leans')
        return { says: `${item} leans with no lip in front of its foot.`, why: 'The foot slides forward until it falls flat, or off.' };
      return finding.why === 'rolls'
        ? { says: `${item} can roll out: there is no lip and no tilt back.`, why: 'A slammed door is enough.' }
        : {
            says: `${item} stands on ${length(finding.thickNm)} from front to back with no lip and no tilt.`,
            why: 'Under 30 mm (1 3/16 in) it is easily pushed off.',
          };
    case 'out-of-reach':
      return {
        says: `${item}, in daily use, stands at ${length(finding.upNm)}; ${length(finding.reachNm)} is reached flat-footed.`,
        why: 'What is fetched every day belongs between hip and eye.',
      };
  }
}
