/** Quick sums beside a cabinet: results can be put into it. */
import type { ShownCabinet } from '../project/selectors.ts';
import { Sums } from './Sums.tsx';

export function SumsStation({ shown }: { readonly shown: ShownCabinet }) {
  return (
    <div className="station-body scroll">
      <Sums unit={shown.unit} put={shown.spec} />
    </div>
  );
}
