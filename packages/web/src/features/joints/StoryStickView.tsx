/** Story sticks, to scale: one stick for all parts marked alike, every mark with its distance from one end. */
import { edgeWords, exactTextWithUnit, labelWords, lieOf, storySticks, type OperationBlank, type DisplayUnit, type Setups, type StoryStick } from '@keen/core';
import { Button } from '@mui/material';
import { useMemo, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { useSize } from '../../ui/useSize.ts';
import { TrueSizeDialog } from '../prints/TrueSizeDialog.tsx';
import { selectPlan, type ShownCabinet } from '../project/selectors.ts';
import { panelHovered } from '../project/view.slice.ts';
import { useSetups } from './useSetups.ts';

export function StoryStickView({ shown }: { readonly shown: ShownCabinet }) {
  const { setups } = useSetups(shown, false);
  const sticks = useMemo(() => sticksOf(setups), [setups]);
  const [printing, setPrinting] = useState(false);
  return (
    <>
      <h1>
        {sticks.length === 0 ? 'Nothing here has more than one mark.' : `${sticks.length === 1 ? 'One stick says' : `${sticks.length} sticks say`} it all.`}
      </h1>
      <p className="lead">
        A strip of wood with every mark of a part on it: laid to the end that is named, carried over to each of the parts, it cannot be misread as a tape can.
      </p>
      <Button variant="outlined" onClick={() => setPrinting(true)}>
        On paper, at its true size …
      </Button>
      {printing && <TrueSizeDialog shown={shown} first={sticks.length > 0 ? 'sticks' : 'templates'} onClose={() => setPrinting(false)} />}
      {sticks.map((stick) => (
        <Stick key={stick.id} stick={stick} blanks={setups.blanks} unit={shown.unit} />
      ))}
    </>
  );
}

function sticksOf({ setups, unmade, blanks, touches }: Setups): StoryStick[] {
  return storySticks(blanks, [...setups.flatMap(({ cuts }) => cuts.map(({ operation }) => operation)), ...unmade], touches);
}

const HIGH = 42;
const SIDE = 8;

function Stick({ stick, blanks, unit }: { readonly stick: StoryStick; readonly blanks: ReadonlyMap<string, OperationBlank>; readonly unit: DisplayUnit }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const { parts } = useAppSelector(selectPlan);
  const dispatch = useAppDispatch();
  const first = blanks.get(stick.panels[0]!)!.panel;
  const lies = { role: first.role, lie: lieOf(first) };
  const [end, side] = [edgeWords(lies, 'start'), edgeWords(lies, 'near')];
  const scale = (size.width - 2 * SIDE) / stick.length;
  const x = (nm: number): number => SIDE + nm * scale;
  const markOf = (panel: string): string => parts.find(({ panels }) => panels.includes(panel))?.mark ?? '';
  const name = (panel: string): string => labelWords(blanks.get(panel)!.panel.name);
  return (
    <section className="story-stick" ref={ref}>
      <h3>
        {stick.panels.map((panel, index) => (
          <span key={panel} onPointerEnter={() => dispatch(panelHovered(panel))} onPointerLeave={() => dispatch(panelHovered(null))}>
            {index > 0 && ', '}
            <span className="mark">{markOf(panel)}</span> {name(panel)}
          </span>
        ))}
      </h3>
      {size.width > 0 && (
        <svg
          className="drawing"
          width={size.width}
          height={HIGH + 8}
          role="img"
          aria-label={`Stick ${exactTextWithUnit(stick.length, unit)} long, ${stick.marks.length} marks from the ${end}`}
        >
          <rect className="panel-shape" x={SIDE} y={4} width={stick.length * scale} height={HIGH} />
          {stick.marks.map(({ near, far, operation }) => (
            <g key={operation} className="stick-mark">
              <rect className="setup-cut" x={x(near)} y={4} width={Math.max(2, (far - near) * scale)} height={HIGH} />
              <path d={`M${x(near)} 4 L${x(far)} ${4 + HIGH} M${x(far)} 4 L${x(near)} ${4 + HIGH}`} />
            </g>
          ))}
        </svg>
      )}
      <table className="sum-table plain">
        <caption>
          along the {side}, from the {end}
        </caption>
        <tbody>
          {stick.marks.map(({ near, far, slanted, guest, operation }) => (
            <tr key={operation}>
              <td>{guest && blanks.has(guest) ? `${markOf(guest)} ${name(guest)}` : 'slot'}</td>
              <td>
                {exactTextWithUnit(near, unit)} to {exactTextWithUnit(far, unit)}
                {slanted && ', then at a slant'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
