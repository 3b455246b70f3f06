/** Cut or glued parts that no longer fit, with their options, at the desk and at the bench. */
import type { DisplayUnit, Finding } from '@keen/core';
import { useNavigate } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { FindingCard } from './FindingCard.tsx';
import { selectOpen, selectPlan } from './selectors.ts';

const CHECKS: readonly Finding['check'][] = ['already-cut', 'already-glued'];

/** `about`: limits them to some parts. */
export function Misfits({ unit, about }: { readonly unit: DisplayUnit; readonly about: (panel: string) => boolean }) {
  const { id } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const navigate = useNavigate();
  const found = plan.findings.filter(({ check, panels }) => CHECKS.includes(check) && panels.some(about));
  if (found.length === 0) return null;
  return (
    <section className="misfits" aria-label="What no longer fits">
      {found.map((finding, index) => (
        <FindingCard
          key={`${finding.check} ${finding.panels[0]} ${index}`}
          finding={finding}
          unit={unit}
          onStation={(station) => void navigate(`/project/${id}/${finding.unit}/${station}`)}
        />
      ))}
    </section>
  );
}
