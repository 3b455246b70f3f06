/** Drawing of the new cabinet, updated with each answer, with the figures needed before beginning. */
import { frontView, massText, percentText, linkWords, toMm, type DisplayUnit, type CabinetPlan } from '@keen/core';
import { LengthText } from '../../ui/LengthText.tsx';

const MARGIN = 30;

export function NewCabinetDrawing({ cabinetPlan, unit }: { readonly cabinetPlan: CabinetPlan; readonly unit: DisplayUnit }) {
  const { outside } = cabinetPlan.cabinet;
  const wide = toMm(outside.width.value);
  const high = toMm(outside.height.value);
  const weakest = cabinetPlan.hang.links[0];
  return (
    <figure className="new-drawing">
      <svg viewBox={`${-MARGIN} ${-MARGIN} ${wide + 2 * MARGIN} ${high + 2 * MARGIN}`} role="img" aria-label="The cabinet from the front" className="drawing">
        {frontView(cabinetPlan.cabinet)
          .filter(({ role }) => role !== 'wall-half')
          .map((seen) => (
            <polygon
              key={seen.panel}
              className={`panel-shape ${seen.role} ${seen.hidden ? 'hidden' : ''}`}
              points={seen.points.map(([x, up]) => `${x},${high - up}`).join(' ')}
              vectorEffect="non-scaling-stroke"
            />
          ))}
      </svg>
      <figcaption>
        <LengthText value={outside.width.value} unit={unit} /> × <LengthText value={outside.height.value} unit={unit} /> ×{' '}
        <LengthText value={outside.depth.value} unit={unit} withUnit /> from the wall, {massText(cabinetPlan.weights.empty.mass.value, unit)} empty,{' '}
        {massText(cabinetPlan.loaded.mass.value, unit)} loaded.{' '}
        {cabinetPlan.hang.state === 'refused'
          ? 'Hanging: something is still missing; the Hang station names it.'
          : weakest && `Weakest link: ${linkWords(weakest)}, ${percentText(weakest.use.value)} used.`}
      </figcaption>
    </figure>
  );
}
