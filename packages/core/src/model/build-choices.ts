/** Build preferences: working method, glue, and shop hours. */

/** A window of a weekday, minutes from midnight. */
export interface Session {
  readonly id: string;
  /** 0 is Monday. */
  readonly day: number;
  readonly from: number;
  readonly to: number;
  /** A helper is there. */
  readonly helper: boolean;
  /** No machine may run: quiet hours. */
  readonly quiet: boolean;
  /** Ids of machines that are not available then, such as a borrowed one. */
  readonly without: readonly string[];
}

/** How a glue-up is closed: all at once or one side after the other; a clamp per joint, or cauls that press a whole side. */
export interface GlueWay {
  readonly goes: 'one' | 'two';
  readonly cauls: boolean;
}

export interface BuildChoices {
  /** Everything is cut before assembly, or closing parts are cut to the measured opening. */
  readonly cut: 'first' | 'to-fit';
  /** One setting for the parts of all cabinets, or cabinet by cabinet. */
  readonly units: 'together' | 'one-by-one';
  readonly glue: GlueId;
  /** Glue-ups with a chosen method, by id; the others follow from glue, clamps and hands. */
  readonly glueUps: Readonly<Record<string, GlueWay>>;
  /** Shop temperature while glue and finish dry, °C. */
  readonly tempC: number;
  /** Step ids in the order chosen by a person; the others keep their places. */
  readonly order: readonly string[];
  /** First day, ISO; null for today. */
  readonly start: string | null;
  readonly week: Readonly<Record<string, Session>>;
  /** Days off, ISO. */
  readonly away: readonly string[];
  /** Earliest day of a step, chosen by a person: ISO day by step. */
  readonly notBefore: Readonly<Record<string, string>>;
  /** Steps that need a helper and are done alone, by the method they describe. */
  readonly alone: readonly string[];
}

const session = (id: string, day: number, from: number, to: number, helper = false): [string, Session] => [
  id,
  { id, day, from: from * 60, to: to * 60, helper, quiet: false, without: [] },
];

/** Default: two evenings and a Saturday. */
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

export type GlueId = 'white' | 'yellow' | 'slow-yellow' | 'hide' | 'epoxy' | 'polyurethane';
