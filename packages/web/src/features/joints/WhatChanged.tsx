/** Effect of joint changes on the parts since this station was opened or the list was cleared. */
import { exactTextWithUnit, labelWords, partChanges, type DisplayUnit, type PartChange, type PartLine } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppDispatch } from '../../app/store.ts';
import { panelHovered } from '../project/view.slice.ts';

/** Parts beyond this number are counted, not listed. */
const LISTED = 12;

export function WhatChanged({ parts, unit }: { readonly parts: readonly PartLine[]; readonly unit: DisplayUnit }) {
  const dispatch = useAppDispatch();
  const [before, setBefore] = useState(parts);
  const changes = before === parts ? [] : partChanges(before, parts);
  if (changes.length === 0) return null;
  return (
    <section className="finding look what-changed" aria-label="What changed">
      <p>
        <strong>{changes.length === 1 ? 'One thing changed' : `${changes.length} things changed`}</strong> since you came here.{' '}
        <Button size="small" onClick={() => setBefore(parts)}>
          Count from here
        </Button>
      </p>
      <ul>
        {changes.slice(0, LISTED).map((change) => (
          <li
            key={`${change.panel} ${change.kind}`}
            onPointerEnter={() => dispatch(panelHovered(change.panel))}
            onPointerLeave={() => dispatch(panelHovered(null))}
          >
            {changeWords(change, unit)}
          </li>
        ))}
      </ul>
      {changes.length > LISTED && <p className="quiet">and {changes.length - LISTED} more</p>}
    </section>
  );
}

function changeWords(change: PartChange, unit: DisplayUnit): string {
  const name = labelWords(change.name);
  switch (change.kind) {
    case 'came':
      return `${name}: new`;
    case 'went':
      return `${name}: gone`;
    case 'length':
    case 'width':
      return `${name}: ${change.kind === 'length' ? 'long' : 'wide'} ${exactTextWithUnit(change.from, unit)}, now ${exactTextWithUnit(change.to, unit)}`;
    case 'cuts':
      return change.depths
        ? `${name}: slots ${exactTextWithUnit(change.depths.from, unit)} deep, now ${exactTextWithUnit(change.depths.to, unit)}`
        : change.from === change.to
          ? `${name}: what is cut into it lies or measures otherwise`
          : `${name}: ${change.from} cuts, now ${change.to}`;
  }
}
