/** A wall rail: the studs it crosses, its pieces and notches, and the cabinets on it. */
import { nameInLists, nextStud, tapeTextWithUnit, specsInOrder, type Entered, type Length, type WallRail } from '@keen/core';
import { entered } from '@keen/core';
import { Button, TextField } from '@mui/material';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { selectDesign, selectOpen, selectPlan, useDisplayUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';
import { WallLength, WallNumber } from './fields.tsx';

/** Distance past the stud, so that its screw keeps its end distance. */
const PAST = 90e6;

export function RailReading({ rail }: { readonly rail: WallRail }) {
  const design = useAppSelector(selectDesign);
  const { workshop } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const unit = useDisplayUnit();
  const dispatch = useAppDispatch();
  const { apply, leave } = useEdit();
  const made = plan.rails.find((each) => each.rail.id === rail.id);
  const path = ['rails', rail.id];
  const set = (key: keyof WallRail, value: unknown): void => apply([{ path: ['wall', ...path, key], value }], `${rail.id}.${key}`);
  const say = (nm: number): string => tapeTextWithUnit(nm as Length, unit);
  const exact = (nm: number): Entered => entered(`${nm / 1e6} mm`);
  const hung = specsInOrder(design).filter(({ hanging }) => hanging.wallRail === rail.id);
  const [toLeft, toRight] = (['left', 'right'] as const).map((side) => nextStud(design.wall, side === 'left' ? rail.left.nm : rail.right.nm, side, PAST));
  return (
    <div className="reading">
      <h2>{rail.name}</h2>
      <p className="kind">{made ? `crosses ${made.layout.studs.length} studs: ${made.layout.studs.map((at) => say(at)).join(', ') || 'none'}` : ''}</p>
      {made && made.layout.studs.length < 2 && (
        <section className="finding stop">
          <p>
            <strong>It crosses {made.layout.studs.length === 1 ? 'one stud' : 'no stud'}.</strong> Two at least carry what hangs on it.
          </p>
        </section>
      )}
      <p className="quiet">
        {made?.layout.pieces.length === 1
          ? 'One piece'
          : `${made?.layout.pieces.length} pieces, joined at ${made?.layout.pieces
              .slice(1)
              .map(({ from }) => say(from))
              .join(', ')}`}
        {made && made.layout.notches.length > 0
          ? `; notched for ${made.layout.notches.map(({ thing, from, to }) => `${design.wall.things[thing]!.name} (${say(from)} to ${say(to)})`).join(', ')}`
          : ''}
        {made && made.boards.length > made.layout.pieces.length ? `; ${made.boards.length - made.layout.pieces.length} more for cabinet halves` : ''}.
      </p>
      <div className="fixes">
        {toLeft !== null && toLeft !== undefined && (
          <Button variant="outlined" onClick={() => apply([{ path: ['wall', ...path, 'left'], value: exact(toLeft) }], '', 'Rail run on')}>
            Run it on to the next stud at the left
          </Button>
        )}
        {toRight !== null && toRight !== undefined && (
          <Button variant="outlined" onClick={() => apply([{ path: ['wall', ...path, 'right'], value: exact(toRight) }], '', 'Rail run on')}>
            Run it on to the next stud at the right
          </Button>
        )}
      </div>
      <div className="fields">
        <TextField
          label="name"
          value={rail.name}
          onChange={({ target }) => target.value.trim() && set('name', target.value.slice(0, 80))}
          onBlur={leave}
          slotProps={{ htmlInput: { 'data-field': `wall.rails.${rail.id}.name`, autoComplete: 'off' }, inputLabel: { shrink: true } }}
        />
        <WallLength path={[...path, 'left']} label="left end" limits="along" />
        <WallLength path={[...path, 'right']} label="right end" limits="along" />
        <WallLength path={[...path, 'up']} label="foot of its bevel above the floor" limits="up" />
        <ChoiceField
          label="ripped from"
          name={`wall.rails.${rail.id}.stock`}
          value={rail.stock}
          options={Object.values(workshop.products).map((product) => ({ value: product.id, label: nameInLists(product, workshop) }))}
          onChange={(stock) => set('stock', stock)}
        />
        <WallLength path={[...path, 'boardWidth']} label="board before the rip" limits="rail.boardWidth" />
        <WallNumber path={[...path, 'bevelDeg']} label="bevel, blade tilt" unit="°" least={20} most={65} />
        <WallLength path={[...path, 'pieceLength']} label="longest piece" limits="rail.piece" />
      </div>
      <p className="quiet">
        {hung.length === 0 ? 'Nothing hangs on it yet: choose it under “Where it hangs” of a cabinet.' : `On it: ${hung.map(({ name }) => name).join(', ')}.`}
      </p>
      <Button
        color="error"
        onClick={() => {
          dispatch(picked(null));
          apply(
            [...hung.map(({ id }) => ({ path: ['units', id, 'hanging', 'wallRail'], value: null })), { path: ['wall', ...path], value: undefined }],
            '',
            `${rail.name} taken off`,
          );
        }}
      >
        Take it off the wall
      </Button>
    </div>
  );
}
