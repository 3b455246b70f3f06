/** Cut to fit: parts that close an opening are cut to the measured opening, where the cut can wait. */
import type { CutStep } from '../sawing/pieces.ts';
import { assembliesOf } from './assemblies.ts';
import type { BuildJob, CabinetToBuild } from './job.ts';

/** Parts of a cabinet that close an opening. A part glued into its own frame is as long as its joints say. */
export function cutToFit({ cabinet }: Pick<CabinetToBuild, 'cabinet'>): string[] {
  const closes = new Set<string>();
  for (const { guest, joint } of cabinet.connections) if (joint.kind === 'hinge' || joint.kind === 'pins') closes.add(guest);
  for (const { id, role } of cabinet.panels) if (role === 'door' || role === 'front') closes.add(id);
  const built = new Set(assembliesOf(cabinet).flatMap(({ panels }) => panels));
  return cabinet.panels.filter(({ id }) => closes.has(id) && !built.has(id)).map(({ id }) => id);
}

/** Cuts that free only such a part and that no other cut depends on: they wait for the opening. */
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
