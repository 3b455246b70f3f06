/** The store: each piece drawn to one scale, where it is kept and for whom, what has happened to it. */
import { pieceName, skewOf, tapeTextWithUnit, toMm, usableSize, type Length, type StockPiece } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { LengthText } from '../../ui/LengthText.tsx';
import { selectOpen, useDisplayUnit } from '../project/selectors.ts';
import { PieceHistory } from './PieceHistory.tsx';
import { useKeeping } from './useKeeping.ts';
import { useWorkshopChange } from './useWorkshopChange.ts';

export function StoreList() {
  const { workshop } = useAppSelector(selectOpen);
  const rows = Object.values(workshop.pieces);
  const longest = Math.max(1, ...rows.map(({ length }) => toMm(length.nm)));
  return (
    <>
      <h3>In the store, used before new ones are bought</h3>
      <ul className="store">
        {rows.map((piece) => (
          <StoreRow key={piece.id} piece={piece} longest={longest} />
        ))}
        {rows.length === 0 && <li className="quiet">nothing; offcuts worth keeping come in by themselves when the last cut of a sheet is ticked</li>}
      </ul>
    </>
  );
}

function StoreRow({ piece, longest }: { readonly piece: StockPiece; readonly longest: number }) {
  const { id: project, workshop } = useAppSelector(selectOpen);
  const unit = useDisplayUnit();
  const save = useWorkshopChange();
  const { keep, giveBack } = useKeeping();
  const [open, setOpen] = useState(false);
  const { id, length, width, reserved } = piece;
  const name = pieceName(id);
  const others = reserved !== undefined && reserved.project !== project;
  const skew = skewOf(piece) ?? 0;
  const usable = usableSize(piece);
  return (
    <li data-piece={id}>
      <PieceSketch piece={piece} longest={longest} />
      <div>
        <strong>{name}</strong>, {workshop.products[piece.product]?.name}, <LengthText value={length.nm} unit={unit} /> ×{' '}
        <LengthText value={width.nm} unit={unit} withUnit />
        {skew > 0 && (
          <>
            , {tapeTextWithUnit(Math.round(skew) as Length, unit)} out of square: good for <LengthText value={usable.length} unit={unit} /> ×{' '}
            <LengthText value={usable.width} unit={unit} withUnit />
          </>
        )}
        {Object.values(piece.flaws ?? {}).map((flaw) => (
          <span key={flaw.id}>
            {', '}flaw <LengthText value={flaw.from.nm} unit={unit} /> to <LengthText value={flaw.to.nm} unit={unit} withUnit />
          </span>
        ))}
        {piece.crooked && ', no straight edge'}
        {piece.sawn && ', edges sawn'}
        {piece.place !== undefined && `, ${piece.place}`}
        {reserved && <span className="kept-for"> · kept for {others ? reserved.name : 'this project'}</span>}
        {open && <PieceHistory id={id} unit={unit} />}
      </div>
      <span className="store-buttons">
        <Button size="small" onClick={() => setOpen(!open)} aria-expanded={open} aria-label={`${open ? 'Less' : 'More'} about ${name}`}>
          {open ? 'Less' : 'More'}
        </Button>
        {reserved === undefined && (
          <Button size="small" onClick={() => void keep([id])} aria-label={`Keep ${name} for this project`}>
            Keep for this
          </Button>
        )}
        {reserved !== undefined && !others && (
          <Button size="small" onClick={() => void giveBack([id])} aria-label={`Give ${name} back`}>
            Give back
          </Button>
        )}
        {!others && (
          <Button
            size="small"
            onClick={() => void save({ ...workshop, pieces: Object.fromEntries(Object.entries(workshop.pieces).filter(([other]) => other !== id)) })}
            aria-label={`Take ${name} out of the store`}
          >
            Take out
          </Button>
        )}
      </span>
    </li>
  );
}

const SKETCH = { width: 110, height: 54 };

/** The piece to the scale of the longest, with its flaws. */
function PieceSketch({ piece: { length, width, flaws = {}, kind }, longest }: { readonly piece: StockPiece; readonly longest: number }) {
  const scale = Math.min(SKETCH.width / longest, SKETCH.height / Math.max(longest / 2, toMm(width.nm)));
  const [w, h] = [toMm(length.nm) * scale, toMm(width.nm) * scale];
  return (
    <svg className={`piece-sketch ${kind}`} width={SKETCH.width + 2} height={SKETCH.height + 2} aria-hidden="true">
      <rect x={1} y={1} width={w} height={Math.max(2, h)} />
      {Object.values(flaws).map(({ id, from, to, across }) => (
        <rect
          key={id}
          className="flaw"
          x={1 + toMm(from.nm) * scale}
          y={1 + (across ? toMm(across.from.nm) * scale : 0)}
          width={Math.max(1, toMm((to.nm - from.nm) as Length) * scale)}
          height={across ? Math.max(1, toMm((across.to.nm - across.from.nm) as Length) * scale) : Math.max(2, h)}
        />
      ))}
    </svg>
  );
}
