/** Messages of findings: what is wrong with its numbers, and why it matters. Web, command and print share them. */
import { roundToNm, type DisplayUnit } from '../../length/length.ts';
import type { Finding, OutsideOf } from '../finding.ts';
import { isLessMm } from '../../length/same-size.ts';
import { TIP_COVER_MM } from '../screw-checks.ts';
import { capital, type Sentence } from './sentence.ts';
import { fineText, forceText, lengthsApart, lengthText, massesApart, massText, percentText, sagText } from './amounts.ts';
import { contentsWords } from './contents-findings.ts';
import { hangingWords } from './hanging-findings.ts';
import { labelWords, withArticle } from './labels.ts';
import { joineryWords } from './joinery-findings.ts';
import { wallWords } from './wall-findings.ts';

export type { Sentence };

const PART_FILLED = { 'part-out': 'Filled at the front only', 'part-left': 'Filled on the left only', 'part-right': 'Filled on the right only' } as const;
const SCREWS_OF = {
  stud: 'Wall screws',
  joint: 'Joint screws',
  'cabinet-half': 'Screws into the cabinet half',
  pocket: 'Pocket screws',
  brad: 'Brads',
} as const;

export function findingWords(finding: Finding, unit: DisplayUnit): Sentence {
  const mm = (value: number): string => lengthText(Math.round(value * 1e6), unit);
  const apart = (a: number, b: number): [string, string] => lengthsApart(roundToNm(a), roundToNm(b), unit);
  switch (finding.check) {
    case 'nominal-thickness':
      return {
        says: `${finding.product} ${finding.readings === 0 ? 'has not been measured' : 'was measured once'}; its slots are cut to ${fineText(finding.cutToNm, unit)} ${finding.playNm === 0 ? 'with no' : `plus ${fineText(finding.playNm, unit)}`} play.`,
        why: 'Sheets are rarely what their name says; a few tenths decide whether a shelf binds or rattles.',
      };
    case 'cannot-be-made':
      return finding.other === null
        ? {
            says: `${capital(labelWords(finding.name))} has no size left.`,
            why: 'What stands beside it takes all the room there is: make the unit larger, or what takes the room smaller.',
          }
        : {
            says: `${capital(labelWords(finding.name))} does not come up to ${withArticle(finding.other)} with these sizes.`,
            why: 'The joint between the two cannot be cut; change the angle or the size last entered.',
          };
    case 'not-planned':
      return { says: `${capital(finding.message)}.`, why: `Accepted: ${finding.accepted}.` };
    case 'parts-clash':
      return {
        says: `${capital(labelWords(finding.name))} and ${labelWords(finding.other)} stand in one another.`,
        why: 'Only one of them can be there: one has to move, or the unit to grow.',
      };
    case 'slender-strip':
      return {
        says: `${capital(labelWords(finding.name))} is ${lengthText(finding.lengthNm, unit)} long and ${fineText(finding.minNm, unit)} thick, with nothing behind its middle.`,
        why: 'A strip over thirty times as long as it is thick bends under a thing that leans on it, and bows by itself.',
      };
    case 'weak-bottom':
      return {
        says: `${capital(labelWords(finding.name))} rests on glue or fasteners alone, ${percentText(finding.use)} used.`,
        why: 'With no wood under it, everything in the box hangs on that joint.',
      };
    case 'fastener-pulls-out':
      return {
        says: `${capital(labelWords(finding.name))} is under the sides' ends, ${percentText(finding.use)} used.`,
        why: 'The load pulls fasteners and glue straight off the ends instead of across them.',
      };
    case 'sag':
      return {
        says: `${capital(labelWords(finding.name))} will show a sag of ${sagText(finding.laterMm, unit)} in years under ${finding.kg < 0.05 ? 'its own weight' : massText(finding.kg, unit)}; more than ${sagText(finding.limitMm, unit)} can be seen.`,
        why: 'About looks only: it does not enter the hanging.',
      };
    case 'shelf-breaks':
      return {
        says: `${capital(labelWords(finding.name))} bends past what the sheet may carry for years: ${percentText(finding.use)}.`,
        why: 'It can break, not only sag.',
      };
    case 'shelf-outside':
      return {
        says: `Over ${withArticle(finding.name)} there is no room${finding.overNm > 0 ? `: ${lengthText(finding.overNm, unit)} too little` : ''}.`,
        why: 'The shelves stand in one another or outside the box.',
      };
    case 'slot-too-deep':
      return {
        says: `A ${finding.which === 'joint' ? 'slot' : 'rabbet'} of ${fineText(finding.depthNm, unit)} in ${fineText(finding.thicknessNm, unit)} goes past half.`,
        why: 'What is left behind it breaks out or bends.',
      };
    case 'screw-too-long':
      if (finding.where === 'pocket')
        return {
          says: `Pocket screws of ${lengthText(finding.lengthNm, unit)} come ${mm(finding.overMm)} out of the far face of what they go into.`,
          why: 'The tip shows, and cuts fingers.',
        };
      if (finding.where === 'hinge')
        return {
          says: `Hinge screws of ${lengthText(finding.lengthNm, unit)} are ${mm(finding.overMm)} too long for what they go into.`,
          why: 'A tip that comes out shows, and cuts fingers.',
        };
      return finding.where === 'stud'
        ? {
            says: `Wall screws of ${lengthText(finding.lengthNm, unit)} reach ${mm(finding.overMm)} further than the stud allows.`,
            why: 'Behind the stud there may be a cable, a pipe or the next room.',
          }
        : {
            says: isLessMm(0, finding.overMm)
              ? `Screws of ${lengthText(finding.lengthNm, unit)} come ${mm(finding.overMm)} out of the far face of the cabinet half.`
              : `Screws of ${lengthText(finding.lengthNm, unit)} end ${apart(-finding.overMm, TIP_COVER_MM).join(' short of the far face of the cabinet half; ')} is the least.`,
            why: 'A tip that comes out keeps the halves from seating, and cuts fingers.',
          };
    case 'screw-too-short': {
      const [grip, wanted] = apart(Math.max(0, finding.gripMm), finding.wantedMm);
      return {
        says: `${SCREWS_OF[finding.where]} of ${lengthText(finding.lengthNm, unit)} grip ${grip}; at least ${wanted} is needed.`,
        why: finding.where === 'brad' ? 'Too little of it in the edge that is to hold it.' : 'Too little thread in the wood that is to hold it.',
      };
    }
    case 'few-studs':
      return {
        says: finding.studs === 0 ? 'No stud stands behind what is screwed to the wall.' : 'Only one stud stands behind what is screwed to the wall.',
        why: 'Two studs at least carry a cabinet; wallboard carries none of it.',
      };
    case 'no-stud-anchors':
      return { says: 'Nobody has entered where the studs are.', why: 'Screws in wallboard alone pull out. Find the studs first.' };
    case 'lift-clearance': {
      const [free, needed] = apart(Math.max(0, finding.freeMm), finding.neededMm);
      return { says: `${free} free above the unit; lifting it onto the cleat takes ${needed}.`, why: 'It cannot be hooked over.' };
    }
    case 'thin-back-only':
      return {
        says:
          finding.backNm === 0
            ? 'There is nothing to screw the cabinet half to.'
            : `The cabinet half holds only in a back of ${fineText(finding.backNm, unit)}.`,
        why: 'Screw heads pull through a thin back, and its edges let go.',
      };
    case 'nowhere':
      return {
        says: `${capital(labelWords(finding.name))} is in an opening that is not there, or has no level floor.`,
        why: 'It is left out: it is neither drawn, cut nor counted.',
      };
    case 'not-filled':
      return finding.offNm > 0
        ? {
            says: `${capital(labelWords(finding.name))} leaves ${lengthText(finding.offNm, unit)} open.`,
            why: 'Every size in its row is entered, and together they come to less than there is to fill.',
          }
        : {
            says: `${capital(labelWords(finding.name))} is ${lengthText(-finding.offNm, unit)} too large for what the others leave.`,
            why: 'Every size in its row is entered, and together they come to more than there is room for.',
          };
    case 'part-outside':
      return {
        says: `${capital(labelWords(finding.name))} stands ${mm(finding.byMm)} ${OUTSIDE_WORDS[finding.side]}.`,
        why: finding.side === 'wall' ? 'The wall is there: the cabinet cannot be hung.' : 'It does not fit into the cabinet that it belongs to.',
      };
    case 'no-room-for-cut':
      return noRoomForCutWords(finding);
    case 'half-misses':
      return {
        says: `The cabinet half's screws miss ${withArticle(finding.name)} by ${mm(finding.missMm)}.`,
        why: 'They stand above the bevel, and 2.5 of their diameters inside both pieces.',
      };
    case 'off-balance':
      return {
        says:
          finding.pastMm === null
            ? 'The cabinet cleat does not overlap any piece of wall cleat that is screwed to two studs.'
            : `${finding.partly ? `${PART_FILLED[finding.partly]}, the` : 'The'} center of gravity is ${mm(finding.pastMm)} past the end of where the two halves of the cleat overlap.`,
        why: 'The weight comes down only where they overlap: the cabinet tips off sideways.',
      };
    case 'no-spacer':
      return { says: 'There is no spacer at the bottom.', why: 'The unit swings in until it hangs crooked, and the cleat is pried off.' };
    case 'wrong-spacer':
      return {
        says: `The spacer is ${fineText(finding.spacerNm, unit)}, the gap ${fineText(finding.gapNm, unit)}: the unit leans ${mm(Math.abs(finding.slopeMm))} ${finding.slopeMm > 0 ? 'out' : 'in'} at the bottom.`,
        why: 'The bevels meet on an edge instead of flat.',
      };
    case 'lifts-off':
      return {
        says: `The hook is ${percentText(finding.tip)} used and nothing locks it; ${finding.pullN < 1 ? 'the least pull' : `a pull of ${forceText(finding.pullN, unit)}`} at the bottom unhooks it.`,
        why: 'One screw through the bottom into a stud keeps it on.',
      };
    case 'unfastened':
      return {
        says: finding.half === 'wall' ? 'No screw holds the wall half.' : 'No screw holds the cabinet half.',
        why: 'Glue and friction are not counted on: the screws carry it all.',
      };
    case 'slim-cleat': {
      const [short, wanted] = apart(finding.shortMm, finding.wantedMm);
      return {
        says: `The short face of the cleat is ${short}; ${wanted} is wanted.`,
        why: 'Two rows of screws need their distance from both edges, or the strip splits.',
      };
    }
    case 'overhang': {
      const [over, most] = apart(finding.overMm, finding.maxMm);
      return {
        says: `The wall half stands ${over} past the last stud on the ${finding.side}; ${most} is the most.`,
        why: 'What hangs on its free end pries the last screws out.',
      };
    }
    case 'cleat-splits':
      return {
        says: `The strip over the upper screws may split along its grain: ${percentText(finding.use)} of what it is trusted with.`,
        why: 'A caution on a weak basis: plywood with crossed plies does not split like this.',
      };
    case 'cleat-material':
      return {
        says: `${finding.through ? 'A strip that is screwed to the wall' : 'A cleat'} of ${finding.material} is not allowed.`,
        why: 'Boards of chips and fibres split at the screw row.',
      };
    case 'children':
      return {
        says: `Someone leaning on the front edge or pulling at the bottom: ${finding.reason === 'tip' ? 'the hook' : finding.reason === 'pull' ? 'the pull' : 'the wall screws'} ${percentText(finding.use)} used.`,
        why: finding.near ? 'Children can reach it.' : 'Keep children from climbing, or add screws through the bottom into studs.',
      };
    case 'machine-too-small':
      return {
        says: `${finding.mark} needs a ${finding.what} of ${lengthsApart(finding.sizeNm, finding.capacityNm, unit).join('; the saw goes to ')}.`,
        why: 'Another saw, a guide or a helper is needed for that cut.',
      };
    case 'too-large-for-stock':
      return {
        says: `${finding.mark}, ${lengthText(finding.lengthNm, unit)} by ${lengthText(finding.widthNm, unit)}, does not come out of ${finding.product}.`,
        why: 'It cannot be cut in one piece.',
      };
    case 'look-alikes':
      return {
        says: `${finding.marks[0]} and ${finding.marks[1]} differ by ${lengthText(finding.byNm, unit)} in one size.`,
        why: 'Easily swapped: write the marks on them as they come off the saw.',
      };
    case 'no-straight-edge':
      return {
        says: `${finding.offcuts.join(', ')} of ${finding.product} ${finding.offcuts.length === 1 ? 'has' : 'have'} no straight edge, and no saw here makes one.`,
        why: 'Nothing crooked runs along a fence: it is left out until a saw on a guide cuts it straight.',
      };
    case 'grain-crossed':
      return finding.how === 'neighbor'
        ? {
            says: `The grain of ${withArticle(finding.name)} runs across that of ${withArticle(finding.other!)} beside it.`,
            why: 'Seen side by side, one looks as if it had been put in by mistake.',
          }
        : {
            says: `${capital(labelWords(finding.name))}, ${lengthText(finding.lengthNm, unit)} long, ${finding.how === 'spans' ? 'spans' : 'may come out spanning'} across its face grain.`,
            why: 'Across the grain a sheet bends more and breaks sooner; sag and load are worked out that way.',
          };
    case 'offcut-first':
      return {
        says: `${capital(finding.piece)}, ${lengthText(finding.lengthNm, unit)} by ${lengthText(finding.widthNm, unit)}, is in the store and would give ${finding.marks.join(' or ')}.`,
        why: 'What is there costs nothing, and a new sheet is left with one larger piece.',
      };
    case 'thin-rip':
      return {
        says: `${finding.mark} is a strip only ${lengthText(finding.sizeNm, unit)} wide.`,
        why:
          finding.against === 'rest'
            ? 'Rip it so that it falls free on the side away from the fence: between blade and fence it is caught and thrown.'
            : 'No saw here cuts it but between blade and fence, where it is caught and thrown back.',
      };
    case 'kerf-forgotten':
      return {
        says: `${finding.count} strips of ${lengthText(finding.sizeNm, unit)} come out of ${lengthText(finding.widthNm, unit)} only if the saw takes nothing: with its kerf of ${lengthText(finding.kerfNm, unit)} and trimmed edges they need ${lengthText(finding.needsNm, unit)}.`,
        why: `${finding.marks.join(', ')}: the last strip wants another sheet.`,
      };
    case 'wont-fit-car':
      return {
        says: `A sheet of ${finding.product}, ${lengthText(finding.lengthNm, unit)} by ${lengthText(finding.widthNm, unit)}, does not lie flat in the car: ${lengthText(finding.carNm[0], unit)} by ${lengthText(finding.carNm[1], unit)}.`,
        why: 'Have it cut at the yard, into pieces that the parts come out of.',
      };
    case 'heavy-sheet':
      return {
        says: `A sheet of ${finding.product} weighs ${massText(finding.kg, unit)}.`,
        why: `Over ${massText(finding.limitKg, unit)} it takes two people, or a first cut where it lies.`,
      };
    case 'too-heavy-alone': {
      const [weighs, lifts] = massesApart(finding.kg, finding.limitKg, unit);
      return {
        says: `The empty unit weighs ${weighs}; one person lifts ${lifts} to that height.`,
        why: 'A helper, or a ledger screwed under it to rest on.',
      };
    }
    case 'glue-on-finish':
      return finding.why === 'faced'
        ? { says: `${finding.product} is faced: glue does not hold on it.`, why: 'Those joints count as fasteners only.' }
        : {
            says: `The ${finding.product} goes on before assembly, over the faces that are to be glued.`,
            why: 'Glue does not hold on a finish: tape those faces off.',
          };
    case 'through-or-between':
    case 'front-clearance':
    case 'tight-back':
    case 'round-corner':
    case 'split-back':
    case 'glued-shut':
    case 'not-mirrored':
    case 'wood-movement':
    case 'bevel-mismatch':
    case 'not-glass':
    case 'taper-before-slots':
    case 'tear-out':
    case 'already-cut':
    case 'already-glued':
    case 'finish-before-assembly':
    case 'squeeze-out':
    case 'nail-blows-out':
    case 'visible-pocket-holes':
    case 'edge-split':
    case 'hollow-core':
      return joineryWords(finding, unit);
    case 'ground':
    case 'bed':
    case 'earthquake':
    case 'height-shift':
    case 'join-first':
    case 'moving-wall':
    case 'unrated-fixing':
    case 'plates-ground':
    case 'half-in-way':
    case 'lower-cleat-back':
    case 'stud-edge':
    case 'plugs-close':
    case 'stud-by-end':
    case 'marks-close':
    case 'over-load':
      return hangingWords(finding, unit);
    case 'holds-too-deep':
    case 'holds-too-tall':
    case 'no-room':
    case 'cannot-grasp':
    case 'slot-count':
    case 'no-growth':
    case 'bridges-gap':
    case 'slides-off':
    case 'stem-too-wide':
    case 'too-few-notches':
    case 'out-of-reach':
      return contentsWords(finding, unit);
    case 'collides':
    case 'covers-outlet':
    case 'hits-baseboard':
    case 'room-door':
    case 'door-hits':
    case 'head-room':
    case 'lid-room':
    case 'cable-unknown':
    case 'bowed-wall':
    case 'rail-pitch':
    case 'cleat-below':
    case 'off-rail':
    case 'rail-mismatch':
      return wallWords(finding, unit);
    default:
      return finding satisfies never;
  }
}

const OUTSIDE_WORDS: Readonly<Record<OutsideOf, string>> = {
  left: 'past the left side',
  right: 'past the right side',
  top: 'above the top',
  bottom: 'below the bottom',
  front: 'past the front',
  wall: 'into the wall',
};

function noRoomForCutWords({ name, why, hole }: Extract<Finding, { readonly check: 'no-room-for-cut' }>): { says: string; why: string } {
  const part = labelWords(name);
  switch (why) {
    case 'parted':
      return {
        says: `A notch in the ${part} cuts it through.`,
        why: 'Nothing holds the two sides of the notch together: make it less deep, or the part wider.',
      };
    case 'off-end':
      return { says: `A notch in the ${part} runs past its end.`, why: 'Its round end needs wood on both sides: fewer or narrower notches fit.' };
    case 'into-another':
      return { says: `Two notches in the ${part} run into one another.`, why: 'Fewer or narrower notches fit.' };
    case 'hole-off':
      return {
        says: `A ${hole ? `${hole} hole` : 'hole'} in the ${part} has no wood all round it.`,
        why: 'It breaks out over an edge or into a notch: move it, or make the part larger.',
      };
  }
}
