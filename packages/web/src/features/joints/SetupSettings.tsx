/** What is set at a machine, each with its number; a number of several terms opens its sum. */
import type { DisplayUnit, SetupWords } from '@keen/core';
import { Explained } from '../../ui/Explained.tsx';

export function SetupSettings({ set, unit }: { readonly set: SetupWords['set']; readonly unit: DisplayUnit }) {
  return (
    <dl className="setup-set">
      {set.map(({ what, to, sum }) => (
        <div key={what}>
          <dt>{what}</dt>
          <dd>
            {sum && (
              <Explained title={what} unit={unit} of={sum.of}>
                {sum.text}
              </Explained>
            )}
            {sum ? to.slice(sum.text.length) : to}
          </dd>
        </div>
      ))}
    </dl>
  );
}
