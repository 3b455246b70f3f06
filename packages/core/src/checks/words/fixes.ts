/** Messages of fixes: what a click will change. Those of placing, contents and the wall are in place-fixes.ts. */
import type { DisplayUnit } from '../../length/length.ts';
import { LEFT_WIDE } from '../../solid/resolve.ts';
import type { FixLabel } from '../finding.ts';
import { fineText, lengthText, massText } from './amounts.ts';
import { labelWords, withArticle } from './labels.ts';
import { placeFixWords, type PlaceFixKey } from './place-fixes.ts';

/** Every fix with a message: another key does not compile. */
export type FixKey = PlaceFixKey | OwnFixKey;

type OwnFixKey =
  | 'fit-loose'
  | 'trim-part'
  | 'remake-from'
  | 'remake-part'
  | 'shim-part'
  | 'accept-part'
  | 'take-readings'
  | 'grain-along'
  | 'grain-across'
  | 'cut-from-offcut'
  | 'use-dado'
  | 'bottom-between'
  | 'use-stock'
  | 'glue-joints'
  | 'make-narrower'
  | 'space-evenly'
  | 'add-support'
  | 'take-part-out'
  | 'shelf-on-pins'
  | 'not-glued-yet'
  | 'take-shelf-out'
  | 'slot-a-third'
  | 'add-screws'
  | 'no-glue'
  | 'use-screw-length'
  | 'enter-studs'
  | 'enter-species'
  | 'closer-fixings'
  | 'larger-plug'
  | 'stronger-slides'
  | 'weigh-contents'
  | 'move-along'
  | 'run-on-right'
  | 'run-on-left'
  | 'inset-left'
  | 'inset-right'
  | 'hang-lower'
  | 'add-rail'
  | 'add-spacer'
  | 'spacer-same-stock'
  | 'add-anti-lift'
  | 'longer-brackets'
  | 'more-second'
  | 'screw-through'
  | 'hang-on-cleat'
  | 'together'
  | 'back-of'
  | 'cleat-full-length'
  | 'spacer-for-lower-cleat'
  | 'strip-behind-lower'
  | 'one-in-row'
  | 'rail-in-one'
  | 'cleat-drop'
  | 'put-in'
  | 'notch-width'
  | 'notch-count'
  | 'no-cleat-notch'
  | 'change-sizes'
  | 'cleat-of'
  | 'more-upper'
  | 'more-lower'
  | 'more-cabinet-screws'
  | 'more-rail-screws'
  | 'let-it-follow'
  | 'fronts-over'
  | 'back-play'
  | 'square-ends'
  | 'split-back-at'
  | 'back-in-one'
  | 'leave-loose'
  | 'use-screws'
  | 'same-end'
  | 'glaze-with'
  | 'slots-first'
  | 'leave-wide'
  | 'back-the-exit'
  | 'back-to-what-is-cut'
  | 'see-what-is-cut'
  | 'finish-before'
  | 'mask-glue'
  | 'use-brads'
  | 'screws-instead'
  | 'hide-pockets'
  | 'drill-pilots'
  | 'fewer-screws'
  | 'taller-gates'
  | 'gates-reach'
  | 'more-hinge-screws'
  | 'more-props'
  | 'larger-screw'
  | 'taller-cleat'
  | 'lift-limit'
  | 'other-sheet'
  | 'rip-from-board'
  | 'machine-capacity'
  | 'no-deeper-than'
  | 'break-down-first'
  | 'see-the-cut'
  | 'other-saw'
  | 'see-on-sheets';

export function fixWords(label: FixLabel, unit: DisplayUnit): string {
  const { key, lengthNm, text, number } = label;
  const length = lengthNm === undefined ? '' : lengthText(lengthNm, unit);
  switch (key) {
    case 'fit-loose':
      return `Cut the slots loose (${fineText(lengthNm ?? 0, unit)} play)`;
    case 'trim-part':
      return `Trim ${fineText(lengthNm ?? 0, unit)} off the ${label.name ? labelWords(label.name) : 'part'}: then it is as planned`;
    case 'remake-from':
      return `Make the ${label.name ? labelWords(label.name) : 'part'} anew from ${text}: nothing to buy`;
    case 'remake-part':
      return `Make the ${label.name ? labelWords(label.name) : 'part'} anew: ${(number ?? 0).toFixed(2)} of a sheet`;
    case 'shim-part':
      return `Shim the ${fineText(lengthNm ?? 0, unit)} it is short of`;
    case 'accept-part':
      return `Use it as it is, ${fineText(lengthNm ?? 0, unit)} off`;
    case 'take-readings':
      return `Take ${number === 1 ? 'one more reading' : `${number} readings`}`;
    case 'grain-along':
      return `Turn the grain of the ${label.name ? labelWords(label.name) : 'part'} along it`;
    case 'grain-across':
      return `Turn the grain of the ${label.name ? labelWords(label.name) : 'part'} across it`;
    case 'cut-from-offcut':
      return `Cut ${text} from it`;
    case 'use-dado':
      return 'Set it in a dado with a lip under it';
    case 'bottom-between':
      return 'Put the bottom between the sides, in a dado';
    case 'use-stock':
      return `Build it in ${text}`;
    case 'glue-joints':
      return 'Glue the dados';
    case 'make-narrower':
      return `Make it ${length} wide`;
    case 'space-evenly':
      return 'Space the shelves evenly';
    case 'add-support':
      return 'Put a support behind its middle';
    case 'take-part-out':
      return `Take ${label.name ? labelWords(label.name) : 'it'} out`;
    case 'shelf-on-pins':
      return 'Put it on pins, their holes bored along a strip';
    case 'not-glued-yet':
      return 'It is not glued up yet: take the tick back at Build';
    case 'take-shelf-out':
      return 'Take this shelf out';
    case 'slot-a-third':
      return `Cut it ${fineText(lengthNm ?? 0, unit)} deep, about a third`;
    case 'add-screws':
      return `Use ${number} screws in each joint instead`;
    case 'no-glue':
      return 'Leave the glue out';
    case 'use-screw-length':
      return `Use ${length} screws`;
    case 'enter-studs':
      return 'Enter the studs';
    case 'stronger-slides':
      return `Use slides rated for ${massText(number ?? 0, unit)} a pair`;
    case 'closer-fixings':
      return `Fix it at least every ${length}`;
    case 'larger-plug':
      return `Use ${text} plugs`;
    case 'enter-species':
      return 'Enter what the studs are sawn from';
    case 'weigh-contents':
      return 'Weigh the contents';
    case 'move-along':
      return `Move it to ${length} from the wall's left end`;
    case 'run-on-right':
      return `Run the wall half ${length} past the right side to the next stud`;
    case 'run-on-left':
      return `Run the wall half ${length} past the left side to the next stud`;
    case 'inset-left':
      return `Begin the wall half ${length} in from the left`;
    case 'inset-right':
      return `End the wall half ${length} in from the right`;
    case 'hang-lower':
      return `Hang its bottom at ${length}`;
    case 'add-rail':
      return `Add a hanging rail, ${length} high`;
    case 'add-spacer':
      return `Add a spacer, ${fineText(lengthNm ?? 0, unit)} thick`;
    case 'spacer-same-stock':
      return 'Cut the spacer from the same stock as the cleat';
    case 'add-anti-lift':
      return 'Add a screw against lifting off';
    case 'longer-brackets':
      return `Brackets ${length} long`;
    case 'more-second':
      return `${number} fixings into the second plane`;
    case 'screw-through':
      return 'Screw it through its rail into the studs';
    case 'hang-on-cleat':
      return 'Hang it on a cleat';
    case 'together':
      return (label.parts ?? []).map((part) => fixWords(part, unit)).join('; ');
    case 'spacer-for-lower-cleat':
      return 'Use a spacer in place of the lower cleat';
    case 'strip-behind-lower':
      return `Add a nailing strip ${length} high behind the lower cleat`;
    case 'one-in-row':
      return 'Use one in each row';
    case 'rail-in-one':
      return `Make the wall rail from boards ${length} long`;
    case 'cleat-full-length':
      return 'Make the wall half as long as the cabinet half';
    case 'no-cleat-notch':
      return 'Leave the notch out';
    case 'change-sizes':
      return 'Change its sizes';
    case 'notch-width':
      return `Make the notches ${length} wide`;
    case 'notch-count':
      return `Cut ${number} notches`;
    case 'put-in':
      return `Put it in ${withArticle(label.name!)}`;
    case 'cleat-drop':
      return `Set the cleat ${length} below the top`;
    case 'back-of':
      return `Use ${text} for the back`;
    case 'cleat-of':
      return `Rip the cleat from ${text}`;
    case 'more-upper':
      return `${number} screws in each stud's upper row`;
    case 'more-lower':
      return `${number === 1 ? 'A low screw' : `${number} low screws`} in each stud`;
    case 'more-cabinet-screws':
      return `${number} screws into the cabinet half`;
    case 'more-rail-screws':
      return `${number} screws in each end of the hanging rail`;
    case 'let-it-follow':
      return `Let it follow: ${fineText(lengthNm ?? 0, unit)}`;
    case 'fronts-over':
      return 'Lay the fronts over the edges';
    case 'back-play':
      return `Give the back ${fineText(lengthNm ?? 0, unit)} at each edge`;
    case 'square-ends':
      return 'Chisel the ends square';
    case 'split-back-at':
      return `Make the back of two, parted at ${length}`;
    case 'back-in-one':
      return 'Make the back of one piece';
    case 'leave-loose':
      return 'Leave them standing loose';
    case 'use-screws':
      return `Use ${number} screws in each joint`;
    case 'same-end':
      return 'Count both sides from the same end';
    case 'glaze-with':
      return `Glaze it with ${text}`;
    case 'slots-first':
      return 'Cut the slots first';
    case 'leave-wide':
      return `Leave those pieces ${fineText(LEFT_WIDE, unit)} oversize, and rip them to width after their slots`;
    case 'back-the-exit':
      return 'Clamp scrap behind the edge';
    case 'back-to-what-is-cut':
      return `Set ${labelWords(label.name!)} to ${length}`;
    case 'see-what-is-cut':
      return 'See what is ticked and measured';
    case 'finish-before':
      return 'Finish the inside first, glue faces taped off';
    case 'mask-glue':
      return 'Tape the glue faces off';
    case 'use-brads':
      return `Use brads of ${length}`;
    case 'screws-instead':
      return 'Use screws instead';
    case 'hide-pockets':
      return 'Put them on the side that is not seen';
    case 'drill-pilots':
      return 'Drill pilot holes';
    case 'fewer-screws':
      return number === 1 ? 'Use one screw there' : `Use ${number} screws there`;
    case 'taller-gates':
      return `Make the gates ${length} high`;
    case 'gates-reach':
      return `Let the gates reach ${length} out`;
    case 'more-hinge-screws':
      return `${number} screws in a leaf of each hinge`;
    case 'more-props':
      return `Use ${number} of them`;
    case 'larger-screw':
      return `Use ${text} screws`;
    case 'taller-cleat':
      return `Rip the cleat from a board ${length} wide`;
    case 'lift-limit':
      return 'Say what one person lifts here';
    case 'other-sheet':
      return 'Look at the sheets there are';
    case 'rip-from-board':
      return `Rip the cleat from the board's own ${length}`;
    case 'machine-capacity':
      return "Enter the saw's capacity";
    case 'no-deeper-than':
      return `Make it ${length} deep: as many strips fit`;
    case 'break-down-first':
      return 'Lay out pieces that go in the car';
    case 'see-the-cut':
      return 'See how it is cut';
    case 'other-saw':
      return 'Enter the saws there are';
    case 'see-on-sheets':
      return 'See both on the sheets';
    default:
      return placeFixWords({ ...label, key }, unit);
  }
}
