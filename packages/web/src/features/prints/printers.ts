/** Printers of this device and the length each prints for 100 mm: measured once, kept in this browser, since this device prints. */
import { storedText, storeText } from '../../ui/storage.ts';

export interface Printer {
  readonly name: string;
  /** Millimeters printed for 100, along the sheet and up it. */
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
    // Unreadable storage counts as empty.
    return [];
  }
}

/** Stores a printer under its name, replacing one of the same name. Returns all. */
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
