/**
 * Cable zones, and whether a hole may be drilled. Bands in line with outlets, switches, lights and taps, and along ceiling and corners, are a convention
 * rather than a promise: every position is "look first" until someone recorded a survey there, and in a band "never" until then; on a surveyed cable or
 * pipe it stays "never" unless someone takes responsibility in writing. docs/formulas/cable-zones.md
 */
import { mm } from '../length/length.ts';
import { ceilingAt, thingRect, type WallRect } from './placed.ts';
import type { Wall, WallThing } from '../model/wall.ts';

export type DrillState = 'never' | 'look-first' | 'looked' | 'in-writing';

/** Along ceiling and corners. [ASSUME] one country's habit */
export const CORNER_BAND = mm(150);
/** Distance kept from a surveyed cable or pipe, each side. [ASSUME] */
export const RUN_MARGIN = mm(25);

export interface Band extends WallRect {
  readonly id: string;
  readonly from: 'outlet' | 'corner' | 'ceiling' | 'run';
  readonly runs: 'up' | 'along';
  /** The thing it is in line with. */
  readonly thing: string | null;
}

const FEEDS: ReadonlySet<WallThing['kind']> = new Set(['outlet', 'switch', 'light', 'tap']);
const RUNS: ReadonlySet<WallThing['kind']> = new Set(['cable', 'pipe']);

/** All bands of a wall. */
export function cableBands(wall: Wall): Band[] {
  const width = wall.width.nm;
  const ceiling = Math.max(ceilingAt(wall, 0), ceilingAt(wall, width));
  const bands: Band[] = [
    { id: 'corner-left', from: 'corner', runs: 'up', thing: null, left: 0, right: CORNER_BAND, bottom: 0, top: ceiling },
    { id: 'corner-right', from: 'corner', runs: 'up', thing: null, left: width - CORNER_BAND, right: width, bottom: 0, top: ceiling },
    {
      id: 'ceiling',
      from: 'ceiling',
      runs: 'along',
      thing: null,
      left: 0,
      right: width,
      bottom: Math.min(ceilingAt(wall, 0), ceilingAt(wall, width)) - CORNER_BAND,
      top: ceiling,
    },
  ];
  for (const thing of Object.values(wall.things)) {
    const rect = thingRect(thing);
    if (FEEDS.has(thing.kind)) {
      bands.push({ id: `${thing.id}-up`, from: 'outlet', runs: 'up', thing: thing.id, left: rect.left, right: rect.right, bottom: 0, top: ceiling });
      bands.push({ id: `${thing.id}-along`, from: 'outlet', runs: 'along', thing: thing.id, left: 0, right: width, bottom: rect.bottom, top: rect.top });
    } else if (RUNS.has(thing.kind)) {
      bands.push({
        id: `${thing.id}-run`,
        from: 'run',
        runs: rect.right - rect.left > rect.top - rect.bottom ? 'along' : 'up',
        thing: thing.id,
        left: rect.left - RUN_MARGIN,
        right: rect.right + RUN_MARGIN,
        bottom: rect.bottom - RUN_MARGIN,
        top: rect.top + RUN_MARGIN,
      });
    }
  }
  return bands;
}

const holds = ({ left, right, bottom, top }: WallRect, along: number, up: number): boolean => along >= left && along <= right && up >= bottom && up <= top;

/** The band a hole would be in, a surveyed run before a convention; null when it is in none. */
export function bandAt(bands: readonly Band[], along: number, up: number): Band | null {
  const here = bands.filter((band) => holds(band, along, up));
  return here.find(({ from }) => from === 'run') ?? here[0] ?? null;
}

/** Whether a hole may be drilled at a position. Bands can be passed in when many holes are checked. */
export function drillState(wall: Wall, along: number, up: number, bands: readonly Band[] = cableBands(wall)): DrillState {
  const here = Object.values(wall.looked).filter((area) => holds(thingRect(area), along, up));
  if (here.some(({ how }) => how === 'in-writing')) return 'in-writing';
  const band = bandAt(bands, along, up);
  if (band?.from === 'run') return 'never';
  if (here.length > 0) return 'looked';
  return band ? 'never' : 'look-first';
}
