/** A finding: what is wrong with its numbers, why it matters, and fixes with their effect. */
import {
  findingWords,
  fixWords,
  massText,
  percentText,
  preview,
  sagText,
  VERDICT_WORDS,
  type DisplayUnit,
  type Finding,
  type Fix,
  type Preview,
} from '@keen/core';
import { Button } from '@mui/material';
import { useMemo, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { previewPlanner, selectOpen } from './selectors.ts';
import type { StationId } from './Stations.tsx';
import { focusField } from './focusField.ts';
import { useEdit } from './useEdit.ts';
import { useIssueFixes } from './useIssueFixes.ts';
import { useRecord } from './useRecord.ts';
import { ghostShown, panelHovered } from './view.slice.ts';

export interface FindingCardProps {
  readonly finding: Finding;
  readonly unit: DisplayUnit;
  readonly onStation: (station: StationId) => void;
}

const SEVERITY_WORDS = { look: 'worth a look', change: 'change this', stop: 'stop' } as const;

export function FindingCard({ finding, unit, onStation }: FindingCardProps) {
  const { says, why } = findingWords(finding, unit);
  // Only fixes that resolve it are offered; until that is known, all candidates.
  const fixes = useIssueFixes(finding);
  const dispatch = useAppDispatch();
  return (
    <section
      className={`finding ${finding.severity}`}
      onPointerEnter={() => dispatch(panelHovered(finding.panels[0] ?? null))}
      onPointerLeave={() => dispatch(panelHovered(null))}
    >
      <p>
        <span className="finding-severity">{SEVERITY_WORDS[finding.severity]}</span> <strong>{says}</strong> {why}
      </p>
      <div className="fixes">
        {(fixes ?? finding.fixes).map((fix) => (
          <FixButton key={JSON.stringify(fix.label)} fix={fix} isTried={fixes !== null} cabinetId={finding.unit} unit={unit} onStation={onStation} />
        ))}
      </div>
    </section>
  );
}

/** A fix is a button; its effect is computed when it is pointed at, never before the frame. */
export function FixButton({
  fix,
  isTried = true,
  cabinetId,
  unit,
  onStation,
}: {
  readonly fix: Fix;
  /** Whether it is known to resolve its finding. */
  readonly isTried?: boolean;
  readonly cabinetId: string;
  readonly unit: DisplayUnit;
  readonly onStation: (station: StationId) => void;
}) {
  const { design, record, workshop } = useAppSelector(selectOpen);
  const { apply } = useEdit();
  const { add } = useRecord();
  const [looked, setLooked] = useState(false);
  const dispatch = useAppDispatch();
  const look = (on: boolean): void => {
    if (on) setLooked(true);
    dispatch(ghostShown(on && 'edit' in fix ? { unit: cabinetId, edit: fix.edit } : null));
  };
  const words = fixWords(fix.label, unit);
  const effect = useMemo(
    () => ('edit' in fix && looked ? preview(previewPlanner, design, record, workshop, cabinetId, fix.edit) : null),
    [fix, looked, design, record, workshop, cabinetId],
  );
  if ('fact' in fix)
    return (
      <Button variant="outlined" onClick={() => add(fix.fact)}>
        {words}
      </Button>
    );
  if ('visit' in fix)
    return (
      <Button
        variant="outlined"
        onClick={() => {
          onStation(fix.visit);
          if (fix.field) focusField(fix.field);
        }}
      >
        {words}
      </Button>
    );
  return (
    <span className="fix">
      <Button
        variant="outlined"
        disabled={!isTried}
        onPointerEnter={() => look(true)}
        onPointerLeave={() => look(false)}
        onFocus={() => look(true)}
        onBlur={() => look(false)}
        onClick={() => {
          look(false);
          apply(fix.edit, '', `Done: ${words}`);
        }}
      >
        {words}
      </Button>
      {effect && <span className="effect">{effectWords(effect, unit)}</span>}
    </span>
  );
}

/** Changes of the key figures: improvements and losses. */
export function effectWords({ before, after }: Preview, unit: DisplayUnit): string {
  const changes: string[] = [];
  const from = (name: string, a: string, b: string): void => {
    if (a !== b) changes.push(`${name} ${a} → ${b}`);
  };
  from('weakest link', percentText(before.weakest), percentText(after.weakest));
  from('hanging', VERDICT_WORDS[before.state], VERDICT_WORDS[after.state]);
  from('worst sag', sagText(before.worstSagMm, unit), sagText(after.worstSagMm, unit));
  from('empty', massText(before.emptyKg, unit), massText(after.emptyKg, unit));
  from('to look at', String(before.findings), String(after.findings));
  return changes.length > 0 ? changes.join(', ') : 'nothing else changes';
}
