/**
 * Forces between cabinet and wall, and the links that depend on them alone. On a cleat: hooked on the bevel, pushing the spacer. Screwed through: pulling
 * the screws, pushing the wall at the bottom (through-forces.ts).
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { toMm } from '../length/length.ts';
import type { Load } from '../parts/weights.ts';
import { tanDeg } from '../solid/hanging.ts';
import { hangsOnCleat, type ResolvedCabinet } from '../solid/cabinet.ts';
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import type { WallForces } from './forces.ts';
import type { HangInput } from './hang-input.ts';
import { FINE_TIP, link, type Link } from './link.ts';
import { contactHeight, HOLD_DOWN, LIFT_LIMIT, LIFT_STARTS, OUTWARD, PULL_LIMIT, SPACER_PUSH, TIP_RATIO } from './statics.ts';
import { throughForces } from './through-forces.ts';

/** Bearing strength of wallboard under the spacer, MPa. [ASSUME] */
const WALLBOARD_MPA = ASSUMED.wallboardBearing.value;

const SPACER_USE = formula({
  label: 'spacer-use',
  unit: 'share',
  text: 'push / (length · height · 0.5 MPa)',
  source: '[ASSUME] docs/formulas/spacer-push.md',
  terms: { push: 'N', length: 'mm', height: 'mm' },
  compute: ({ push, length, height }) => push / (length * height * WALLBOARD_MPA),
});

export const wallForces = (site: Pick<HangInput, 'cabinet' | 'wall'>, weight: ExplainedValue, loaded: Load): WallForces =>
  hangsOnCleat(site.cabinet.hanging) ? cleatForces(site.cabinet, weight, loaded) : throughForces(site, weight, loaded);

/** Distance of the center of gravity from the wall at which a hook tips off, mm; null where nothing hooks. */
export function tipsAtMm({ hanging }: Pick<ResolvedCabinet, 'hanging'>): number | null {
  if (!hangsOnCleat(hanging)) return null;
  return leverMm(hanging) * tanDeg(hanging.bevelDeg) + toMm(hanging.cleatThickness) / 2;
}

/** From the middle of the bevel down to the spacer. */
const leverMm = ({ contactUp, standoffUp }: ResolvedCabinet['hanging']): number => toMm(contactUp) - toMm(standoffUp);

function cleatForces(cabinet: ResolvedCabinet, weight: ExplainedValue, loaded: Load): WallForces {
  const { hanging, outside } = cabinet;
  const t = toMm(hanging.cleatThickness);
  const e = loaded.out;
  const h = leverMm(hanging);
  const θ = hanging.bevelDeg;
  const terms = { W: weight, e: loaded.outFigure ?? e, t, h, θ };
  const tip = evaluate(TIP_RATIO, { e: terms.e, t, h, θ });
  const a = e - t / 2;
  const D = toMm(outside.depth.value) - t / 2;
  const c = toMm(hanging.longFace) - (t / 2) * Math.tan((θ * Math.PI) / 180);
  const spacerPush = evaluate(SPACER_PUSH, { W: weight, e: terms.e, t, h });
  const links: Link[] = [
    link({
      id: 'tip',
      kind: 'tip',
      name: { key: 'link-tip' },
      use: tip,
      fineTo: FINE_TIP,
      // With a lock the hook may be fully utilized, because the hold-down link takes over. Without a lock it is over limit beyond its OK mark.
      limit: hanging.antiLift ? Infinity : FINE_TIP,
      panels: [hanging.cabinetHalf, ...(hanging.spacer ? [hanging.spacer] : [])],
    }),
  ];
  const spacer = hanging.spacer ? cabinet.byId.get(hanging.spacer) : undefined;
  if (spacer) {
    const use = evaluate(SPACER_USE, { push: spacerPush, length: toMm(spacer.length.value), height: toMm(spacer.width.value) });
    links.push(link({ id: 'spacer', kind: 'spacer', name: { key: 'link-spacer' }, use, panels: [spacer.id] }));
  }
  return {
    weight,
    outward: evaluate(OUTWARD, terms),
    spacerPush,
    links,
    e,
    along: loaded.along,
    t,
    hook: {
      tip,
      holdDown: evaluate(HOLD_DOWN, terms),
      liftStarts: evaluate(LIFT_STARTS, { W: weight, a, D }),
      liftLimit: evaluate(LIFT_LIMIT, { W: weight, a, D, c, θ }),
      pullLimit: evaluate(PULL_LIMIT, { W: weight, a, c, z: toMm(hanging.contactUp), h, θ }),
      pulled: { a, c, z: toMm(hanging.contactUp) },
      h,
      b: contactHeight(toMm(hanging.shortFace), t, θ),
      bevelDeg: θ,
    },
  };
}
