/** What is set at a machine, each with its number; a number of several terms opens its sum, wherever it stands in its sentence. */
import type { DisplayUnit, SetupWords } from '@keen/core';
import { Explained } from '../../ui/Explained.tsx';

export function SetupSettings({ set, unit }: { readonly set: SetupWords['set']; readonly unit: DisplayUnit }) {
  return (
    <dl className="setup-set">
      {set.map(({ what, to, sum }) => {
        const at = sum ? to.indexOf(sum.text) : -1;
        return (
          <div key={what}>
            <dt>{what}</dt>
            <dd>
              {sum && at >= 0 ? (
                <>
                  {to.slice(0, at)}
                  <Explained title={what} unit={unit} of={sum.of}>
                    {sum.text}
                  </Explained>
                  {to.slice(at + sum.text.length)}
                </>
              ) : (
                to
              )}
            </dd>
          </div>
        );
      })}
    </dl>
  );
}
