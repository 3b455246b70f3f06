/** Picture of a sum, drawn from its own numbers, inputs and results labeled. */
import { sumKeyWords, type DisplayUnit, type SumResult, type ResultGroup, type SumAnswer } from '@keen/core';
import type { ReactNode } from 'react';
import { isResult } from './SumResults.tsx';
import { PICTURES, type Numbers } from './pictures.tsx';
import { lengthLabel } from './primitives.tsx';

export const WIDE = 420;
export const HIGH = 190;

export function SumPicture({ answer, unit }: { readonly answer: SumAnswer; readonly unit: DisplayUnit }) {
  const draw = PICTURES[answer.sum];
  if (!draw) return null;
  const drawn: ReactNode = draw(numbersOf(answer, unit));
  const text = Object.entries(answer.inputs)
    .map(([key, { value, unit }]) => `${sumKeyWords(answer.sum, key)} ${String(value)}${unit ? ` ${unit}` : ''}`)
    .join(', ');
  return (
    <svg className="drawing sum-picture" viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={`Drawn with ${text}.`}>
      {drawn}
    </svg>
  );
}

/** Inputs and results by name, numbers and lists alike. */
function numbersOf({ inputs, results }: SumAnswer, unit: DisplayUnit): Numbers {
  const all = new Map<string, SumResult['value']>();
  for (const [key, { value }] of Object.entries(inputs)) all.set(key, value);
  for (const [key, result] of Object.entries(results)) if (isResult(result)) all.set(`=${key}`, result.value);
  const number = (key: string, fallback = 0): number => (typeof all.get(key) === 'number' ? (all.get(key) as number) : fallback);
  const list = (key: string): readonly number[] => (Array.isArray(all.get(key)) ? (all.get(key) as readonly number[]) : []);
  const text = (key: string): string => String(all.get(key) ?? '');
  const groups: Numbers['groups'] = (key) => {
    const rows = results[key];
    const plain = (row: ResultGroup) => Object.fromEntries(Object.entries(row).map(([name, { value }]) => [name, value as number | readonly number[]]));
    return Array.isArray(rows) ? rows.map(plain) : [];
  };
  const bare = (value: number): string => lengthLabel(value, unit);
  return { number, list, text, groups, bare, mm: (value) => `${bare(value)} ${unit}` };
}
