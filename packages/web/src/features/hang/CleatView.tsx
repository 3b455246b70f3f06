/** The cleat in large: in section, while the cabinet is hung, and in the board it is ripped from. */
import { LIFT_MARGIN_MM, labelWords, lowestCeiling, roundToNm, tapeTextWithUnit, toMm, wallHalfEnds, type Length } from '@keen/core';
import { Button } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { useSize } from '../../ui/useSize.ts';
import { RangeSlider } from '../../ui/RangeSlider.tsx';
import { selectDesign, type ShownCabinet } from '../project/selectors.ts';
import { CleatDrawing } from './CleatDrawing.tsx';
import { CleatFacts } from './CleatSection.tsx';
import { RipDrawing } from './RipDrawing.tsx';

/** Distance from the wall at the start of the animation, mm. */
const BEFORE_MM = 30;
/** First toward the wall, then down. */
const IN = 0.35;
const SECONDS = 3;

export function CleatView({ shown }: { readonly shown: ShownCabinet }) {
  return (
    <>
      {shown.plan.cabinet.hanging.rip ? <SlideOn shown={shown} /> : <Still shown={shown} />}
      <RipDrawing shown={shown} />
      <HalvesLength shown={shown} />
    </>
  );
}

function Still({ shown }: { readonly shown: ShownCabinet }) {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <div className="cleat-large" ref={ref}>
      {size.width > 0 && <CleatDrawing shown={shown} wide={besideFacts(size.width)} high={430} />}
      <CleatFacts shown={shown} />
    </div>
  );
}

/** The drawing leaves a column for the figures; on a phone they are below it. */
const besideFacts = (room: number): number => (room >= 620 ? Math.min(560, room - 300) : room);

/** Progress of the cabinet from in front of the wall (0) to its seat (1). */
function placeAt(share: number, liftMm: number): { readonly up: number; readonly out: number } {
  return share < IN ? { up: liftMm, out: BEFORE_MM * (1 - share / IN) } : { up: liftMm * (1 - (share - IN) / (1 - IN)), out: 0 };
}

function SlideOn({ shown }: { readonly shown: ShownCabinet }) {
  const { plan, spec, unit } = shown;
  const { hanging } = plan.cabinet;
  const [ref, size] = useSize<HTMLDivElement>();
  const { wall } = useAppSelector(selectDesign);
  const [share, setShare] = useState(1);
  const player = usePlayer(setShare);
  const engagement = hanging.rip!.engagement.value;
  const lift = engagement + LIFT_MARGIN_MM;
  const at = placeAt(share, lift);
  const hooked = at.out > 0 ? 0 : Math.max(0, engagement - at.up);
  const free =
    toMm(lowestCeiling(wall, { left: spec.place.along.nm, right: spec.place.along.nm + plan.cabinet.outside.width.value })) -
    toMm(spec.place.up.nm) -
    toMm(plan.cabinet.outside.height.value);
  const told = (mm: number): string => tapeTextWithUnit(roundToNm(Math.round(mm * 2) / 2), unit);
  const words = share === 1 ? 'seated' : at.out > 0 ? `${told(at.out)} before the wall, lifted by ${told(at.up)}` : `lifted by ${told(at.up)}`;
  return (
    <div className="cleat-large" ref={ref}>
      <div>
        {size.width > 0 && <CleatDrawing shown={shown} wide={besideFacts(size.width)} high={430} off={at} room={{ up: lift, out: BEFORE_MM }} />}
        <div className="slide-on">
          <Button variant="outlined" onClick={player.play} disabled={player.playing}>
            Slide it on
          </Button>
          <RangeSlider
            label="On its way to the seat"
            min={0}
            max={1}
            step={0.01}
            value={share}
            text={words}
            onChange={(value) => {
              player.stop();
              setShare(value);
            }}
          />
        </div>
        <p className="quiet" role="status">
          {words}: hooked over by <b>{told(hooked)}</b> of {told(engagement)}; nearest to the ceiling {told(free - at.up)} are left.{' '}
          {free < lift && (
            <b className="danger">
              {told(lift)} are wanted above it, {told(free)} are there.
            </b>
          )}
        </p>
      </div>
      <CleatFacts shown={shown} />
    </div>
  );
}

/** Plays the animation; with reduced motion it jumps to the end. */
function usePlayer(setShare: (share: number) => void) {
  const [playing, setPlaying] = useState(false);
  const frame = useRef(0);
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  const stop = (): void => {
    cancelAnimationFrame(frame.current);
    setPlaying(false);
  };
  const play = (): void => {
    if (matchMedia('(prefers-reduced-motion: reduce)').matches) return setShare(1);
    const from = performance.now();
    const tick = (now: number): void => {
      const share = Math.min(1, (now - from) / (1000 * SECONDS));
      setShare(share);
      if (share < 1) frame.current = requestAnimationFrame(tick);
      else setPlaying(false);
    };
    setPlaying(true);
    frame.current = requestAnimationFrame(tick);
  };
  return { playing, play, stop };
}

/** Lengths of the two halves, and the resulting play. */
function HalvesLength({ shown: { plan, unit } }: { readonly shown: ShownCabinet }) {
  const { hanging, byId } = plan.cabinet;
  const told = (nm: number): string => tapeTextWithUnit(nm as Length, unit);
  const ends = wallHalfEnds(plan.cabinet);
  const strip = byId.get(hanging.wallHalf)!;
  if (!hanging.rip) return null;
  const cabinet = byId.get(hanging.cabinetHalf)!;
  const last = byId.get(hanging.brackets.at(-1)!)!;
  const hook = last.frame.origin.along + last.length.value - cabinet.frame.origin.along;
  const play = hook - roundToNm(ends.to - ends.from);
  return (
    <section className="halves-length" aria-label="The two halves">
      <h2>The two halves</h2>
      <ul>
        <li>
          {hanging.brackets.length > 1
            ? `${hanging.brackets.length} brackets, ${told(cabinet.length.value)} long each, over ${told(hook)}.`
            : `${labelWords(cabinet.name)}: ${told(cabinet.length.value)} long.`}
        </li>
        <li>
          {hanging.onRail ? 'It hangs on a rail of the wall.' : `${labelWords(strip.name)}: ${told(roundToNm(ends.to - ends.from))} long, `}
          {!hanging.onRail &&
            (play > 0
              ? `${told(play)} shorter: it can be shifted sideways by that.`
              : play < 0
                ? `${told(-play)} longer: it runs on past the unit.`
                : 'as long as the other: snug, no play sideways.')}
        </li>
        <li>Blunt both points by a millimeter or two, a thirty-second or a sixteenth: the bevel is to carry, not the point.</li>
        <li>
          {hanging.standoff === 'spacer'
            ? `A spacer keeps its bottom as far off the wall as the cleat keeps its top: ${told(hanging.spacerThickness)}.`
            : hanging.standoff === 'lower-cleat'
              ? 'A second cleat below keeps its bottom off the wall, and from swinging out; it does not keep it from being lifted.'
              : 'Its sides reach the wall and hide the cleat.'}
        </li>
        <li>{hanging.antiLift ? 'One low screw into a stud locks it.' : 'Nothing locks it: a firm lift takes it off.'}</li>
      </ul>
    </section>
  );
}
