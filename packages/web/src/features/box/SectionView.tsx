/** The cabinet in any level or upright section: the plane is moved by its slider or typed. */
import { boundsOfCabinet, entered, sectionAt, tapeTextWithUnit, toMm, type Length, type SectionAxis } from '@keen/core';
import { ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useState } from 'react';
import { LengthField } from '../../ui/LengthField.tsx';
import { useExplain } from '../../ui/Explained.tsx';
import { useSize } from '../../ui/useSize.ts';
import { RangeSlider } from '../../ui/RangeSlider.tsx';
import { useGhost, type ShownCabinet } from '../project/selectors.ts';
import { PaperView, type PaperMeasure } from './PaperView.tsx';

const AXES: readonly { readonly id: SectionAxis; readonly name: string; readonly from: string; readonly wall: 'left' | 'top' | null }[] = [
  { id: 'along', name: 'across the wall', from: 'from the left', wall: 'left' },
  { id: 'up', name: 'level', from: 'above the bottom', wall: 'top' },
  { id: 'out', name: 'along the wall', from: 'out from the wall', wall: null },
];

/** Axes of the paper. */
const SIZES: Readonly<Record<SectionAxis, readonly ['width' | 'depth', 'height' | 'depth']>> = {
  along: ['depth', 'height'],
  up: ['width', 'depth'],
  out: ['width', 'height'],
};
const SAYS = { width: 'outside width', height: 'outside height', depth: 'depth from the wall' } as const;
const SAME_MM = 0.01;

export function SectionView({ shown }: { readonly shown: ShownCabinet }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const [axis, setAxis] = useState<SectionAxis>('along');
  const [places, setPlaces] = useState<Partial<Record<SectionAxis, number>>>({});
  const ghost = useGhost(shown.spec.id);
  const { plan, unit } = shown;
  const { show } = useExplain();
  const { low, high } = boundsOfCabinet(plan.cabinet);
  const { name, from, wall } = AXES.find(({ id }) => id === axis)!;
  const at = Math.min(Math.max(places[axis] ?? (low[axis] + high[axis]) / 2, low[axis] + 0.1), high[axis] - 0.1);
  const move = (mm: number): void => setPlaces({ ...places, [axis]: mm });
  const nm = Math.round(at * 10) * 100_000;
  const seen = sectionAt(plan.cabinet, axis, at);
  /** Extent of the section on the paper, the wall included. */
  const extent = (which: 0 | 1): number => {
    const reach = seen.filter(({ role }) => role !== 'wall-half').flatMap(({ points }) => points.map((point) => point[which]));
    const atWall = SIZES[axis][which] === 'depth' ? [0] : [];
    return Math.max(...reach, ...atWall) - Math.min(...reach, ...atWall);
  };
  /** An outer size is drawn only where the plane cuts all of it. */
  const measure = (key: 'width' | 'height' | 'depth', reach: number): PaperMeasure | undefined => {
    const of = plan.cabinet.outside[key];
    if (Math.abs(reach - toMm(of.value)) > SAME_MM) return undefined;
    return { name: SAYS[key], value: of.value, onPick: (anchor) => show(anchor, { title: SAYS[key], unit, dimension: of }) };
  };
  return (
    <>
      <div className="section-bar">
        <ToggleButtonGroup exclusive size="small" aria-label="Plane" value={axis} onChange={(_event, next: SectionAxis | null) => next && setAxis(next)}>
          {AXES.map((each) => (
            <ToggleButton key={each.id} value={each.id}>
              {each.name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <RangeSlider label={`Plane, ${from}`} value={at} min={Math.ceil(low[axis])} max={Math.floor(high[axis])} onChange={move} />
        <LengthField
          label={from}
          name="section.at"
          value={entered(unit === 'mm' ? `${nm / 1e6} mm` : `(${nm / 1e6} mm)`)}
          unit={unit}
          least={Math.ceil(low[axis] * 1e6) as Length}
          most={Math.floor(high[axis] * 1e6) as Length}
          onChange={(value) => value && move(value.nm / 1e6)}
        />
      </div>
      <div className="drawing-room" ref={ref}>
        {size.width > 0 && (
          <PaperView
            title={`cut ${name}`}
            label={`${shown.spec.name}, cut ${name} at ${tapeTextWithUnit(nm as Length, unit)} ${from}`}
            seen={seen}
            ghost={ghost ? sectionAt(ghost.cabinet, axis, at) : []}
            width={size.width}
            height={size.height}
            unit={unit}
            across={measure(SIZES[axis][0], extent(0))}
            up={measure(SIZES[axis][1], extent(1))}
            wall={wall}
          />
        )}
      </div>
    </>
  );
}
