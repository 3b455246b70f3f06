/** One stud: its true position, and how certain that is. */
import { entered, spacingDoubted, studsOf, tapeTextWithUnit, WALL_LIMITS, type StudMark, type StudState } from '@keen/core';
import { Button } from '@mui/material';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { selectDesign, useDisplayUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';

export function StudReading({ id }: { readonly id: string }) {
  const { wall } = useAppSelector(selectDesign);
  const unit = useDisplayUnit();
  const dispatch = useAppDispatch();
  const { apply, leave } = useEdit();
  const studs = studsOf(wall);
  const index = studs.findIndex((each) => each.id === id);
  const stud = studs[index];
  if (!stud) return <p className="quiet">This stud is not there any more.</p>;
  const known = wall.studs.marks[id];
  // A stud of the regular spacing gets a mark of its own once corrected.
  const mark: StudMark = known ?? { id: `stud-${stud.regular}`, regular: stud.regular, at: entered(`${stud.at / 1e6} mm`), state: stud.state, gone: false };
  const set = (change: Partial<StudMark>, key: string): void => {
    apply([{ path: ['wall', 'studs', 'marks', mark.id], value: { ...mark, ...change } }], key);
    if (!known) dispatch(picked({ kind: 'stud', id: mark.id }));
  };
  const neighbours = [studs[index - 1], studs[index + 1]].filter((each) => each !== undefined);
  const doubted = neighbours.filter((each) => spacingDoubted(each.at, stud.at));
  return (
    <div className="reading">
      <h2>Stud {index + 1}</h2>
      <p className="kind">
        {neighbours.map((each) => tapeTextWithUnit(Math.abs(each.at - stud.at) as typeof stud.at, unit)).join(' and ')} to its{' '}
        {neighbours.length === 1 ? 'neighbor' : 'neighbors'}
      </p>
      {doubted.length > 0 && (
        <section className="finding look">
          <p>
            <strong>No builder sets studs {tapeTextWithUnit(Math.abs(doubted[0]!.at - stud.at) as typeof stud.at, unit)} apart.</strong> One of the two may be a
            pipe or a seam: confirm it by a probe hole.
          </p>
        </section>
      )}
      <div className="fields">
        <LengthField
          label="center from the left end"
          name={`wall.studs.marks.${id}.at`}
          value={mark.at}
          unit={unit}
          {...WALL_LIMITS.along}
          onChange={(at) => at && set({ at, state: mark.state === 'assumed' ? 'found' : mark.state }, `stud.${mark.id}`)}
          onLeave={leave}
        />
        <ChoiceField
          label="it is"
          name={`wall.studs.marks.${id}.state`}
          value={mark.state}
          options={[
            { value: 'assumed', label: 'assumed from the spacing' },
            { value: 'found', label: 'found' },
            { value: 'probed', label: 'confirmed by a probe hole' },
          ]}
          onChange={(state) => set({ state: state as StudState }, '')}
        />
      </div>
      <div className="fixes">
        <Button
          color="error"
          onClick={() => {
            dispatch(picked(null));
            apply(
              mark.regular === null
                ? [{ path: ['wall', 'studs', 'marks', mark.id], value: undefined }]
                : [{ path: ['wall', 'studs', 'marks', mark.id], value: { ...mark, gone: true } }],
              '',
              'Stud taken out',
            );
          }}
        >
          There is none here
        </Button>
      </div>
    </div>
  );
}
