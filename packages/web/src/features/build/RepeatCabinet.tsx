/** Builds the same cabinet again, at another size or its measured one, with what its record taught: thicknesses, seating, this shop’s pace. */
import { builtSizes, enters, enteredFromNm, lessonsOf, lessonWords, mm, specFor, type Entered, type Lesson } from '@keen/core';
import { Button } from '@mui/material';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { Explained } from '../../ui/Explained.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { NextTimeNotes } from '../log/NextTimeNotes.tsx';
import { selectLearned, selectOpen, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';

const SIZES = ['width', 'height', 'depth'] as const;
/** Beside the first one, with room for a hand. */
const BESIDE = mm(60);

export function RepeatCabinet({ shown: { spec, plan, unit } }: { readonly shown: ShownCabinet }) {
  const { id: project, design, record } = useAppSelector(selectOpen);
  const { apply } = useEdit();
  const navigate = useNavigate();
  const [size, setSize] = useState<Readonly<Partial<Record<(typeof SIZES)[number], Entered>>>>({});
  const built = builtSizes(spec, plan, record);
  const came = SIZES.flatMap((which) => (built[which] ? [{ which, of: built[which] }] : []));
  const make = (): void => {
    const id = `u${crypto.randomUUID().slice(0, 8)}`;
    const along = enteredFromNm((spec.place.along.nm + plan.cabinet.outside.width.value + BESIDE) as typeof spec.place.along.nm);
    const again = { ...specFor(design, spec, id), ...size, name: `${spec.name}, again`.slice(0, 80), place: { ...spec.place, along } };
    apply([{ path: ['units', id], value: again }], '', `${again.name} stands beside it`);
    void navigate(`/project/${project}/${id}/box`, { flushSync: true });
  };
  return (
    <section aria-labelledby="make-again">
      <h2 id="make-again">Make it again</h2>
      <p className="quiet">
        Another one as this was designed, with what its record taught: what the sheets measured, how far its cleat settles, how long such steps take here.
      </p>
      {came.length > 0 && (
        <p>
          This one came out{' '}
          {came.map(({ which, of }, index) => (
            <span key={which}>
              {index > 0 && ', '}
              <Explained title={`${which} it came to`} unit={unit} of={of}>
                <LengthText value={of.value} unit={unit} withUnit />
              </Explained>{' '}
              {{ width: 'wide', height: 'high', depth: 'deep' }[which]}
            </span>
          ))}
          .{' '}
          <Button
            size="small"
            onClick={() => setSize((old) => ({ ...old, ...Object.fromEntries(came.map(({ which, of }) => [which, enteredFromNm(of.value)])) }))}
          >
            Take the size it came to
          </Button>
        </p>
      )}
      <div className="built-again">
        {SIZES.filter((which) => enters(spec, which)).map((which) => (
          <LengthField
            key={which}
            label={which}
            name={`again.${which}`}
            value={size[which] ?? spec[which]}
            unit={unit}
            least={mm(20)}
            most={mm(6000)}
            onChange={(value) => value && setSize((old) => ({ ...old, [which]: value }))}
          />
        ))}
        <Button variant="outlined" onClick={make}>
          Make one of this size
        </Button>
      </div>
      <ItsLessons id={spec.id} unit={unit} />
      <NextTimeNotes family={spec.family} />
    </section>
  );
}

const isOf = (id: string, lesson: Lesson): boolean =>
  lesson.lesson === 'hung-off'
    ? lesson.unit === id
    : 'panel' in lesson
      ? lesson.panel.startsWith(`${id}/`)
      : 'assembly' in lesson
        ? lesson.assembly.startsWith(`${id}/`)
        : true;

/** Lessons from its record for the next one. */
function ItsLessons({ id, unit }: { readonly id: string; readonly unit: ShownCabinet['unit'] }) {
  const { design, record } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const { workshop } = useAppSelector(selectLearned);
  const lessons = useMemo(() => lessonsOf(plan, design, record, workshop).filter((lesson) => isOf(id, lesson)), [plan, design, record, workshop, id]);
  if (lessons.length === 0) return null;
  const context = { plan, products: workshop.products, cabinetNames: design.units, unit, currency: workshop.currency };
  return (
    <ul aria-label="What its record says">
      {lessons.map((lesson, index) => (
        <li key={index}>{lessonWords(lesson, context)}</li>
      ))}
    </ul>
  );
}
