/** The box to scale: front and section side by side, dimensions as on a shop drawing. One tab stop; arrows move between parts. */
import { entered, frontView, labelWords, NM_PER, sectionView, tapeTextWithUnit, toMm, type SeenPanel } from '@keen/core';
import type { KeyboardEvent } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { DimensionLine } from '../../ui/DimensionLine.tsx';
import { useExplain } from '../../ui/Explained.tsx';
import { useSize } from '../../ui/useSize.ts';
import type { ShownUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';
import { openField } from './openField.ts';

/** Room round the views, px: left dimensions, openings, section's wall, bottom dimensions. */
const LEFT = 74;
const BETWEEN = 112;
const RIGHT = 46;
const TOP = 34;
const BOTTOM = 46;
const WALL_MM = 45;

interface View {
  readonly x: (mm: number) => number;
  readonly y: (mm: number) => number;
}

export function BoxDrawing({ shown }: { readonly shown: ShownUnit }) {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <div className="drawing-room" ref={ref}>
      {size.width > 0 && <Drawing shown={shown} width={size.width} height={size.height} />}
    </div>
  );
}

function Drawing({ shown, width, height }: { readonly shown: ShownUnit; readonly width: number; readonly height: number }) {
  const { plan, unit, box } = shown;
  const selected = useAppSelector(({ view }) => view.selected);
  const dispatch = useAppDispatch();
  const { show } = useExplain();
  const { apply } = useEdit();
  const { outside } = plan.unit;
  const across = toMm(outside.width.value);
  const up = toMm(outside.height.value);
  const out = toMm(outside.depth.value);
  const narrow = width < 560;
  const scale = Math.max(
    0.02,
    Math.min(
      (width - LEFT - (narrow ? 60 : BETWEEN) - RIGHT) / (narrow ? across : across + out + WALL_MM),
      (height - TOP - BOTTOM - (narrow ? 60 : 0)) / (narrow ? up * 2 : up),
    ),
  );
  const drawn = narrow ? LEFT + across * scale + 60 : LEFT + across * scale + BETWEEN + (WALL_MM + out) * scale + RIGHT;
  const shift = Math.max(0, (width - drawn) / 2);
  const front: View = { x: (mm) => shift + LEFT + mm * scale, y: (mm) => TOP + (up - mm) * scale };
  const sectionTop = narrow ? TOP + up * scale + 74 : TOP;
  const sectionLeft = narrow ? shift + LEFT : shift + LEFT + across * scale + BETWEEN;
  const section: View = { x: (mm) => sectionLeft + (WALL_MM + mm) * scale, y: (mm) => sectionTop + (up - mm) * scale };
  const openings = plan.unit.compartments;
  const chosen = selected ? plan.unit.byId.get(selected) : undefined;

  const keys = (event: KeyboardEvent): void => {
    const order = plan.unit.panels.map(({ id }) => id);
    const here = selected ? order.indexOf(selected) : -1;
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step !== undefined) {
      event.preventDefault();
      dispatch(panelSelected(order[(here + step + order.length) % order.length]!));
    } else if (event.key === 'Enter') openField(chosen?.role === 'shelf' ? `shelves.${selected!.split('/').at(-1)!}.at` : 'width');
    else if (event.key === '+' || event.key === '-') {
      event.preventDefault();
      nudge(event.key === '+' ? 1 : -1);
    }
  };
  /** By the display step: a shelf that is selected moves, otherwise the box gets wider. */
  const nudge = (by: number): void => {
    const step = unit === 'mm' ? NM_PER.mm : NM_PER.in / 16;
    const text = (nm: number): string => (unit === 'mm' ? `${nm / NM_PER.mm} mm` : `${nm / NM_PER.in} in`);
    if (chosen?.role === 'shelf') {
      const id = selected!.split('/').at(-1)!;
      const floor = plan.unit.byId.get(`${box.id}/bottom`)!.frame.origin.up;
      const underside = chosen.frame.origin.up - chosen.thickness - floor;
      const next = Math.max(0, Math.round(underside / step) * step + by * step);
      apply([{ path: ['units', box.id, 'shelves', id, 'at'], value: entered(text(next)) }], `${box.id}.shelves.${id}.at`);
    } else apply([{ path: ['units', box.id, 'width'], value: entered(text(Math.round(box.width.nm / step) * step + by * step)) }], `${box.id}.width`);
  };
  const pick = (title: string, of: (typeof outside)['width'], field?: string) => (anchor: Element) =>
    field ? openField(field) : show(anchor, { title, unit, dimension: of });
  const name = `${box.name}, front and section. ${tapeTextWithUnit(outside.width.value, unit)} wide, ${tapeTextWithUnit(outside.height.value, unit)} high, ${tapeTextWithUnit(outside.depth.value, unit)} from the wall. ${chosen ? `Selected: ${labelWords(chosen.name)}.` : 'Arrow keys move between parts.'}`;

  return (
    <svg
      className="drawing"
      width={width}
      height={Math.max(height, narrow ? sectionTop + up * scale + BOTTOM : 0)}
      tabIndex={0}
      role="img"
      aria-label={name}
      onKeyDown={keys}
      onClick={() => dispatch(panelSelected(null))}
    >
      <text className="view-name" x={front.x(0)} y={TOP - 14}>
        front
      </text>
      {frontView(plan.unit)
        .filter(({ role }) => role !== 'wall-half')
        .map((seen) => (
          <PanelShape key={seen.panel} seen={seen} view={front} />
        ))}
      <text className="view-name" x={section.x(0)} y={sectionTop - 14}>
        section
      </text>
      <rect className="wallboard" x={section.x(-WALL_MM)} y={sectionTop - 8} width={WALL_MM * scale} height={up * scale + 16} />
      {sectionView(plan.unit, across / 2).map((seen) => (
        <PanelShape key={seen.panel} seen={seen} view={section} />
      ))}

      <DimensionLine
        name="outside width"
        entered
        value={outside.width.value}
        unit={unit}
        from={[front.x(0), front.y(0) + 28]}
        to={[front.x(across), front.y(0) + 28]}
        onPick={pick('outside width', outside.width, 'width')}
      />
      <DimensionLine
        name="outside height"
        entered
        value={outside.height.value}
        unit={unit}
        from={[front.x(0) - 36, front.y(up)]}
        to={[front.x(0) - 36, front.y(0)]}
        onPick={pick('outside height', outside.height, 'height')}
      />
      <DimensionLine
        name="depth from the wall"
        value={outside.depth.value}
        unit={unit}
        from={[section.x(0), section.y(0) + 28]}
        to={[section.x(out), section.y(0) + 28]}
        onPick={pick('depth from the wall', outside.depth)}
      />
      {openings.map(({ id, height: opening, at, name: label }) =>
        opening.value > 0 ? (
          <DimensionLine
            key={id}
            name={labelWords(label)}
            value={opening.value}
            unit={unit}
            from={[front.x(across) + (narrow ? 16 : 40), front.y(toMm(at.up) + toMm(opening.value))]}
            to={[front.x(across) + (narrow ? 16 : 40), front.y(toMm(at.up))]}
            onPick={pick(labelWords(label), opening)}
          />
        ) : null,
      )}
      {chosen && chosen.role !== 'side' && chosen.role !== 'back' && (
        <SelectedLength panel={chosen} shown={shown} front={front} onPick={pick('length', chosen.length)} />
      )}
    </svg>
  );
}

function SelectedLength({
  panel,
  shown,
  front,
  onPick,
}: {
  readonly panel: NonNullable<ReturnType<ShownUnit['plan']['unit']['byId']['get']>>;
  readonly shown: ShownUnit;
  readonly front: View;
  readonly onPick: (anchor: Element) => void;
}) {
  const seen = frontView(shown.plan.unit).find((each) => each.panel === panel.id);
  if (!seen) return null;
  const xs = seen.points.map(([x]) => x);
  const y = front.y(Math.min(...seen.points.map(([, up]) => up))) + 20;
  return (
    <DimensionLine
      name={`length of the ${labelWords(panel.name)}`}
      lit
      value={panel.length.value}
      unit={shown.unit}
      from={[front.x(Math.min(...xs)), y]}
      to={[front.x(Math.max(...xs)), y]}
      onPick={onPick}
    />
  );
}

export function PanelShape({ seen, view }: { readonly seen: SeenPanel; readonly view: View }) {
  const lit = useAppSelector(({ view: { selected, hovered } }) => (selected === seen.panel ? 'selected' : hovered === seen.panel ? 'hovered' : ''));
  const dispatch = useAppDispatch();
  return (
    <polygon
      className={`panel-shape ${seen.role} ${seen.hidden ? 'hidden' : ''} ${lit}`}
      data-panel={seen.panel}
      points={seen.points.map(([across, up]) => `${view.x(across)},${view.y(up)}`).join(' ')}
      onClick={(event) => {
        event.stopPropagation();
        dispatch(panelSelected(seen.panel));
      }}
      onPointerEnter={() => dispatch(panelHovered(seen.panel))}
      onPointerLeave={() => dispatch(panelHovered(null))}
    />
  );
}
