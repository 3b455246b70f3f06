/** Messages of the fixes of contents and wall. */
import type { DisplayUnit } from '../../length/length.ts';
import type { FixLabel } from '../finding.ts';
import { fineText, lengthText } from './amounts.ts';
import { labelWords } from './labels.ts';

export type PlaceFixKey =
  | 'enter-wall'
  | 'fix-to-studs'
  | 'notch-half'
  | 'bolt-two-planes'
  | 'enter-rating'
  | 'enter-place'
  | 'allow-seating'
  | 'leave-height'
  | 'leave-gap'
  | 'enter-looked'
  | 'make-deeper'
  | 'make-shallower'
  | 'make-taller'
  | 'make-wider'
  | 'raise-opening'
  | 'turn-end-on'
  | 'lay-it'
  | 'stand-up'
  | 'lean-it'
  | 'take-off'
  | 'move-things'
  | 'shallower-hole'
  | 'fewer-deep'
  | 'take-count'
  | 'closer-pitch'
  | 'closer-supports'
  | 'add-lip'
  | 'tilt-back'
  | 'move-to'
  | 'move-and-grow'
  | 'drop-item'
  | 'split-in-two'
  | 'hang-higher'
  | 'hinge-other-side'
  | 'two-doors'
  | 'shim-it'
  | 'own-wall-half'
  | 'as-the-rail'
  | 'hang-on-rail'
  | 'cleat-pitch';

export function placeFixWords(
  { key, lengthNm = 0, otherNm = 0, text = '', number = 0, name }: Omit<FixLabel, 'key'> & { readonly key: PlaceFixKey },
  unit: DisplayUnit,
): string {
  const length = lengthText(lengthNm, unit);
  switch (key) {
    case 'enter-wall':
      return 'Look at the wall';
    case 'fix-to-studs':
      return 'Fix it to the studs instead';
    case 'notch-half':
      return `Notch it ${length} long, ${fineText(otherNm, unit)} deep`;
    case 'bolt-two-planes':
      return 'Screw it through, and bolt its bottom to a second plane';
    case 'enter-rating':
      return 'Enter what its maker says';
    case 'enter-place':
      return 'Hang it elsewhere';
    case 'allow-seating':
      return `Mark the line ${fineText(Math.abs(lengthNm), unit)} ${lengthNm > 0 ? 'higher' : 'lower'}`;
    case 'leave-height':
      return `Leave its bottom at ${length}`;
    case 'leave-gap':
      return `Leave ${fineText(otherNm, unit)} between them`;
    case 'enter-looked':
      return 'Enter where you have looked';
    case 'make-deeper':
      return `Make it ${length} deep`;
    case 'make-shallower':
      return `Make it ${length} deep`;
    case 'make-taller':
      return `Make it ${length} high`;
    case 'make-wider':
      return `Make it ${length} wide`;
    case 'raise-opening':
      return `Raise that opening; the box becomes ${length} high`;
    case 'turn-end-on':
      return `Turn ${text} end on`;
    case 'lay-it':
      return `Lay ${text} down`;
    case 'stand-up':
      return `Stand ${text} upright`;
    case 'lean-it':
      return `Lean ${text} against its neighbor`;
    case 'take-off':
      return `Take ${text} off this floor`;
    case 'move-things':
      return `Move ${text} to the ${name ? labelWords(name) : 'other shelf'}`;
    case 'shallower-hole':
      return `Make the hole ${length} deep`;
    case 'fewer-deep':
      return number === 1 ? 'Stand none behind another' : `Stand at most ${number} behind one another`;
    case 'take-count':
      return `Plan ${number}`;
    case 'closer-pitch':
      return `Set them ${length} apart, center to center`;
    case 'closer-supports':
      return `Set the supports ${length} apart`;
    case 'add-lip':
      return `Add a lip, ${length} high`;
    case 'tilt-back':
      return `Tilt it back ${number} degrees`;
    case 'move-to':
      return `Move it: ${length} from the left end, ${lengthText(otherNm, unit)} up`;
    case 'move-and-grow':
      return `Make it as large as that, ${length} from the left end, ${lengthText(otherNm, unit)} up`;
    case 'drop-item':
      return `Find ${text} a place elsewhere`;
    case 'split-in-two':
      return 'Split it into two boxes side by side';
    case 'hang-higher':
      return `Hang its bottom at ${length}`;
    case 'hinge-other-side':
      return 'Hinge it on the other side';
    case 'two-doors':
      return 'Give it two narrower doors';
    case 'shim-it':
      return `Shim it at the studs, up to ${fineText(lengthNm, unit)}`;
    case 'own-wall-half':
      return 'Give it a wall half of its own';
    case 'as-the-rail':
      return `Rip its half as ${text} is`;
    case 'hang-on-rail':
      return `Hang it on the rail, bottom at ${length}`;
    case 'cleat-pitch':
      return `Set its cleats ${length} apart`;
    default:
      return key satisfies never;
  }
}
