/** Doors, as families that have them specify them. */
import type { Entered } from '../../length/entered.ts';
import type { SpecBase } from './spec-base.ts';

export interface DoorChoice {
  /** Of the leaves, or of their frames. */
  readonly stock: string;
  /** inset: between the sides. full, half: overlaying the edges around the opening whole or in half. */
  readonly lies: 'inset' | 'half' | 'full';
  /** Gap around an inset leaf and between two leaves; between an overlaid leaf and the outer edge. */
  readonly reveal: Entered;
  readonly handle: 'none' | 'finger-hole' | 'knob' | 'bar';
  /** From the opening edge to the middle of the handle. */
  readonly handleIn: Entered;
  /** Stays that hold a lid or flap. */
  readonly stays: number;
  /** panel, glass: a frame around an infill. */
  readonly infill: 'none' | 'panel' | 'glass';
  readonly infillStock: string;
  readonly railWidth: Entered;
}

export interface Doored extends SpecBase {
  readonly doors: DoorChoice;
}
