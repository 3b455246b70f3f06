/** The text of a build step: what to do, with numbers, what to check, what is dangerous, and how to do it alone. */
import { FINISHES } from '../build/finishes.ts';
import { GLUES } from '../build/glues.ts';
import type { BuildFault } from '../build/build.ts';
import type { Precedence, Hindrance, HelperFor, Step, GlueWaySummary } from '../build/step.ts';
import { waitMin } from '../build/waiting.ts';
import { fineText, lengthText, minutesText } from '../checks/words/amounts.ts';
import { labelWords } from '../checks/words/labels.ts';
import { capital } from '../checks/words/sentence.ts';
import { NM_PER, type DisplayUnit } from '../length/length.ts';
import {
  cleatBig,
  coatText,
  cutText,
  drawerPlaces,
  glueText,
  hangText,
  marks,
  marksOf,
  openingsOf,
  plural,
  product,
  temperature,
  type BuildSummary,
  type DetailOf,
  type StepText,
  type StepWords,
} from './step-texts.ts';
import { handCutWords, setupWords } from './setup-words.ts';

export function stepWords(step: Step, summary: BuildSummary, unit: DisplayUnit): StepWords {
  const said = wordsOf(step, summary, unit);
  const of = step.unit === null ? null : (summary.plan.byId.get(step.unit)?.name ?? null);
  return {
    says: [],
    checks: [],
    caution: null,
    big: [],
    ...said,
    of,
    alone: step.helper === null ? null : step.helper === 'heavy' && step.detail.kind === 'cut' ? SHEET_ALONE : ALONE[step.helper],
  };
}

const ALONE: Readonly<Record<HelperFor, string>> = {
  heavy: 'Alone: a ledger screwed to two studs just under where it comes, one end up on it, then the other; never overhead at arm’s length.',
  long: 'Alone: a clamp, a nail or a screwed-on block holds the far end while you see to the near one.',
  many: 'Alone: one side flat on the bench, parts stood into it from a dry run in their order, the other side lowered on from one end; clamps opened to size beforehand.',
};

/** A sheet is heavy where it is cut, a cabinet where it is hung. */
const SHEET_ALONE =
  'Alone: the sheet stays down. Stood on its long edge and walked to its place, let down over foam, sawn along a clamped guide where it lies; what comes off is carried.';

/** With the cabinet's name, for lists of several cabinets. */
export const fullTitle = ({ title, of }: Pick<StepWords, 'title' | 'of'>): string => (of === null ? title : `${title}, ${of}`);

/** Why one step must precede another, as a sentence. */
export const reasonWords = ({ reason, waits }: Precedence): string => `${capital(labelWords(reason))}${waits ? `, ${minutesText(waitMin(waits))} later` : ''}.`;

const HINDERED: Readonly<Record<Hindrance, string>> = { glue: 'the glue skins over', clamps: 'clamps are missing', hands: 'more pieces than one person holds' };

/** One method to close a glue-up: its name, its most demanding stage, and what hinders it. */
export const glueWayWords = ({
  way,
  minutes,
  clamps,
  hindered,
}: GlueWaySummary): { readonly name: string; readonly time: string; readonly clamps: string; readonly hindered: string | null } => ({
  name: `${way.goes === 'one' ? 'all at once' : 'one side after the other'}, ${way.cauls ? 'cauls along the sides' : 'a clamp to each joint'}`,
  time: minutesText(minutes.value),
  clamps: plural(clamps.value, 'clamp'),
  hindered: hindered.length === 0 ? null : hindered.map((each) => HINDERED[each]).join(', '),
});

function wordsOf(step: Step, summary: BuildSummary, unit: DisplayUnit): StepText {
  const { detail } = step;
  const of = step.unit === null ? null : (summary.plan.byId.get(step.unit) ?? null);
  switch (detail.kind) {
    case 'measure':
      return {
        title: `Measure ${product(summary, detail.product)}`,
        says: ['Thickness at the corners and the middle of every sheet that is used, length and width once; mark each sheet with a letter.'],
        checks: ['Two readings at least; slots follow as soon as they are entered.'],
      };
    case 'cut':
      return cutText(detail, step, summary, unit);
    case 'boards':
      return {
        title: `Cut ${product(summary, detail.product)} to width and length`,
        says: [
          `Crosscut a little over, rip to width, then to length against a stop: ${plural(detail.lines.length, 'line')} of the cut list, about ${plural(detail.cuts, 'cut')}.`,
          marks(step, summary),
        ],
        checks: ['Wind and bow are looked at before it is ripped: a crooked board has no straight edge for the fence.'],
        caution: 'No narrow strip between blade and fence: it falls free on the other side.',
      };
    case 'label':
      return {
        title: 'Label and count',
        says: ['Each part as it comes off: mark, its name, which face shows, which end is up.'],
        checks: [`${plural(detail.parts, 'part')} on ${plural(detail.lines, 'line')} of the cut list; those that look alike are measured once more.`],
        big: [{ text: String(detail.parts), of: detail.parts === 1 ? 'part' : 'parts' }],
      };
    case 'setup': {
      const words = setupWords(detail.setup, summary.setups, unit);
      return {
        title: words.title,
        says: [words.gauge],
        checks: ['The first cut is made in scrap of the same sheet and tried with the part that goes in.'],
        caution: words.caution,
        big: words.set
          .filter(({ to }) => /^\d/.test(to))
          .slice(0, 3)
          .map(({ what, to, sum }) => ({ text: sum?.text ?? to, of: what })),
      };
    }
    case 'by-hand':
      return {
        title: detail.inside ? `${detail.stage === 'holes' ? 'Bore' : 'Cut'} by hand in what is glued up` : 'Cut by hand what no machine here makes',
        says: detail.operations.map((operation) => {
          const { panel } = summary.setups.blanks.get(operation.panel)!;
          return `${marksOf([panel.id], summary.plan)[0] ?? ''} ${labelWords(panel.name)}: ${handCutWords(operation, panel, unit)}.`.trim();
        }),
        checks: detail.inside
          ? ['Holes through a strip bored true at the bench and clamped in as a guide, a stop on the bit; slots along a straight edge clamped in.']
          : ['Marked with a knife from the part that goes in, sawn inside the line, pared to it: it goes in by hand.'],
        caution: 'Clamped down, both hands behind the edge of the chisel.',
        big: [{ text: String(detail.operations.length), of: detail.operations.length === 1 ? 'cut' : 'cuts' }],
      };
    case 'cleat-rip':
      return {
        title: 'Rip the cleat',
        says: ['One rip with the blade tilted parts each board into both halves. Mark both: this end left, this face to the wall.'],
        checks: ['A short end of both halves hooked together: the outer faces lie flush and the points do not touch bottom.'],
        caution: 'The piece that falls off lies under the tilted blade: leave it the room to fall. Unplug before the blade is tilted.',
        big: cleatBig(of, unit),
      };
    case 'band':
      return {
        title: 'Band edges',
        says: [
          `${plural(detail.edges, 'edge')}, ${lengthText(detail.lengthMm * NM_PER.mm, unit)} in all; trimmed flush with the faces, not below them.`,
          marks(step, summary),
        ],
        checks: ['Along each edge with a fingernail: no step, no gap.'],
      };
    case 'sand':
      return {
        title: `Sand the ${detail.side}`,
        says: [
          detail.side === 'inside'
            ? 'Faces that look into the cabinet, while they lie flat; joints and their slots are left alone.'
            : 'Joints flush first, then faces, then arrises broken by a stroke or two.',
        ],
        checks: ['Raking light over every face: pencil and saw marks are gone.'],
        caution: 'A mask; fine dust of sheet goods more than of solid wood.',
      };
    case 'coat':
      return coatText(detail, summary, unit);
    case 'dry-fit':
      return {
        title: `Put ${THE[detail.what]} together dry`,
        says: [`All ${plural(detail.joints, 'joint')} home without glue, clamps on; then the openings are measured and entered.`],
        checks: openingsOf(of, unit),
      };
    case 'glue':
      return glueText(detail, of, summary, unit);
    case 'square': {
      const { diagonal, allowed } = detail.diagonals;
      return {
        title: 'Compare the diagonals',
        says: ['Corner to corner both ways while the glue is wet; a clamp askew across the longer one pulls it square.'],
        checks: [
          `Each should be ${lengthText(Math.round(diagonal.value * NM_PER.mm), unit)}; they may differ by ${fineText(Math.round(allowed.value * 10) * (NM_PER.mm / 10), unit)}.`,
          'The longer leaf of a framing square laid in a corner says the same of one corner only.',
        ],
        big: [{ text: fineText(Math.round(allowed.value * 10) * (NM_PER.mm / 10), unit), of: 'the most they may differ', sum: allowed }],
      };
    }
    case 'trim':
      return {
        title: 'Trim the back flush',
        says: [`${lengthText(detail.lengthMm * NM_PER.mm, unit)} round the edges with a flush bit or a block plane.`],
        caution: 'Feed against the bit’s turn, light passes: the last veneer splits off at corners.',
      };
    case 'fit':
      return {
        title: 'Cut to the openings that are there',
        says: [`${marks(step, summary)} Each opening at both ends and in the middle: the least counts, less the gap.`],
        checks: ['Tried in its place before the next one is cut.'],
      };
    case 'doors':
      return {
        title: 'Hinge the doors',
        says: [
          `${plural(detail.leaves.length, 'leaf', 'leaves')} on ${plural(detail.hinges, 'hinge')}, one screw each until they hang even; marked, and taken off again for the lift.`,
        ],
        checks: ['The gap all round with a spacer of its own thickness; they close without touching.'],
      };
    case 'drawers':
      return {
        title: 'Put the drawers in',
        says: ['From the fixed top downwards, every slide measured from that one line: no error adds up.', ...drawerPlaces(detail, of, summary, unit)],
        checks: ['Each runs out and in by one finger, and stands level with its neighbor.'],
      };
    case 'fronts':
      return {
        title: 'Set the drawer fronts',
        says: ['Top one first: spacers as thick as the gap under and beside it, two screws from inside, the rest when all are even.', marks(step, summary)],
        checks: ['Gaps even from two steps away.'],
      };
    case 'loose':
      return { title: 'Put in what is loose', says: [marks(step, summary)], checks: ['Each goes in and out without force, also on a damp day.'] };
    case 'rail': {
      const rail = summary.plan.rails.find((each) => each.rail.id === detail.rail);
      return {
        title: `Put up ${rail?.rail.name ?? 'the rail'}`,
        says: ['Studs found and carried over, a level line, one screw at each end, a level on it, then all. Bevel up, its point away from the wall.'],
        checks: ['Level over its whole length; bowed wall shimmed behind every stud.'],
        caution: 'Nothing is bored where nobody has looked.',
      };
    }
    default:
      return hangText(step, summary);
  }
}

const THE: Readonly<Record<DetailOf<'dry-fit'>['what'], string>> = {
  carcass: 'the carcass',
  door: 'a door',
  drawer: 'a drawer',
  loose: 'what stands loose in it',
};

/** What hinders a step, with numbers. */
export function faultWords(fault: BuildFault, unit: DisplayUnit): string {
  switch (fault.fault) {
    case 'open-time':
      return `${plural(fault.joints, 'joint')} want ${minutesText(fault.minutes)} from the first to the last clamp; the glue stays open for ${minutesText(fault.openMin)}.`;
    case 'few-clamps':
      return `${plural(fault.wanted, 'clamp')} wanted that ${fault.wanted === 1 ? 'reaches' : 'reach'} ${lengthText(fault.reachMm * NM_PER.mm, unit)}; ${fault.owned === 0 ? 'none is' : `${fault.owned} ${fault.owned === 1 ? 'is' : 'are'}`} here.`;
    case 'too-cold':
      return `${fault.of in GLUES ? capital(GLUES[fault.of as keyof typeof GLUES].name) : capital(FINISHES[fault.of as keyof typeof FINISHES].name)} wants ${temperature(fault.leastC, unit)} and more; the shop has ${temperature(fault.tempC, unit)}.`;
    default:
      return fault satisfies never;
  }
}
