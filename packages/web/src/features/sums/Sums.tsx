/** All quick sums by subject, and the card of the selected one. */
import { SUM_GROUPS, SUM_TITLES, SUMS, type DisplayUnit, type CabinetSpec } from '@keen/core';
import { useSearchParams } from 'react-router';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { SumCard } from './SumCard.tsx';

export interface SumsProps {
  readonly unit: DisplayUnit;
  /** The cabinet results can be put into; null outside a project. */
  readonly put: CabinetSpec | null;
}

export function Sums({ unit, put }: SumsProps) {
  const [search, setSearch] = useSearchParams();
  const asked = search.get('sum');
  const sum = SUMS.find(({ name }) => name === asked) ?? SUMS.find(({ name }) => name === 'even-spacing')!;
  return (
    <div className="sums">
      <nav aria-label="Sums">
        {SUM_GROUPS.map((group) => (
          <section key={group}>
            <h2>{group}</h2>
            <ul>
              {SUMS.filter(({ name }) => SUM_TITLES[name]!.group === group).map(({ name }) => (
                <li key={name}>
                  <button type="button" aria-current={name === sum.name ? 'true' : undefined} onClick={() => setSearch({ sum: name }, { replace: true })}>
                    {SUM_TITLES[name]!.title}
                  </button>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </nav>
      <div className="sum-choice">
        <ChoiceField
          label="sum"
          value={sum.name}
          options={SUMS.map(({ name }) => ({ value: name, label: SUM_TITLES[name]!.title }))}
          onChange={(name) => setSearch({ sum: name }, { replace: true })}
        />
      </div>
      <SumCard key={sum.name} sum={sum} unit={unit} put={put} />
    </div>
  );
}
