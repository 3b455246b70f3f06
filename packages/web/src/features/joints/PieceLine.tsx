/** A part at a setup in words: mark, name, number of cuts, how it lies, and where it is marked. */
import type { SetupPiece } from '@keen/core';

export function PieceLine({ piece: { mark, name, cuts, lies, places } }: { readonly piece: SetupPiece }) {
  return (
    <>
      <span className="mark">{mark}</span> {name}
      {cuts > 1 ? `, ${cuts} cuts` : ''}
      {lies && <span className="quiet">: {lies}</span>}
      {places.map((place) => (
        <span key={place} className="setup-place">
          {place}
        </span>
      ))}
    </>
  );
}
