/** Solid boards: each drawn to length, with its pieces and flaws. Hidden when no part comes from a board. */
import {
  boardJobs,
  labelWords,
  lengthSold,
  lineOfBoardPiece,
  lineOfPiece,
  nameOfKind,
  pieceName,
  tapeTextWithUnit,
  type BoardPlan,
  type CutBoard,
  type Length,
  type PartLine,
  type Workshop,
} from '@keen/core';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { LengthText } from '../../ui/LengthText.tsx';
import { selectLearned, selectOpen, selectPlan, useDisplayUnit } from '../project/selectors.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';

export function BoardList() {
  const { workshop } = useAppSelector(selectLearned);
  const { parts } = useAppSelector(selectPlan);
  const jobs = boardJobs(parts, workshop);
  return (
    <>
      {jobs.map(({ product, plan, tooLong }) => (
        <section key={product} className="boards">
          <h2>
            {nameOfKind(workshop.products[product]!)}: {toBuy(plan, workshop)}
          </h2>
          <p className="quiet">
            {plan.boards.some(({ atHand }) => atHand) ? 'Lengths at hand come first. ' : ''}
            {plan.proved ? 'No plan costs less.' : `Not every way was tried; no plan takes fewer than ${plan.bound.boards}.`}
          </p>
          {plan.boards.map((board, index) => (
            <Board key={index} board={board} parts={parts} longest={Math.max(...plan.boards.map(({ length }) => length))} />
          ))}
          {tooLong.length > 0 && <p className="danger">Longer or wider than the board: {tooLong.map((id) => lineOfPiece(parts, id)?.mark).join(', ')}</p>}
        </section>
      ))}
    </>
  );
}

/** 'buy 2 of 96 in and 1 of 120 in', each length as it is sold. */
function toBuy({ bought }: BoardPlan, { products }: Pick<Workshop, 'products'>): string {
  if (bought.length === 0) return 'nothing to buy';
  return `buy ${new Intl.ListFormat('en').format(bought.map(({ id, count }) => `${count} of ${lengthSold(products[id]!)}`))}`;
}

/** To scale along its length; all boards of a product to one scale. */
function Board({ board, parts, longest }: { readonly board: CutBoard; readonly parts: readonly PartLine[]; readonly longest: number }) {
  const dispatch = useAppDispatch();
  const unit = useDisplayUnit();
  const { selected, hovered } = useAppSelector(({ view }) => view);
  const { workshop } = useAppSelector(selectOpen);
  const share = (nm: number): string => `${(nm / longest) * 100}%`;
  const flaws = Object.values(workshop.pieces[board.stock]?.flaws ?? {});
  return (
    <div className="board-row">
      <div className="board-bar" style={{ width: share(board.length) }}>
        {flaws.map(({ id, from, to }) => (
          <span
            key={id}
            className="board-flaw"
            title={`flaw, ${tapeTextWithUnit(from.nm, unit)} to ${tapeTextWithUnit(to.nm, unit)}`}
            style={{ left: `${(from.nm / board.length) * 100}%`, width: `${((to.nm - from.nm) / board.length) * 100}%` }}
          />
        ))}
        {board.pieces.map(({ id, at, length }) => {
          const line = lineOfPiece(parts, lineOfBoardPiece(id));
          const panel = line?.panels[0];
          const lit = line?.panels.some((each) => each === selected || each === hovered);
          return (
            <button
              key={id}
              type="button"
              className={`board-piece ${lit ? 'lit' : ''}`}
              style={{ left: `${(at / board.length) * 100}%`, width: `${(length / board.length) * 100}%` }}
              title={line ? `${line.mark}, ${labelWords(line.names[0]!)}, ${tapeTextWithUnit(length, unit)}` : ''}
              onPointerEnter={() => panel && dispatch(panelHovered(panel))}
              onPointerLeave={() => dispatch(panelHovered(null))}
              onClick={() => panel && dispatch(panelSelected(panel))}
            >
              {line?.mark}
            </button>
          );
        })}
      </div>
      <p>
        {board.atHand ? `${pieceName(board.stock)}, at hand: ` : ''}
        {board.pieces.map(({ id, length }, n) => (
          <span key={id}>
            {n > 0 && ', '}
            {lineOfPiece(parts, lineOfBoardPiece(id))?.mark} <LengthText value={length} unit={unit} />
          </span>
        ))}
        <span className="quiet">
          {' '}
          left <LengthText value={board.left as Length} unit={unit} withUnit />
        </span>
      </p>
    </div>
  );
}
