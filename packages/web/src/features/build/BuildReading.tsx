/** Reading pane at Build: working method, glue, temperature, and shop hours. */
import {
  clockText,
  dayOf,
  dayStart,
  GLUES,
  glueOf,
  machinesInOrder,
  temperature,
  windowsFrom,
  type BuildChoices,
  type GlueId,
  type Session,
  type Shop,
} from '@keen/core';
import Delete from '@mui/icons-material/DeleteOutlined';
import { Button, FormControlLabel, IconButton, Switch, TextField } from '@mui/material';
import { useState, type ReactNode } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { selectAvailable, selectDesign, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { DAY_NAMES, dayWords } from './dayWords.ts';
import { clockOf } from './clock.ts';
import { LabelLink } from './LabelLink.tsx';

export function BuildReading({ shown, findings }: { readonly shown: ShownCabinet; readonly findings: ReactNode }) {
  const { build } = useAppSelector(selectDesign);
  const { shop } = useAppSelector(selectAvailable);
  const glue = glueOf(build.glue, shop);
  const { apply } = useEdit();
  const set = <K extends keyof BuildChoices>(key: K, value: BuildChoices[K]): void => apply([{ path: ['build', key], value }], `build.${key}`);
  const inches = shown.unit === 'in';
  const held = Object.entries(build.notBefore);
  return (
    <div className="reading">
      <h2>How it is built</h2>
      {findings}
      <div className="fields">
        <ChoiceField
          label="parts are cut"
          name="build.cut"
          value={build.cut}
          options={[
            { value: 'first', label: 'all before assembly' },
            { value: 'to-fit', label: 'doors, fronts, loose shelves to fit' },
          ]}
          onChange={(value) => set('cut', value as BuildChoices['cut'])}
        />
        <ChoiceField
          label="cabinets"
          name="build.units"
          value={build.units}
          options={[
            { value: 'together', label: 'together: one setting serves all' },
            { value: 'one-by-one', label: 'one after the other' },
          ]}
          onChange={(value) => set('units', value as BuildChoices['units'])}
        />
        <ChoiceField
          label="glue"
          name="build.glue"
          value={build.glue}
          options={(Object.keys(GLUES) as GlueId[])
            .map((id) => glueOf(id, shop))
            .map(({ id, name, openMin }) => ({ value: id, label: `${name}, open ${openMin} min` }))}
          onChange={(value) => set('glue', value as GlueId)}
        />
        <NumberField
          label="in the shop"
          name="build.tempC"
          unit={inches ? '°F' : '°C'}
          least={inches ? 14 : -10}
          most={inches ? 113 : 45}
          value={inches ? (build.tempC * 9) / 5 + 32 : build.tempC}
          onChange={(value) => value !== null && set('tempC', inches ? Math.round((((value - 32) * 5) / 9) * 100) / 100 : value)}
        />
      </div>
      <LabelLink of={`glue.${glue.id}`} first="openMin">
        What its bottle says …
      </LabelLink>
      {build.tempC < glue.leastC && (
        <p className="caution">
          {glue.name} wants {temperature(glue.leastC, shown.unit)} and more.
        </p>
      )}
      <h3>Hours there are</h3>
      <TextField
        type="date"
        label="from"
        value={build.start ?? ''}
        onChange={(event) => set('start', event.target.value === '' ? null : event.target.value)}
        slotProps={{ inputLabel: { shrink: true }, htmlInput: { 'data-field': 'build.start', min: '2000-01-01', max: '2099-12-31' } }}
        helperText={build.start === null ? 'from today' : undefined}
      />
      <Week week={build.week} shop={shop} onChange={(week) => set('week', week)} />
      <Away away={build.away} onChange={(away) => set('away', away)} />
      {windowsFrom(build, clockOf(), 60).length === 0 && <p className="caution">No hours in the next two months: the days cannot be laid out.</p>}
      {held.length > 0 && (
        <p>
          {held.length} {held.length === 1 ? 'step is' : 'steps are'} held to a day, the first to {dayWords(Math.min(...held.map(([, day]) => dayStart(day))))}.{' '}
          <Button size="small" onClick={() => set('notBefore', {})}>
            Let them go
          </Button>
        </p>
      )}
      {build.order.length > 0 && (
        <Button size="small" onClick={() => set('order', [])}>
          Back to the usual order
        </Button>
      )}
    </div>
  );
}

function Week({ week, shop, onChange }: { readonly week: BuildChoices['week']; readonly shop: Shop; readonly onChange: (week: BuildChoices['week']) => void }) {
  const rows = Object.values(week).sort((a, b) => a.day - b.day || a.from - b.from);
  const change = (row: Session): void => onChange({ ...week, [row.id]: row });
  const add = (): void => {
    const id = crypto.randomUUID();
    onChange({ ...week, [id]: { id, day: 6, from: 10 * 60, to: 16 * 60, helper: false, quiet: false, without: [] } });
  };
  return (
    <div className="week">
      {rows.map((row) => (
        <SessionRow
          key={row.id}
          row={row}
          shop={shop}
          onChange={change}
          onRemove={() => {
            const { [row.id]: _gone, ...rest } = week;
            onChange(rest);
          }}
        />
      ))}
      <Button size="small" onClick={add}>
        Add hours
      </Button>
    </div>
  );
}

const minutesOf = (text: string): number | null => {
  const match = /^(\d\d):(\d\d)$/.exec(text);
  return match ? Number(match[1]) * 60 + Number(match[2]) : null;
};

interface SessionRowProps {
  readonly row: Session;
  readonly shop: Shop;
  readonly onChange: (row: Session) => void;
  readonly onRemove: () => void;
}

function SessionRow({ row, shop, onChange, onRemove }: SessionRowProps) {
  const [wrong, setWrong] = useState<string | null>(null);
  const time = (which: 'from' | 'to', text: string): void => {
    const minutes = minutesOf(text);
    if (minutes === null) return;
    const next = { ...row, [which]: minutes };
    if (next.to <= next.from) return setWrong('it ends before it begins: a later end');
    setWrong(null);
    onChange(next);
  };
  const name = `${DAY_NAMES[row.day]} ${clockText(row.from)}`;
  return (
    <fieldset className="session" aria-label={name}>
      <ChoiceField
        label="day"
        value={String(row.day)}
        options={DAY_NAMES.map((label, day) => ({ value: String(day), label }))}
        onChange={(day) => onChange({ ...row, day: Number(day) })}
      />
      <TextField
        type="time"
        label="from"
        defaultValue={clockText(row.from)}
        onChange={(event) => time('from', event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <TextField
        type="time"
        label="to"
        defaultValue={clockText(row.to)}
        error={wrong !== null}
        helperText={wrong}
        onChange={(event) => time('to', event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <FormControlLabel
        control={<Switch size="small" checked={row.helper} onChange={(event) => onChange({ ...row, helper: event.target.checked })} />}
        label="helper"
      />
      <FormControlLabel
        control={<Switch size="small" checked={row.quiet} onChange={(event) => onChange({ ...row, quiet: event.target.checked })} />}
        label="no machines"
      />
      <IconButton size="small" aria-label={`Take out ${name}`} onClick={onRemove}>
        <Delete fontSize="small" />
      </IconButton>
      {!row.quiet && <Absent row={row} shop={shop} name={name} onChange={onChange} />}
    </fieldset>
  );
}

/** Machines that are not available in these hours, such as borrowed ones. */
function Absent({ row, shop, name, onChange }: Omit<SessionRowProps, 'onRemove'> & { readonly name: string }) {
  const machines = machinesInOrder(shop);
  const gone = machines.filter(({ id }) => row.without.includes(id));
  return (
    <details className="absent">
      <summary>{gone.length === 0 ? 'every machine is there' : `without ${gone.map((machine) => machine.name).join(', ')}`}</summary>
      {machines.map((machine) => (
        <label key={machine.id} className="whole-switch">
          <input
            type="checkbox"
            aria-label={`${machine.name} is there, ${name}`}
            checked={!row.without.includes(machine.id)}
            onChange={(event) =>
              onChange({ ...row, without: event.target.checked ? row.without.filter((id) => id !== machine.id) : [...row.without, machine.id] })
            }
          />{' '}
          {machine.name}
        </label>
      ))}
    </details>
  );
}

function Away({ away, onChange }: { readonly away: readonly string[]; readonly onChange: (away: readonly string[]) => void }) {
  const [day, setDay] = useState('');
  const coming = away.filter((each) => each >= dayOf(clockOf()));
  return (
    <div className="away">
      <TextField
        type="date"
        label="a day off"
        value={day}
        onChange={(event) => setDay(event.target.value)}
        slotProps={{ inputLabel: { shrink: true }, htmlInput: { min: '2000-01-01', max: '2099-12-31' } }}
      />
      <Button
        size="small"
        disabled={day === '' || away.includes(day)}
        onClick={() => {
          onChange([...away, day].sort());
          setDay('');
        }}
      >
        Add
      </Button>
      {coming.map((each) => (
        <Button
          key={each}
          size="small"
          aria-label={`${dayWords(dayStart(each))} is a day off: take it back`}
          onClick={() => onChange(away.filter((other) => other !== each))}
        >
          {dayWords(dayStart(each))} ×
        </Button>
      ))}
    </div>
  );
}
