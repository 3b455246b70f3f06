/** Fits: the play between a slot and what goes in it. [ASSUME] all, to be replaced by the shop's own test cuts. */
import { nanometres, type Length } from '../length/length.ts';

export type Fit = 'tight' | 'push' | 'glue' | 'loose';

export const FIT_PLAY: Readonly<Record<Fit, Length>> = {
  tight: nanometres(0),
  push: nanometres(100_000),
  glue: nanometres(150_000),
  loose: nanometres(400_000),
};

/** Left free at the bottom of a slot, each end. [ASSUME] */
export const END_PLAY = nanometres(250_000);
/** Left free round a back in its rabbet, each edge, so that it can square the box. [ASSUME] */
export const BACK_PLAY = nanometres(500_000);
