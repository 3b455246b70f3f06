/** The names of everything a sum, a part or a field can be called. US trade words; a second list joins here. */
import type { Label } from '../../worked/dimension.ts';
import { FIGURE_WORDS } from './figure-labels.ts';

export const WORDS: Readonly<Record<string, string>> = {
  // panels and parts
  'side-left': 'left side',
  'side-right': 'right side',
  top: 'top',
  bottom: 'bottom',
  shelf: 'shelf {of}',
  back: 'back',
  'hanging-rail': 'hanging rail',
  'wall-half': 'wall half of the cleat',
  'cabinet-half': 'cabinet half of the cleat',
  'lower-wall-half': 'wall half of the lower cleat',
  'lower-cabinet-half': 'cabinet half of the lower cleat',
  'rail-blank': 'board of {of}',
  spacer: 'spacer',
  'cleat-blank': 'cleat blank',
  'opening-bottom': 'bottom opening',
  'opening-over': 'opening over shelf {of}',
  'on-top': 'things on top',
  // lengths
  width: 'outside width',
  height: 'outside height',
  depth: 'carcass depth',
  'carcass-depth': 'carcass depth',
  'gap-behind': 'gap for the cleat',
  side: 'side',
  'top-and-bottom': 'top and bottom',
  'lip-top': 'lip over the top',
  'lip-bottom': 'lip under the bottom',
  recess: 'recess for the cleat',
  'into-dado': 'into the dado',
  'into-rabbet': 'into the rabbet',
  'end-play': 'end play',
  shared: 'space shared',
  space: 'space',
  'shelf-thickness': 'shelf',
  'inside-floor': 'inside floor',
  'inside-height': 'inside height',
  'shelf-at': 'height of the fixed shelf',
  'top-of-shelf-below': 'top of the shelf below',
  'rail-height': 'height of the hanging rail',
  'spacer-height': 'height of the spacer',
  'long-face': 'long face after the rip',
  'short-face': 'short face after the rip',
  'left-inset': 'inset at the left',
  'right-inset': 'inset at the right',
  'cleat-board': 'board before the rip',
  'edge-band': 'edge band',
  'edge-slope': 'sloped edge',
  'edge-taper': 'tapered edge',
  'edge-corner': 'corner',
  'for-the-bevel': 'for the bevel',
  'side-clearance': 'clearance',
  'rail-from': 'left end of the rail',
  'rail-to': 'right end of the rail',
  'row-item': 'width of {of}',
  'row-clearance': 'play',
  'row-thickness': 'thickness',
  'row-notch': 'width of a notch',
  'row-side': 'side of the module',
  'row-pitch': 'from one to the next',
  'row-margin': 'margin at each end',
  'row-width': 'width of one',
  'row-divider': 'divider',
  // fields
  stock: 'sheet',
  'top-runs': 'top runs',
  'top-joint': 'joint of the top',
  'top-lip': 'lip over the top',
  'bottom-runs': 'bottom runs',
  'bottom-joint': 'joint of the bottom',
  'bottom-lip': 'lip under the bottom',
  'shelf-joint': 'joint of the shelves',
  'joint-depth': 'depth of slots',
  fit: 'fit',
  glue: 'glue in the joints',
  'screws-per-joint': 'screws in each joint',
  'assembly-screw': 'screw',
  'assembly-length': 'screw length',
  'back-kind': 'back',
  'back-stock': 'sheet of the back',
  'rabbet-depth': 'depth of the rabbet',
  'hanging-kind': 'cleat',
  'cleat-stock': 'cleat ripped from',
  bevel: 'bevel, blade tilt',
  'cleat-drop': 'cleat below the top',
  'spacer-stock': 'spacer cut from',
  'wall-screw': 'screw into the studs',
  'wall-screw-length': 'its length',
  'upper-screws': 'in each stud, upper row',
  'lower-screws': 'in each stud, low row',
  'cabinet-screw': 'screw into the cabinet half',
  'cabinet-screw-length': 'its length',
  'cabinet-screws': 'how many',
  'rail-screws': 'screws in each end of the rail',
  'anti-lift': 'screw against lifting off',
  front: 'front',
  'lower-cleat': 'second cleat, below the first',
  shimmed: 'shimmed where the wall bows',
  'place-along': 'from the left end of the wall',
  'place-up': 'bottom above the floor',
  'valley-up': "foot of the bevel above the unit's bottom",
  // options
  between: 'between the sides',
  over: 'over the ends of the sides',
  butt: 'butt',
  rabbet: 'rabbet',
  dado: 'dado',
  tight: 'tight',
  push: 'push',
  loose: 'loose',
  'back-rabbet': 'in a rabbet',
  'back-over': 'over the rear edges',
  'back-none': 'none',
  'front-open': 'open',
  'front-door-left': 'a door hinged left (its room kept)',
  'front-door-right': 'a door hinged right (its room kept)',
  'front-doors': 'two doors (their room kept)',
  'front-drawers': 'drawers (their room kept)',
  'hanging-outside': 'outside the back, with a spacer',
  'hanging-recessed': 'hidden behind an inset back',
  'fit-tight': 'tight',
  'fit-push': 'push',
  'fit-glue': 'glue',
  'fit-loose': 'loose',
  ...FIGURE_WORDS,
};

/** The words of a label. Throws a RangeError on a key the list does not have: a test walks every label of a plan. */
export function labelWords({ key, of }: Label): string {
  // What a person named: the name itself, never a key of the list.
  if (key === 'item') return of ?? '';
  if (NAMED.has(key)) return WORDS[key]!.replace('{of}', () => of ?? '');
  const words = WORDS[key];
  if (words === undefined) throw new RangeError(`there are no words for '${key}'`);
  return of === undefined ? words : words.replace('{of}', partOfName(of));
}

/** Labels whose blank is a name a person gave. */
const NAMED: ReadonlySet<string> = new Set(['row-item', 'rail-blank']);

/** A part's name inside another: 'shelf 2', 'bottom'. */
function partOfName(of: string): string {
  const [key, number] = of.split(' ');
  const words = WORDS[key!];
  return words === undefined ? of : words.replace('{of}', number ?? '').trim();
}
