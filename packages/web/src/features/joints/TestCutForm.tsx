/** What a test cut came out as: the cutter's own figure is learned from it, and every later setup starts from there. */
import {
  entered,
  exactly,
  exactTextWithUnit,
  mm,
  STACK_ID,
  type DisplayUnit,
  type Entered,
  type Learned,
  type Length,
  type Setting,
  type Shop,
} from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { entryAdded } from '../project/project.slice.ts';
import { selectOpen } from '../project/selectors.ts';

interface TestCutFormProps {
  readonly setting: Setting;
  readonly shop: Shop;
  readonly learned: Learned;
  readonly unit: DisplayUnit;
}

export function TestCutForm({ setting, shop, learned, unit }: TestCutFormProps) {
  const dispatch = useAppDispatch();
  const { record } = useAppSelector(selectOpen);
  const [came, setCame] = useState<Entered | null>(null);
  const [round, setRound] = useState(0);
  const cutter = cutterOf(setting, shop);
  if (!cutter) return null;
  const { id, thick, cuts } = cutter;
  const known = learned.over.get(id);
  const withdrawn = new Set(record.map(({ withdraws }) => withdraws));
  const last = record.filter((entry) => entry.testCut?.cutter === id && !withdrawn.has(entry.id)).at(-1);
  const say = (): void => {
    if (!came) return;
    dispatch(
      entryAdded({
        id: crypto.randomUUID(),
        at: new Date().toISOString(),
        kind: 'test-cut',
        testCut: { cutter: id, thick: exactly(thick), came: entered(came.text) },
      }),
    );
    setCame(null);
    setRound(round + 1);
  };
  return (
    <form
      className="test-cut"
      onSubmit={(event) => {
        event.preventDefault();
        say();
      }}
    >
      <LengthField
        key={round}
        label={`test cut came out (${exactTextWithUnit(cuts, unit)} wanted of one pass)`}
        name={`test-cut.${setting.key}`}
        value={came}
        unit={unit}
        least={mm(0.3)}
        most={mm(65)}
        optional
        onChange={setCame}
      />
      <Button type="submit" variant="outlined" disabled={!came}>
        Set up from it
      </Button>
      {known && (
        <p className="quiet">
          {known.nm === 0
            ? 'cuts as wide as it is'
            : `cuts ${exactTextWithUnit(Math.abs(known.nm) as Length, unit)} ${known.nm > 0 ? 'wider' : 'narrower'} than it is`}
          , by {known.cuts === 1 ? 'one test cut' : `the last ${known.cuts} test cuts`}.{' '}
          {last && (
            <Button
              size="small"
              onClick={() => dispatch(entryAdded({ id: crypto.randomUUID(), at: new Date().toISOString(), kind: 'withdrawn', withdraws: last.id }))}
            >
              Take the last one back
            </Button>
          )}
        </p>
      )}
    </form>
  );
}

/** What is measured itself, and what it is expected to cut in one pass. */
function cutterOf({ stack, router }: Setting, shop: Shop): { readonly id: string; readonly thick: number; readonly cuts: Length } | null {
  if (stack && shop.stack) return { id: STACK_ID, thick: stack.cuts - shop.stack.over.nm, cuts: stack.cuts };
  const bit = router && shop.bits[router.bit];
  return bit ? { id: bit.id, thick: bit.diameter.nm, cuts: router.cuts } : null;
}
