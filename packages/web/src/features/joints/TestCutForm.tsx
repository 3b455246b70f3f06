/** What a test cut came out as: the shop's own figures are learned from it, and every later setup starts from there. */
import {
  entered,
  exactly,
  exactTextWithUnit,
  mm,
  onScale,
  scaleOf,
  STACK_ID,
  type DisplayUnit,
  type Entered,
  type Known,
  type Learned,
  type Length,
  type Setting,
  type Shop,
} from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { selectOpen } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';

interface TestCutFormProps {
  readonly setting: Setting;
  readonly shop: Shop;
  readonly learned: Learned;
  readonly unit: DisplayUnit;
}

/** What came out further off than this is another cut's, mm. */
const MOST_OFF = 2.5;

export function TestCutForm({ setting, shop, learned, unit }: TestCutFormProps) {
  const { add, withdraw } = useRecord();
  const { record } = useAppSelector(selectOpen);
  const [came, setCame] = useState<Entered | null>(null);
  const [round, setRound] = useState(0);
  const [chosen, setChosen] = useState<string | null>(null);
  const tries = triesAt(setting, shop, learned);
  const tried = tries.find(({ id }) => id === chosen) ?? tries[0];
  if (!tried) return null;
  const say = (): void => {
    if (!came) return;
    const { of, cutter, thick } = tried;
    add({ kind: 'test-cut', testCut: { ...(of ? { of } : {}), cutter, thick: exactly(thick), came: entered(came.text) } });
    setCame(null);
    setRound(round + 1);
  };
  const withdrawn = new Set(record.map(({ withdraws }) => withdraws));
  const lastOf = ({ of, cutter }: Tried) => record.filter(({ id, testCut }) => testCut?.cutter === cutter && testCut.of === of && !withdrawn.has(id)).at(-1);
  return (
    <form
      className="test-cut"
      onSubmit={(event) => {
        event.preventDefault();
        say();
      }}
    >
      {tries.length > 1 && (
        <ChoiceField
          label="measured at the test cut"
          name={`test-cut-of.${setting.key}`}
          value={tried.id}
          options={tries.map(({ id, option }) => ({ value: id, label: option }))}
          onChange={(id) => {
            setChosen(id);
            setCame(null);
            setRound(round + 1);
          }}
        />
      )}
      <LengthField
        key={round}
        label={`test cut came out (${exactTextWithUnit(tried.wanted, unit)} wanted${tried.of ? '' : ' of one pass'})`}
        name={`test-cut.${setting.key}`}
        value={came}
        unit={unit}
        least={Math.max(mm(0.3), tried.wanted - mm(MOST_OFF)) as Length}
        most={(tried.wanted + mm(MOST_OFF)) as Length}
        optional
        onChange={setCame}
      />
      <Button type="submit" variant="outlined" disabled={!came}>
        Set up from it
      </Button>
      {tries.map((each) => {
        const last = lastOf(each);
        return (
          each.known && (
            <p key={each.id} className="quiet">
              {each.says(each.known, unit)}, by {each.known.cuts === 1 ? 'one test cut' : `the last ${each.known.cuts} test cuts`}.{' '}
              {last && (
                <Button size="small" onClick={() => withdraw(last.id)}>
                  Take the last one back
                </Button>
              )}
            </p>
          )
        );
      })}
    </form>
  );
}

/** One thing a test cut at a setting can tell. */
interface Tried {
  readonly id: string;
  readonly option: string;
  readonly of?: 'place' | 'kerf';
  readonly cutter: string;
  /** What was set, or what is measured itself. */
  readonly thick: number;
  readonly wanted: Length;
  readonly known: Known | undefined;
  readonly says: (known: Known, unit: DisplayUnit) => string;
}

function triesAt(setting: Setting, shop: Shop, learned: Learned): Tried[] {
  const { stack, router, distance } = setting;
  const tries: Tried[] = [];
  const width = (cutter: string, thick: number, wanted: Length): void =>
    void tries.push({ id: 'width', option: 'width of the slot', cutter, thick, wanted, known: learned.over.get(cutter), says: widthSays });
  const bit = router && shop.bits[router.bit];
  if (stack && shop.stack) width(STACK_ID, stack.cuts - shop.stack.over.nm, stack.cuts);
  if (bit) width(bit.id, bit.diameter.nm, router.cuts);
  if (distance) {
    const cutter = scaleOf(setting);
    const set = onScale(setting, learned)?.reads ?? distance;
    tries.push({ id: 'place', option: 'where it came', of: 'place', cutter, thick: set, wanted: distance, known: learned.place.get(cutter), says: placeSays });
  }
  const { kerf } = shop.machines[setting.machine]!;
  if (kerf && !stack && !router && setting.bit === undefined)
    tries.push({
      id: 'kerf',
      option: 'what the blade takes away',
      of: 'kerf',
      cutter: setting.machine,
      thick: kerf.nm,
      wanted: kerf.nm,
      known: learned.kerf.get(setting.machine),
      says: ({ nm }, unit) => `takes ${exactTextWithUnit(nm as Length, unit)} away`,
    });
  return tries;
}

const widthSays: Tried['says'] = ({ nm }, unit) =>
  nm === 0 ? 'cuts as wide as it is' : `cuts ${exactTextWithUnit(Math.abs(nm) as Length, unit)} ${nm > 0 ? 'wider' : 'narrower'} than it is`;

const placeSays: Tried['says'] = ({ nm }, unit) =>
  nm === 0 ? 'comes out as the scale says' : `comes out ${exactTextWithUnit(Math.abs(nm) as Length, unit)} ${nm > 0 ? 'over' : 'under'} what the scale says`;
