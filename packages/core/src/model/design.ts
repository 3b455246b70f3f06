/** The design of a project: what a person decided. Everything else is derived from it, the shop record and the workshop. */
import { DEFAULT_BUILD, type BuildChoices } from './build-choices.ts';
import type { Entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { Wall } from './wall.ts';
import type { CabinetSpec } from './specs/cabinet-spec.ts';
import type { Item } from './item.ts';
import type { SheetCut, Cutting, KeptLayout, PinnedPart } from './sheet-layout.ts';
import type { LoosePart } from './loose-part.ts';

export interface Design {
  readonly name: string;
  /** Default unit of displayed lengths; a cabinet may have its own. */
  readonly unit: DisplayUnit;
  readonly wall: Wall;
  /** Children can reach the cabinets. */
  readonly children: boolean;
  /** Earthquake area: cabinets are fixed top and bottom. */
  readonly earthquakes: boolean;
  /** The main user, for reach and eye height. */
  readonly person: { readonly height: Entered };
  /** Items to hold. */
  readonly items: Readonly<Record<string, Item>>;
  readonly units: Readonly<Record<string, CabinetSpec>>;
  /** Setup ids in the order chosen by a person; the others keep their places. */
  readonly setupOrder: readonly string[];
  /** Which pieces are cut from which sheet, as far as that is settled. */
  readonly cutFrom: readonly SheetCut[];
  /** Preferences for cutting sheets. */
  readonly cutting: Cutting;
  /** Settled layouts: the first cut on one freezes it. The latest of a product is current; earlier ones say where parts came from. */
  readonly layouts: Readonly<Record<string, KeptLayout>>;
  /** Parts pinned to a place on a sheet; the others are laid out around them. Keyed by part id. */
  readonly pins: Readonly<Record<string, PinnedPart>>;
  /** Parts outside any cabinet, cut from the same sheets. */
  readonly loose: Readonly<Record<string, LoosePart>>;
  /** How and when it is built. */
  readonly build: BuildChoices;
  /** Variants of cabinets, kept for comparison. */
  readonly tries: Readonly<Record<string, Variant>>;
}

/** Defaults of everything a new project has not decided yet. */
export const EMPTY_DECISIONS: Pick<Design, 'earthquakes' | 'setupOrder' | 'cutFrom' | 'cutting' | 'layouts' | 'pins' | 'loose' | 'build' | 'tries'> = {
  earthquakes: false,
  setupOrder: [],
  cutFrom: [],
  cutting: { first: 'any', then: 'settings' },
  layouts: {},
  pins: {},
  loose: {},
  build: DEFAULT_BUILD,
  tries: {},
};

/** Another version of a cabinet, kept beside the current one under the same id. */
export interface Variant {
  readonly id: string;
  readonly order: number;
  readonly name: string;
  readonly unit: CabinetSpec;
}

/** Display unit of a part: its cabinet's own, or the project's for parts of the wall. */
export const displayUnitOf = ({ units: specs, unit }: Pick<Design, 'units' | 'unit'>, owner: string): DisplayUnit =>
  (Object.hasOwn(specs, owner) ? specs[owner]?.unit : undefined) ?? unit;

export const specsInOrder = ({ units: specs }: Pick<Design, 'units'>): CabinetSpec[] =>
  Object.values(specs).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** Variants of a cabinet, in order. */
export const variantsOf = ({ tries }: Pick<Design, 'tries'>, unit: string): Variant[] =>
  Object.values(tries)
    .filter((each) => each.unit.id === unit)
    .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
