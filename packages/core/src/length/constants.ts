/** Physical constants and unit conversions, each once. Exact by definition but the pound-force, which is rounded as published. */

/** Standard gravity, m/s². Source: 3rd CGPM, 1901. */
export const STANDARD_GRAVITY = 9.80665;
/** Source: international yard and pound agreement, 1959. */
export const MM_PER_INCH = 25.4;
export const MM_PER_FOOT = 304.8;
/** Source: international yard and pound agreement, 1959. */
export const KG_PER_POUND = 0.45359237;
/** Newtons in a pound-force, to the digits the fastener tables are published with. */
export const NEWTONS_PER_POUND = 4.4482216;
/** A US liquid quart, liters: 57.75 cubic inches. */
export const LITERS_PER_QUART = 0.946352946;
