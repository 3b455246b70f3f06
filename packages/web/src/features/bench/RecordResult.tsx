/** Records the result of a step: a reading, a part, an opening, diagonals, a height, the minutes; a note with photos; a spoiled part. */
import { entered, enteredFromNm, labelWords, mm, WALL_LIMITS, type Entered, type Length, type NewFact, type Step } from '@keen/core';
import { Button, Dialog, TextField } from '@mui/material';
import { useState } from 'react';
import { NumberField } from '../../ui/NumberField.tsx';
import type { BuildOf } from '../build/useBuild.ts';
import { useTick } from '../build/useTick.ts';
import { cameLimits, testCutFact, triesAt } from '../joints/testCuts.ts';
import { NoteForm } from '../log/NoteForm.tsx';
import { Misfits } from '../project/Misfits.tsx';
import type { ShownCabinet } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';
import { EntryPad } from './EntryPad.tsx';

export interface RecordResultProps {
  readonly step: Step;
  readonly of: BuildOf;
  readonly shown: ShownCabinet;
  readonly onClose: () => void;
}

/** Something that can be measured now. */
interface Measurable {
  readonly id: string;
  readonly name: string;
  readonly planned: Length;
  readonly fine?: boolean;
  readonly least: Length;
  readonly most: Length;
  readonly fact: (value: ReturnType<typeof entered>, sheet: string) => NewFact;
}

export function RecordResult({ step, of, shown, onClose }: RecordResultProps) {
  const { add } = useRecord();
  const ticker = useTick(of);
  const [picked, setPicked] = useState<string | null>(null);
  const [kept, setKept] = useState<readonly string[]>([]);
  const [sheet, setSheet] = useState('');
  const [minutes, setMinutes] = useState<number | null>(null);
  const rows = measurables(step, of, shown);
  const one = rows.find(({ id }) => id === picked) ?? (rows.length === 1 ? rows[0] : undefined);
  const parts = partsOf(step, of);
  return (
    <Dialog open fullScreen onClose={onClose} slotProps={{ paper: { className: 'bench came-out', 'aria-label': 'It came out' } }}>
      <header className="bench-header">
        <strong>It came out…</strong>
        <Button onClick={onClose}>Close</Button>
      </header>
      <main className="bench-place">
        {kept.map((line, index) => (
          <p key={index} role="status">
            Written down: {line}
          </p>
        ))}
        {kept.length > 0 && <Misfits unit={shown.unit} about={(panel) => step.panels.includes(panel)} />}
        {one ? (
          <>
            {step.detail.kind === 'measure' && (
              <TextField
                label="what is written on the sheet"
                value={sheet}
                onChange={(event) => setSheet(event.target.value.trim().slice(0, 40))}
                slotProps={{ inputLabel: { shrink: true } }}
              />
            )}
            <EntryPad
              key={`${one.id} ${kept.length}`}
              label={one.name}
              unit={shown.unit}
              planned={one.planned}
              fine={one.fine ?? false}
              least={one.least}
              most={one.most}
              onKeep={(value) => {
                add(one.fact(value, sheet));
                setKept([...kept, `${one.name}: ${value.text}`]);
                setPicked(null);
              }}
            />
            {rows.length > 1 && <Button onClick={() => setPicked(null)}>Something else</Button>}
          </>
        ) : (
          rows.length > 0 && (
            <ul className="came-list" aria-label="What was measured">
              {rows.map(({ id, name }) => (
                <li key={id}>
                  <Button variant="outlined" onClick={() => setPicked(id)}>
                    {name}
                  </Button>
                </li>
              ))}
            </ul>
          )
        )}
        {step.detail.kind === 'square' && (
          <DiagonalsPad
            detail={step.detail}
            unit={shown.unit}
            onKeep={(one, other) => {
              add({ kind: 'diagonals', diagonals: { assembly: (step.detail as SquareDetail).assembly, one, other } });
              setKept([...kept, `diagonals ${one.text} and ${other.text}`]);
            }}
          />
        )}
        <section aria-label="Time">
          <NumberField label="it took" name="bench.minutes" unit="min" least={0} most={2000} value={minutes} optional onChange={setMinutes} />
          <Button
            variant="outlined"
            disabled={minutes === null}
            onClick={() => {
              if (minutes !== null) ticker.tick(step, minutes);
              onClose();
            }}
          >
            Done in that time
          </Button>
        </section>
        {parts.length > 0 && (
          <details>
            <summary>A part is spoiled</summary>
            <ul className="came-list">
              {parts.map(({ id, name }) => (
                <li key={id}>
                  <Button
                    color="error"
                    variant="outlined"
                    onClick={() => {
                      add({ kind: 'spoiled', spoiled: { layout: step.detail.kind === 'cut' ? (step.detail.layout ?? 'by-hand') : 'by-hand', part: id } });
                      setKept([...kept, `${name} is spoiled: it is wanted once more`]);
                    }}
                  >
                    {name}: cut it once more
                  </Button>
                </li>
              ))}
            </ul>
          </details>
        )}
        <details>
          <summary>A note or a picture</summary>
          <NoteForm about={{ step: step.id, ...(step.unit === null ? {} : { unit: step.unit }) }} onKept={() => setKept([...kept, 'the note'])} />
        </details>
      </main>
    </Dialog>
  );
}

type SquareDetail = Extract<Step['detail'], { kind: 'square' }>;

interface DiagonalsPadProps {
  readonly detail: SquareDetail;
  readonly unit: ShownCabinet['unit'];
  readonly onKeep: (one: Entered, other: Entered) => void;
}

/** Both, one after the other: one alone has no meaning. */
function DiagonalsPad({ detail, unit, onKeep }: DiagonalsPadProps) {
  const [one, setOne] = useState<Entered | null>(null);
  const planned = Math.round(detail.diagonals.diagonal.value * 1e6) as Length;
  return (
    <EntryPad
      key={one === null ? 'one' : 'other'}
      label={one === null ? 'One diagonal' : `The other, the first is ${one.text}`}
      unit={unit}
      planned={planned}
      least={mm(10)}
      most={mm(9000)}
      onKeep={(value) => {
        if (one === null) return setOne(value);
        onKeep(one, value);
        setOne(null);
      }}
    />
  );
}

/** Parts of a step, by their marks. */
function partsOf({ panels }: Step, { summary: { plan } }: BuildOf): { readonly id: string; readonly name: string }[] {
  return panels.flatMap((id) => {
    const line = plan.parts.find((each) => each.panels.includes(id));
    const solid = plan.cabinets.flatMap(({ cabinet }) => cabinet.byId.get(id) ?? [])[0];
    return line && solid ? [{ id, name: `${line.mark} ${labelWords(solid.name)}` }] : [];
  });
}

const CUTS_PARTS: readonly Step['detail']['kind'][] = ['cut', 'boards', 'label', 'fit', 'setup', 'by-hand', 'dry-fit'];

function measurables(step: Step, of: BuildOf, { plan: shownPlan, spec }: ShownCabinet): Measurable[] {
  const { detail } = step;
  const { plan, workshop } = of.summary;
  const cabinetPlan = step.unit === null ? shownPlan : (plan.byId.get(step.unit) ?? shownPlan);
  const rows: Measurable[] = [];
  if (detail.kind === 'measure') {
    const { nominal, name } = workshop.products[detail.product]!;
    rows.push({
      id: 'thickness',
      name: `Thickness of ${name}`,
      planned: nominal.nm,
      fine: true,
      least: mm(0.5),
      most: mm(200),
      fact: (value, sheet) => ({ kind: 'thickness', reading: { product: detail.product, value, ...(sheet ? { sheet } : {}) } }),
    });
  }
  const { learned } = of.summary.setups;
  if (detail.kind === 'setup' && learned)
    for (const tried of triesAt(detail.setup.setting, workshop.shop, learned))
      rows.push({
        id: `test-cut ${tried.id}`,
        name: `Test cut: ${tried.option}${tried.of ? '' : ' of one pass'}`,
        planned: tried.wanted,
        fine: true,
        ...cameLimits(tried),
        fact: (came) => testCutFact(tried, came),
      });
  if (detail.kind === 'dry-fit')
    for (const space of cabinetPlan.cabinet.compartments)
      for (const measure of ['width', 'height'] as const)
        rows.push({
          id: `${space.id} ${measure}`,
          name: `${labelWords(space.name)}, ${measure}`,
          planned: space[measure].value,
          least: mm(5),
          most: mm(6000),
          fact: (value) => ({ kind: 'opening', opening: { space: space.id, [measure]: value } }),
        });
  if (detail.kind === 'hang' || detail.kind === 'correct')
    rows.push({
      id: 'height',
      name: 'Its bottom, above the floor',
      planned: spec.place.up.nm,
      least: WALL_LIMITS.up.least,
      most: WALL_LIMITS.up.most,
      fact: (came) => ({ kind: 'hung', hung: { unit: spec.id, asked: spec.place.up, came, allowed: entered(`${cabinetPlan.seating.lower / 1e6} mm`) } }),
    });
  if (CUTS_PARTS.includes(detail.kind))
    for (const { id, name } of partsOf(step, of)) {
      const line = plan.parts.find((each) => each.panels.includes(id))!;
      for (const measure of ['length', 'width'] as const)
        rows.push({
          id: `${id} ${measure}`,
          name: `${name}, ${measure}`,
          planned: line[measure].value,
          least: mm(1),
          most: mm(measure === 'length' ? 6000 : 3000),
          fact: (value) => ({ kind: 'as-cut', asCut: { panel: id, [measure]: value, planned: { [measure]: enteredFromNm(line[measure].value) } } }),
        });
    }
  return rows;
}
