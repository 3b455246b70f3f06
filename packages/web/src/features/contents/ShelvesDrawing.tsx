/** Items to scale on their floors, and a tray of those without a place. Drag between them; the pane has the typed twin. */
import { frontView, labelWords, massText, toMm, unplacedItems, type Item } from '@keen/core';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { useSize } from '../../ui/useSize.ts';
import { PanelShape } from '../box/BoxDrawing.tsx';
import { selectDesign, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';
import { moveThings } from './moveThings.ts';
import { Floor, Shape, Tray } from './ThingShapes.tsx';

const ROOM = { left: 16, right: 130, top: 26, bottom: 16 } as const;
const TRAY_LEAST = 220;

interface Held {
  readonly item: Item;
  /** Null when it comes from the tray. */
  readonly on: string | null;
  readonly x: number;
  readonly y: number;
  readonly moved: boolean;
}

export function ShelvesDrawing({ shown }: { readonly shown: ShownCabinet | undefined }) {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <div className="drawing-room" ref={ref}>
      {size.width > 0 && <Drawing shown={shown} width={size.width} height={size.height} />}
    </div>
  );
}

function Drawing({ shown, width, height }: { readonly shown: ShownCabinet | undefined; readonly width: number; readonly height: number }) {
  const design = useAppSelector(selectDesign);
  const chosen = useAppSelector(({ view }) => (view.picked?.kind === 'item' ? view.picked.id : null));
  const dispatch = useAppDispatch();
  const { apply } = useEdit();
  const [held, setHeld] = useState<Held | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const grabbed = useRef(false);
  const loose = unplacedItems(design);
  const narrow = width < 560;
  const tray = loose.length > 0 ? (narrow ? width : Math.max(TRAY_LEAST, width * 0.34)) : 0;
  const across = shown ? toMm(shown.plan.cabinet.outside.width.value) : 1;
  const up = shown ? toMm(shown.plan.cabinet.outside.height.value) : 1;
  const boxWidth = narrow ? width : width - tray;
  const boxHeight = narrow && tray ? height * 0.6 : height;
  const scale = shown ? Math.max(0.02, Math.min((boxWidth - ROOM.left - ROOM.right) / across, (boxHeight - ROOM.top - ROOM.bottom) / up)) : 0.5;
  const left = ROOM.left + Math.max(0, (boxWidth - ROOM.left - ROOM.right - across * scale) / 2);
  const x = (mm: number): number => left + mm * scale;
  const y = (mm: number): number => ROOM.top + (up - mm) * scale;

  const at = (event: PointerEvent): [number, number] => {
    const box = svg.current!.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  };
  const floorUnder = (px: number, py: number): string | null => {
    const space = shown?.plan.cabinet.compartments.find(({ at: corner, width: wide, height: high }) => {
      const [x1, x2] = [x(toMm(corner.along)), x(toMm(corner.along) + toMm(wide.value))];
      const [y1, y2] = [y(toMm(corner.up) + toMm(high.value)), y(toMm(corner.up))];
      return px >= x1 && px <= x2 && py >= y1 && py <= y2;
    });
    return space?.keptBy ?? null;
  };
  const take = (item: Item, on: string | null) => (event: PointerEvent) => {
    event.stopPropagation();
    grabbed.current = true;
    dispatch(picked({ kind: 'item', id: item.id }));
    const [px, py] = at(event);
    svg.current?.setPointerCapture(event.pointerId);
    setHeld({ item, on, x: px, y: py, moved: false });
  };
  const drag = (event: PointerEvent): void => {
    if (!held) return;
    const [px, py] = at(event);
    setHeld({ ...held, x: px, y: py, moved: held.moved || Math.hypot(px - held.x, py - held.y) > 4 });
  };
  const drop = (): void => {
    if (held?.moved && shown) {
      const to = floorUnder(held.x, held.y);
      const inTray = tray > 0 && (narrow ? held.y > boxHeight : held.x > boxWidth);
      const from = held.on === null ? null : { unit: shown.spec.id, on: held.on };
      const count =
        held.on === null ? (loose.find(({ item }) => item.id === held.item.id)?.count ?? 1) : (held.item.homes[shown.spec.id]?.[held.on]?.count ?? 1);
      if (to !== null && to !== held.on) apply(moveThings(held.item, count, from, { unit: shown.spec.id, on: to }), '', `${held.item.name} moved`);
      else if (to === null && from && (inTray || tray === 0)) apply(moveThings(held.item, count, from, null), '', `${held.item.name} taken off`);
    }
    setHeld(null);
  };
  /** Arrow keys move between items in table order. */
  const keys = (event: KeyboardEvent): void => {
    const order = Object.values(design.items)
      .sort((a, b) => a.order - b.order)
      .map(({ id }) => id);
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step === undefined || order.length === 0) return;
    event.preventDefault();
    const here = chosen ? order.indexOf(chosen) : -1;
    dispatch(picked({ kind: 'item', id: order[(here + step + order.length) % order.length]! }));
  };
  const name = shown
    ? `${shown.spec.name} with what it holds. ${shown.plan.weights.contents.map(({ compartment, arrangement, mass }) => `${labelWords(compartment.name)}: ${arrangement ? `${arrangement.spots.length} things, ` : ''}${massText(mass.value, shown.unit)}`).join('; ')}. ${loose.length} without a place. Arrow keys move between things.`
    : `${loose.length} things without a place.`;
  return (
    <svg
      ref={svg}
      className="drawing shelves"
      width={width}
      height={height}
      tabIndex={0}
      role="img"
      aria-label={name}
      onKeyDown={keys}
      onPointerMove={drag}
      onPointerUp={drop}
      onPointerCancel={() => setHeld(null)}
      onClick={(event) => {
        // The grabbed item captures the pointer, so its click reaches the whole drawing.
        if (event.target === svg.current && !grabbed.current) dispatch(picked(null));
        grabbed.current = false;
      }}
    >
      {shown && (
        <>
          {frontView(shown.plan.cabinet)
            .filter(({ role }) => role !== 'wall-half' && role !== 'hanging-rail')
            .map((seen) => (
              <PanelShape key={seen.panel} seen={seen} view={{ x, y }} />
            ))}
          {shown.plan.weights.contents.map((load) => (
            <Floor
              key={load.compartment.id}
              load={load}
              shown={shown}
              x={x}
              y={y}
              scale={scale}
              chosen={chosen}
              lit={held?.moved === true && floorUnder(held.x, held.y) === load.compartment.keptBy}
              onTake={take}
            />
          ))}
        </>
      )}
      {tray > 0 && (
        <Tray
          lots={loose}
          x={narrow ? 0 : boxWidth}
          y={narrow ? boxHeight : 0}
          width={tray}
          height={narrow ? height - boxHeight : height}
          scale={scale}
          chosen={chosen}
          onTake={take}
        />
      )}
      {held?.moved && (
        <g className="held" pointerEvents="none">
          <Shape
            item={held.item}
            x={(mm) => held.x + mm * scale}
            y={(mm) => held.y - mm * scale}
            along={-toMm(held.item.width.nm) / 2}
            up={-toMm(held.item.height.nm) / 2}
            lit
          />
        </g>
      )}
    </svg>
  );
}
