/** Where on a sheet it was measured, in words. */
import type { SheetPlace } from '@keen/core';

export const PLACE_WORDS: Readonly<Record<SheetPlace, string>> = {
  'far-left': 'far left corner',
  far: 'far edge',
  'far-right': 'far right corner',
  left: 'left end',
  middle: 'middle',
  right: 'right end',
  'near-left': 'near left corner',
  near: 'near edge',
  'near-right': 'near right corner',
};
