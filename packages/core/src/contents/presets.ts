/**
 * Assumed contents of an unweighed compartment: kilograms per square meter of shelf. [ASSUME] all; 75 is the order of the usual furniture test load (m).
 * docs/formulas/contents-mass.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import type { PresetId } from '../model/item.ts';

export interface Preset {
  readonly id: PresetId;
  readonly name: string;
  readonly kgPerM2: number;
}

export const PRESETS: Readonly<Record<PresetId, Preset>> = {
  nothing: { id: 'nothing', name: 'nothing', kgPerM2: 0 },
  light: { id: 'light', name: 'light things', kgPerM2: 40 },
  general: { id: 'general', name: 'general things', kgPerM2: 75 },
  crockery: { id: 'crockery', name: 'crockery or cans', kgPerM2: 120 },
  books: { id: 'books', name: 'books', kgPerM2: 130 },
  tools: { id: 'tools', name: 'tools or ink tins', kgPerM2: 200 },
};

/** No preset exceeds this density of the space it fills, kg/m³: tins, books and paper are the densest. [ASSUME] */
export const densestPreset = (preset: PresetId): number => (DENSE.has(preset) ? ASSUMED.denseContents : ASSUMED.contentsDensity).value;
const DENSE: ReadonlySet<PresetId> = new Set(['crockery', 'books', 'tools']);

/** Contents stand a tenth of the depth in front of the middle. [ASSUME] */
export const OUTWARD_SHARE = ASSUMED.contentsOutward.value;
