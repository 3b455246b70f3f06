/** Fit the space: the largest cabinet that fits a free rectangle, or a run of equal ones with a gap kept free. */
import {
  applyEdit,
  entered,
  fillRoom,
  mm,
  roomsFor,
  runOfCabinets,
  tapeTextWithUnit,
  type Edit,
  type Entered,
  type Length,
  type WallRect,
  type SharedGap,
} from '@keen/core';
import { Button } from '@mui/material';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { inIdleSteps } from '../../ui/whenIdle.ts';
import { freshBox } from '../project/newSpecFor.ts';
import { previewPlanner, selectAvailable, selectOpen, selectPlan, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import type { StationId } from '../project/Stations.tsx';
import { useEdit } from '../project/useEdit.ts';

const cabinetId = (): string => `u${crypto.randomUUID().slice(0, 8)}`;
const SHARES: readonly { readonly value: SharedGap; readonly label: string }[] = [
  { value: 'ends', label: 'at both ends' },
  { value: 'left', label: 'at the right end' },
  { value: 'right', label: 'at the left end' },
  { value: 'between', label: 'between them' },
];

export function FitSpace({ shown, onStation }: { readonly shown: ShownCabinet | undefined; readonly onStation: (station: StationId, unit?: string) => void }) {
  const { design, record } = useAppSelector(selectOpen);
  const workshop = useAppSelector(selectAvailable);
  const plan = useAppSelector(selectPlan);
  const unit = useDisplayUnit();
  const { apply } = useEdit();
  const pick = (metric: string, imperial: string): Entered => entered(unit === 'mm' ? metric : imperial);
  const [clear, setClear] = useState(() => ({ above: pick('30 mm', '1 1/4 in'), beside: pick('0 mm', '0 in'), below: pick('0 mm', '0 in') }));
  const [room, setRoom] = useState(0);
  const [count, setCount] = useState(2);
  const [gap, setGap] = useState(() => pick('0 mm', '0 in'));
  const [open, setOpen] = useState(() => pick('0 mm', '0 in'));
  const [after, setAfter] = useState(1);
  const [share, setShare] = useState<SharedGap>('ends');
  const out = shown?.plan.block.out ?? pick('300 mm', '12 in').nm;
  const blocks = plan.cabinets.map(({ block }) => block);
  const leaving = shown ? [shown.spec.id] : [];
  const rooms = useMemo(
    () => roomsFor(design, blocks, out, { above: clear.above.nm, beside: clear.beside.nm, below: clear.below.nm }, leaving).slice(0, 8),
    // Blocks come from the plan: the same plan has the same rooms.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [plan, clear, out],
  );
  const here: WallRect | undefined = rooms[Math.min(room, rooms.length - 1)];
  const say = (nm: number): string => tapeTextWithUnit(Math.round(nm) as Length, unit);
  const spec = shown?.spec ?? freshBox(design, workshop);
  const made = useMemo(
    () =>
      here
        ? runOfCabinets(
            { ...design, units: { ...design.units, [spec.id]: spec } },
            spec,
            here,
            { count, width: null, gap: gap.nm, open: { width: open.nm, after }, share },
            cabinetId,
          )
        : null,
    // A fresh box differs only in its id each time.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [here, count, gap, open, after, share, shown?.spec, design],
  );
  const length = (key: keyof typeof clear, label: string) => (
    <LengthField
      label={label}
      name={`fit.${key}`}
      value={clear[key]}
      unit={unit}
      least={mm(0)}
      most={mm(2000)}
      onChange={(value) => value && setClear({ ...clear, [key]: value })}
    />
  );
  const [isFitting, setFitting] = useState(false);
  const stopFitting = useRef<(() => void) | null>(null);
  useEffect(() => () => stopFitting.current?.(), []);
  const fill = (): void => {
    if (!here) return;
    // A new cabinet is added first: its size is computed as if it were there.
    const adding: Edit = shown ? [] : [{ path: ['units', spec.id], value: spec }];
    setFitting(true);
    const sizes = fillRoom({ planner: previewPlanner, design: applyEdit(design, adding), record, workshop }, spec, here);
    stopFitting.current = inIdleSteps(
      sizes,
      () => {},
      ({ edit, stops }) => {
        setFitting(false);
        apply([...adding, ...edit], '', `Space filled${stops.length === 0 ? '' : `; ${stops.length} ${stops.length === 1 ? 'issue' : 'issues'} to fix`}`);
        if (!shown) onStation('wall', spec.id);
      },
    );
  };
  return (
    <div className="fields">
      {length('above', 'clear above, for lifting it on')}
      {length('beside', 'clear to each side')}
      {length('below', 'clear over what is below')}
      {!here ? (
        <p className="quiet">No free space of any use is left for something {say(out)} deep.</p>
      ) : (
        <>
          <ChoiceField
            label="free space"
            name="fit.room"
            value={String(Math.min(room, rooms.length - 1))}
            options={rooms.map((each, index) => ({
              value: String(index),
              label: `${say(each.right - each.left)} × ${say(each.top - each.bottom)}, from ${say(each.left)} along and ${say(each.bottom)} up`,
            }))}
            onChange={(value) => setRoom(Number(value))}
          />
          <Button variant="outlined" onClick={fill} disabled={isFitting}>
            {isFitting ? 'Finding the largest size' : `Fill it with ${shown ? shown.spec.name : 'a new cabinet'}`}
          </Button>
          {shown && made && (
            <>
              <h3>Or a run of equal ones</h3>
              <NumberField label="how many" name="fit.count" whole least={1} most={12} value={count} onChange={(value) => value !== null && setCount(value)} />
              <LengthField
                label="between neighbors"
                name="fit.gap"
                value={gap}
                unit={unit}
                least={mm(0)}
                most={mm(1000)}
                onChange={(value) => value && setGap(value)}
              />
              <LengthField
                label="kept free for something"
                name="fit.open"
                value={open}
                unit={unit}
                least={mm(0)}
                most={mm(3000)}
                onChange={(value) => value && setOpen(value)}
              />
              {open.nm > 0 && (
                <NumberField
                  label="after how many"
                  name="fit.after"
                  whole
                  least={0}
                  most={count}
                  value={Math.min(after, count)}
                  onChange={(value) => value !== null && setAfter(value)}
                />
              )}
              <ChoiceField label="what is left over goes" name="fit.share" value={share} options={SHARES} onChange={(value) => setShare(value as SharedGap)} />
              <p className="quiet">
                {made.edit
                  ? `${count} of ${say(made.run.width)}; ${say(made.run.left)} left over.`
                  : `It does not fit: ${say(Math.max(0, 0 - made.run.left))} too little.`}
              </p>
              <Button variant="outlined" disabled={!made.edit} onClick={() => made.edit && apply(made.edit, '', `A run of ${count}`)}>
                Make this run
              </Button>
            </>
          )}
        </>
      )}
    </div>
  );
}
