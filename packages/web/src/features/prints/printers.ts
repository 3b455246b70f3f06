/** Printers of this device and what they make of 100 mm: measured once, kept in this browser, for it is this device that prints. */
import { storedText, storeText } from '../../ui/storage.ts';

export interface Printer {
  readonly name: string;
  /** Millimeters that came out for 100, along the sheet as it is laid and up it. */
  readonly along: number;
  readonly up: number;
}

export const MIN_MM = 90;
export const MAX_MM = 110;
const KEY = 'keen-printers';

export function keptPrinters(): Printer[] {
  try {
    const kept = JSON.parse(storedText(KEY) ?? '[]') as unknown;
    return Array.isArray(kept) ? kept.filter(isPrinter) : [];
  } catch {
    // Spoiled or out of reach: as if none had been kept.
    return [];
  }
}

/** Keeps a printer under its name, in the place of one called the same. Gives all there are then. */
export function keepPrinter(printer: Printer): Printer[] {
  const all = [...keptPrinters().filter(({ name }) => name !== printer.name), printer].sort((a, b) => a.name.localeCompare(b.name));
  storeText(KEY, JSON.stringify(all));
  return all;
}

function isPrinter(value: unknown): value is Printer {
  if (typeof value !== 'object' || value === null) return false;
  const { name, along, up } = value as Record<string, unknown>;
  const bar = (measured: unknown): boolean => typeof measured === 'number' && measured >= MIN_MM && measured <= MAX_MM;
  return typeof name === 'string' && name !== '' && bar(along) && bar(up);
}
