/** Pinned parts: the pins of a sheet, what a position means, and pinning. */
import { inTheWay, newSheetId, placeOn, placementOf, snapped, wrongPlace, type NestedSheet, type NestSheet, type Placement, type WrongPlace } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { selectDesign } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import type { Nest } from './useNests.tsx';

export interface Pins {
  readonly isPinned: (part: string) => boolean;
  readonly pinnedOn: (sheet: string) => readonly Placement[];
  /** Snapped position, its fault, and the number of parts that make way. */
  readonly tryAt: (
    sheet: NestedSheet,
    at: Placement,
    within: number,
  ) => { readonly at: Placement; readonly wrong: WrongPlace | null; readonly makeWay: number };
  readonly pin: (sheet: string, ...at: readonly Placement[]) => void;
  /** To another sheet with room beside its pins; false where there is none. */
  readonly moveTo: (sheet: string, part: string) => boolean;
  readonly unpin: (...parts: readonly string[]) => void;
}

export function usePins({ job }: Nest): Pins {
  const { pins } = useAppSelector(selectDesign);
  const { apply } = useEdit();
  const { product, problem } = job;
  const kindOf = (sheet: string): NestSheet => problem.sheets.find(({ id }) => id === sheet)!;
  const pinnedOn = (sheet: string): Placement[] =>
    Object.values(pins).flatMap((pin) => (pin.product === product && pin.sheet === sheet ? (placementOf(problem, pin) ?? []) : []));
  /** A new sheet gets a number with its first pin. */
  const named = (sheet: string): string => {
    if (sheet !== product) return sheet;
    const taken = new Set(Object.values(pins).map((pin) => pin.sheet));
    for (let n = 1; ; n++) if (!taken.has(newSheetId(product, n))) return newSheetId(product, n);
  };
  const put = (sheet: string, places: readonly Placement[]): void => {
    const on = named(sheet);
    const fresh = places.map(({ part, x, y, turned }) => [part, { id: part, product, sheet: on, x, y, turned }] as const);
    apply(
      [{ path: ['pins'], value: { ...pins, ...Object.fromEntries(fresh) } }],
      '',
      places.length === 1 ? 'Pinned; the others are laid out round it' : 'Pinned',
    );
  };
  return {
    isPinned: (part) => Object.hasOwn(pins, part),
    pinnedOn,
    tryAt: ({ sheet, placements }, at, within) => {
      const others = placements.filter(({ part }) => part !== at.part);
      const near = snapped(problem, kindOf(sheet), at, others, within);
      return { at: near, wrong: wrongPlace(problem, kindOf(sheet), near, pinnedOn(sheet)), makeWay: inTheWay(problem, near, others).length };
    },
    pin: (sheet, ...places) => put(sheet, places),
    moveTo: (sheet, part) => {
      const at = placeOn(problem, kindOf(sheet), part, pinnedOn(sheet));
      if (!at) return false;
      put(sheet, [at]);
      return true;
    },
    unpin: (...parts) => {
      const gone = new Set(parts);
      apply([{ path: ['pins'], value: Object.fromEntries(Object.entries(pins).filter(([id]) => !gone.has(id))) }], '', 'Free again');
    },
  };
}
