/** One setup: its number in the order, what is set to what, the parts and how they lie, setting by a gauge, and cautions. */
import { movedBy, orderWords, setupWords, type DisplayUnit, type PartLine, type Setup } from '@keen/core';
import ArrowDownward from '@mui/icons-material/ArrowDownward';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import { Checkbox, FormControlLabel, IconButton } from '@mui/material';
import { useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';
import { PieceLine } from './PieceLine.tsx';
import { SetupDrawing } from './SetupDrawing.tsx';
import { SetupSettings } from './SetupSettings.tsx';
import { TestCutForm } from './TestCutForm.tsx';
import { useMade } from './useMade.ts';
import type { ShopSetups } from './useSetups.ts';

interface SetupCardProps {
  readonly setup: Setup;
  readonly number: number;
  readonly of: ShopSetups;
  readonly parts: readonly PartLine[];
  readonly unit: DisplayUnit;
  readonly shownUnit: string;
  /** Numbers of the setups that must come before it. */
  readonly after: readonly number[];
  /** Puts the setups in another order. */
  readonly onOrder: (order: readonly string[]) => void;
}

export function SetupCard({ setup, number, of, parts, unit, shownUnit, after, onOrder }: SetupCardProps) {
  const dispatch = useAppDispatch();
  const lit = useAppSelector(({ view }) => view.hovered ?? view.selected);
  const tick = useMade(of);
  const words = setupWords(setup, { shop: of.shop, blanks: of.setups.blanks, parts, learned: of.learned }, unit);
  const operations = setup.cuts.map(({ operation }) => operation.id);
  const done = operations.filter((id) => of.made.has(id)).length;
  const whole = done === operations.length;
  return (
    <li className={`setup-card${whole ? ' done' : ''}`}>
      <header>
        <span className="setup-number">{number}</span>
        <h3>{words.title}</h3>
        <FormControlLabel
          control={<Checkbox size="small" checked={whole} indeterminate={done > 0 && !whole} onChange={(event) => tick(setup, event.target.checked)} />}
          label={whole ? 'done' : done > 0 ? `${done} of ${operations.length} done` : `${operations.length} ${operations.length === 1 ? 'cut' : 'cuts'}`}
        />
      </header>
      <div className="setup-body">
        <SetupDrawing
          cut={setup.cuts[0]!}
          blank={of.setups.blanks.get(setup.cuts[0]!.operation.panel)!}
          title={`${words.pieces[0]!.mark} at the machine, the cut shaded${words.pieces[0]!.lies ? `; ${words.pieces[0]!.lies}` : ''}`}
        />
        <SetupSettings set={words.set} unit={unit} />
      </div>
      <ul className="setup-pieces">
        {words.pieces.map((piece) => (
          <li key={`${piece.panel} ${piece.lies}`}>
            <button
              type="button"
              className={lit === piece.panel ? 'lit' : ''}
              onPointerEnter={() => dispatch(panelHovered(piece.panel))}
              onPointerLeave={() => dispatch(panelHovered(null))}
              onClick={() => piece.panel.startsWith(`${shownUnit}/`) && dispatch(panelSelected(piece.panel))}
            >
              <PieceLine piece={piece} />
            </button>
          </li>
        ))}
      </ul>
      <OrderButtons setup={setup} number={number} of={of} parts={parts} onOrder={onOrder} />
      <details>
        <summary>Without a number, and what to mind{after.length > 0 ? `; after ${after.join(', ')}` : ''}</summary>
        <p>{words.gauge}</p>
        <p>{words.caution}</p>
        {after.length > 0 && (
          <p className="quiet">
            After {after.length === 1 ? 'setup' : 'setups'} {after.join(', ')}: they cut the same parts while their edges are still there.
          </p>
        )}
        <TestCutForm setting={setup.setting} shop={of.shop} learned={of.learned} unit={unit} />
      </details>
    </li>
  );
}

/** Moves it earlier or later by one; where that is impossible, says why. */
function OrderButtons({ setup, number, of, parts, onOrder }: Pick<SetupCardProps, 'setup' | 'number' | 'of' | 'parts' | 'onOrder'>) {
  const [refused, setRefused] = useState<string | null>(null);
  const { setups, blanks } = of.setups;
  const move = (by: -1 | 1): void => {
    const moved = movedBy(setups, setup.id, by);
    if (moved.ok) onOrder(moved.order);
    setRefused(moved.ok ? null : orderWords(moved, { blanks, parts }));
  };
  return (
    <div className="setup-order">
      <IconButton size="small" aria-label={`Make setup ${number} earlier`} disabled={number === 1} onClick={() => move(-1)}>
        <ArrowUpward fontSize="small" />
      </IconButton>
      <IconButton size="small" aria-label={`Make setup ${number} later`} disabled={number === setups.length} onClick={() => move(1)}>
        <ArrowDownward fontSize="small" />
      </IconButton>
      <span role="status" className="quiet">
        {refused}
      </span>
    </div>
  );
}
