/** A unit to scale from one or two of its sides, with its outer sizes. */
import { tapeTextWithUnit, viewFrom, type ResolvedUnit, type SeenPanel, type ViewId } from '@keen/core';
import { useExplain } from '../../ui/Explained.tsx';
import { useSize } from '../../ui/useSize.ts';
import { useGhost, type ShownUnit } from '../project/selectors.ts';
import { PaperView, type PaperMeasure } from './PaperView.tsx';

const NAMES: Readonly<Record<ViewId, string>> = {
  front: 'front',
  back: 'back',
  left: 'from the left',
  right: 'from the right',
  plan: 'plan, the wall at the top',
};

/** What the paper's width and height measure, by view. */
const MEASURES: Readonly<Record<ViewId, readonly ['width' | 'depth', 'height' | 'depth']>> = {
  front: ['width', 'height'],
  back: ['width', 'height'],
  left: ['depth', 'height'],
  right: ['depth', 'height'],
  plan: ['width', 'depth'],
};
const SAYS = { width: 'outside width', height: 'outside height', depth: 'depth from the wall' } as const;

export function SidesView({ shown, views }: { readonly shown: ShownUnit; readonly views: readonly ViewId[] }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const ghost = useGhost(shown.box.id);
  const { show } = useExplain();
  const { plan, unit } = shown;
  const { outside } = plan.unit;
  const measure = (key: 'width' | 'height' | 'depth'): PaperMeasure => ({
    name: SAYS[key],
    value: outside[key].value,
    onPick: (anchor) => show(anchor, { title: SAYS[key], unit, dimension: outside[key] }),
  });
  const narrow = size.width < 620;
  const each = narrow ? size.width : size.width / views.length;
  return (
    <div className="drawing-room paper-row" ref={ref}>
      {size.width > 0 &&
        views.map((view) => (
          <PaperView
            key={view}
            title={NAMES[view]}
            label={`${shown.box.name}, ${NAMES[view]}. ${tapeTextWithUnit(outside.width.value, unit)} wide, ${tapeTextWithUnit(outside.height.value, unit)} high.`}
            seen={shownFrom(plan.unit, view)}
            ghost={ghost ? shownFrom(ghost.unit, view) : []}
            width={each}
            height={narrow ? Math.max(360, size.height / views.length) : size.height}
            unit={unit}
            across={measure(MEASURES[view][0])}
            up={measure(MEASURES[view][1])}
            wall={view === 'plan' ? 'top' : view === 'right' ? 'right' : null}
          />
        ))}
    </div>
  );
}

/** The wall half stays on the wall: from the front it is not in the way. */
const shownFrom = (unit: ResolvedUnit, view: ViewId): SeenPanel[] => viewFrom(unit, view).filter(({ role }) => role !== 'wall-half' || view !== 'front');
