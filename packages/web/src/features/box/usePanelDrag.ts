/**
 * Dragging of handles: a shelf, a divider, a tilt, a slope. Between two pointer moves only the cabinet's own geometry is computed, once per frame; loads,
 * checks and the rest follow on release. Each drag has its typed twin in the form.
 */
import { draftCabinet, entered, NM_PER, type DisplayUnit, type Handle, type ResolvedCabinet } from '@keen/core';
import { useRef, useState, type PointerEvent } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectPlan, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';

/** An axis of the cabinet as it lies on the paper. */
export interface GripAxis {
  readonly axis: Handle['axis'];
  readonly screen: 'x' | 'y';
  readonly sign: 1 | -1;
}

interface Held {
  readonly handle: Handle;
  readonly along: GripAxis;
  readonly from: number;
  readonly scale: number;
  moved: boolean;
  value: unknown;
  frame: number;
}

/** A shorter move is a click, px. */
const CLICK = 3;

/** A handle. Two with one key do the same. */
export interface Grip {
  readonly key: string;
  readonly press: (event: PointerEvent<SVGElement>) => void;
}

export interface PanelDrag {
  /** The cabinet as it would be; null when nothing is dragged. */
  readonly draft: ResolvedCabinet | null;
  readonly grip: (panel: string, axes: readonly GripAxis[], scale: number) => Grip | undefined;
  readonly move: (event: PointerEvent<SVGElement>) => void;
  readonly drop: () => void;
  readonly cancel: () => void;
  /** A click that only ends a drag selects nothing. */
  readonly justDropped: () => boolean;
}

export function usePanelDrag({ spec, plan, unit }: ShownCabinet): PanelDrag {
  const { stockOf } = useAppSelector(selectPlan);
  const { apply } = useEdit();
  const [draft, setDraft] = useState<ResolvedCabinet | null>(null);
  const held = useRef<Held | null>(null);
  const dropped = useRef(false);
  const end = (): Held | null => {
    const last = held.current;
    if (last?.frame) cancelAnimationFrame(last.frame);
    held.current = null;
    return last;
  };
  return {
    draft,
    grip: (panel, axes, scale) => {
      // A panel may have handles along two axes, one per view.
      const handle = plan.cabinet.handles?.find((each) => each.panel === panel && axes.some(({ axis }) => axis === each.axis));
      const along = handle && axes.find(({ axis }) => axis === handle.axis);
      if (!handle || !along) return undefined;
      return {
        key: `${handle.path.join('.')} ${handle.value} ${scale}`,
        press: (event) => {
          if (event.button !== 0) return;
          held.current = { handle, along, from: along.screen === 'x' ? event.clientX : event.clientY, scale, moved: false, value: null, frame: 0 };
          dropped.current = false;
        },
      };
    },
    move: (event) => {
      const now = held.current;
      if (!now) return;
      // Released outside the drawing before it was moved.
      if (event.buttons === 0) return void end();
      const px = (now.along.screen === 'x' ? event.clientX : event.clientY) - now.from;
      if (!now.moved && Math.abs(px) < CLICK) return;
      // Captured only now: a plain click still selects what it is on.
      if (!now.moved) event.currentTarget.setPointerCapture(event.pointerId);
      now.moved = true;
      now.value = valueAfter(now.handle, (px * now.along.sign) / now.scale, unit);
      if (now.frame) return;
      now.frame = requestAnimationFrame(() => {
        now.frame = 0;
        if (held.current === now) setDraft(draftCabinet(spec, now.handle.path, now.value, stockOf));
      });
    },
    drop: () => {
      const last = end();
      setDraft(null);
      if (!last?.moved) return;
      dropped.current = true;
      apply([{ path: ['units', spec.id, ...last.handle.path], value: last.value }], `${spec.id}.${last.handle.path.join('.')}`);
    },
    cancel: () => {
      end();
      setDraft(null);
    },
    justDropped: () => {
      const was = dropped.current;
      dropped.current = false;
      return was;
    },
  };
}

/** The value of a handle after a move in millimeters: in whole tape steps, or half degrees, within its limits. */
export function valueAfter({ kind, value, perMm, least = 0, most = Infinity }: Handle, mm: number, unit: DisplayUnit): unknown {
  if (kind === 'degrees') return Math.max(0, Math.round((value + mm * perMm) * 2) / 2);
  const step = unit === 'mm' ? NM_PER.mm : NM_PER.in / 16;
  const nm = Math.round(Math.min(most, Math.max(least, value + mm * perMm)) / step) * step;
  return entered(unit === 'mm' ? `${nm / NM_PER.mm} mm` : `${nm / NM_PER.in} in`);
}
