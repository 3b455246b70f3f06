/** A cabinet to scale from one or two of its sides, with its outer sizes. */
import { withArticle, tapeTextWithUnit, viewFrom, type ResolvedCabinet, type SeenPanel, type ViewId } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { useExplain } from '../../ui/Explained.tsx';
import { useSize } from '../../ui/useSize.ts';
import { useGhost, type ShownCabinet } from '../project/selectors.ts';
import { PaperView, type PaperMeasure } from './PaperView.tsx';

const NAMES: Readonly<Record<ViewId, string>> = {
  front: 'front',
  back: 'back',
  left: 'from the left',
  right: 'from the right',
  plan: 'plan, the wall at the top',
};

/** Dimensions along the paper's width and height, by view. */
const MEASURES: Readonly<Record<ViewId, readonly ['width' | 'depth', 'height' | 'depth']>> = {
  front: ['width', 'height'],
  back: ['width', 'height'],
  left: ['depth', 'height'],
  right: ['depth', 'height'],
  plan: ['width', 'depth'],
};
/** Axes of the paper. */
const PAPER_AXES: Readonly<Record<ViewId, readonly ['along' | 'out', 'up' | 'out']>> = {
  front: ['along', 'up'],
  back: ['along', 'up'],
  left: ['out', 'up'],
  right: ['out', 'up'],
  plan: ['along', 'out'],
};
const SAYS = { width: 'outside width', height: 'outside height', depth: 'depth from the wall' } as const;

export function SidesView({ shown, views }: { readonly shown: ShownCabinet; readonly views: readonly ViewId[] }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const ghost = useGhost(shown.spec.id);
  const { show } = useExplain();
  const { plan, unit } = shown;
  const { outside } = plan.cabinet;
  const measure = (key: 'width' | 'height' | 'depth'): PaperMeasure => ({
    name: SAYS[key],
    value: outside[key].value,
    onPick: (anchor) => show(anchor, { title: SAYS[key], unit, dimension: outside[key] }),
  });
  const selected = useAppSelector(({ view }) => view.selected);
  const panel = selected ? plan.cabinet.byId.get(selected) : undefined;
  /** Its length and width where they lie along the paper; a leaning part shows neither. */
  const chosenOn = (view: ViewId) => {
    if (!panel) return null;
    const [h, v] = PAPER_AXES[view];
    const size = (axis: 'along' | 'up' | 'out'): PaperMeasure | null => {
      const which = Math.abs(panel.frame.u[axis]) === 1 ? ('length' as const) : Math.abs(panel.frame.v[axis]) === 1 ? ('width' as const) : null;
      if (!which) return null;
      const title = `${which} of ${withArticle(panel.name)}`;
      return { name: title, value: panel[which].value, onPick: (anchor) => show(anchor, { title, unit, dimension: panel[which] }) };
    };
    return { panel: panel.id, across: size(h), up: size(v) };
  };
  const narrow = size.width < 620;
  const each = narrow ? size.width : size.width / views.length;
  return (
    <div className="drawing-room paper-row" ref={ref}>
      {size.width > 0 &&
        views.map((view) => (
          <PaperView
            key={view}
            title={NAMES[view]}
            label={`${shown.spec.name}, ${NAMES[view]}. ${tapeTextWithUnit(outside.width.value, unit)} wide, ${tapeTextWithUnit(outside.height.value, unit)} high.`}
            seen={shownFrom(plan.cabinet, view)}
            ghost={ghost ? shownFrom(ghost.cabinet, view) : []}
            width={each}
            height={narrow ? Math.max(360, size.height / views.length) : size.height}
            unit={unit}
            across={measure(MEASURES[view][0])}
            up={measure(MEASURES[view][1])}
            chosen={chosenOn(view)}
            wall={view === 'plan' ? 'top' : view === 'right' ? 'right' : null}
          />
        ))}
    </div>
  );
}

/** The wall cleat stays on the wall: from the front it is out of the way. */
const shownFrom = (cabinet: ResolvedCabinet, view: ViewId): SeenPanel[] =>
  viewFrom(cabinet, view).filter(({ role }) => role !== 'wall-half' || view !== 'front');
