/** All parts of the cabinet, large enough for a thumb: cut, made, and the next step of each. */
import { shopFacts, labelWords, tapeTextWithUnit } from '@keen/core';
import { Link } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import type { BuildOf } from '../build/useBuild.ts';
import { selectOpen, type ShownCabinet } from '../project/selectors.ts';

export function PartsPlace({ of, shown, base }: { readonly of: BuildOf; readonly shown: ShownCabinet; readonly base: string }) {
  const { record } = useAppSelector(selectOpen);
  const there = shopFacts(record).finished;
  const { plan, unit } = shown;
  return (
    <ul className="bench-parts">
      {plan.parts.flatMap((line) =>
        line.panels.flatMap((panel) => {
          const solid = plan.cabinet.byId.get(panel);
          if (!solid) return [];
          const next = nextFor(panel, of);
          return [
            <li key={panel}>
              <Link to={`${base}?part=${encodeURIComponent(panel)}`}>
                <span className="mark">{line.mark}</span>
                <span>
                  <b>{labelWords(solid.name)}</b>
                  <br />
                  {tapeTextWithUnit(line.length.value, unit)} × {tapeTextWithUnit(line.width.value, unit)}
                  <br />
                  <span className="quiet">{next ? of.titleOf(next) : there.has(panel) ? 'all done' : 'nothing more'}</span>
                </span>
              </Link>
            </li>,
          ];
        }),
      )}
    </ul>
  );
}

/** The first step that touches a part and is not done. */
export const nextFor = (panel: string, { build, done }: BuildOf) => build.steps.find((step) => step.panels.includes(panel) && !done.has(step.id));
