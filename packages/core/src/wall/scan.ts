/** A stud scanner's signal along a line: peaks that may be studs, and which of them are doubtful. docs/formulas/stud-scan.md */
import { NM_PER, type Length } from '../length/length.ts';

export interface ScanSample {
  readonly along: Length;
  /** 0 to 100. */
  readonly level: number;
}

export type Doubt = 'weak' | 'narrow' | 'too-near' | 'off-the-row';

export interface Peak {
  readonly along: Length;
  readonly level: number;
  /** Full width at half maximum. */
  readonly width: Length;
  readonly doubt: Doubt | null;
}

/** [ASSUME] all: a stud gives a broad strong echo, a pipe a narrow one, a seam of the wallboard a weak one. */
export const PEAK_LEVEL = 35;
export const STRONG_LEVEL = 55;
export const MIN_WIDTH = 22 * NM_PER.mm;
export const MIN_APART = 250 * NM_PER.mm;
const OFF_ROW = 30 * NM_PER.mm;
/** Usual stud spacings: 12, 16, 19.2 and 24 in; 300, 400, 450, 600 and 625 mm. */
const USUAL = [304.8, 406.4, 487.7, 609.6, 300, 400, 450, 600, 625].map((mm) => mm * NM_PER.mm);

/** Peaks of a scan from left to right. The signal is smoothed first. */
export function peaksOf(samples: readonly ScanSample[]): Peak[] {
  const line = smoothed([...samples].sort((a, b) => a.along - b.along));
  const peaks: Peak[] = [];
  let from = -1;
  for (let i = 0; i <= line.length; i++) {
    const over = i < line.length && line[i]!.level >= PEAK_LEVEL;
    if (over && from < 0) from = i;
    if (!over && from >= 0) {
      peaks.push(peakOf(line, from, i - 1));
      from = -1;
    }
  }
  return doubted(peaks);
}

/** Mean of five neighbors. */
function smoothed(samples: readonly ScanSample[]): ScanSample[] {
  return samples.map(({ along }, index) => {
    const near = samples.slice(Math.max(0, index - 2), index + 3);
    return { along, level: near.reduce((sum, { level }) => sum + level, 0) / near.length };
  });
}

function peakOf(line: readonly ScanSample[], from: number, to: number): Peak {
  const rows = line.slice(from, to + 1);
  const level = Math.max(...rows.map((row) => row.level));
  const high = rows.filter((row) => row.level >= level / 2);
  // Centroid above the threshold rather than the highest sample, which noise moves.
  const mass = rows.reduce((sum, row) => sum + row.level - PEAK_LEVEL / 2, 0);
  const along = rows.reduce((sum, row) => sum + row.along * (row.level - PEAK_LEVEL / 2), 0) / mass;
  return { along: Math.round(along) as Length, level, width: (high.at(-1)!.along - high[0]!.along) as Length, doubt: null };
}

/** Doubts a peak by itself, then by the row of the others. */
function doubted(peaks: readonly Peak[]): Peak[] {
  const alone = peaks.map((peak): Peak => ({ ...peak, doubt: peak.width < MIN_WIDTH ? 'narrow' : peak.level < STRONG_LEVEL ? 'weak' : null }));
  const sound = alone.filter(({ doubt }) => doubt === null);
  const row = rowOf(sound.map(({ along }) => along));
  return alone.map((peak, index) => {
    if (peak.doubt) return peak;
    const near = sound.some((other) => other !== peak && Math.abs(other.along - peak.along) < MIN_APART);
    const offRow = row !== null && Math.abs(offFrom(row, peak.along)) > OFF_ROW;
    if (near && (row === null || offRow)) return { ...peak, doubt: 'too-near' };
    return offRow && index > 0 ? { ...peak, doubt: 'off-the-row' } : peak;
  });
}

interface StudRow {
  readonly spacing: number;
  readonly offset: number;
}

const offFrom = ({ spacing, offset }: StudRow, along: number): number => along - offset - Math.round((along - offset) / spacing) * spacing;

/** The usual spacing that most peaks agree with, once three do; null when none is. */
export function rowOf(alongs: readonly number[]): StudRow | null {
  let best: StudRow | null = null;
  let most = 2;
  let least = Infinity;
  for (const spacing of USUAL) {
    for (const offset of alongs) {
      const offs = alongs.map((along) => Math.abs(offFrom({ spacing, offset }, along))).filter((off) => off <= OFF_ROW);
      // The widest spacing with the same number of matches: every second stud also fits half of it.
      const misfit = offs.reduce((sum, off) => sum + off, 0) / offs.length - spacing / 1e3;
      if (offs.length > most || (offs.length === most && misfit < least)) [best, most, least] = [{ spacing, offset }, offs.length, misfit];
    }
  }
  return most >= 3 ? best : null;
}

/** Spacings no builder uses: below 250 mm or above 700. [A] */
export const spacingDoubted = (a: number, b: number): boolean => Math.abs(b - a) < MIN_APART || Math.abs(b - a) > 700 * NM_PER.mm;
