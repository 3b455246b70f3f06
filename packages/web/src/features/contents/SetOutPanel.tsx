/** Arranges items on shelves: in this cabinet, in the smallest one, or in a new one; the result is previewed before it is applied. */
import {
  applyEdit,
  entered,
  findingWords,
  insideOf,
  isShelfBox,
  mm,
  preview,
  proposeBox,
  setOutEdit,
  setOutJob,
  tapeTextWithUnit,
  unplacedItems,
  withBox,
  type Entered,
  type Length,
  type SetOut,
  type SetOutWish,
  type ShelfBox,
} from '@keen/core';
import { Button, FormControlLabel, LinearProgress, Switch } from '@mui/material';
import { useMemo, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { freshBox } from '../project/newSpecFor.ts';
import { effectWords } from '../project/FindingCard.tsx';
import { previewPlanner, selectOpen, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import type { StationId } from '../project/Stations.tsx';
import { useEdit } from '../project/useEdit.ts';
import { useSetOut } from './useSetOut.ts';

type Target = 'this-box' | 'smallest' | 'new-box';

const shelfId = (): string => `s${crypto.randomUUID().slice(0, 8)}`;

export function SetOutPanel({
  shown,
  onStation,
}: {
  readonly shown: ShownCabinet | undefined;
  readonly onStation: (station: StationId, unit?: string) => void;
}) {
  const { design, record, workshop } = useAppSelector(selectOpen);
  const unit = useDisplayUnit();
  const { apply } = useEdit();
  const run = useSetOut();
  const pick = (metric: string, imperial: string): Entered => entered(unit === 'mm' ? metric : imperial);
  const [chosen, setTarget] = useState<Target | null>(null);
  // Only a shelf box has floors that set-out may move.
  const own = shown && isShelfBox(shown.spec) ? shown.spec : undefined;
  const target = !own ? 'new-box' : (chosen ?? 'this-box');
  const [most, setMost] = useState(() => ({ width: pick('900 mm', '36 in'), depth: pick('300 mm', '12 in'), height: pick('900 mm', '36 in') }));
  const [grow, setGrow] = useState(true);
  const [asked, setAsked] = useState<{ readonly wish: SetOutWish; readonly box: ShelfBox; readonly fresh: boolean } | null>(null);
  const loose = unplacedItems(design).length;
  const things = Object.keys(design.items).length;

  const start = (): void => {
    const wish: SetOutWish = {
      mode: target === 'this-box' ? 'this-box' : 'smallest',
      width: most.width.nm,
      depth: most.depth.nm,
      height: most.height.nm,
      grow,
      takeUnplaced: true,
    };
    const box = target === 'new-box' || !own ? freshBox(design, workshop) : own;
    const { design: within, cabinetPlan } = withBox(previewPlanner, design, record, workshop, box);
    const { frame } = insideOf(cabinetPlan);
    setAsked({ wish, box, fresh: target === 'new-box' });
    run.start({ job: setOutJob(within, cabinetPlan, wish), frame: wish.mode === 'smallest' ? { width: frame.width, height: frame.height } : null });
  };
  const take = (): void => {
    if (!asked || !run.found) return;
    const { wish, box, fresh } = asked;
    if (fresh) {
      const { edit, placed } = proposeBox(previewPlanner, design, record, workshop, box, wish, run.found, shelfId);
      apply(edit, '', placed ? `${box.name} proposed` : `${box.name} proposed; no free place was found for it`);
      onStation('contents', box.id);
    } else {
      const { design: within, cabinetPlan } = withBox(previewPlanner, design, record, workshop, box);
      apply(setOutEdit(within, cabinetPlan, wish, run.found, shelfId), '', 'Set out');
    }
    run.clear();
    setAsked(null);
  };
  const limit = (key: keyof typeof most, label: string, least: number, top: number) => (
    <LengthField
      label={label}
      name={`set-out.${key}`}
      value={most[key]}
      unit={unit}
      least={mm(least)}
      most={mm(top)}
      onChange={(value) => value && setMost({ ...most, [key]: value })}
    />
  );
  return (
    <section className="set-out" aria-label="Set out">
      <h3>Set out</h3>
      {things === 0 ? (
        <p className="quiet">Enter what it must hold first: a row for each thing, in the table.</p>
      ) : (
        <>
          <div className="fields">
            {own && (
              <ChoiceField
                label="in"
                name="set-out.target"
                value={target}
                options={[
                  { value: 'this-box', label: `${own.name}, as large as it is` },
                  { value: 'smallest', label: `${own.name}, made as small as can be` },
                  { value: 'new-box', label: 'a new box for what has no place' },
                ]}
                onChange={(value) => setTarget(value as Target)}
              />
            )}
            {target !== 'this-box' && (
              <>
                {limit('width', 'at most so wide', 100, 3000)}
                {limit('height', 'at most so high', 100, 2700)}
                {limit('depth', 'at most so deep', 60, 900)}
              </>
            )}
            <FormControlLabel
              control={<Switch size="small" checked={grow} onChange={(event) => setGrow(event.target.checked)} />}
              label="keep room for more to come"
            />
          </div>
          <Button variant="contained" onClick={start} disabled={run.progress !== null}>
            Set them out
          </Button>{' '}
          {loose > 0 && <span className="quiet">{loose} without a place are taken in too.</span>}
          {run.progress !== null && (
            <div className="nesting" role="status">
              <LinearProgress variant="determinate" value={run.progress * 100} aria-label="Setting out" />
              <Button onClick={run.stop}>Enough</Button>
            </div>
          )}
          {run.found && asked && (
            <Found found={run.found} wish={asked.wish} box={asked.box} fresh={asked.fresh} onTake={take} onDrop={() => (run.clear(), setAsked(null))} />
          )}
        </>
      )}
    </section>
  );
}

/** The result as text, its distance from the lower bound, and its effect. */
function Found({
  found,
  wish,
  box,
  fresh,
  onTake,
  onDrop,
}: {
  readonly found: SetOut;
  readonly wish: SetOutWish;
  readonly box: ShelfBox;
  readonly fresh: boolean;
  readonly onTake: () => void;
  readonly onDrop: () => void;
}) {
  const { design, record, workshop } = useAppSelector(selectOpen);
  const unit = useDisplayUnit();
  const effect = useMemo(() => {
    if (fresh) return null;
    const { design: within, cabinetPlan } = withBox(previewPlanner, design, record, workshop, box);
    return preview(previewPlanner, design, record, workshop, box.id, setOutEdit(within, cabinetPlan, wish, found, shelfId));
  }, [fresh, found, wish, box, design, record, workshop]);
  const made = useMemo(() => {
    if (!fresh) return null;
    const { edit, stops } = proposeBox(previewPlanner, design, record, workshop, box, wish, found, shelfId);
    return { ...previewPlanner.plan(applyEdit(design, edit), record, workshop).byId.get(box.id)!.cabinet.outside, stops };
  }, [fresh, found, wish, box, design, record, workshop]);
  const count = found.left.reduce((sum, { count: rest }) => sum + rest, 0);
  const over = found.bound > 0 ? Math.max(0, found.height / found.bound - 1) : 0;
  const say = (nm: Length): string => tapeTextWithUnit(nm, unit);
  return (
    <div className="finding look" role="status">
      <p>
        <strong>
          {found.levels.length} {found.levels.length === 1 ? 'floor' : 'floors'}, {say(found.height)} of height inside
          {made ? `: a box ${say(made.width.value)} wide, ${say(made.height.value)} high, ${say(made.depth.value)} from the wall` : ''}.
        </strong>{' '}
        {over < 0.005 ? 'No set-out at this width is lower.' : `At most ${(over * 100).toFixed(0)} % higher than any set-out at this width can be.`}
      </p>
      {found.impossible.map(({ item, why, needs, has }) => (
        <p key={item.id}>
          {item.name} is {why.replace('-', ' ')}: needs {say(needs)}, there is {say(has)}.
        </p>
      ))}
      {count > 0 && (
        <p>
          {count} found no room: {found.left.map(({ item, count: rest }) => `${rest} × ${item.name}`).join(', ')}.
        </p>
      )}
      {found.ungrown.length > 0 && <p>No room is left for {found.ungrown.map(({ item, count: more }) => `${more} more of ${item.name}`).join(', ')}.</p>}
      {made?.stops.map((stop) => (
        <p key={stop.check}>{findingWords(stop, unit).says}</p>
      ))}
      <div className="fixes">
        <Button variant="outlined" onClick={onTake} disabled={found.levels.length === 0}>
          Take this set-out
        </Button>
        <Button onClick={onDrop}>Leave it</Button>
      </div>
      {effect && <span className="effect">{effectWords(effect, unit)}</span>}
    </div>
  );
}
