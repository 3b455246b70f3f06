/** New cabinet: three questions on one page, each with a default, and a drawing that follows. */
import {
  designCodec,
  entered,
  mm,
  newShelfBox,
  newWall,
  outcomeOf,
  plan,
  PRESETS,
  readWorkshop,
  starterWorkshop,
  cabinetLetter,
  type Design,
  type DisplayUnit,
  type Entered,
  type PresetId,
  type Problem,
  type Workshop,
  EMPTY_DECISIONS,
} from '@keen/core';
import { Alert, Button, TextField } from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import { NextTimeNotes } from '../log/NextTimeNotes.tsx';
import { Link, useNavigate } from 'react-router';
import { problemOf, request, useCreateProjectMutation, type StoredWorkshop } from '../../app/api.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { UnitToggle } from '../../ui/UnitToggle.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { Logo } from '../../ui/Logo.tsx';
import { NewCabinetDrawing } from './NewCabinetDrawing.tsx';

interface Answers {
  readonly name: string;
  readonly unit: DisplayUnit;
  readonly width: Entered;
  readonly height: Entered;
  readonly depth: Entered;
  readonly shelves: number;
  readonly preset: PresetId;
  readonly stock: string;
  readonly studs: Entered | null;
}

export const START: Readonly<Record<DisplayUnit, Answers>> = {
  mm: {
    name: '',
    unit: 'mm',
    width: entered('600 mm'),
    height: entered('720 mm'),
    depth: entered('280 mm'),
    shelves: 2,
    preset: 'general',
    stock: 'birch-18',
    studs: entered('400 mm'),
  },
  in: {
    name: '',
    unit: 'in',
    width: entered('24 in'),
    height: entered('28 in'),
    depth: entered('11 in'),
    shelves: 2,
    preset: 'general',
    stock: 'ply-3-4',
    studs: entered('16 in'),
  },
};

/** Answers with untouched ones replaced by the defaults of another kind of cabinet; what was entered stays. */
export function answersIn(unit: DisplayUnit, answers: Answers): Answers {
  const [from, to] = [START[answers.unit], START[unit]];
  const kept = <K extends 'width' | 'height' | 'depth' | 'studs'>(key: K): Answers[K] => (answers[key]?.text === from[key]?.text ? to[key] : answers[key]);
  return {
    ...answers,
    unit,
    width: kept('width'),
    height: kept('height'),
    depth: kept('depth'),
    studs: kept('studs'),
    stock: answers.stock === from.stock ? to.stock : answers.stock,
  };
}

export function Component() {
  const [answers, setAnswers] = useState<Answers>(START.mm);
  const [workshop, setWorkshop] = useState<Workshop>(starterWorkshop);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [create, { isLoading }] = useCreateProjectMutation();
  const navigate = useNavigate();
  useEffect(() => {
    void request<StoredWorkshop>('workshop').then(
      ({ body }) => {
        const read = outcomeOf(() => readWorkshop(body.workshop));
        if (read.ok) setWorkshop(read.value);
      },
      () => {},
    );
  }, []);
  const design = useMemo(() => designOf(answers, workshop), [answers, workshop]);
  const cabinetPlan = useMemo(() => plan(design, [], workshop).cabinets[0]!, [design, workshop]);
  const set = (change: Partial<Answers>): void => setAnswers((old) => ({ ...old, ...change }));
  const length = (key: 'width' | 'height' | 'depth', label: string, least: number, most: number) => (
    <LengthField
      label={label}
      name={`new.${key}`}
      value={answers[key]}
      unit={answers.unit}
      least={mm(least)}
      most={mm(most)}
      onChange={(value) => value && set({ [key]: value })}
    />
  );
  const begin = async (): Promise<void> => {
    setProblem(null);
    const answer = await create(designCodec.write(design));
    if ('data' in answer && answer.data) void navigate(`/project/${answer.data.id}/${Object.keys(design.units)[0]}/box`);
    else setProblem(problemOf(answer.error));
  };
  const sheets = Object.values(workshop.products).filter(({ kind, nominal }) => kind === 'sheet' && nominal.nm >= 11_000_000);
  return (
    <div className="new-cabinet">
      <header className="home-head">
        <Link to="/" aria-label="To the room">
          <Logo size={32} />
        </Link>
        <h1>New cabinet</h1>
        <p>Three questions. Everything can be changed later.</p>
      </header>
      <main>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void begin();
          }}
        >
          <fieldset>
            <legend>1. About how big, and what for?</legend>
            <div className="fields">
              <TextField
                label="Name"
                placeholder="Cabinet"
                value={answers.name}
                onChange={(event) => set({ name: event.target.value.slice(0, 80) })}
                slotProps={{ inputLabel: { shrink: true } }}
              />
              <UnitToggle spelled unit={answers.unit} onChange={(unit) => setAnswers(answersIn(unit, answers))} />
              {length('width', 'width', 100, 3000)}
              {length('height', 'height', 100, 2700)}
              {length('depth', 'depth', 60, 900)}
              <NumberField
                label="shelves"
                name="new.shelves"
                whole
                least={0}
                most={12}
                value={answers.shelves}
                onChange={(shelves) => shelves !== null && set({ shelves })}
              />
              <ChoiceField
                label="for"
                name="new.preset"
                value={answers.preset}
                options={Object.values(PRESETS).map(({ id, name }) => ({ value: id, label: name }))}
                onChange={(preset) => set({ preset: preset as PresetId })}
              />
            </div>
          </fieldset>
          <fieldset>
            <legend>2. Out of which sheet?</legend>
            <ChoiceField
              label="sheet"
              name="new.stock"
              value={answers.stock}
              options={sheets.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(stock) => set({ stock })}
            />
          </fieldset>
          <fieldset>
            <legend>3. On what wall?</legend>
            <LengthField
              label="studs every"
              name="new.studs"
              value={answers.studs}
              unit={answers.unit}
              least={mm(50)}
              most={mm(3000)}
              optional
              placeholder="not known yet"
              onChange={(studs) => set({ studs })}
            />
            <p className="quiet">Leave it empty when nobody has looked. The plan then says what is missing instead of guessing.</p>
          </fieldset>
          {problem && (
            <Alert severity="error">
              It was not made: {problem.message}. Accepted: {problem.accepted}. What you entered is still here.
            </Alert>
          )}
          <div className="home-actions">
            <Button type="submit" variant="contained" size="large" disabled={isLoading}>
              Make it
            </Button>
            <Button component={Link} to="/">
              Back to the room
            </Button>
          </div>
          <NextTimeNotes family="shelf-box" />
        </form>
        <NewCabinetDrawing cabinetPlan={cabinetPlan} unit={answers.unit} />
      </main>
    </div>
  );
}

function designOf(answers: Answers, workshop: Workshop): Design {
  const { unit, name, studs, preset } = answers;
  const sheet = workshop.products[answers.stock] ?? Object.values(workshop.products)[0]!;
  const thin = Object.values(workshop.products)
    .filter((row) => row.kind === 'sheet' && row.unit === sheet.unit && row.nominal.nm >= 5_000_000)
    .sort((a, b) => a.nominal.nm - b.nominal.nm || Number(a.material !== sheet.material) - Number(b.material !== sheet.material))[0]!;
  const pick = (metric: string, imperial: string): Entered => entered(unit === 'mm' ? metric : imperial);
  const title = name.trim() || `Cabinet ${cabinetLetter(0)}`;
  const box = newShelfBox({
    id: 'u1',
    name: title,
    order: 1,
    unit,
    width: answers.width,
    height: answers.height,
    depth: answers.depth,
    stock: sheet.id,
    backStock: thin.id,
    shelves: answers.shelves,
    contents: { preset, kg: null },
    place: { along: pick('330 mm', '13 in'), up: pick('1350 mm', '53 in') },
  });
  const cleat = cleatStock(workshop, sheet.id);
  return {
    name: title,
    unit,
    wall: newWall({ unit, width: pick('3000 mm', '120 in'), ceiling: pick('2400 mm', '96 in'), spacing: studs }),
    person: { height: pick('1720 mm', '68 in') },
    items: {},
    ...EMPTY_DECISIONS,
    children: false,
    units: { u1: { ...box, hanging: { ...box.hanging, stock: cleat, spacer: box.hanging.spacer && { ...box.hanging.spacer, stock: cleat } } } },
  };
}

/** A cleat is never ripped from particleboard or fiberboard: the plywood nearest in thickness is taken instead. */
function cleatStock(workshop: Workshop, sheetId: string): string {
  const sheet = workshop.products[sheetId]!;
  if (sheet.material.endsWith('plywood')) return sheetId;
  const plywood = Object.values(workshop.products).filter((row) => row.kind === 'sheet' && row.unit === sheet.unit && row.material.endsWith('plywood'));
  return plywood.sort((a, b) => Math.abs(a.nominal.nm - sheet.nominal.nm) - Math.abs(b.nominal.nm - sheet.nominal.nm))[0]?.id ?? sheetId;
}
