/** Solid boards to buy, and what is crosscut from each. Nothing is shown when no part comes from a board. */
import { boardJobs, lineOfPiece } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { LengthText } from '../../ui/LengthText.tsx';
import { selectOpen, selectPlan, useDisplayUnit } from '../project/selectors.ts';

export function BoardList() {
  const { workshop } = useAppSelector(selectOpen);
  const { parts } = useAppSelector(selectPlan);
  const unit = useDisplayUnit();
  return (
    <>
      {boardJobs(parts, workshop).map(({ product, boards, tooLong }) => (
        <section key={product} className="boards">
          <h2>
            {boards.length} × {workshop.products[product]!.name}
          </h2>
          {boards.map(({ pieces, left }, index) => (
            <p key={index}>
              {pieces.map(({ line, length }, n) => (
                <span key={n}>
                  {n > 0 && ', '}
                  {lineOfPiece(parts, line)?.mark} <LengthText value={length} unit={unit} />
                </span>
              ))}
              <span className="quiet">
                {' '}
                left <LengthText value={left} unit={unit} withUnit />
              </span>
            </p>
          ))}
          {tooLong.length > 0 && <p className="danger">Longer or wider than the board: {tooLong.map((id) => lineOfPiece(parts, id)?.mark).join(', ')}</p>}
        </section>
      ))}
    </>
  );
}
