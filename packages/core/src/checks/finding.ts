/** Findings: what a check found, with its numbers, and fixes. Words are in words/. */
import type { PartialLoadKind } from '../hang/link.ts';
import type { Label } from '../explained/explained-length.ts';
import type { Edit } from '../model/edit.ts';
import type { NewFact } from '../model/record.ts';
import type { FixKey } from './words/fixes.ts';

export type Severity = 'look' | 'change' | 'stop';
export const SEVERITY_RANK: Readonly<Record<Severity, number>> = { look: 0, change: 1, stop: 2 };
export type Station = 'contents' | 'wall' | 'box' | 'stock' | 'joints' | 'sheets' | 'hang' | 'build' | 'log';

/** Where a part stands outside its cabinet: `wall` is behind its rear. */
export type OutsideOf = 'left' | 'right' | 'top' | 'bottom' | 'front' | 'wall';

export type Fix =
  | { readonly label: FixLabel; readonly edit: Edit }
  /** A fact for the shop record. */
  | { readonly label: FixLabel; readonly fact: NewFact }
  /** Input only a person can give: the station and field to go to. */
  | { readonly label: FixLabel; readonly visit: Station; readonly field?: string };

/** A key of the fix words with lengths (nm), texts and numbers for its blanks. */
export interface FixLabel {
  readonly key: FixKey;
  readonly lengthNm?: number;
  readonly otherNm?: number;
  readonly name?: Label;
  readonly text?: string;
  readonly number?: number;
  /** Several fixes together. */
  readonly parts?: readonly FixLabel[];
}

interface Base {
  readonly unit: string;
  readonly severity: Severity;
  readonly station: Station;
  readonly panels: readonly string[];
  readonly fixes: readonly Fix[];
  /** Ids of the items: two may have one name. */
  readonly things?: readonly string[];
}

export type Finding = Base &
  (
    | { readonly check: 'nominal-thickness'; readonly product: string; readonly readings: number; readonly playNm: number; readonly cutToNm: number }
    | { readonly check: 'cannot-be-made'; readonly name: Label; readonly other: Label | null }
    /** It cannot be built as entered, or planning failed: it has no plan. */
    | { readonly check: 'not-planned'; readonly path: readonly string[]; readonly message: string; readonly accepted: string }
    | { readonly check: 'parts-clash'; readonly name: Label; readonly other: Label }
    | { readonly check: 'slender-strip'; readonly name: Label; readonly lengthNm: number; readonly minNm: number }
    | { readonly check: 'weak-bottom'; readonly name: Label; readonly use: number }
    | { readonly check: 'fastener-pulls-out'; readonly name: Label; readonly use: number }
    | { readonly check: 'sag'; readonly name: Label; readonly laterMm: number; readonly limitMm: number; readonly kg: number }
    | { readonly check: 'shelf-breaks'; readonly name: Label; readonly use: number }
    | { readonly check: 'shelf-outside'; readonly name: Label; readonly overNm: number }
    | { readonly check: 'slot-too-deep'; readonly depthNm: number; readonly thicknessNm: number; readonly which: 'joint' | 'rabbet' }
    | { readonly check: 'screw-too-long'; readonly where: 'stud' | 'cabinet-half' | 'pocket' | 'hinge'; readonly lengthNm: number; readonly overMm: number }
    | {
        readonly check: 'screw-too-short';
        readonly where: 'stud' | 'cabinet-half' | 'joint' | 'pocket' | 'brad';
        readonly lengthNm: number;
        readonly gripMm: number;
        readonly wantedMm: number;
      }
    | { readonly check: 'few-studs'; readonly studs: number }
    | { readonly check: 'no-stud-anchors' }
    | { readonly check: 'lift-clearance'; readonly freeMm: number; readonly neededMm: number }
    | { readonly check: 'thin-back-only'; readonly backNm: number }
    | {
        readonly check: 'no-room-for-cut';
        readonly name: Label;
        readonly why: 'parted' | 'off-end' | 'into-another' | 'hole-off';
        readonly hole: 'screw' | 'dowel' | 'pocket' | null;
      }
    | { readonly check: 'part-outside'; readonly name: Label; readonly side: OutsideOf; readonly byMm: number }
    | { readonly check: 'not-filled'; readonly name: Label; readonly offNm: number }
    | { readonly check: 'stem-too-wide'; readonly item: string; readonly name: Label; readonly needsNm: number; readonly hasNm: number }
    | { readonly check: 'too-few-notches'; readonly item: string; readonly name: Label; readonly count: number; readonly notches: number }
    /** An element of a missing opening, or without a level floor: it is left out. */
    | { readonly check: 'nowhere'; readonly name: Label }
    | { readonly check: 'half-misses'; readonly name: Label; readonly missMm: number }
    | { readonly check: 'off-balance'; readonly pastMm: number | null; readonly partly?: PartialLoadKind }
    | { readonly check: 'no-spacer' }
    | { readonly check: 'lower-cleat-back'; readonly backNm: number }
    | { readonly check: 'stud-edge'; readonly hasMm: number; readonly wantedMm: number; readonly studNm: number }
    | { readonly check: 'plugs-close'; readonly apartMm: number; readonly wantedMm: number }
    | { readonly check: 'stud-by-end'; readonly side: 'left' | 'right'; readonly hasMm: number; readonly wantedMm: number }
    | { readonly check: 'marks-close'; readonly marks: number; readonly apartNm: number }
    | { readonly check: 'wrong-spacer'; readonly gapNm: number; readonly spacerNm: number; readonly slopeMm: number }
    | { readonly check: 'lifts-off'; readonly tip: number; readonly pullN: number }
    | { readonly check: 'unfastened'; readonly half: 'wall' | 'cabinet' }
    | { readonly check: 'slim-cleat'; readonly shortMm: number; readonly wantedMm: number }
    | { readonly check: 'overhang'; readonly side: 'left' | 'right'; readonly overMm: number; readonly maxMm: number }
    | { readonly check: 'cleat-splits'; readonly use: number }
    | { readonly check: 'cleat-material'; readonly material: string; readonly through: boolean }
    | {
        readonly check: 'over-load';
        readonly link: Label;
        readonly use: number;
        readonly carriesKg: number | null;
        readonly plannedKg: number;
        /** Utilization with every unweighed mass at its upper bound. */ readonly lowUse: number;
        readonly atLow?: boolean;
      }
    | { readonly check: 'children'; readonly reason: 'tip' | 'screws' | 'pull'; readonly use: number; readonly near: boolean }
    | {
        readonly check: 'machine-too-small';
        readonly mark: string;
        readonly what: 'rip' | 'crosscut';
        readonly sizeNm: number;
        readonly capacityNm: number;
      }
    | { readonly check: 'too-large-for-stock'; readonly mark: string; readonly product: string; readonly lengthNm: number; readonly widthNm: number }
    | { readonly check: 'look-alikes'; readonly marks: readonly [string, string]; readonly byNm: number }
    | { readonly check: 'no-straight-edge'; readonly product: string; readonly offcuts: readonly string[] }
    | {
        readonly check: 'grain-crossed';
        readonly how: 'spans' | 'may-span' | 'neighbor';
        readonly name: Label;
        readonly other: Label | null;
        readonly lengthNm: number;
      }
    | {
        readonly check: 'offcut-first';
        /** As displayed: 'offcut 7'. */
        readonly piece: string;
        readonly lengthNm: number;
        readonly widthNm: number;
        readonly marks: readonly string[];
      }
    | { readonly check: 'thin-rip'; readonly mark: string; readonly sizeNm: number; readonly against: 'strip' | 'rest' }
    | {
        readonly check: 'kerf-forgotten';
        readonly marks: readonly string[];
        readonly count: number;
        readonly sizeNm: number;
        readonly widthNm: number;
        readonly kerfNm: number;
        readonly needsNm: number;
      }
    | {
        readonly check: 'wont-fit-car';
        readonly product: string;
        readonly lengthNm: number;
        readonly widthNm: number;
        readonly carNm: readonly [number, number];
      }
    | { readonly check: 'heavy-sheet'; readonly product: string; readonly kg: number; readonly limitKg: number }
    | { readonly check: 'too-heavy-alone'; readonly kg: number; readonly limitKg: number }
    | { readonly check: 'glue-on-finish'; readonly why: 'faced' | 'finish'; readonly product: string }
    // making
    | {
        readonly check: 'through-or-between';
        readonly name: Label;
        readonly typedNm: number;
        readonly derivedNm: number;
        readonly times: 1 | 2;
        readonly thicknessNm: number;
      }
    | { readonly check: 'front-clearance'; readonly name: Label; readonly other: Label; readonly byNm: number }
    | { readonly check: 'tight-back'; readonly playNm: number; readonly wantedNm: number }
    | { readonly check: 'round-corner'; readonly name: Label; readonly slots: number; readonly radiusNm: number }
    | {
        readonly check: 'split-back';
        readonly why: 'sheet' | 'seam';
        readonly lengthNm: number;
        readonly widthNm: number;
        readonly product: string;
        readonly seamNm: number;
      }
    | { readonly check: 'glued-shut'; readonly why: 'comes-out' | 'end-grain'; readonly name: Label; readonly other: Label }
    | { readonly check: 'not-mirrored'; readonly name: Label; readonly byNm: number }
    | { readonly check: 'wood-movement'; readonly name: Label; readonly other: Label; readonly widthNm: number; readonly movesMm: number }
    | { readonly check: 'bevel-mismatch'; readonly rail: string; readonly bevelDeg: number; readonly railDeg: number }
    | { readonly check: 'not-glass'; readonly product: string }
    | { readonly check: 'taper-before-slots'; readonly name: Label; readonly slots: number }
    | { readonly check: 'tear-out'; readonly name: Label; readonly slots: number }
    | {
        readonly check: 'already-cut';
        readonly why: 'length' | 'width' | 'slot-narrow' | 'slot-place';
        readonly name: Label;
        /** The part that goes into the slot. */
        readonly guest: Label | null;
        readonly cutNm: number;
        readonly plannedNm: number;
      }
    /** Added to the plan after its surroundings were glued up. */
    | { readonly check: 'already-glued'; readonly name: Label }
    | { readonly check: 'finish-before-assembly'; readonly name: Label; readonly openNm: number; readonly depthNm: number }
    | { readonly check: 'squeeze-out'; readonly joints: number }
    | { readonly check: 'nail-blows-out'; readonly name: Label; readonly lengthNm: number; readonly driftMm: number; readonly coverMm: number }
    | { readonly check: 'visible-pocket-holes'; readonly name: Label; readonly side: 'under' | 'upper'; readonly faceUpNm: number }
    | { readonly check: 'edge-split'; readonly name: Label; readonly why: 'pilot' | 'end'; readonly hasMm: number; readonly wantedMm: number }
    | { readonly check: 'hollow-core'; readonly name: Label; readonly product: string; readonly reachMm: number; readonly edgeMm: number }
    // contents
    | { readonly check: 'holds-too-deep'; readonly item: string; readonly name: Label; readonly needsNm: number; readonly hasNm: number }
    | { readonly check: 'holds-too-tall'; readonly item: string; readonly name: Label; readonly needsNm: number; readonly hasNm: number }
    | { readonly check: 'no-room'; readonly item: string; readonly name: Label; readonly count: number }
    | { readonly check: 'cannot-grasp'; readonly item: string; readonly why: 'hole' | 'behind'; readonly hasNm: number; readonly wantedNm: number }
    | {
        readonly check: 'slot-count';
        readonly item: string;
        readonly wanted: number;
        readonly fits: number;
        readonly oneMoreNm: number;
        readonly insideNm: number;
      }
    | { readonly check: 'no-growth'; readonly item: string; readonly fill: number }
    | { readonly check: 'bridges-gap'; readonly item: string; readonly lengthNm: number; readonly gapNm: number; readonly limp: boolean }
    | { readonly check: 'slides-off'; readonly item: string; readonly why: 'rolls' | 'thin' | 'leans'; readonly thickNm: number }
    | { readonly check: 'out-of-reach'; readonly item: string; readonly upNm: number; readonly reachNm: number }
    // wall
    | { readonly check: 'ground'; readonly why: 'unrated' | 'too-heavy'; readonly ground: 'anchors' | 'metal'; readonly kg: number; readonly limitKg: number }
    | { readonly check: 'bed'; readonly under: 'seat' | 'bed' | 'cot' | 'cooker'; readonly use: number; readonly locked: boolean }
    | { readonly check: 'earthquake'; readonly locked: boolean }
    | { readonly check: 'height-shift'; readonly cameNm: number; readonly askedNm: number; readonly lowerNm: number }
    | { readonly check: 'join-first'; readonly other: string; readonly otherUnit: string; readonly apartNm: number }
    | { readonly check: 'moving-wall'; readonly structure: string; readonly bolted: boolean }
    | { readonly check: 'unrated-fixing'; readonly what: 'plate' | 'back-plane' | 'second-plane' }
    | { readonly check: 'plates-ground'; readonly ground: string }
    | { readonly check: 'half-in-way'; readonly other: string }
    | { readonly check: 'collides'; readonly what: 'unit' | 'thing' | 'wall' | 'ceiling' | 'floor'; readonly other: string; readonly byNm: number }
    | { readonly check: 'covers-outlet'; readonly other: string }
    | { readonly check: 'hits-baseboard'; readonly byNm: number; readonly outNm: number }
    | { readonly check: 'room-door'; readonly other: string; readonly depthNm: number; readonly freeNm: number }
    | { readonly check: 'door-hits'; readonly other: string; readonly wall: boolean }
    | { readonly check: 'lid-room'; readonly name: Label; readonly freeMm: number; readonly neededMm: number }
    | { readonly check: 'head-room'; readonly other: string; readonly freeNm: number; readonly wantedNm: number }
    | { readonly check: 'cable-unknown'; readonly inBand: number; readonly unlooked: number; readonly other: string }
    | { readonly check: 'bowed-wall'; readonly bowNm: number; readonly allowedNm: number; readonly rackNm: number }
    | { readonly check: 'rail-pitch'; readonly moduleNm: number; readonly railsNm: number | null }
    | { readonly check: 'cleat-below'; readonly byNm: number }
    | { readonly check: 'off-rail'; readonly rail: string; readonly byNm: number }
    | { readonly check: 'rail-mismatch'; readonly rail: string; readonly what: 'gone' | 'board' | 'recessed' | 'through' | 'ends' }
  );

export type CheckId = Finding['check'];

/** The finding with its fixes, worked out when they are first looked at: findings are made at every keystroke, few of them are opened. */
export function withFixes<F extends Finding>(finding: F, fixes: () => readonly Fix[]): F {
  let known: readonly Fix[] | undefined;
  return Object.defineProperty({ ...finding }, 'fixes', { enumerable: true, get: () => (known ??= fixes()) });
}
