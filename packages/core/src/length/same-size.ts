/** Equality of two measures: within a hundredth of a millimeter, because two ways of computing may differ by a nanometer and no saw by less than this. */
import { mm } from './length.ts';

const ONE_SIZE_MM = 0.01;
/** nm. */
export const ONE_SIZE = mm(ONE_SIZE_MM);

/** Less by more than `ONE_SIZE`; nm. */
export const isLess = (a: number, b: number): boolean => a < b - ONE_SIZE;

/** The same for millimeters. */
export const isLessMm = (a: number, b: number): boolean => a < b - ONE_SIZE_MM;
