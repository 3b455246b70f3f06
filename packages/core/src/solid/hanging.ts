/**
 * Geometry of a beveled cleat: the result of a rip, its engagement, and the lift to hang the cabinet. Millimeters and degrees in, millimeters out; the
 * angle is the blade's tilt from square. Source: docs/formulas/cleat-rip.md and engagement.md [eq].
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { formula } from '../explained/explained-value.ts';

export const MIN_BEVEL_DEG = 20;
export const MAX_BEVEL_DEG = 65;
/** Clearance above the hook when lifting the cabinet on. [ASSUME] */
export const LIFT_MARGIN_MM = ASSUMED.liftMargin.value;

export const tanDeg = (deg: number): number => Math.tan((deg * Math.PI) / 180);
export const cosDeg = (deg: number): number => Math.cos((deg * Math.PI) / 180);

/** Both long faces of a board ripped once at a bevel. On the face the kerf is wider by 1 / cos. */
export const RIPPED_LONG_FACES = formula({
  label: 'cleat-long-faces',
  unit: 'mm',
  text: 'B + t tan θ − k / cos θ',
  source: '[eq] docs/formulas/cleat-rip.md',
  terms: { B: 'mm', t: 'mm', k: 'mm', θ: 'deg' },
  compute: ({ B, t, k, θ }) => B + t * tanDeg(θ) - k / cosDeg(θ),
});

/** The short face of a half with this long face. */
export const SHORT_FACE = formula({
  label: 'cleat-short-face',
  unit: 'mm',
  text: 'long − t tan θ',
  source: '[eq] docs/formulas/cleat-rip.md',
  terms: { long: 'mm', t: 'mm', θ: 'deg' },
  compute: ({ long, t, θ }) => long - t * tanDeg(θ),
});

/** Engagement: vertical overlap of the two halves, by which the cabinet must rise to come off. */
export const ENGAGEMENT = formula({
  label: 'engagement',
  unit: 'mm',
  text: 'min(t wall, t cabinet) tan θ',
  source: '[eq] docs/formulas/engagement.md',
  terms: { 't wall': 'mm', 't cabinet': 'mm', θ: 'deg' },
  compute: (terms) => Math.min(terms['t wall'], terms['t cabinet']) * tanDeg(terms.θ),
});

/** Clearance required above the cabinet to lift it on. */
export const LIFT_CLEARANCE = formula({
  label: 'lift-clearance',
  unit: 'mm',
  text: 'engagement + margin',
  source: '[eq], margin [ASSUME] docs/formulas/engagement.md',
  terms: { engagement: 'mm', margin: 'mm' },
  compute: ({ engagement, margin }) => engagement + margin,
});
