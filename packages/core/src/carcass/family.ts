/** What a family is to the rest of the program: one entry of the list in families.ts. */
import type { Entered } from '../length/entered.ts';
import type { DisplayUnit, Length } from '../length/length.ts';
import type { CabinetGeometry } from '../solid/cabinet.ts';
import type { StockOf } from './box-frame.ts';
import type { AnySpec, Form } from './form.ts';
import type { NewSpec, SpecBase } from './spec-base.ts';

/** A thing as a family sizes a place for it. */
export interface Thing {
  readonly name: string;
  readonly width: Length;
  readonly depth: Length;
  readonly height: Length;
  readonly kg: number;
  /** A length as it is typed in the unit's own system, not under what was given. */
  readonly size: (nm: number) => Entered;
}

/** What was given to a space of the cabinet. */
export type ThingsIn = (space: string) => readonly Thing[];

/** A value for a path of the cabinet; undefined takes it out. */
export interface FromThings {
  readonly path: readonly string[];
  readonly value: unknown;
}

export interface Family<D extends SpecBase = AnySpec> {
  readonly id: D['family'];
  readonly form: Form<D>;
  /** Outer sizes to start from, as typed: width, height, depth. */
  readonly usual: Readonly<Record<DisplayUnit, readonly [width: string, height: string, depth: string]>>;
  /** A sound cabinet to start from. */
  create(start: NewSpec): D;
  /** Panels that meet. Throws Unbuildable; a RangeError only on what the form cannot hold. */
  build(design: D, stockOf: StockOf): CabinetGeometry;
  /** Sizes its places by the things that were given to them; what it gives is offered, never done by itself. */
  fromThings?(design: D, thingsIn: ThingsIn): readonly FromThings[];
  /** A rule across fields that the form cannot say row by row; null when it holds. Such a design is kept as it is, and not built. */
  faultOf?(design: D): DesignFault | null;
}

/** Why a cabinet cannot be built as it is entered: the field it stands at, and what would be accepted there. */
export interface DesignFault {
  readonly code: string;
  /** Inside the cabinet. */
  readonly path: readonly string[];
  readonly message: string;
  readonly accepted: string;
}

/** Thrown by a family's build where what does not go together shows only in the sizes that come out. */
export class Unbuildable extends Error {
  constructor(readonly fault: DesignFault) {
    super(fault.message);
  }
}
