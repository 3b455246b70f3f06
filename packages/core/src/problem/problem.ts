/**
 * A refusal in the one form used everywhere: screen, API, command and file reader. `where` names the field, path or argument; `accepted` says what would
 * have been accepted.
 */
export interface Problem {
  readonly code: string;
  readonly message: string;
  readonly where: string;
  readonly accepted: string;
}

export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

export const accept = <T>(value: T): Outcome<T> => ({ ok: true, value });

export const refuse = (code: string, message: string, where: string, accepted: string): { ok: false; problem: Problem } => ({
  ok: false,
  problem: { code, message, where, accepted },
});

/** Thrown deep inside a reader; its caller turns it into an Outcome. */
export class Refusal extends Error {
  readonly problem: Problem;

  constructor(code: string, message: string, where: string, accepted: string) {
    super(`${where}: ${message}`);
    this.name = 'Refusal';
    this.problem = { code, message, where, accepted };
  }
}

/** Runs a reader that may throw a Refusal; any other error passes through. */
export function outcomeOf<T>(read: () => T): Outcome<T> {
  try {
    return accept(read());
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, problem: error.problem };
    throw error;
  }
}
