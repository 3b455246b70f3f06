/** Paper sizes to choose from. Their measures are in the exchange package, which is loaded only when something is drawn. */
import type { DisplayUnit } from '@keen/core';
import type { PaperId } from '@keen/exchange';

export const PAPER_CHOICES: readonly { readonly value: PaperId; readonly label: string }[] = [
  { value: 'a4', label: 'A4' },
  { value: 'a3', label: 'A3' },
  { value: 'letter', label: 'US Letter' },
  { value: 'tabloid', label: 'Tabloid' },
];

/** The likely paper for a person's units. */
export const usualPaper = (unit: DisplayUnit): PaperId => (unit === 'mm' ? 'a4' : 'letter');
