/** One setup: the number of its place in the order, what is set to what, the parts and how they lie, how to set it by a gauge, what to mind. */
import { setupWords, type DisplayUnit, type PartLine, type Setup } from '@keen/core';
import { Checkbox, FormControlLabel } from '@mui/material';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { entryAdded } from '../project/project.slice.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';
import { SetupDrawing } from './SetupDrawing.tsx';
import { TestCutForm } from './TestCutForm.tsx';
import type { ShopSetups } from './useSetups.ts';

interface SetupCardProps {
  readonly setup: Setup;
  readonly number: number;
  readonly of: ShopSetups;
  readonly parts: readonly PartLine[];
  readonly unit: DisplayUnit;
  readonly shownUnit: string;
  /** Numbers of the setups that come before it for the sake of its parts. */
  readonly after: readonly number[];
}

export function SetupCard({ setup, number, of, parts, unit, shownUnit, after }: SetupCardProps) {
  const dispatch = useAppDispatch();
  const lit = useAppSelector(({ view }) => view.hovered ?? view.selected);
  const words = setupWords(setup, { shop: of.shop, blanks: of.setups.blanks, parts }, unit);
  const operations = setup.cuts.map(({ operation }) => operation.id);
  const done = operations.filter((id) => of.made.has(id)).length;
  const first = setup.cuts[0]!;
  const add = (entry: object): void =>
    void dispatch(entryAdded({ id: crypto.randomUUID(), at: new Date().toISOString(), ...entry } as Parameters<typeof entryAdded>[0]));
  const tick = (ids: readonly string[], is: boolean): void => {
    if (is) add({ kind: 'made', made: ids.filter((id) => !of.made.has(id)) });
    else for (const entry of new Set(ids.flatMap((id) => of.made.get(id) ?? []))) add({ kind: 'withdrawn', withdraws: entry });
  };
  const whole = done === operations.length;
  return (
    <li className={`setup-card${whole ? ' done' : ''}`}>
      <header>
        <span className="setup-number">{number}</span>
        <h3>{words.title}</h3>
        <FormControlLabel
          control={<Checkbox size="small" checked={whole} indeterminate={done > 0 && !whole} onChange={(event) => tick(operations, event.target.checked)} />}
          label={whole ? 'done' : done > 0 ? `${done} of ${operations.length} done` : `${operations.length} ${operations.length === 1 ? 'cut' : 'cuts'}`}
        />
      </header>
      <div className="setup-body">
        <SetupDrawing
          cut={first}
          blank={of.setups.blanks.get(first.operation.panel)!}
          title={`${words.pieces[0]!.mark} at the machine, the cut shaded${words.pieces[0]!.lies ? `; ${words.pieces[0]!.lies}` : ''}`}
        />
        <dl className="setup-set">
          {words.set.map(({ what, to }) => (
            <div key={what}>
              <dt>{what}</dt>
              <dd>{to}</dd>
            </div>
          ))}
        </dl>
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
              <span className="mark">{piece.mark}</span> {piece.name}
              {piece.cuts > 1 ? `, ${piece.cuts} cuts` : ''}
              {piece.lies && <span className="quiet">: {piece.lies}</span>}
              {piece.places.map((place) => (
                <span key={place} className="setup-place">
                  {place}
                </span>
              ))}
            </button>
          </li>
        ))}
      </ul>
      <details>
        <summary>Without a number, and what to mind{after.length > 0 ? `; after ${after.join(', ')}` : ''}</summary>
        <p>{words.gauge}</p>
        <p>{words.caution}</p>
        {after.length > 0 && (
          <p className="quiet">
            After {after.length === 1 ? 'setup' : 'setups'} {after.join(', ')}: they cut the same parts while their edges are still square.
          </p>
        )}
        <TestCutForm setting={setup.setting} shop={of.shop} learned={of.learned} unit={unit} />
      </details>
    </li>
  );
}
