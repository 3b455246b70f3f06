/** What a person decides about the building: the school, the glue, and the time there is for it. */
import type { GlueId } from './glues.ts';

/** Hours of a weekday, minutes from midnight. */
export interface Session {
  readonly id: string;
  /** 0 is Monday. */
  readonly day: number;
  readonly from: number;
  readonly to: number;
  /** Someone is there to hold the other end. */
  readonly helper: boolean;
  /** No machine may run: people sleep next door. */
  readonly quiet: boolean;
  /** Machines that are not there then, by their ids: one that is borrowed, or stands in somebody else's shop. */
  readonly without: readonly string[];
}

/** How a glue-up is closed: all at once or one side after the other; a clamp to every joint, or cauls that press a whole side. */
export interface GlueWay {
  readonly goes: 'one' | 'two';
  readonly cauls: boolean;
}

export interface BuildChoices {
  /** Everything is cut before anything goes together, or what closes an opening is cut to the opening that is there. */
  readonly cut: 'first' | 'to-fit';
  /** One setting serves the parts of all cabinets, or one cabinet is done after the other. */
  readonly units: 'together' | 'one-by-one';
  readonly glue: GlueId;
  /** Glue-ups a person has decided on, by their ids; the others go as glue, clamps and hands allow. */
  readonly glueUps: Readonly<Record<string, GlueWay>>;
  /** In the shop while glue and finish dry, °C. */
  readonly tempC: number;
  /** Ids of steps in the order a person put them in; those it does not name keep their places. */
  readonly order: readonly string[];
  /** The first day, ISO; null for the day it is looked at. */
  readonly start: string | null;
  readonly week: Readonly<Record<string, Session>>;
  /** Days nothing is done on, ISO. */
  readonly away: readonly string[];
  /** Steps that do not begin before a day a person put them on: by step, an ISO day. */
  readonly notBefore: Readonly<Record<string, string>>;
  /** Steps that want a second pair of hands and are done with one, by the trick they tell. */
  readonly alone: readonly string[];
}

const session = (id: string, day: number, from: number, to: number, helper = false): [string, Session] => [
  id,
  { id, day, from: from * 60, to: to * 60, helper, quiet: false, without: [] },
];

/** Two evenings and a Saturday, until the person says what there is. */
export const DEFAULT_BUILD: BuildChoices = {
  cut: 'first',
  units: 'together',
  glue: 'yellow',
  glueUps: {},
  tempC: 18,
  order: [],
  start: null,
  week: Object.fromEntries([session('tuesday', 1, 19, 22), session('thursday', 3, 19, 22), session('saturday', 5, 9, 17, true)]),
  away: [],
  notBefore: {},
  alone: [],
};
