/** The interface of a family: one entry of the list in families.ts. */
import type { Entered } from '../length/entered.ts';
import type { DisplayUnit, Length } from '../length/length.ts';
import type { CabinetGeometry } from '../solid/cabinet.ts';
import type { StockOf } from './box-frame.ts';
import type { AnySpec, Form } from './form.ts';
import type { SpecBase } from '../model/specs/spec-base.ts';
import type { NewSpec } from './new-spec.ts';

/** An item, as far as a family sizes a place for it. */
export interface Thing {
  readonly name: string;
  readonly width: Length;
  readonly depth: Length;
  readonly height: Length;
  readonly kg: number;
  /** Rounds a length up to one easily typed in the cabinet's unit. */
  readonly size: (nm: number) => Entered;
}

/** Items assigned to a space of the cabinet. */
export type ThingsIn = (space: string) => readonly Thing[];

/** A value for a path of the cabinet; undefined removes it. */
export interface FromThings {
  readonly path: readonly string[];
  readonly value: unknown;
}

export interface Family<D extends SpecBase = AnySpec> {
  readonly id: D['family'];
  readonly form: Form<D>;
  /** Default outer sizes, as typed: width, height, depth. */
  readonly usual: Readonly<Record<DisplayUnit, readonly [width: string, height: string, depth: string]>>;
  /** A sound default cabinet. */
  create(start: NewSpec): D;
  /**
   * Panels that meet.
   * @throws Unbuildable; RangeError only on values the form does not allow
   */
  build(design: D, stockOf: StockOf): CabinetGeometry;
  /** Sizes its places by the items assigned to them; the result is offered, never applied unasked. */
  fromThings?(design: D, thingsIn: ThingsIn): readonly FromThings[];
  /** A rule across fields; null when it holds. A spec that breaks it is kept, and not built. */
  faultOf?(design: D): DesignFault | null;
}

/** Why a cabinet cannot be built as entered: the field, and what it would accept. */
export interface DesignFault {
  readonly code: string;
  /** Inside the cabinet. */
  readonly path: readonly string[];
  readonly message: string;
  readonly accepted: string;
}

/** Thrown where entries contradict each other only in the derived sizes. */
export class Unbuildable extends Error {
  constructor(readonly fault: DesignFault) {
    super(fault.message);
  }
}
