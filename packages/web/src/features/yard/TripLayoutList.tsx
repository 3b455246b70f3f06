/** Every sheet of the trip with its parts, and every board with its cuts. */
import { lengthSold, lineOfBoardPiece, lineOfPiece, pieceName, tapeText, tapeTextWithUnit, type BoardJob, type DisplayUnit, type YardTrip } from '@keen/core';
import { SheetDrawing } from '../sheets/SheetDrawing.tsx';
import type { TripLayouts } from './useTripSearch.ts';

interface TripLayoutListProps {
  readonly trip: YardTrip;
  readonly layouts: TripLayouts;
  readonly unit: DisplayUnit;
}

export function TripLayoutList({ trip, layouts, unit }: TripLayoutListProps) {
  const { parts, workshop, together } = trip;
  const markOf = (piece: string): string => lineOfPiece(parts, piece)?.mark ?? piece;
  const homeless = [
    ...[...layouts.together.values()].flatMap(({ unplaced }) => unplaced.map(({ part }) => markOf(part))),
    ...together.boards.flatMap(({ tooLong }) => tooLong.map(markOf)),
  ];
  return (
    <section aria-label="How it is laid out">
      <h2>How it is laid out</h2>
      <p className="quiet">
        Marks begin with the number of the project. Nothing in the projects is changed: each keeps its own layout, and there you say what is cut.
      </p>
      {homeless.length > 0 && <p className="danger">No sheet or board holds {[...new Set(homeless)].join(', ')}.</p>}
      {together.sheets.flatMap((job) => {
        const plan = layouts.together.get(job.product);
        return (plan?.sheets ?? []).map((sheet, index) => (
          <figure key={`${job.product} ${index}`} className="yard-sheet">
            <figcaption>
              {workshop.products[job.product]!.name}, sheet {index + 1} of {plan!.sheets.length}
            </figcaption>
            <SheetDrawing
              page={{ nest: { job, plan: plan!, progress: null, stale: false, cut: null, key: null }, sheet, number: index + 1 }}
              parts={parts}
              unit={unit}
              stale={false}
            />
          </figure>
        ));
      })}
      {together.boards.map((job) => (
        <TripBoards key={job.product} job={job} trip={trip} markOf={markOf} unit={unit} />
      ))}
    </section>
  );
}

interface TripBoardsProps {
  readonly job: BoardJob;
  readonly trip: YardTrip;
  readonly markOf: (piece: string) => string;
  readonly unit: DisplayUnit;
}

function TripBoards({ job: { product, plan }, trip: { workshop }, markOf, unit }: TripBoardsProps) {
  return (
    <>
      <h3>{workshop.products[product]!.name}</h3>
      <ul className="yard-boards">
        {plan.boards.map(({ stock, atHand, pieces, left }, index) => (
          <li key={index}>
            {atHand ? `${pieceName(stock)}, at hand` : lengthSold(workshop.products[stock]!)}:{' '}
            {pieces.map(({ id, length }) => `${markOf(lineOfBoardPiece(id))} ${tapeText(length, unit)}`).join(', ')}{' '}
            <span className="quiet">left {tapeTextWithUnit(left, unit)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
