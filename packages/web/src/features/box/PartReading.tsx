/** One part: name, size with its sum, features, checks, and where else it appears. */
import { choosesGrain, featureWords, labelWords, withArticle, massText, type GrainChoice, type ResolvedPanel } from '@keen/core';
import { Button } from '@mui/material';
import type { ReactNode } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { Explained, SumTable, useExplain } from '../../ui/Explained.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { selectOpen, type ShownCabinet } from '../project/selectors.ts';
import type { StationId } from '../project/Stations.tsx';
import { useEdit } from '../project/useEdit.ts';
import { panelSelected } from '../project/view.slice.ts';
import { CameFrom } from '../stock/CameFrom.tsx';
import { useNests } from '../sheets/useNests.tsx';
import { AsCutFields } from './AsCutFields.tsx';
import { ContentsFields } from './ContentsFields.tsx';
import { elementOf, elementsOf, withoutElement } from './elements.ts';
import { openField } from './openField.ts';
import { ElementFields } from './CabinetFields.tsx';

export interface PartReadingProps {
  readonly shown: ShownCabinet;
  readonly panel: ResolvedPanel;
  readonly findings: ReactNode;
  readonly onStation: (station: StationId) => void;
}

export function PartReading({ shown, panel, findings, onStation }: PartReadingProps) {
  const { plan, unit } = shown;
  const { products } = useAppSelector((state) => selectOpen(state).workshop);
  const line = plan.parts.find(({ panels }) => panels.includes(panel.id))!;
  const { show } = useExplain();
  const dispatch = useAppDispatch();
  const compartments = plan.cabinet.compartments.filter(({ floor }) => floor === panel.id);
  const source = (path: readonly string[]): void => {
    dispatch(panelSelected(null));
    onStation('box');
    openField(path.slice(2).join('.'));
  };
  return (
    <div className="reading">
      <h2>{labelWords(panel.name)}</h2>
      <p className="kind">
        {line.mark}, {products[panel.stock]?.name}
      </p>
      <p className="big-number">
        <LengthText value={line.length.value} unit={unit} />
        <span className="second">
          {' '}
          × <LengthText value={line.width.value} unit={unit} withUnit />
        </span>
      </p>
      <div className="sum-card">
        <SumTable
          what={{ title: 'length', unit, dimension: line.length }}
          onOpen={(what) => show(document.querySelector('.sum-card')!, what)}
          onSource={source}
        />
      </div>
      <details>
        <summary>Width: how it is worked out</summary>
        <SumTable
          what={{ title: 'width', unit, dimension: line.width }}
          onOpen={(what) => show(document.querySelector('.sum-card')!, what)}
          onSource={source}
        />
      </details>
      <GrainField shown={shown} panel={panel} />
      <OfElement shown={shown} panel={panel} />
      {panel.role !== 'cabinet-half' && panel.role !== 'wall-half' && <AsCutFields key={panel.id} panel={panel} line={line} unit={unit} />}
      {compartments.map((compartment) => (
        <ContentsFields key={compartment.id} shown={shown} compartment={compartment} />
      ))}
      {findings}
      {line.features.length > 0 && (
        <>
          <h3>Cut into it</h3>
          <ul className="feature-list">
            {line.features.map((feature, index) => (
              <li key={index}>{featureWords(feature, line, unit)}</li>
            ))}
          </ul>
        </>
      )}
      <p className="quiet">
        weighs{' '}
        <Explained title={`mass of ${withArticle(panel.name)}`} unit={unit} of={plan.weights.panels.get(panel.id)!}>
          {massText(plan.weights.panels.get(panel.id)!.value, unit)}
        </Explained>
        {line.count > 1 && `; ${line.count} alike: ${line.names.map(labelWords).join(', ')}`}
      </p>
      <AlsoHere shown={shown} panel={panel} onStation={onStation} />
      <Button onClick={() => dispatch(panelSelected(null))}>Back to the cabinet</Button>
    </div>
  );
}

/** Its grain direction; a sheet without grain has no choice. */
function GrainField({ shown: { spec }, panel }: { readonly shown: ShownCabinet; readonly panel: ResolvedPanel }) {
  const { apply } = useEdit();
  const { products } = useAppSelector((state) => selectOpen(state).workshop);
  if (products[panel.stock]?.grain === 'none') return <p className="kind">a sheet without grain</p>;
  if (!choosesGrain(panel)) return <p className="kind">its grain runs along its {panel.grain}: it carries</p>;
  const key = panel.id.slice(spec.id.length + 1);
  const { [key]: _own, ...others } = spec.grains ?? {};
  return (
    <ChoiceField
      label="its grain runs"
      name="grain"
      value={panel.grain === 'none' ? 'free' : panel.grain}
      options={[
        { value: 'length', label: 'along its length' },
        { value: 'width', label: 'across its length' },
        { value: 'free', label: 'either way, as it comes (painted)' },
      ]}
      onChange={(grain) => apply([{ path: ['units', spec.id, 'grains'], value: { ...others, [key]: grain as GrainChoice } }], 'grains')}
    />
  );
}

/** The fields of the part's element, and its delete button. */
function OfElement({ shown: { spec, unit }, panel }: { readonly shown: ShownCabinet; readonly panel: ResolvedPanel }) {
  const { apply } = useEdit();
  const dispatch = useAppDispatch();
  const element = elementOf(spec, panel.id);
  if (!element) return null;
  const { form, id } = element;
  const takeOut = (): void => {
    dispatch(panelSelected(null));
    apply(withoutElement(spec, form, id), '', `${labelWords(panel.name)} taken out`);
  };
  return (
    <>
      <ElementFields spec={spec} unit={unit} list={form.path} id={id} />
      <Button variant="outlined" disabled={elementsOf(spec, form).length <= form.least} onClick={takeOut}>
        Take this {panel.role} out
      </Button>
    </>
  );
}

/** Where else the part appears: its slots in other parts, its sheet. */
function AlsoHere({ shown: { plan, unit }, panel, onStation }: Pick<PartReadingProps, 'shown' | 'panel' | 'onStation'>) {
  const { nests } = useNests();
  const hosts = plan.cabinet.connections
    .filter(({ guest, joint }) => guest === panel.id && joint.depth > 0)
    .map(({ host }) => labelWords(plan.cabinet.byId.get(host)!.name));
  const piece =
    panel.role === 'cabinet-half' || panel.role === 'wall-half'
      ? panel.id.replace(/(cabinet-half(\/(left|right|between-\d+))?|wall-half)$/, 'cleat-blank')
      : panel.id;
  const sheet = nests
    .flatMap(({ plan: nest, cut }) => (nest ? nest.sheets.map((each, index) => ({ each, index, cut })) : []))
    .find(({ each }) => each.placements.some(({ part }) => part === piece));
  return (
    <>
      <p className="also">
        Also here: {hosts.length > 0 && `slot in the ${[...new Set(hosts)].join(' and the ')} · `}
        {sheet ? (
          <button type="button" className="explained" onClick={() => onStation('sheets')}>
            sheet {sheet.index + 1} of its kind
          </button>
        ) : (
          'cut from a board'
        )}
      </p>
      {sheet?.cut && <CameFrom sheet={`${sheet.cut.layout.id}#${sheet.index}`} unit={unit} />}
    </>
  );
}
