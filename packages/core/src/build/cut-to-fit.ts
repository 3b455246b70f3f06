/** Cut as you go: what closes an opening is cut to the opening that is there, where its cut can be left until then. */
import type { CutStep } from '../cuts/pieces.ts';
import { assembliesOf } from './assemblies.ts';
import type { BuildJob, CabinetToBuild } from './job.ts';

/** Parts of a cabinet that close an opening. What is glued into a frame of its own is as long as its joints say. */
export function cutToFit({ cabinet }: Pick<CabinetToBuild, 'cabinet'>): string[] {
  const closes = new Set<string>();
  for (const { guest, joint } of cabinet.connections) if (joint.kind === 'hinge' || joint.kind === 'pins') closes.add(guest);
  for (const { id, role } of cabinet.panels) if (role === 'door' || role === 'front') closes.add(id);
  const built = new Set(assembliesOf(cabinet).flatMap(({ panels }) => panels));
  return cabinet.panels.filter(({ id }) => closes.has(id) && !built.has(id)).map(({ id }) => id);
}

/** Cuts that free nothing but such a part, and that no other cut stands on: they are left until the opening is there. */
export function waitingCuts({ cabinets, sheets, choices }: BuildJob): CutStep[] {
  if (choices.cut === 'first') return [];
  const fit = new Set(cabinets.flatMap(cutToFit));
  return sheets.flatMap(({ steps }) => {
    const goesOn = new Set(steps.map(({ after }) => after));
    return steps.filter(({ id, near, far }) => near.part !== null && fit.has(near.part) && !goesOn.has(id) && (far?.part ?? null) === null);
  });
}

/** The parts of those cuts: not there before the dry fit. */
export const waitingParts = (job: BuildJob): ReadonlySet<string> => new Set(waitingCuts(job).flatMap(({ near }) => near.part ?? []));
