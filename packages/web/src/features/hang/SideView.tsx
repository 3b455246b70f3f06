/** The cabinet from the side on its wall, with the governing forces: weight, pull on the cleat, push on the spacer. */
import { forceText, hookPlane, massText, sectionView, tapeTextWithUnit, toMm, type HangingAnalysis, type Length } from '@keen/core';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { useExplain } from '../../ui/Explained.tsx';
import { useSize } from '../../ui/useSize.ts';
import { GhostShapes, PanelShape } from '../box/BoxDrawing.tsx';
import { selectDesign, type ShownCabinet } from '../project/selectors.ts';

const LEFT = 96;
const RIGHT = 30;
const TOP = 24;
const BOTTOM = 26;
/** Room for the label at the center of gravity, px. */
const LABEL = 104;

export function SideView({ shown, hang }: { readonly shown: ShownCabinet; readonly hang: HangingAnalysis }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const { wall } = useAppSelector(selectDesign);
  const { show } = useExplain();
  const { plan, unit } = shown;
  const { outside, hanging } = plan.cabinet;
  const up = toMm(outside.height.value);
  const out = toMm(outside.depth.value);
  const board = toMm(wall.covering.nm);
  const stud = Math.min(toMm(wall.studs.depth.nm), 90);
  const height = Math.max(size.height, 330);
  const scale = Math.min((size.width - LEFT - RIGHT) / (out + board + stud), (height - TOP - BOTTOM) / (up + 60));
  const x = (mm: number): number => LEFT + (stud + board + mm) * scale;
  const y = (mm: number): number => TOP + (up + 30 - mm) * scale;
  /** Wall and cabinet are static while the load changes. */
  const still = useMemo(() => {
    const view = { x: (mm: number) => LEFT + (stud + board + mm) * scale, y: (mm: number) => TOP + (up + 30 - mm) * scale };
    return (
      <>
        <rect className="stud" x={view.x(-stud - board)} y={view.y(up + 30)} width={stud * scale} height={(up + 60) * scale} />
        <rect className="wallboard" x={view.x(-board)} y={view.y(up + 30)} width={board * scale} height={(up + 60) * scale} />
        {sectionView(plan.cabinet, hookPlane(plan.cabinet)).map((each) => (
          <PanelShape key={each.panel} seen={each} view={view} />
        ))}
      </>
    );
  }, [plan.cabinet, scale, stud, board, up]);
  const contact = toMm(hanging.contactUp);
  const standoff = toMm(hanging.standoffUp);
  const gx = x(hang.loaded.out);
  const gy = y(hang.loaded.up);
  const { outward, spacerPush, hook } = hang.forces;
  const [onTop, atFoot] = hook ? ['the cleat', 'the spacer'] : ['the screws', 'the wall at its bottom'];
  const worst = [...(hang.open.length > 0 ? ['all open'] : []), ...(plan.cabinet.pressed?.kg ? ['edge pressed'] : [])].join(', ');
  return (
    <div className="side-view" ref={ref}>
      {size.width > 0 && (
        <svg
          className="drawing"
          width={size.width}
          height={height}
          role="img"
          aria-label={`Side view. ${massText(hang.loaded.mass.value, unit)} hang ${tapeTextWithUnit(Math.round(hang.loaded.out * 1e6) as Length, unit)} out from the wall${worst ? ` (${worst})` : ''}; ${onTop} ${hook ? 'is' : 'are'} pulled with ${forceText(outward.value, unit)}, the bottom pushes with ${forceText(spacerPush.value, unit)}.`}
        >
          <defs>
            <marker id="arrow" viewBox="0 0 10 10" refX="9" refY="5" markerWidth="8" markerHeight="8" orient="auto-start-reverse">
              <path d="M0 0 L10 5 L0 10 z" className="arrow-head" />
            </marker>
          </defs>
          {still}
          <GhostShapes cabinetId={shown.spec.id} view={{ x, y }} of={(ghost) => sectionView(ghost.cabinet, hookPlane(ghost.cabinet))} />
          <g className="force" onClick={(event) => show(event.currentTarget, { title: `outward pull on ${onTop}`, unit, figure: outward })}>
            <path d={`M${x(-board - stud) + 4} ${y(contact)} H26`} markerEnd="url(#arrow)" />
            <text x={8} y={y(contact) - 10}>
              pulls out
            </text>
            <text className="amount" x={8} y={y(contact) + 18}>
              {forceText(outward.value, unit)}
            </text>
          </g>
          <g className="force" onClick={(event) => show(event.currentTarget, { title: `push on ${atFoot}`, unit, figure: spacerPush })}>
            <path d={`M26 ${y(standoff)} H${x(-board - stud) + 4}`} markerEnd="url(#arrow)" />
            <text x={8} y={y(standoff) - 10}>
              pushes in
            </text>
            <text className="amount" x={8} y={y(standoff) + 18}>
              {forceText(spacerPush.value, unit)}
            </text>
          </g>
          <g className="force weight" onClick={(event) => show(event.currentTarget, { title: 'loaded unit', unit, figure: hang.loaded.mass })}>
            <circle cx={gx} cy={gy} r={5} />
            <path d={`M${gx} ${gy + 6} V${gy + 54}`} markerEnd="url(#arrow)" />
            <rect className="label-room" x={gx - LABEL / 2} y={gy + 57} width={LABEL} height={worst ? 55 : 38} />
            <text className="amount" textAnchor="middle" x={gx} y={gy + 73}>
              {massText(hang.loaded.mass.value, unit)}
            </text>
            <text textAnchor="middle" x={gx} y={gy + 90}>
              {tapeTextWithUnit((Math.round(hang.loaded.out) * 1e6) as Length, unit).replace(/ (strong|shy)$/, '')} out
            </text>
            {worst && (
              <text textAnchor="middle" x={gx} y={gy + 107}>
                {worst}
              </text>
            )}
          </g>
        </svg>
      )}
    </div>
  );
}
