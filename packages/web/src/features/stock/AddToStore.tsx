/** What comes into the store: sheets and boards that were bought, and offcuts. */
import { entered, mm, nameInLists, skewOf, type Entered, type Flaw, type StockPiece, type Workshop } from '@keen/core';
import { Button, FormControlLabel, Switch, TextField } from '@mui/material';
import { useState } from 'react';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { useDisplayUnit } from '../project/selectors.ts';
import { useWorkshopChange } from './useWorkshopChange.ts';

interface Draft {
  readonly kind: StockPiece['kind'];
  readonly count: number;
  readonly length: Entered | null;
  readonly width: Entered | null;
  readonly one: Entered | null;
  readonly other: Entered | null;
  readonly flaw: { readonly from: Entered | null; readonly to: Entered | null; readonly near: Entered | null; readonly far: Entered | null };
  readonly place: string;
  readonly crooked: boolean;
  readonly sawn: boolean;
}

const EMPTY: Draft = {
  kind: 'offcut',
  count: 1,
  length: null,
  width: null,
  one: null,
  other: null,
  flaw: { from: null, to: null, near: null, far: null },
  place: '',
  crooked: false,
  sawn: false,
};
const MAX_AT_ONCE = 40;

/** A copy, so that one thing that was typed is not two things in the file. */
const again = (value: Entered): Entered => entered(value.text);

function flawOf({ flaw: { from, to, near, far } }: Draft): Flaw | null {
  if (!from || !to) return null;
  return { id: 'f1', from: again(from), to: again(to), ...(near && far ? { across: { from: again(near), to: again(far) } } : {}) };
}

/** What is asked for cannot be right; null when it can. */
function wrong({ length, width, one, other, flaw: { from, to, near, far } }: Draft): string | null {
  if (from && to && from.nm >= to.nm) return 'The flaw ends before it begins.';
  if (near && far && near.nm >= far.nm) return 'The flaw ends before it begins, across the grain.';
  if (!length || !width) return null;
  if ((one === null) !== (other === null)) return 'Both diagonals, or none.';
  return one && other && skewOf({ length, width, diagonals: { one, other } }) === null ? 'No sheet of that size has these diagonals.' : null;
}

export function AddToStore({ workshop }: { readonly workshop: Workshop }) {
  const unit = useDisplayUnit();
  const save = useWorkshopChange();
  const products = Object.values(workshop.products);
  const [product, setProduct] = useState(products[0]?.id ?? '');
  const [draft, setDraft] = useState(EMPTY);
  const [round, setRound] = useState(0);
  const own = workshop.products[product];
  const board = own?.kind === 'board';
  const whole = draft.kind === 'whole';
  const change = (part: Partial<Draft>): void => setDraft({ ...draft, ...part });
  const [length, width] = [draft.length ?? (whole ? (own?.length ?? null) : null), draft.width ?? (whole ? (own?.width ?? null) : null)];
  const fault = wrong({ ...draft, length, width });
  const add = async (): Promise<void> => {
    if (!length || !width || fault) return;
    const stem = whole ? 'sheet' : 'offcut';
    const flaw = flawOf(draft);
    const first = 1 + Math.max(0, ...Object.keys(workshop.pieces).map((id) => Number(new RegExp(`^${stem}-(\\d+)$`).exec(id)?.[1] ?? 0)));
    const pieces = Array.from({ length: whole ? draft.count : 1 }, (_, n): StockPiece => ({
      id: `${stem}-${first + n}`,
      product,
      kind: draft.kind,
      length: again(length),
      width: again(width),
      ...(draft.one && draft.other && !board ? { diagonals: { one: again(draft.one), other: again(draft.other) } } : {}),
      ...(flaw ? { flaws: { [flaw.id]: flaw } } : {}),
      ...(draft.place.trim() === '' ? {} : { place: draft.place.trim() }),
      ...(draft.crooked && !board ? { crooked: true } : {}),
      ...(draft.sawn && !board && !draft.crooked ? { sawn: true } : {}),
    }));
    if (await save({ ...workshop, pieces: { ...workshop.pieces, ...Object.fromEntries(pieces.map((piece) => [piece.id, piece])) } })) {
      setDraft({ ...EMPTY, kind: draft.kind });
      setRound(round + 1);
    }
  };
  const side = (label: string, name: string, value: Entered | null, onChange: (value: Entered | null) => void, least = mm(20), most = mm(5000)) => (
    <LengthField label={label} name={name} value={value} unit={unit} least={least} most={most} optional onChange={onChange} />
  );
  const { flaw } = draft;
  return (
    <form
      key={round}
      className="fields four"
      aria-label="Add to the store"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <ChoiceField
        label="what comes in"
        name="store.kind"
        value={draft.kind}
        options={[
          { value: 'offcut', label: 'an offcut' },
          { value: 'whole', label: 'sheets or boards, bought' },
        ]}
        onChange={(kind) => change({ kind: kind as StockPiece['kind'] })}
      />
      <ChoiceField
        label="of"
        name="store.product"
        value={product}
        options={products.map((each) => ({ value: each.id, label: nameInLists(each, workshop) }))}
        onChange={setProduct}
      />
      {whole && (
        <NumberField
          label="how many"
          name="store.count"
          least={1}
          most={MAX_AT_ONCE}
          value={draft.count}
          onChange={(count) => count !== null && change({ count: Math.round(count) })}
        />
      )}
      {side(whole ? 'length, as measured' : 'along the grain', 'store.length', length, (value) => change({ length: value }))}
      {side(whole ? 'width, as measured' : 'across it', 'store.width', width, (value) => change({ width: value }))}
      {whole && !board && (
        <>
          {side('one diagonal', 'store.one', draft.one, (one) => change({ one }), mm(20), mm(8000))}
          {side('the other', 'store.other', draft.other, (other) => change({ other }), mm(20), mm(8000))}
        </>
      )}
      <TextField
        label="kept where"
        value={draft.place}
        onChange={(event) => change({ place: event.target.value })}
        slotProps={{ htmlInput: { maxLength: 80, 'data-field': 'store.place' }, inputLabel: { shrink: true } }}
      />
      {side('flaw from, along', 'store.flaw.from', flaw.from, (from) => change({ flaw: { ...flaw, from } }), mm(0))}
      {side('to', 'store.flaw.to', flaw.to, (to) => change({ flaw: { ...flaw, to } }), mm(0))}
      {!board && (
        <>
          {side('and across, from', 'store.flaw.near', flaw.near, (near) => change({ flaw: { ...flaw, near } }), mm(0))}
          {side('to, across', 'store.flaw.far', flaw.far, (far) => change({ flaw: { ...flaw, far } }), mm(0))}
          <FormControlLabel
            control={<Switch checked={draft.crooked} onChange={(event) => change({ crooked: event.target.checked })} />}
            label="no straight edge"
          />
          <FormControlLabel
            control={<Switch checked={draft.sawn && !draft.crooked} disabled={draft.crooked} onChange={(event) => change({ sawn: event.target.checked })} />}
            label="edges sawn, nothing to trim"
          />
        </>
      )}
      <Button type="submit" variant="outlined" disabled={!length || !width || fault !== null}>
        {whole ? 'Put into the store' : 'Add the offcut'}
      </Button>
      {fault && <p className="danger">{fault}</p>}
    </form>
  );
}
