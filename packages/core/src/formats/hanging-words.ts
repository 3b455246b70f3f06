/** Text of load cases, hole positions, refusals of existing cabinets and their repairs. */
import { labelWords } from '../checks/words/labels.ts';
import type { ExistingRefusal } from '../hang/existing-cabinet.ts';
import type { CaseId, LoadCase, MovingCase } from '../hang/load-cases.ts';
import type { WallHole } from '../hang/holes.ts';

const CASE_WORDS: Readonly<Record<CaseId, string>> = {
  empty: 'empty',
  closed: 'as planned, shut',
  open: 'everything open',
  'one-open': 'open alone: {of}',
  'part-out': 'part filled, center furthest out',
  'part-left': 'part filled, on the left',
  'part-right': 'part filled, on the right',
  fuller: 'a quarter fuller',
  guessed: 'as heavy as it may be',
  leaning: 'someone leans on the front edge',
  pulling: 'someone pulls at the bottom',
  'on-door': 'a child on the {of}',
};

export const caseWords = ({ kind, of }: Pick<LoadCase, 'kind' | 'of'>): string => CASE_WORDS[kind].replace('{of}', of ? labelWords(of) : '');

const MOVING_WORDS: Readonly<Record<MovingCase['key'], string>> = {
  'road-forward': 'braking on the road',
  'road-aside': 'a bend on the road',
  'road-bump': 'a bump on the road',
  'road-dip': 'a dip on the road',
  'sea-slam': 'a slam at sea',
  'sea-roll': 'a roll at sea',
};

export const movingWords = ({ key }: Pick<MovingCase, 'key'>): string => MOVING_WORDS[key];

const EXISTING_REFUSAL_WORDS: Readonly<Record<ExistingRefusal, string>> = {
  'no-stud': 'It is fixed to wallboard alone.',
  'drywall-screws': 'Drywall screws are brittle: their heads snap off without a sign.',
  'cleat-material': 'A cleat of fiberboard splits along its layers.',
  'short-screw': 'Its screws reach less than six diameters into the studs.',
  'upside-down': 'Its bevels open the wrong way: nothing hooks.',
  'no-spacer': 'Nothing keeps its bottom off the wall: it hangs tilted and turns about the cleat.',
};

export const existingRefusalWords = (reason: ExistingRefusal): string => EXISTING_REFUSAL_WORDS[reason];

const REPAIR_WORDS: Readonly<Record<string, string>> = {
  'wood-screws': 'Take its wall screws out one by one and put #10 wood screws in that reach 50 mm, 2 in, into the studs',
  'into-two-studs': 'Find two studs, and put two #10 wood screws into each through the wall half, 50 mm, 2 in, into the stud',
  'second-screw': 'One more screw in each stud',
  'further-stud': 'A strip over one more stud, the wall half screwed to it too',
  'rail-inside': 'A rail inside under the top, screwed to both sides, and eight screws through it into the cabinet half',
  'same-bevel': 'Rip both halves anew at one setting of the blade, 45 degrees, the hook opening upwards',
  'plywood-cleat': 'A cleat of birch plywood in place of the one there is',
  spacer: 'A strip as thick as the cleat behind its bottom',
  lock: 'A second plane: one screw through back and strip at the bottom, into a stud',
  'screws-across': 'A strip under the bottom at each side, screwed across into the sides: across, not along',
  'bare-wood': 'Scrape the finish off where glue is to hold, and glue it again',
  'lid-stop': 'A stop or another hinge, so that the lid no longer meets the ceiling',
};

export const repairWords = ({ id }: { readonly id: string }): string => REPAIR_WORDS[id]!;

const STATE_WORDS: Readonly<Record<WallHole['state'], string>> = {
  never: 'never: cable zone',
  'look-first': 'look first',
  looked: 'looked at',
  'in-writing': 'in writing',
};

export const holeStateWords = (state: WallHole['state']): string => STATE_WORDS[state];
