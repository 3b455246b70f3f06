/** The cut list of the cabinet: every size opens its sum; pointing at a line highlights its parts everywhere. */
import { cutListCsv, displayUnitOf, featureWords, labelWords, type PartLine } from '@keen/core';
import Download from '@mui/icons-material/FileDownloadOutlined';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { download, fileName } from '../../ui/download.ts';
import { Explained } from '../../ui/Explained.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { SaveFile } from '../../ui/SaveFile.tsx';
import { LooseParts } from './LooseParts.tsx';
import { TrueSizeDialog } from '../prints/TrueSizeDialog.tsx';
import { selectOpen, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';

export function CutList({ shown }: { readonly shown: ShownCabinet }) {
  const { design, workshop } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const { parts, rails } = plan;
  // The cleats of a cabinet on a rail come out of the rail's boards.
  const onRail = rails.filter(({ rail }) => rail.id === shown.spec.hanging.wallRail).flatMap((rail) => rail.parts);
  const chosen = useAppSelector(({ view }) => view.unit);
  const [printing, setPrinting] = useState(false);
  const save = (): void =>
    download(
      `${fileName(design.name)}-cut-list.csv`,
      'text/csv',
      cutListCsv(parts, workshop, ({ unit }) => chosen ?? displayUnitOf(design, unit)),
    );
  return (
    <div className="list-room">
      <table className="cut-list">
        <thead>
          <tr>
            <th scope="col">Mark</th>
            <th scope="col">Part</th>
            <th scope="col" className="number">
              Length
            </th>
            <th scope="col" className="number">
              Width
            </th>
            <th scope="col" className="number">
              Thick
            </th>
            <th scope="col">From</th>
            <th scope="col">Cut into it</th>
          </tr>
        </thead>
        <tbody>
          {[...shown.plan.parts, ...onRail].map((line) => (
            <LineRow key={line.id} line={line} shown={shown} stock={workshop.products[line.stock]?.name ?? line.stock} />
          ))}
        </tbody>
      </table>
      <div className="list-foot">
        <Button variant="contained" startIcon={<Download />} onClick={save}>
          Download the cut list
        </Button>
        <SaveFile name={`${fileName(design.name)}-parts.dxf`} type="image/vnd.dxf" make={async () => (await import('@keen/exchange')).partsDxf(plan)}>
          Part drawings (DXF)
        </SaveFile>
        <Button onClick={() => setPrinting(true)}>Templates on paper …</Button>
        {printing && <TrueSizeDialog shown={shown} first="templates" onClose={() => setPrinting(false)} />}
        <span>All cabinets of the project: the list as CSV, the drawings for a router table. Sizes are exact there; here they read as on a tape.</span>
      </div>
      <LooseParts />
    </div>
  );
}

function LineRow({ line, shown, stock }: { readonly line: PartLine; readonly shown: ShownCabinet; readonly stock: string }) {
  const { unit } = shown;
  const lit = useAppSelector(({ view: { selected, hovered } }) =>
    selected !== null && line.panels.includes(selected) ? 'selected' : hovered !== null && line.panels.includes(hovered) ? 'hovered' : '',
  );
  const dispatch = useAppDispatch();
  const name = line.names.map(labelWords).join(', ');
  return (
    <tr className={lit} onPointerEnter={() => dispatch(panelHovered(line.panels[0]!))} onPointerLeave={() => dispatch(panelHovered(null))}>
      <td className="mark">{line.mark}</td>
      <td>
        <button type="button" className="line-name" onClick={() => dispatch(panelSelected(line.panels[0]!))}>
          {line.count > 1 && `${line.count} × `}
          {name}
        </button>
        {line.mirrorOf && <span className="quiet"> mirror of {line.mirrorOf}</span>}
      </td>
      <td className="number">
        <Explained title={`length of ${line.mark}`} unit={unit} of={line.length}>
          <LengthText value={line.length.value} unit={unit} />
        </Explained>
      </td>
      <td className="number">
        <Explained title={`width of ${line.mark}`} unit={unit} of={line.width}>
          <LengthText value={line.width.value} unit={unit} />
        </Explained>
      </td>
      <td className="number">
        <LengthText value={line.thickness} unit={unit} exact />
      </td>
      <td>
        {stock}
        {line.bands.length > 0 && <span className="quiet">, front banded</span>}
      </td>
      <td className="features">
        {line.features.length === 0 ? (
          <span className="quiet">nothing</span>
        ) : (
          <details>
            <summary>{line.features.length === 1 ? featureWords(line.features[0]!, line, unit).split(',')[0] : `${line.features.length} cuts`}</summary>
            <ul>
              {line.features.map((feature, index) => (
                <li key={index}>{featureWords(feature, line, unit)}</li>
              ))}
            </ul>
          </details>
        )}
      </td>
    </tr>
  );
}
