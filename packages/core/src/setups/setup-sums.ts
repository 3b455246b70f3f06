/** The arithmetic of what is set at a machine: each number with the terms that made it. */
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import type { Length } from '../length/length.ts';
import type { Machine, DadoStack } from '../stock/shop.ts';
import { onScale, type Calibration } from './calibration.ts';
import type { OperationBlank } from './operations.ts';
import type { Setting } from './setting.ts';
import type { SetupCut } from './setup.ts';
import type { StackSet } from './dado-stack.ts';

/** Outer blades, leaves, and what test cuts said it cuts over: the width of one pass. */
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

/** From the reference to the near side of the cut, as the part's own sizes and joints make it; null where one number was entered. */
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

/** Where a router's straight edge is clamped: from the slot's wall back by what the base keeps it off. */
export function straightEdgeSum(setting: Setting, { base }: Machine, distance: ExplainedLength | null): ExplainedLength | null {
  if (!setting.router || !base || !setting.distance) return null;
  return explainedLength([
    plus('slot-begins', setting.distance, distance ? { inner: distance } : {}),
    minus('base-radius', base.nm),
    plus('half-the-cutter', Math.round(setting.router.cuts / 2) as Length),
  ]);
}

/** What the scale has to read so that the distance comes out; null where nothing is known of the scale. */
export function scaleSum(setting: Setting, learned: Pick<Calibration, 'place'>, distance: ExplainedLength | null): ExplainedLength | null {
  const read = onScale(setting, learned);
  return (
    read && explainedLength([plus('wanted-distance', setting.distance!, distance ? { inner: distance } : {}), minus('comes-out-over', read.off.nm as Length)])
  );
}
