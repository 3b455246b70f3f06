/** When two measures are one: within a hundredth of a millimeter, for no saw cuts what two ways of reckoning put a nanometer apart. */
import { mm } from './length.ts';

const ONE_SIZE_MM = 0.01;
/** nm. */
export const ONE_SIZE = mm(ONE_SIZE_MM);

/** Less by more than `ONE_SIZE`; nm. */
export const isLess = (a: number, b: number): boolean => a < b - ONE_SIZE;

/** The same of millimeters. */
export const isLessMm = (a: number, b: number): boolean => a < b - ONE_SIZE_MM;
