/** Everything on the wall as a list: for keyboard and screen reader, and for what is hidden behind something. */
import { railsInOrder, studsOf, tapeTextWithUnit, thingsInOrder, type Wall } from '@keen/core';
import { useAppDispatch } from '../../app/store.ts';
import { useDisplayUnit } from '../project/selectors.ts';
import { picked, type Picked } from '../project/view.slice.ts';

export function WallList({ wall }: { readonly wall: Wall }) {
  const unit = useDisplayUnit();
  const dispatch = useAppDispatch();
  const rows: readonly { readonly pick: Picked; readonly words: string }[] = [
    ...thingsInOrder(wall).map(({ id, name }) => ({ pick: { kind: 'thing' as const, id }, words: name })),
    ...railsInOrder(wall).map(({ id, name }) => ({ pick: { kind: 'rail' as const, id }, words: name })),
    ...Object.values(wall.bow).map(({ id, up, readings }) => ({
      pick: { kind: 'bow' as const, id },
      words: `Bow at ${tapeTextWithUnit(up.nm, unit)}: ${Object.keys(readings).length} readings`,
    })),
    ...Object.values(wall.looked).map(({ id, left, up }) => ({
      pick: { kind: 'looked' as const, id },
      words: `Looked at, from ${tapeTextWithUnit(left.nm, unit)} along and ${tapeTextWithUnit(up.nm, unit)} up`,
    })),
    ...studsOf(wall).map(({ id, at, state }, index) => ({
      pick: { kind: 'stud' as const, id },
      words: `Stud ${index + 1} at ${tapeTextWithUnit(at, unit)}, ${state}`,
    })),
  ];
  if (rows.length === 0) return <p className="quiet">Nothing is on it yet.</p>;
  return (
    <ul className="part-list plain">
      {rows.map(({ pick, words }) => (
        <li key={`${pick.kind} ${pick.id}`}>
          <button type="button" onClick={() => dispatch(picked(pick))}>
            {words}
          </button>
        </li>
      ))}
    </ul>
  );
}
