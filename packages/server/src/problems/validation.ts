/** The pipe every body and query goes through: unknown fields refused, the first fault said with its place. */
import { setImmediate } from 'node:timers/promises';
import { ValidationPipe, type ValidationError } from '@nestjs/common';
import { plainToInstance, type ClassConstructor } from 'class-transformer';
import { validate } from 'class-validator';
import { ProblemException } from './problem.exception.ts';

const STRICT = { whitelist: true, forbidNonWhitelisted: true } as const;
/** So many are checked before other requests get their turn. */
const CHECKED_AT_ONCE = 10;

export const validation = (): ValidationPipe => new ValidationPipe({ ...STRICT, transform: true, exceptionFactory: (errors) => refused(errors, []) });

/**
 * Checks a long list against the rules of its class without holding up other requests, and gives its members as instances.
 * @param where the list's place in the body
 * @throws ProblemException 400 at the first member that breaks a rule
 */
export async function validatedEach<T extends object>(type: ClassConstructor<T>, members: readonly object[], where: string): Promise<T[]> {
  const checked: T[] = [];
  for (const [index, member] of members.entries()) {
    if (index > 0 && index % CHECKED_AT_ONCE === 0) await setImmediate();
    const made = plainToInstance(type, member);
    const errors = await validate(made, STRICT);
    if (errors.length > 0) throw refused(errors, [where, String(index)]);
    checked.push(made);
  }
  return checked;
}

function refused(errors: readonly ValidationError[], path: readonly string[]): ProblemException {
  const { where, rules } = first(errors, path);
  return new ProblemException(400, { code: 'body', message: rules[0] ?? 'a value cannot be used here', where, accepted: rules.join('; ') });
}

function first([error]: readonly ValidationError[], path: readonly string[]): { where: string; rules: string[] } {
  if (!error) return { where: path.join('.'), rules: [] };
  const here = [...path, error.property];
  const rules = Object.values(error.constraints ?? {});
  return rules.length > 0 ? { where: here.join('.'), rules } : first(error.children ?? [], here);
}
