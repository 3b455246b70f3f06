/** A project as the room lists it: one cupboard on a wall. */
import type { ProjectRow } from '../app/api.ts';

export const projectRow = (more: Partial<ProjectRow> = {}): ProjectRow => ({
  id: 'p1',
  name: 'Print room',
  demo: false,
  revision: 3,
  updatedAt: '2026-11-03T10:00:00Z',
  wall: { widthMm: 4000, ceilingMm: 2500 },
  problem: null,
  units: [{ id: 'ink', name: 'Ink cupboard', widthMm: 700, heightMm: 820, alongMm: 300, upMm: 1320, shelves: 2 }],
  ...more,
});
