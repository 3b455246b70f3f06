/** Messages of findings about joinery and making. */
import { roundToNm, type DisplayUnit } from '../../length/length.ts';
import type { Finding } from '../finding.ts';
import { fineText, lengthsApart, lengthText } from './amounts.ts';
import { labelWords, withArticle } from './labels.ts';
import { capital, type Sentence } from './sentence.ts';

export type JoineryFinding = Extract<
  Finding,
  {
    check:
      | 'through-or-between'
      | 'front-clearance'
      | 'tight-back'
      | 'round-corner'
      | 'split-back'
      | 'glued-shut'
      | 'not-mirrored'
      | 'wood-movement'
      | 'bevel-mismatch'
      | 'not-glass'
      | 'taper-before-slots'
      | 'tear-out'
      | 'already-cut'
      | 'already-glued'
      | 'finish-before-assembly'
      | 'squeeze-out'
      | 'nail-blows-out'
      | 'visible-pocket-holes'
      | 'edge-split'
      | 'hollow-core';
  }
>;

const many = (count: number, one: string): string => (count === 1 ? `One ${one}` : `${count} ${one}s`);

export function joineryWords(finding: JoineryFinding, unit: DisplayUnit): Sentence {
  const mm = (value: number): string => lengthText(Math.round(value * 1e6), unit);
  const length = (nm: number): string => lengthText(nm, unit);
  switch (finding.check) {
    case 'through-or-between':
      return {
        says: `${capital(labelWords(finding.name))} is typed as ${fineText(finding.typedNm, unit)}; by itself it would be ${fineText(finding.derivedNm, unit)}. The difference is ${finding.times === 1 ? 'one thickness' : 'two thicknesses'} of ${fineText(finding.thicknessNm, unit)}.`,
        why: 'A length that forgot what it runs past is the most usual way to spoil a part.',
      };
    case 'front-clearance':
      return {
        says: `${capital(labelWords(finding.other))} stands ${length(finding.byNm)} in the way of ${withArticle(finding.name)}.`,
        why: 'An inset front needs its own thickness clear behind the front edges.',
      };
    case 'tight-back':
      return {
        says: `The back has ${fineText(finding.playNm, unit)} play in all; ${fineText(finding.wantedNm, unit)} is wanted.`,
        why: 'A sheet a hair too large, or one that has taken up damp, pushes the box out of square.',
      };
    case 'round-corner':
      return {
        says: `${many(finding.slots, 'stopped slot')} end round, by ${fineText(finding.radiusNm, unit)}; the corners of ${withArticle(finding.name)} are square.`,
        why: 'It stops short of its place by that much, or its corners must be taken off.',
      };
    case 'split-back':
      return finding.why === 'sheet'
        ? {
            says: `The back, ${length(finding.lengthNm)} by ${length(finding.widthNm)}, does not come out of one ${finding.product}.`,
            why: 'Two pieces do as well where their seam lies behind a shelf.',
          }
        : {
            says: `The seam of the back, ${length(finding.seamNm)} above the inside floor, lies behind no shelf.`,
            why: 'It shows, and nothing keeps the two pieces in one plane.',
          };
    case 'glued-shut':
      return finding.why === 'comes-out'
        ? {
            says: `${capital(labelWords(finding.name))} is glued to ${withArticle(finding.other)}, and one of them is meant to come out.`,
            why: 'Glued once, it does not.',
          }
        : {
            says: `${capital(labelWords(finding.name))} is glued by its end grain to ${withArticle(finding.other)}.`,
            why: 'End grain drinks the glue: the joint holds nothing, and will not come apart clean either.',
          };
    case 'not-mirrored':
      return {
        says: `The pin holes at the two ends of ${withArticle(finding.name)} are ${fineText(finding.byNm, unit)} apart in height.`,
        why: 'Rows counted from opposite ends of a pair only meet where the height is a whole number of pitches: the shelf rocks.',
      };
    case 'wood-movement':
      return {
        says: `${capital(labelWords(finding.name))} is solid wood ${length(finding.widthNm)} wide, fixed across its grain to ${withArticle(finding.other)}: it moves by about ${mm(finding.movesMm)} over the year.`,
        why: 'Held all across, it splits or pushes the joint open.',
      };
    case 'bevel-mismatch':
      return {
        says: `Its cabinet half is ripped at ${finding.bevelDeg}°, ${finding.rail} at ${finding.railDeg}°.`,
        why: 'Bevels that do not match touch on one edge: the hook is weaker, and the unit hangs where it likes.',
      };
    case 'not-glass':
      return { says: `The pane is glass, and is weighed and cut as ${finding.product}.`, why: 'Glass weighs four times as much, and nobody saws it here.' };
    case 'taper-before-slots':
      return {
        says: `${capital(labelWords(finding.name))} is shaped before ${finding.slots === 1 ? 'its slot is' : `${finding.slots} slots are`} cut.`,
        why: 'With its square edges gone there is nothing left to run along the fence.',
      };
    case 'tear-out':
      return {
        says: `${finding.slots === 1 ? 'A slot comes' : `${finding.slots} slots come`} out across the grain over edges that show, the first in ${withArticle(finding.name)}, cut at its final width with nothing behind.`,
        why: 'The last fibres have nothing to lean on and break away along the edge: scrap clamped behind it holds them, or a piece left wide is ripped clean after.',
      };
    case 'already-cut':
      return cutWords(finding, unit);
    case 'already-glued':
      return {
        says: `${capital(labelWords(finding.name))} came after all round it was glued up: it does not go into its joints any more.`,
        why: 'A slot cannot be cut in a box that is together, nor a part be sprung between sides that no longer move.',
      };
    case 'finish-before-assembly':
      return {
        says: `${capital(labelWords(finding.name))} is ${length(finding.openNm)} wide and ${length(finding.depthNm)} deep: no brush reaches its far corners once it is together.`,
        why: 'Inside faces are finished flat on the bench, with the glue faces taped off.',
      };
    case 'squeeze-out':
      return {
        says: `Stain goes on after ${finding.joints === 1 ? 'one joint is' : `${finding.joints} joints are`} glued, with nothing taped off.`,
        why: 'Where glue came out, stain does not take: pale patches along every joint.',
      };
    case 'nail-blows-out':
      return {
        says: `Brads of ${length(finding.lengthNm)} may wander ${mm(finding.driftMm)} in ${withArticle(finding.name)}; ${mm(finding.coverMm)} of wood covers them.`,
        why: 'A brad follows the grain and comes out of the face.',
      };
    case 'visible-pocket-holes':
      return {
        says: `The pocket holes on the ${finding.side === 'under' ? 'underside' : 'upper side'} of ${withArticle(finding.name)}, ${length(finding.faceUpNm)} above the floor, are seen from eye height.`,
        why: 'On its other side nobody sees them.',
      };
    case 'edge-split': {
      const [has, wanted] = lengthsApart(roundToNm(finding.hasMm), roundToNm(finding.wantedMm), unit);
      return finding.why === 'pilot'
        ? {
            says: `Screws go into the edge of ${withArticle(finding.name)} undrilled, ${has} from its ends; that wants ${wanted}.`,
            why: 'Plies part and board ends split.',
          }
        : {
            says: `Screws stand ${has} from the ends of ${withArticle(finding.name)}; ${wanted} is wanted.`,
            why: 'So near an end the edge splits, drilled or not.',
          };
    }
    case 'hollow-core':
      return {
        says: `A fastener goes ${mm(finding.reachMm)} into ${withArticle(finding.name)} of ${finding.product}; it is solid for ${mm(finding.edgeMm)} from its edges.`,
        why: 'Past that there is paper and air.',
      };
    default:
      return finding satisfies never;
  }
}

function cutWords({ why, name, guest, cutNm, plannedNm }: Extract<Finding, { check: 'already-cut' }>, unit: DisplayUnit): Sentence {
  const part = labelWords(name);
  const [is, now] = [fineText(cutNm, unit), fineText(plannedNm, unit)];
  switch (why) {
    case 'length':
    case 'width':
      return {
        says: `${capital(part)} is cut ${is} ${why === 'length' ? 'long' : 'wide'}; the plan has it at ${now} now, and no joint of it is left to take up the difference.`,
        why: 'What is cut stays as it is: the plan goes back to it, or the part is cut anew.',
      };
    case 'slot-narrow':
      return {
        says: `The slot for ${withArticle(guest!)} in the ${part} is cut ${is} wide; ${withArticle(guest!)} measures ${now}.`,
        why: 'It does not go in: plane or sand its end, cut it from a thinner sheet, or widen the slot.',
      };
    case 'slot-place':
      return {
        says: `The slot for ${withArticle(guest!)} in the ${part} is cut ${is} from its end or edge; the plan has it at ${now} now.`,
        why: 'A slot does not move: the plan goes back to where it is, or the part is cut anew.',
      };
  }
}
