/** Neighbors a cabinet is fixed to before either is fixed to the wall: told by the finding, which names them from one side only. */
import type { Plan } from './plan.ts';

/** Their names. */
export function joinedTo({ byId, units }: Pick<Plan, 'byId' | 'units'>, id: string): string[] {
  const own = byId.get(id);
  if (!own) return [];
  const names = own.findings.flatMap((finding) => (finding.check === 'join-first' ? [finding.other] : []));
  const others = units.flatMap((other) =>
    other.id !== id && other.findings.some((finding) => finding.check === 'join-first' && finding.other === own.name) ? [other.name] : [],
  );
  return [...new Set([...names, ...others])];
}
