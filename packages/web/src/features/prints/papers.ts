/** Papers a print can be on, as they are chosen from. The sizes are the exchange package's, which is fetched only when something is drawn. */
import type { DisplayUnit } from '@keen/core';
import type { PaperId } from '@keen/exchange';

export const PAPER_CHOICES: readonly { readonly value: PaperId; readonly label: string }[] = [
  { value: 'a4', label: 'A4' },
  { value: 'a3', label: 'A3' },
  { value: 'letter', label: 'US Letter' },
  { value: 'tabloid', label: 'Tabloid' },
];

/** What is likely to lie in the printer of someone who reads lengths so. */
export const usualPaper = (unit: DisplayUnit): PaperId => (unit === 'mm' ? 'a4' : 'letter');
