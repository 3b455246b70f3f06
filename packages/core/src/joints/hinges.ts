/** Number of hinges of a leaf, and positions of their cups. [ASSUME] docs/formulas/hinge-count.md */

/** Number of hinges up to a height, mm, and mass, kg; beyond all of them MAX_HINGES. */
const HINGE_STEPS: readonly (readonly [heightMm: number, kg: number, hinges: number])[] = [
  [900, 9, 2],
  [1500, 15, 3],
  [2000, 20, 4],
];
const MAX_HINGES = 5;

/** Middle of the outermost cups from the ends of a leaf, mm. */
export const CUP_FROM_END_MM = 100;

/** Hinges of a leaf by the height of its hinged edge, mm, and its mass, kg; without a mass by its height alone. Source: docs/formulas/hinge-count.md. */
export const hingesFor = (heightMm: number, kg = 0): number => HINGE_STEPS.find(([high, heavy]) => heightMm <= high && kg <= heavy)?.[2] ?? MAX_HINGES;
