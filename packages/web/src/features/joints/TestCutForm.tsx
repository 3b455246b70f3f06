/** Result of a test cut: the shop's figures are learned from it, and later setups start from them. */
import { shopFacts, exactTextWithUnit, type DisplayUnit, type Entered, type Calibration, type Setting, type Shop } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { selectOpen } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';
import { cameLimits, testCutFact, triesAt, type Tried } from './testCuts.ts';

interface TestCutFormProps {
  readonly setting: Setting;
  readonly shop: Shop;
  readonly learned: Calibration;
  readonly unit: DisplayUnit;
}

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
    add(testCutFact(tried, came));
    setCame(null);
    setRound(round + 1);
  };
  const lastOf = ({ of, cutter }: Tried) =>
    shopFacts(record)
      .of['test-cut'].filter(({ testCut }) => testCut.cutter === cutter && testCut.of === of)
      .at(-1);
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
        {...cameLimits(tried)}
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
