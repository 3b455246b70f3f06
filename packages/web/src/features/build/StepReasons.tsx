/** Why a step is at its place: what must precede and follow it, each with its reason. */
import { reasonWords, type Step } from '@keen/core';
import type { BuildOf } from './useBuild.ts';

export function StepReasons({ step, of, onStep }: { readonly step: Step; readonly of: BuildOf; readonly onStep: (id: string) => void }) {
  const { edges } = of.build;
  const rows = (side: 'before' | 'after') => {
    const other = side === 'before' ? 'after' : 'before';
    return edges.flatMap((edge) => {
      const found = edge[other] === step.id ? of.byId.get(edge[side]) : undefined;
      return found ? [{ found, why: reasonWords(edge) }] : [];
    });
  };
  const list = (title: string, side: 'before' | 'after') => {
    const all = rows(side);
    return all.length === 0 ? null : (
      <>
        <h3>{title}</h3>
        <ul>
          {all.map(({ found, why }) => (
            <li key={found.id}>
              <button type="button" className="step-link" onClick={() => onStep(found.id)}>
                {of.titleOf(found)}
              </button>{' '}
              <span className="quiet">{why}</span>
            </li>
          ))}
        </ul>
      </>
    );
  };
  return (
    <details className="step-why">
      <summary>Why it stands here</summary>
      {list('Comes after', 'before')}
      {list('Comes before', 'after')}
    </details>
  );
}
