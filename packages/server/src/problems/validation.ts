/** The pipe every body and query goes through: unknown fields refused, the first fault said with its place. */
import { ValidationPipe, type ValidationError } from '@nestjs/common';
import { ProblemException } from './problem.exception.ts';

export const validation = (): ValidationPipe =>
  new ValidationPipe({
    whitelist: true,
    forbidNonWhitelisted: true,
    transform: true,
    exceptionFactory: (errors) => {
      const { where, rules } = first(errors, []);
      return new ProblemException(400, { code: 'body', message: rules[0] ?? 'a value cannot be used here', where, accepted: rules.join('; ') });
    },
  });

function first([error]: readonly ValidationError[], path: readonly string[]): { where: string; rules: string[] } {
  if (!error) return { where: path.join('.'), rules: [] };
  const here = [...path, error.property];
  const rules = Object.values(error.constraints ?? {});
  return rules.length > 0 ? { where: here.join('.'), rules } : first(error.children ?? [], here);
}
