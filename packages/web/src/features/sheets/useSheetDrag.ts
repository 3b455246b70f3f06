/** Drags a part on its sheet, or onto another's tab, and pins it where it is dropped. */
import { nanometers, type NestedSheet, type Placement, type WrongPlace } from '@keen/core';
import { useRef, useState, type PointerEvent } from 'react';
import type { Pins } from './usePins.ts';

/** A shorter move is a click. */
const SLACK_PX = 4;
const SNAP_PX = 10;

export interface Dragged {
  readonly at: Placement;
  readonly wrong: WrongPlace | null;
  readonly makeWay: number;
  /** The tab it is over. */
  readonly over: string | null;
}

export interface SheetDrag {
  readonly dragged: Dragged | null;
  readonly begin: (event: PointerEvent<Element>, placement: Placement) => void;
  readonly move: (event: PointerEvent<Element>) => void;
  readonly end: (event: PointerEvent<Element>) => void;
  readonly cancel: () => void;
}

/** The sheet whose tab is under the pointer. */
const tabAt = (event: PointerEvent<Element>): HTMLElement | null =>
  document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-sheet]') ?? null;

export function useSheetDrag(sheet: NestedSheet, product: string, scale: number, pins: Pins | null): SheetDrag {
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const from = useRef<{ readonly x: number; readonly y: number; readonly placement: Placement } | null>(null);
  const cancel = (): void => {
    from.current = null;
    setDragged(null);
  };
  return {
    dragged,
    cancel,
    begin: (event, placement) => {
      if (!pins || event.button !== 0 || event.pointerType === 'touch') return;
      // Prevents text selection during the drag.
      event.preventDefault();
      from.current = { x: event.clientX, y: event.clientY, placement };
    },
    move: (event) => {
      const start = from.current;
      if (!start || !pins) return;
      const [dx, dy] = [event.clientX - start.x, event.clientY - start.y];
      if (!dragged && Math.hypot(dx, dy) < SLACK_PX) return;
      if (!dragged) event.currentTarget.setPointerCapture(event.pointerId);
      const nm = (px: number): number => Math.round((px / scale) * 1e3) * 1e3;
      const { placement } = start;
      const wanted: Placement = { ...placement, x: nanometers(Math.max(0, placement.x + nm(dx))), y: nanometers(Math.max(0, placement.y + nm(dy))) };
      const tab = tabAt(event);
      const over = tab && tab.dataset['product'] === product && tab.dataset['sheet'] !== sheet.sheet ? tab.dataset['sheet']! : null;
      setDragged({ ...pins.tryAt(sheet, wanted, Math.round((SNAP_PX / scale) * 1e6)), over });
    },
    end: () => {
      if (dragged && pins) {
        const { at, wrong, over } = dragged;
        if (over !== null) pins.moveTo(over, at.part);
        else if (!wrong) pins.pin(sheet.sheet, at);
      }
      cancel();
    },
  };
}
