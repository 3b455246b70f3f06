/** The names of everything a sum, a part or a field can be called. US trade words; a second list joins here. */
import type { Label } from '../../worked/dimension.ts';

export const WORDS: Readonly<Record<string, string>> = {
  // panels and parts
  'side-left': 'left side', 'side-right': 'right side', top: 'top', bottom: 'bottom', shelf: 'shelf {of}', back: 'back',
  'hanging-rail': 'hanging rail', 'wall-half': 'wall half of the cleat', 'cabinet-half': 'cabinet half of the cleat', spacer: 'spacer', 'cleat-blank': 'cleat blank',
  'opening-bottom': 'bottom opening', 'opening-over': 'opening over shelf {of}', 'on-top': 'things on top',
  // lengths
  width: 'outside width', height: 'outside height', depth: 'carcass depth', 'carcass-depth': 'carcass depth', 'gap-behind': 'gap for the cleat',
  side: 'side', 'top-and-bottom': 'top and bottom', 'lip-top': 'lip over the top', 'lip-bottom': 'lip under the bottom', recess: 'recess for the cleat',
  'into-dado': 'into the dado', 'into-rabbet': 'into the rabbet', 'end-play': 'end play', shared: 'space shared', space: 'space', 'shelf-thickness': 'shelf',
  'inside-floor': 'inside floor', 'inside-height': 'inside height', 'shelf-at': 'height of the fixed shelf', 'top-of-shelf-below': 'top of the shelf below',
  'rail-height': 'height of the hanging rail', 'spacer-height': 'height of the spacer', 'long-face': 'long face after the rip', 'short-face': 'short face after the rip',
  'left-inset': 'inset at the left', 'right-inset': 'inset at the right', 'cleat-board': 'board before the rip', 'edge-band': 'edge band',
  // fields
  stock: 'sheet', 'top-runs': 'top runs', 'top-joint': 'joint of the top', 'top-lip': 'lip over the top', 'bottom-runs': 'bottom runs', 'bottom-joint': 'joint of the bottom',
  'bottom-lip': 'lip under the bottom', 'shelf-joint': 'joint of the shelves', 'joint-depth': 'depth of slots', fit: 'fit', glue: 'glue in the joints',
  'screws-per-joint': 'screws in each joint', 'assembly-screw': 'screw', 'assembly-length': 'screw length', 'back-kind': 'back', 'back-stock': 'sheet of the back',
  'rabbet-depth': 'depth of the rabbet', 'hanging-kind': 'cleat', 'cleat-stock': 'cleat ripped from', bevel: 'bevel, blade tilt', 'cleat-drop': 'cleat below the top',
  'spacer-stock': 'spacer cut from', 'wall-screw': 'screw into the studs', 'wall-screw-length': 'its length', 'upper-screws': 'in each stud, upper row', 'lower-screws': 'in each stud, low row',
  'cabinet-screw': 'screw into the cabinet half', 'cabinet-screw-length': 'its length', 'cabinet-screws': 'how many', 'rail-screws': 'screws in each end of the rail', 'anti-lift': 'screw against lifting off',
  'place-along': 'from the left end of the wall', 'place-up': 'bottom above the floor',
  // options
  between: 'between the sides', over: 'over the ends of the sides', butt: 'butt', rabbet: 'rabbet', dado: 'dado', tight: 'tight', push: 'push', loose: 'loose',
  'back-rabbet': 'in a rabbet', 'back-over': 'over the rear edges', 'back-none': 'none', 'hanging-outside': 'outside the back, with a spacer', 'hanging-recessed': 'hidden behind an inset back',
  'fit-tight': 'tight', 'fit-push': 'push', 'fit-glue': 'glue', 'fit-loose': 'loose',
  // masses
  'panel-mass': 'mass', 'panel-mass.volume': 'volume', 'panel-mass.ρ': 'density', 'hardware-mass': 'screws, glue and hardware', 'hardware-mass.wood': 'wood',
  'wood-mass': 'wood', 'empty-mass': 'empty unit', 'loaded-mass': 'loaded unit', contents: 'contents', 'contents-scaled': 'contents on the slider',
  'contents-scaled.contents': 'contents planned', 'contents-scaled.factor': 'times', 'contents-mass': 'contents', 'contents-mass.q': 'for each square metre',
  'contents-mass.A': 'area of the shelf', 'contents-mass.height': 'height of the opening', 'contents-mass.entered': 'entered', 'centre-of-gravity': 'center of gravity from the wall',
  'centre-of-gravity.m₁': 'mass of the empty unit', 'centre-of-gravity.e₁': 'its center from the wall', 'centre-of-gravity.m₂': 'mass of the contents', 'centre-of-gravity.e₂': 'their center from the wall',
  weight: 'weight', 'weight.m': 'mass',
  // cleat
  'cleat-long-faces': 'both long faces', 'cleat-long-faces.B': 'board before the rip', 'cleat-long-faces.t': 'thickness', 'cleat-long-faces.k': 'kerf', 'cleat-long-faces.θ': 'blade tilt from square',
  'cleat-short-face': 'short face', 'cleat-short-face.long': 'long face', 'cleat-short-face.t': 'thickness', 'cleat-short-face.θ': 'blade tilt from square',
  engagement: 'hooks over by', 'engagement.t wall': 'thickness of the wall half', 'engagement.t cabinet': 'thickness of the cabinet half', 'engagement.θ': 'blade tilt from square',
  'lift-clearance': 'free height wanted above', 'lift-clearance.engagement': 'hooks over by', 'lift-clearance.margin': 'margin',
  'tip-ratio': 'tip ratio', 'tip-ratio.e': 'center of gravity from the wall', 'tip-ratio.t': 'cleat thickness', 'tip-ratio.h': 'drop from bevel to spacer', 'tip-ratio.θ': 'blade tilt from square',
  'outward-force': 'outward pull on the cleat', 'outward-force.W': 'weight', 'outward-force.e': 'center of gravity from the wall', 'outward-force.t': 'cleat thickness', 'outward-force.h': 'drop from bevel to spacer', 'outward-force.θ': 'blade tilt from square',
  'spacer-push': 'push on the spacer', 'spacer-push.W': 'weight', 'spacer-push.e': 'center of gravity from the wall', 'spacer-push.t': 'cleat thickness', 'spacer-push.h': 'drop from bevel to spacer',
  'hold-down': 'hold-down wanted at the bottom', 'hold-down.W': 'weight', 'hold-down.e': 'center of gravity from the wall', 'hold-down.t': 'cleat thickness', 'hold-down.h': 'drop from bevel to spacer', 'hold-down.θ': 'blade tilt from square',
  'lift-starts': 'bottom leaves the wall at', 'lift-starts.W': 'weight', 'lift-starts.a': 'lever of the weight', 'lift-starts.D': 'lever of the front edge',
  'lift-limit': 'unhooks when lifted with', 'lift-limit.W': 'weight', 'lift-limit.a': 'lever of the weight', 'lift-limit.D': 'lever of the front edge', 'lift-limit.c': 'backing above the bevel', 'lift-limit.θ': 'blade tilt from square',
  'pull-limit': 'unhooks when pulled with', 'pull-limit.W': 'weight', 'pull-limit.a': 'lever of the weight', 'pull-limit.c': 'backing above the bevel', 'pull-limit.z': 'pull below the bevel', 'pull-limit.h': 'drop to the spacer', 'pull-limit.θ': 'blade tilt from square',
  'spacer-use': 'use of the wallboard under the spacer', 'spacer-use.push': 'push on the spacer', 'spacer-use.length': 'length of the spacer', 'spacer-use.height': 'height of the spacer',
  // screws
  'screw-withdrawal': 'thread may hold, pulled', 'screw-withdrawal.G': 'specific gravity', 'screw-withdrawal.D': 'screw diameter', 'screw-withdrawal.thread': 'thread that grips', 'screw-withdrawal.C_D': 'load duration',
  'head-pull-through': 'head may hold', 'head-pull-through.D_H': 'bearing diameter of the head', 'head-pull-through.G': 'specific gravity', 'head-pull-through.t': 'thickness under the head', 'head-pull-through.C_D': 'load duration',
  'screw-steel': 'steel may hold', 'screw-steel.D_r': 'root diameter', 'screw-lateral': 'may carry across', 'screw-lateral.D': 'screw diameter', 'screw-lateral.D_r': 'root diameter', 'screw-lateral.F_yb': 'bending yield strength',
  'screw-lateral.side': 'wood on the head side', 'screw-lateral.main': 'length that bears at the tip side', 'screw-lateral.gap': 'gap between (wallboard, thin back)', 'screw-lateral.G side': 'specific gravity, head side', 'screw-lateral.G main': 'specific gravity, tip side', 'screw-lateral.C_D': 'load duration',
  'screw-combined': 'pulled and sheared together', 'screw-combined.V': 'down, each screw', 'screw-combined.T': 'outward, each, with prying', "screw-combined.Z'": 'may carry across', "screw-combined.W'": 'may hold, pulled',
  'screw-shear': 'down, each screw', 'screw-shear.R': "this stud's share", 'screw-shear.W': 'weight', 'screw-shear.n': 'screws', 'stud-outward': 'outward at this stud', 'stud-outward.H': 'outward pull on the cleat', 'stud-outward.R': "this stud's share", 'stud-outward.W': 'weight',
  'screw-tension-capacity': 'may hold, pulled', 'screw-tension-capacity.thread': 'thread', 'screw-tension-capacity.head': 'head', 'screw-tension-capacity.steel': 'steel', penetration: 'grip in the stud', 'penetration.L': 'screw length', 'penetration.cleat': 'cleat', 'penetration.wallboard': 'wallboard',
  prying: 'outward, each, with prying', 'prying.H': 'outward at this stud', 'prying.V': "this stud's share", 'prying.b': 'height of the bevel over the lower edge', 'prying.t': 'cleat thickness', 'prying.s': 'height of the upper row', 'prying.n': 'screws in the upper row', 'prying.s low': 'height of the low row', 'prying.n low': 'screws in the low row',
  'cabinet-half-pull': 'outward, each', 'cabinet-half-pull.H': 'outward pull', 'cabinet-half-pull.V': 'weight', 'cabinet-half-pull.b': 'height of the bevel', 'cabinet-half-pull.t': 'cleat thickness', 'cabinet-half-pull.s': 'height of the screws', 'cabinet-half-pull.n': 'screws',
  'stud-share': "this stud's share", 'share-simple': 'as simple spans', 'share-continuous': 'as a beam over firm studs', 'share-rigid': 'as a stiff rail on springs', 'share-none': 'none of it',
  'wall-half-bending': 'bending of the wall half', 'wall-half-bending.M': 'bending moment', 'wall-half-bending.H': 'outward pull', 'wall-half-bending.W': 'weight', 'wall-half-bending.t': 'thickness', 'wall-half-bending.s': 'short face', 'wall-half-bending.F': 'allowable bending stress',
  'span-moment': 'moment between two studs', 'span-moment.w': 'weight along the cleat', 'span-moment.L': 'distance of the studs', 'overhang-moment': 'moment beyond the last stud', 'overhang-moment.w': 'weight along the cleat', 'overhang-moment.c': 'overhang',
  // joints
  'joint-use': 'use of the joint', 'joint-use.load': 'load on it', 'joint-use.capacity': 'may carry', 'joint-capacity': 'may carry', 'joint-load': 'half the load', 'joint-load.contents': 'contents', 'joint-load.own': 'own mass', 'nothing-holds': 'nothing holds it',
  'lip-capacity': 'lip under it', 'lip-capacity.depth': 'depth of the slot', 'lip-capacity.B': 'length of the slot', 'lip-capacity.F_c': 'crushing', 'lip-capacity.lip': 'height of the lip', 'lip-capacity.f_v': 'shear in the lip',
  'glue-capacity': 'glue on its end', 'glue-capacity.B': 'length', 'glue-capacity.t': 'thickness', 'edge-screws-shear': 'screws across', 'edge-screws-shear.n': 'screws', "edge-screws-shear.Z'": 'each may carry across',
  'edge-screws-pull': 'screws pulled from an edge', 'edge-screws-pull.n': 'screws', "edge-screws-pull.W'": 'each may hold', 'edge-screws-pull.D': 'screw diameter', 'edge-screws-pull.grip': 'grip',
  'rail-load': 'load on each end of the rail', 'rail-load.W': 'weight', 'rail-load.S': 'push on the spacer',
  // climbing
  'leant-weight': 'weight with someone leaning', 'leant-weight.W': 'weight', 'leant-centre': 'center of gravity then', 'leant-centre.W': 'weight', 'leant-centre.e': 'center of gravity from the wall', 'leant-centre.front': 'front edge from the wall', 'pull-use': 'a 200 N pull', 'pull-use.limit': 'unhooks at',
  // sag
  'bending-stiffness': 'stiffness', 'bending-stiffness.E': 'stiffness of the sheet', 'bending-stiffness.B': 'depth', 'bending-stiffness.t': 'thickness', 'shelf-load': 'load', 'shelf-load.contents': 'contents', 'shelf-load.own': 'own mass',
  'sag-now': 'sag at once', 'sag-now.κ': 'ends (glued dado 0.8, else 1)', 'sag-now.Q': 'load', 'sag-now.L': 'span', 'sag-now.EI': 'stiffness', 'sag-later': 'sag in years', 'sag-later.sag now': 'sag at once', 'sag-later.creep': 'creep of the material',
  'sag-limit': 'shows from', 'sag-limit.L': 'span', 'shelf-bending': 'bending of the shelf', 'shelf-bending.Q': 'load', 'shelf-bending.L': 'span', 'shelf-bending.B': 'depth', 'shelf-bending.t': 'thickness', 'shelf-bending.F': 'allowable stress',
  // links of the chain
  'link-tip': 'hook: tipping off', 'link-spacer': 'wallboard under the spacer', 'link-wall-screws': 'screws in stud {of}', 'link-wall-half': 'wall half, bending between studs', 'link-joint': 'joint of the {of}', 'link-rail': 'hanging rail to the sides', 'link-cabinet-half': 'screws into the cabinet half',
};

/** The words of a label. Throws a RangeError on a key the list does not have: a test walks every label of a plan. */
export function labelWords({ key, of }: Label): string {
  const words = WORDS[key];
  if (words === undefined) throw new RangeError(`there are no words for '${key}'`);
  return of === undefined ? words : words.replace('{of}', partOfName(of));
}

/** A part's name inside another: 'shelf 2', 'bottom'. */
function partOfName(of: string): string {
  const [key, number] = of.split(' ');
  const words = WORDS[key!];
  return words === undefined ? of : words.replace('{of}', number ?? '').trim();
}
