/** Fits: the play between a slot and what goes in it. */
import { nanometers, type Length } from '../length/length.ts';
import type { Joint, Connection } from '../solid/connection.ts';
import type { Fit } from '../model/joinery.ts';
import type { Shop } from '../model/shop.ts';

/** Defaults. [ASSUME] all, to be replaced by the shop's own test cuts */
export const FIT_PLAY: Readonly<Record<Fit, Length>> = {
  tight: nanometers(0),
  push: nanometers(100_000),
  glue: nanometers(150_000),
  loose: nanometers(400_000),
};

/** Clearance at the bottom of a slot, each end. [ASSUME] */
export const END_PLAY = nanometers(250_000);
/** Clearance around a back in its rabbet, each edge, so that it can square the box. [ASSUME] */
export const BACK_PLAY = nanometers(500_000);

/** The part of a joint that a fit decides. */
export const playOf = (fit: Fit): Pick<Joint, 'play' | 'fit'> => ({ play: FIT_PLAY[fit], fit });

/** Connections with the shop's play per fit; the same list where the shop uses the defaults. */
export function withFits(connections: readonly Connection[], fits: Shop['fits']): readonly Connection[] {
  if ((Object.keys(FIT_PLAY) as Fit[]).every((fit) => fits[fit].nm === FIT_PLAY[fit])) return connections;
  return connections.map((connection) => {
    const { fit } = connection.joint;
    return fit ? { ...connection, joint: { ...connection.joint, play: fits[fit].nm } } : connection;
  });
}
