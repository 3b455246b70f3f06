/** Neighbors a cabinet is joined to before either is fixed to the wall, read off the finding, which names them from one side only. */
import type { Plan } from './plan.ts';

/** Their names, matched by id because two cabinets may share a name. */
export function joinedTo({ byId, cabinets }: Pick<Plan, 'byId' | 'cabinets'>, id: string): string[] {
  const besides = new Set(
    cabinets.flatMap((cabinetPlan) =>
      cabinetPlan.findings.flatMap((finding) => {
        if (finding.check !== 'join-first') return [];
        return cabinetPlan.id === id ? [finding.otherUnit] : finding.otherUnit === id ? [cabinetPlan.id] : [];
      }),
    ),
  );
  return [...besides].flatMap((other) => byId.get(other)?.name ?? []);
}
