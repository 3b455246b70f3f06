/** How much shorter or narrower sheets, or wider kerfs, may be before the layouts no longer fit. */
import { NM_PER, spareOf, tightSheets, type DisplayUnit, type Length } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { LengthText } from '../../ui/LengthText.tsx';
import { selectOpen, useDisplayUnit } from '../project/selectors.ts';
import type { Nest } from './useNests.tsx';

/** Rounded down: to a tape mark, and to the resolution of a kerf. */
const STEP: Readonly<Record<DisplayUnit, { readonly sheet: number; readonly kerf: number }>> = {
  mm: { sheet: NM_PER.mm / 2, kerf: NM_PER.mm / 10 },
  in: { sheet: NM_PER.in / 32, kerf: NM_PER.in / 1000 },
};
const down = (size: Length, step: number): Length => (Math.floor(size / step) * step) as Length;

export function RoomToSpare({ nests }: { readonly nests: readonly Pick<Nest, 'job' | 'plan' | 'cut' | 'progress'>[] }) {
  const { workshop } = useAppSelector(selectOpen);
  const unit = useDisplayUnit();
  const rows = nests.flatMap(({ job, plan, cut, progress }) => {
    const spare = plan && !cut && progress === null && plan.unplaced.length === 0 ? spareOf(plan, job.problem) : null;
    return spare && plan ? [{ job, spare, tight: tightSheets(plan, job.problem), sheets: plan.sheets.length }] : [];
  });
  if (rows.length === 0) return null;
  return (
    <>
      <h2>Room to spare</h2>
      <p className="kind">what sheets and blade may be off by</p>
      <table className="sum-table plain spare-table">
        <thead>
          <tr>
            <th scope="col">
              <span className="sr">sheets of</span>
            </th>
            <th scope="col">short</th>
            <th scope="col">narrow</th>
            <th scope="col">kerf</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ job, spare }) => (
            <tr key={job.product}>
              <td>{workshop.products[job.product]!.name}</td>
              <Spared size={spare.length} of="sheet" unit={unit} />
              <Spared size={spare.width} of="sheet" unit={unit} />
              <Spared size={spare.kerf} of="kerf" unit={unit} />
            </tr>
          ))}
        </tbody>
      </table>
      {rows
        .filter(({ tight }) => tight.length > 0)
        .map(({ job, tight, sheets }) => (
          <p key={job.product} className="quiet">
            {workshop.products[job.product]!.name}: {whichSheets(tight, sheets)} little to spare. Measure {tight.length === 1 ? 'it' : 'them'}, and the kerf in
            a test cut, before the first cut.
          </p>
        ))}
    </>
  );
}

/** Sheets by number, up to a few. */
const MAX_NAMED = 4;

function whichSheets(tight: readonly number[], sheets: number): string {
  if (sheets === 1) return 'the sheet has';
  if (tight.length === 1) return `sheet ${tight[0]! + 1} has`;
  if (tight.length === sheets) return sheets === 2 ? 'both sheets have' : `all ${sheets} sheets have`;
  if (tight.length > MAX_NAMED) return `${tight.length} of ${sheets} sheets have`;
  const names = tight.map((index) => String(index + 1));
  return `sheets ${names.slice(0, -1).join(', ')} and ${names.at(-1)} have`;
}

/** No sheet is off by this much. */
const PLENTY = { sheet: 40 * NM_PER.mm, kerf: 4 * NM_PER.mm } as const;

function Spared({ size, of, unit }: { readonly size: Length | null; readonly of: 'sheet' | 'kerf'; readonly unit: DisplayUnit }) {
  if (size === null || size >= PLENTY[of]) return <td className="quiet">plenty</td>;
  return (
    <td>
      <LengthText value={down(size, STEP[unit][of])} unit={unit} withUnit exact={of === 'kerf'} />
    </td>
  );
}
