/** Reads a scan of the wall as it streams in. Never throws: how it ended is the result. */
import { deviceLines, type DeviceEnd } from '../../app/deviceLines.ts';

export interface Sample {
  readonly at: number;
  readonly level: number;
}

export type ScanEnd = DeviceEnd;

export const readScan = (line: { from: number; to: number; up: number }, signal: AbortSignal, tell: (sample: Sample) => void): Promise<ScanEnd> =>
  deviceLines(`scanner/scan?from=${line.from}&to=${line.to}&up=${line.up}`, 'scanner', signal, (event) => {
    if (event.type === 'sample') tell({ at: Number(event['at']), level: Number(event['level']) });
  });
