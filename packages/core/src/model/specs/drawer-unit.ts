/** Spec of a drawer unit. */
import type { Entered } from '../../length/entered.ts';
import type { Shelled } from './shell.ts';

export interface Drawer {
  readonly id: string;
  /** From the top down. */
  readonly order: number;
  /** Of the front; null shares the rest. */
  readonly height: Entered | null;
}

export interface DrawerUnit extends Shelled {
  readonly family: 'drawer-unit';
  readonly frontStock: string;
  readonly fronts: 'inset' | 'overlay';
  readonly gap: Entered;
  /** Growth factor of each shared front over the one above it. */
  readonly growth: number;
  readonly boxStock: string;
  readonly bottomStock: string;
  readonly bottomIn: 'groove' | 'rabbet';
  /** Lower wall of the groove above the box's lower edge. */
  readonly bottomUp: Entered;
  readonly corner: 'rabbet' | 'dado' | 'butt' | 'pocket';
  readonly slides: {
    readonly kind: 'side' | 'runner';
    /** At each side of the box. */
    readonly clearance: Entered;
    readonly length: Entered;
    readonly ratedKg: number;
  };
  /** Box below its front's top; above its front's bottom. */
  readonly boxBelow: Entered;
  readonly boxAbove: Entered;
  readonly drawers: Readonly<Record<string, Drawer>>;
}
