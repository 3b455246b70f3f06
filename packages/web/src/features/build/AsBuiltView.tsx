/** Planned and actual size side by side: measured parts, openings after the dry fit, diagonals. The plan follows what is entered here. */
import {
  exactTextWithUnit,
  shopFacts,
  labelWords,
  mm,
  tapeTextWithUnit,
  plannedFor,
  type AsCut,
  type DisplayUnit,
  type Entered,
  type Length,
  type PartLine,
} from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { AsCutFields } from '../box/AsCutFields.tsx';
import { HungHeightForm } from '../hang/HungHeightForm.tsx';
import { Misfits } from '../project/Misfits.tsx';
import { selectOpen, type ShownCabinet } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';
import { RepeatCabinet } from './RepeatCabinet.tsx';
import type { BuildOf } from './useBuild.ts';

export function AsBuiltView({ shown, of }: { readonly shown: ShownCabinet; readonly of: BuildOf }) {
  return (
    <div className="as-built scroll">
      <Misfits unit={shown.unit} about={(panel) => panel.startsWith(`${shown.spec.id}/`)} />
      <Parts shown={shown} />
      <Openings shown={shown} />
      <Squares shown={shown} of={of} />
      <Hung key={`hung ${shown.spec.id}`} shown={shown} />
      <RepeatCabinet key={shown.spec.id} shown={shown} />
    </div>
  );
}

function Parts({ shown: { plan, unit } }: { readonly shown: ShownCabinet }) {
  const { record } = useAppSelector(selectOpen);
  const selected = useAppSelector(({ view }) => view.selected);
  const dispatch = useAppDispatch();
  const cut = shopFacts(record).asCut;
  const there = shopFacts(record).finished;
  const rows = plan.parts.flatMap((line) => line.panels.flatMap((id) => (plan.cabinet.byId.get(id) && line.role !== 'cleat-blank' ? [{ line, id }] : [])));
  const open = rows.find(({ id }) => id === selected);
  return (
    <section aria-labelledby="built-parts">
      <h2 id="built-parts">Parts</h2>
      <table className="built-table">
        <thead>
          <tr>
            <th scope="col">part</th>
            <th scope="col">planned</th>
            <th scope="col">as it came out</th>
            <th scope="col">off by</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ line, id }) => {
            const is = cut.get(id)?.cut;
            return (
              <tr
                key={id}
                className={id === selected ? 'current' : ''}
                onPointerEnter={() => dispatch(panelHovered(id))}
                onPointerLeave={() => dispatch(panelHovered(null))}
              >
                <th scope="row">
                  <button
                    type="button"
                    className="step-link"
                    aria-expanded={id === selected}
                    onClick={() => dispatch(panelSelected(id === selected ? null : id))}
                  >
                    {line.mark} {labelWords(plan.cabinet.byId.get(id)!.name)}
                  </button>
                </th>
                <td>{sizeWords(line, is, unit)}</td>
                <td>
                  {is ? (
                    <>
                      {is.length && <LengthText value={is.length.nm} unit={unit} exact withUnit={!is.width} />} {is.length && is.width && '×'}{' '}
                      {is.width && <LengthText value={is.width.nm} unit={unit} exact withUnit />}
                      {is.thickness && (
                        <>
                          {' '}
                          <LengthText value={is.thickness.nm} unit={unit} exact withUnit /> thick
                        </>
                      )}
                    </>
                  ) : there.has(id) ? (
                    <span className="quiet">cut, not measured</span>
                  ) : (
                    <span className="quiet">not cut yet</span>
                  )}
                </td>
                <td>{is ? offWords(line, is, unit) : ''}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {open && (
        <div className="built-entry">
          <h3>
            {open.line.mark} {labelWords(plan.cabinet.byId.get(open.id)!.name)}
          </h3>
          <AsCutFields panel={plan.cabinet.byId.get(open.id)!} line={open.line} unit={unit} open />
        </div>
      )}
    </section>
  );
}

const sizeWords = ({ length, width }: PartLine, is: AsCut | undefined, unit: DisplayUnit) => (
  <>
    <LengthText value={plannedFor(is ?? {}, 'length', length.value)} unit={unit} /> ×{' '}
    <LengthText value={plannedFor(is ?? {}, 'width', width.value)} unit={unit} withUnit />
  </>
);

/** Resolution of a tape. */
const SEEN = mm(0.05);

function offWords(line: PartLine, is: AsCut, unit: DisplayUnit): string {
  const off = (['length', 'width'] as const).flatMap((measure) => {
    const by = is[measure] ? is[measure].nm - plannedFor(is, measure, line[measure].value) : 0;
    return Math.abs(by) < SEEN ? [] : [`${measure} ${by > 0 ? '+' : '−'}${tapeTextWithUnit(Math.abs(by) as Length, unit)}`];
  });
  return off.length === 0 ? 'as planned' : off.join(', ');
}

function Openings({ shown: { plan, unit } }: { readonly shown: ShownCabinet }) {
  const { record } = useAppSelector(selectOpen);
  const { add, withdraw } = useRecord();
  const known = shopFacts(record).openings;
  return (
    <section aria-labelledby="built-openings">
      <h2 id="built-openings">Openings after the dry fit</h2>
      <p className="quiet">Doors, loose shelves and what else moves in one is made for what is measured here, as long as it is not cut.</p>
      {plan.cabinet.compartments.map((space) => {
        const is = known.get(space.id);
        return (
          <div key={space.id} className="built-opening">
            <span>
              {labelWords(space.name)}: <LengthText value={space.width.value} unit={unit} /> × <LengthText value={space.height.value} unit={unit} withUnit />{' '}
              planned
            </span>
            {(['width', 'height'] as const).map((measure) => (
              <LengthField
                key={measure}
                label={measure}
                name={`opening.${space.id}.${measure}`}
                value={is?.opening[measure] ?? null}
                unit={unit}
                least={mm(5)}
                most={mm(6000)}
                optional
                onChange={() => {}}
                onCommit={(value) => value && add({ kind: 'opening', opening: { space: space.id, [measure]: value } })}
              />
            ))}
            {is && (
              <Button size="small" onClick={() => is.entries.forEach(withdraw)}>
                Take it back
              </Button>
            )}
          </div>
        );
      })}
    </section>
  );
}

/** To a tenth of a millimeter: the repeatability of a tape. */
const apartText = (nm: number, unit: DisplayUnit): string => exactTextWithUnit((Math.round(nm / 1e5) * 1e5) as Length, unit);

/** Height of its bottom, asked for and measured. */
function Hung({ shown }: { readonly shown: ShownCabinet }) {
  return (
    <section aria-labelledby="built-hung">
      <h2 id="built-hung">On the wall</h2>
      <p>
        Its bottom is asked for at <LengthText value={shown.spec.place.up.nm} unit={shown.unit} withUnit /> above the floor.
      </p>
      <HungHeightForm shown={shown} />
    </section>
  );
}

function Squares({ shown: { unit }, of }: { readonly shown: ShownCabinet; readonly of: BuildOf }) {
  const { record } = useAppSelector(selectOpen);
  const { add, withdraw } = useRecord();
  const known = shopFacts(record).diagonals;
  const [typed, setTyped] = useState<Readonly<Record<string, { readonly one?: Entered; readonly other?: Entered }>>>({});
  const rings = of.build.steps.flatMap(({ detail }) => (detail.kind === 'square' ? [detail] : []));
  if (rings.length === 0) return null;
  return (
    <section aria-labelledby="built-squares">
      <h2 id="built-squares">Diagonals</h2>
      {rings.map(({ assembly, diagonals }) => {
        const is = known.get(assembly);
        const name = labelWords(of.summary.plan.cabinets.flatMap(({ cabinet: solid }) => solid.byId.get(assembly) ?? [])[0]!.name);
        const draft = typed[assembly] ?? {};
        const allowed = Math.round(diagonals.allowed.value * 1e6);
        const apart = is ? Math.abs(is.one.nm - is.other.nm) : 0;
        return (
          <div key={assembly} className="built-opening">
            <span>
              {name}: <LengthText value={Math.round(diagonals.diagonal.value * 1e6) as Length} unit={unit} withUnit /> each, {apartText(allowed, unit)} apart at
              most
            </span>
            {is ? (
              <>
                <span className={apart > allowed ? 'caution' : ''}>
                  {apartText(apart, unit)} apart{apart > allowed ? ': out of square' : ''}
                </span>
                <Button size="small" onClick={() => withdraw(is.id)}>
                  Take it back
                </Button>
              </>
            ) : (
              <>
                {(['one', 'other'] as const).map((which) => (
                  <LengthField
                    key={which}
                    label={which === 'one' ? 'one' : 'the other'}
                    name={`diagonal.${assembly}.${which}`}
                    value={draft[which] ?? null}
                    unit={unit}
                    least={mm(10)}
                    most={mm(9000)}
                    optional
                    onChange={(value) => setTyped((old) => ({ ...old, [assembly]: { ...old[assembly], ...(value ? { [which]: value } : {}) } }))}
                  />
                ))}
                <Button
                  size="small"
                  variant="outlined"
                  disabled={!draft.one || !draft.other}
                  onClick={() => draft.one && draft.other && add({ kind: 'diagonals', diagonals: { assembly, one: draft.one, other: draft.other } })}
                >
                  They measure that
                </Button>
              </>
            )}
          </div>
        );
      })}
    </section>
  );
}
