/** Quick sums beside a unit: what they give can be put into it. */
import type { ShownUnit } from '../project/selectors.ts';
import { Sums } from './Sums.tsx';

export function SumsStation({ shown }: { readonly shown: ShownUnit }) {
  return (
    <div className="station-body scroll">
      <Sums unit={shown.unit} put={shown.box} />
    </div>
  );
}
