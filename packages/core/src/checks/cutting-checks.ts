/** Checks of the cut list: machines, sheets to lift, parts easily mistaken for one another. */
import { toMm } from '../length/length.ts';
import { MATERIALS } from '../stock/materials.ts';
import type { Check } from './context.ts';
import type { Finding } from './finding.ts';

/** One dimension differs by up to this, the others by up to ALIKE. [ASSUME] */
const DIFFERS = 10_000_000;
const ALIKE = 1_000_000;

const machineTooSmall: Check = ({ box, parts, workshop }) => {
  const { ripCapacity, longestCrosscut, trim } = workshop.machines;
  return parts.flatMap((line): Finding[] => {
    const base = {
      check: 'machine-too-small' as const,
      unit: box.id,
      severity: 'change' as const,
      station: 'sheets' as const,
      panels: line.panels,
      mark: line.mark,
    };
    const shorter = Math.min(line.length.value, line.width.value);
    const longer = Math.max(line.length.value, line.width.value);
    const sheet = workshop.products[line.stock]!;
    const inside = { length: sheet.length.nm - 2 * trim.nm, width: sheet.width.nm - 2 * trim.nm };
    const grainBound = line.grain !== 'none' && sheet.kind === 'sheet';
    const fits =
      (line.length.value <= inside.length && line.width.value <= inside.width) ||
      (!grainBound && line.width.value <= inside.length && line.length.value <= inside.width);
    if (sheet.kind === 'sheet' && !fits)
      return [
        {
          ...base,
          severity: 'stop',
          what: 'sheet',
          sizeNm: longer,
          capacityNm: Math.max(inside.length, inside.width),
          fixes: [{ label: { key: 'other-sheet' }, visit: 'stock' }],
        },
      ];
    if (shorter > ripCapacity.nm)
      return [{ ...base, what: 'rip', sizeNm: shorter, capacityNm: ripCapacity.nm, fixes: [{ label: { key: 'machine-capacity' }, visit: 'stock' }] }];
    if (shorter > longestCrosscut.nm)
      return [{ ...base, what: 'crosscut', sizeNm: shorter, capacityNm: longestCrosscut.nm, fixes: [{ label: { key: 'machine-capacity' }, visit: 'stock' }] }];
    return [];
  });
};

const lookAlikes: Check = ({ box, parts }) => {
  const found: Finding[] = [];
  for (const [i, a] of parts.entries()) {
    for (const b of parts.slice(i + 1)) {
      if (a.stock !== b.stock || a.mirrorOf === b.mark) continue;
      const length = Math.abs(a.length.value - b.length.value);
      const width = Math.abs(a.width.value - b.width.value);
      const by = Math.max(length, width);
      if (by === 0 || by > DIFFERS || Math.min(length, width) > ALIKE) continue;
      found.push({
        check: 'look-alikes',
        unit: box.id,
        severity: 'look',
        station: 'sheets',
        marks: [a.mark, b.mark],
        byNm: by,
        panels: [...a.panels, ...b.panels],
        fixes: [{ label: { key: 'see-on-sheets' }, visit: 'sheets' }],
      });
    }
  }
  return found;
};

const heavySheet: Check = ({ box, parts, workshop, stockOf }) =>
  [...new Set(parts.map(({ stock }) => stock))].flatMap((id): Finding[] => {
    const { product, used } = stockOf(id);
    if (product.kind !== 'sheet') return [];
    const kg = (toMm(product.length.nm) * toMm(product.width.nm) * toMm(used.value) * MATERIALS[product.material].densityKgM3) / 1e9;
    const limitKg = Math.max(25, workshop.machines.liftsKg);
    return kg > limitKg
      ? [
          {
            check: 'heavy-sheet',
            unit: box.id,
            severity: 'look',
            station: 'sheets',
            product: product.name,
            kg,
            limitKg,
            panels: parts.filter(({ stock }) => stock === id).flatMap(({ panels }) => panels),
            fixes: [{ label: { key: 'lift-limit' }, visit: 'stock' }],
          },
        ]
      : [];
  });

export const CUTTING_CHECKS: readonly Check[] = [machineTooSmall, lookAlikes, heavySheet];
