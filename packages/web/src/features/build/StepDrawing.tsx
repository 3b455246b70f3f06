/** A step drawn on the cabinets themselves: touched parts highlighted, a glue-up exploded along its pressing direction. To one scale. */
import { boundsOfCabinet, viewFrom, type ResolvedCabinet, type Step, type ViewId } from '@keen/core';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { selectPlan } from '../project/selectors.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';

/** Gaps between groups of a glue-up, mm; between cabinets. */
const APART = 90;
const BETWEEN = 160;

interface Drawn {
  readonly cabinet: ResolvedCabinet;
  readonly view: ViewId;
  /** Displacement of each panel, mm. */
  readonly moved: (panel: string) => readonly [across: number, up: number];
}

export function StepDrawing({ step, title }: { readonly step: Pick<Step, 'panels' | 'unit' | 'detail'>; readonly title: string }) {
  const { cabinets } = useAppSelector(selectPlan);
  const touched = new Set(step.panels);
  const about = cabinets.filter(({ id, cabinet }) => (step.unit === null ? cabinet.panels.some((panel) => touched.has(panel.id)) : id === step.unit));
  if (about.length === 0) return null;
  const dry = new Set(step.detail.kind === 'glue' ? (step.detail.glueUp.dry?.panels ?? []) : []);
  return <Cabinets drawn={about.map(({ cabinet }) => drawnApart(step, cabinet))} touched={touched} dry={dry} title={title} />;
}

/** Along the wall and up it is seen from the front, out of the wall from the side. */
function drawnApart({ detail }: Pick<Step, 'detail'>, cabinet: ResolvedCabinet): Drawn {
  const still: Drawn = { cabinet, view: 'front', moved: () => [0, 0] };
  if (detail.kind !== 'glue' || !detail.glueUp.along) return still;
  const { along, dry } = detail.glueUp;
  // Parts put on dry close with the rest.
  const groups = [...detail.glueUp.groups, ...(dry ? [dry.panels] : [])];
  const outward = Math.abs(along.out) > Math.max(Math.abs(along.along), Math.abs(along.up));
  const view: ViewId = outward ? 'left' : 'front';
  const way: readonly [number, number] = outward ? [along.out, along.up] : [along.along, along.up];
  const place = (ids: readonly string[]): number => {
    const points = viewFrom(cabinet, view)
      .filter(({ panel }) => ids.includes(panel))
      .flatMap(({ points: corners }) => corners);
    return points.reduce((sum, [x, y]) => sum + x * way[0] + y * way[1], 0) / (points.length || 1);
  };
  const order = [...groups].sort((a, b) => place(a) - place(b));
  // Groups between two others at one place along the direction share a row.
  const rows = new Map<string, number>();
  let row = 0;
  order.forEach((group, index) => {
    if (index > 0 && place(group) - place(order[index - 1]!) > 20) row++;
    for (const id of group) rows.set(id, row);
  });
  const middle = row / 2;
  return {
    cabinet,
    view,
    moved: (panel) => {
      const at = rows.get(panel);
      return at === undefined ? [0, 0] : [(at - middle) * APART * way[0], (at - middle) * APART * way[1]];
    },
  };
}

/** Every panel as drawn, cabinets next to one another on one floor. */
function sideBySide(drawn: readonly Drawn[], touched: ReadonlySet<string>) {
  let from = 0;
  return drawn.flatMap(({ cabinet, view, moved }) => {
    const seen = viewFrom(cabinet, view).filter(({ role, hidden, panel }) => (role !== 'wall-half' && !hidden) || touched.has(panel));
    const { low, high } = boundsOfCabinet(cabinet);
    const [left, right] = view === 'front' ? [low.along, high.along] : [low.out, high.out];
    const at = from - left;
    from += right - left + BETWEEN;
    return seen.map(({ panel, role, points }) => {
      const [dx, dy] = moved(panel);
      return { panel, role, corners: points.map(([x, y]) => [x + at + dx, -(y - low.up) - dy] as const) };
    });
  });
}

interface CabinetsProps {
  readonly drawn: readonly Drawn[];
  readonly touched: ReadonlySet<string>;
  /** Put on dry: dashed. */
  readonly dry: ReadonlySet<string>;
  readonly title: string;
}

function Cabinets({ drawn, touched, dry, title }: CabinetsProps) {
  const dispatch = useAppDispatch();
  const { selected, hovered } = useAppSelector(({ view }) => view);
  const shapes = sideBySide(drawn, touched);
  const all = shapes.flatMap(({ corners }) => corners);
  const [x0, x1] = [Math.min(...all.map(([x]) => x)), Math.max(...all.map(([x]) => x))];
  const [y0, y1] = [Math.min(...all.map(([, y]) => y)), Math.max(...all.map(([, y]) => y))];
  const room = 30;
  return (
    <svg className="drawing step-drawing" viewBox={`${x0 - room} ${y0 - room} ${x1 - x0 + 2 * room} ${y1 - y0 + 2 * room}`} role="img" aria-label={title}>
      {[...shapes.filter(({ panel }) => !touched.has(panel)), ...shapes.filter(({ panel }) => touched.has(panel))].map(({ panel, role, corners }) => (
        <polygon
          key={panel}
          className={`panel-shape ${role}${touched.has(panel) ? '' : dry.has(panel) ? ' dry' : ' aside'}${panel === hovered ? ' hovered' : ''}${panel === selected ? ' selected' : ''}`}
          points={corners.map(([x, y]) => `${x},${y}`).join(' ')}
          onPointerEnter={() => dispatch(panelHovered(panel))}
          onPointerLeave={() => dispatch(panelHovered(null))}
          onClick={() => dispatch(panelSelected(panel === selected ? null : panel))}
        />
      ))}
    </svg>
  );
}
