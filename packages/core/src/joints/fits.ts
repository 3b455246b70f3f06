/** Fits: the play between a slot and what goes in it. */
import { nanometres, type Length } from '../length/length.ts';
import type { Fit, Joint, Meeting } from '../solid/meeting.ts';
import type { Shop } from '../stock/shop.ts';

/** Before a shop has said otherwise. [ASSUME] all, to be replaced by the shop's own test cuts. */
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

/** The part of a joint that a fit decides. */
export const playOf = (fit: Fit): Pick<Joint, 'play' | 'fit'> => ({ play: FIT_PLAY[fit], fit });

/** Meetings with the play their fits stand for in a shop; the same list where the shop keeps to what is assumed. */
export function withFits(meetings: readonly Meeting[], fits: Shop['fits']): readonly Meeting[] {
  if ((Object.keys(FIT_PLAY) as Fit[]).every((fit) => fits[fit].nm === FIT_PLAY[fit])) return meetings;
  return meetings.map((meeting) => {
    const { fit } = meeting.joint;
    return fit ? { ...meeting, joint: { ...meeting.joint, play: fits[fit].nm } } : meeting;
  });
}
