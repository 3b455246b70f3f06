/** Explained values of machine settings. */
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import type { Length } from '../length/length.ts';
import { onScale, type Calibration } from './calibration.ts';
import type { OperationBlank } from './operations.ts';
import type { Setting } from './setting.ts';
import type { SetupCut } from './setup.ts';
import type { StackSet } from './dado-stack.ts';
import type { Machine, DadoStack } from '../model/shop.ts';

/** Outer blades, leaves, and test cut correction: the width of one pass. */
export function stackSum({ chippers, shims }: StackSet, { outer, over }: DadoStack): ExplainedLength {
  const leaves = (key: 'chipper' | 'shim', each: readonly Length[]) =>
    [...new Set(each)].map((leaf) => plus(key, leaf, { times: each.filter((other) => other === leaf).length }));
  return explainedLength([
    plus('outer-blades', outer.nm),
    ...leaves('chipper', chippers),
    ...leaves('shim', shims),
    ...(over.nm === 0 ? [] : [plus('cuts-over', over.nm)]),
  ]);
}

/** From the reference to the near side of the cut, out of the part's own sizes and joints; null for a single entered number. */
export function distanceSum({ operation: { id, work }, way }: SetupCut, { panel, length, width }: OperationBlank): ExplainedLength | null {
  const { distance } = way.setting;
  if (!distance || way.against === null || work.kind !== 'slot') return null;
  const slot = panel.slots.find((each) => `${panel.id}:${each.id}` === id);
  const half = Math.floor((slot?.play ?? 0) / 2) as Length;
  const low = way.against === 'start' || way.against === 'near';
  if (low) return explainedLength([plus('to-what-goes-in', (distance + half) as Length), ...(half > 0 ? [minus('half-the-play', half)] : [])]);
  const [size, whole] = work.across ? [length, panel.length] : [width, panel.width];
  const rest = ((slot?.play ?? 0) - half) as Length;
  const inner = whole.value === size ? { inner: whole } : {};
  return explainedLength([
    plus(work.across ? 'blank-length' : 'blank-width', size, inner),
    minus('to-behind-what-goes-in', (work.far - rest) as Length),
    ...(rest > 0 ? [minus('half-the-play', rest)] : []),
  ]);
}

/** Position of a router's straight edge: from the slot's wall back by the base offset. */
export function straightEdgeSum(setting: Setting, { base }: Machine, distance: ExplainedLength | null): ExplainedLength | null {
  if (!setting.router || !base || !setting.distance) return null;
  return explainedLength([
    plus('slot-begins', setting.distance, distance ? { inner: distance } : {}),
    minus('base-radius', base.nm),
    plus('half-the-cutter', Math.round(setting.router.cuts / 2) as Length),
  ]);
}

/** Scale reading for a distance; null where the scale is not calibrated. */
export function scaleSum(setting: Setting, learned: Pick<Calibration, 'place'>, distance: ExplainedLength | null): ExplainedLength | null {
  const read = onScale(setting, learned);
  return (
    read && explainedLength([plus('wanted-distance', setting.distance!, distance ? { inner: distance } : {}), minus('comes-out-over', read.off.nm as Length)])
  );
}
