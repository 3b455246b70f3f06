/** Checks of the cut list: machines, heavy sheets, parts easily confused. */
import { choosesGrain } from '../cabinets/families.ts';
import { cutWays, THIN_RIP } from '../sawing/ways.ts';
import { entered } from '../length/entered.ts';
import { toMm, type Length } from '../length/length.ts';
import { longestForSale } from '../stock/board-lengths.ts';
import { MATERIALS } from '../stock/materials.ts';
import { guideReach, longestCrosscut, makesStraightEdge, ripCapacity, widestKerf } from '../stock/shop.ts';
import { pieceName } from '../stock/workshop.ts';
import type { Check } from './context.ts';
import type { Finding } from './finding.ts';
import { grainFix } from './grain-checks.ts';

/** Confusable: one dimension differs by up to this, the others by up to ALIKE. [ASSUME] */
const DIFFERS = 10_000_000;
const ALIKE = 1_000_000;
/** Parts within this are interchangeable. [ASSUME] */
const SAME = 250_000;

const tooLargeForStock: Check = (context) => {
  const { spec, parts, cabinet, workshop } = context;
  const { trim } = workshop.shop;
  return parts.flatMap((line): Finding[] => {
    const product = workshop.products[line.stock]!;
    const margin = product.kind === 'sheet' ? 2 * trim.nm : 0;
    const { length: longest } = longestForSale(product, workshop);
    const fits = (along: number, across: number): boolean => along <= longest.nm - margin && across <= product.width.nm - margin;
    const [long, wide] = [line.length.value, line.width.value];
    // Its grain follows the stock's; a board's always does.
    const lies = product.kind === 'board' ? 'length' : line.grain;
    if ((lies !== 'width' && fits(long, wide)) || (lies !== 'length' && fits(wide, long))) return [];
    // A back larger than any sheet can be split: split-back describes how.
    if (line.role === 'back') return [];
    const turned = lies === 'length' ? fits(wide, long) : lies === 'width' && fits(long, wide);
    const panels = line.panels.flatMap((id) => cabinet.byId.get(id) ?? []);
    const narrower = product.kind === 'board' && line.role === 'cleat-blank' && line.length.value <= longest.nm;
    return [
      {
        check: 'too-large-for-stock',
        unit: spec.id,
        severity: 'stop',
        station: 'sheets',
        mark: line.mark,
        product: product.name,
        lengthNm: line.length.value,
        widthNm: line.width.value,
        panels: line.panels,
        fixes: narrower
          ? [
              {
                label: { key: 'rip-from-board', lengthNm: product.width.nm },
                edit: [{ path: ['units', spec.id, 'hanging', 'boardWidth'], value: product.width }],
              },
            ]
          : [
              ...(turned && panels.length > 0 && panels.every(choosesGrain) ? [grainFix(context, panels, lies === 'length' ? 'width' : 'length')] : []),
              { label: { key: 'other-sheet' }, visit: 'stock' },
            ],
      },
    ];
  });
};

const machineTooSmall: Check = ({ spec, parts, workshop }) => {
  const { shop } = workshop;
  const [rip, guide, crosscut] = [ripCapacity(shop), guideReach(shop), longestCrosscut(shop)];
  return parts.flatMap((line): Finding[] => {
    const base = {
      check: 'machine-too-small' as const,
      unit: spec.id,
      severity: 'change' as const,
      station: 'sheets' as const,
      panels: line.panels,
      mark: line.mark,
    };
    const [shorter, longer] = [Math.min(line.length.value, line.width.value), Math.max(line.length.value, line.width.value)];
    const what = shorter > rip && longer > guide ? 'rip' : shorter > crosscut ? 'crosscut' : null;
    if (!what) return [];
    const capacityNm = what === 'rip' ? rip : crosscut;
    return [{ ...base, what, sizeNm: shorter, capacityNm, fixes: [{ label: { key: 'machine-capacity' }, visit: 'stock' }] }];
  });
};

const lookAlikes: Check = ({ spec, parts }) => {
  const found: Finding[] = [];
  for (const [i, a] of parts.entries()) {
    for (const b of parts.slice(i + 1)) {
      if (a.stock !== b.stock || a.mirrorOf === b.mark) continue;
      const length = Math.abs(a.length.value - b.length.value);
      const width = Math.abs(a.width.value - b.width.value);
      const by = Math.max(length, width);
      if (by < SAME || by > DIFFERS || Math.min(length, width) > ALIKE) continue;
      found.push({
        check: 'look-alikes',
        unit: spec.id,
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

const heavySheet: Check = ({ spec, parts, workshop, stockOf }) =>
  [...new Set(parts.map(({ stock }) => stock))].flatMap((id): Finding[] => {
    const { product, used } = stockOf(id);
    if (product.kind !== 'sheet') return [];
    const kg = (toMm(product.length.nm) * toMm(product.width.nm) * toMm(used.value) * MATERIALS[product.material].densityKgM3) / 1e9;
    const limitKg = Math.max(25, workshop.shop.liftsKg);
    return kg > limitKg
      ? [
          {
            check: 'heavy-sheet',
            unit: spec.id,
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

/** Strips under 25 mm: should fall free on the far side of the blade, where a saw or a guide allows. */
const thinRip: Check = ({ spec, parts, workshop, stockOf }) =>
  parts.flatMap((line): Finding[] => {
    const product = workshop.products[line.stock]!;
    const size = Math.min(line.length.value, line.width.value) as Length;
    if (product.kind !== 'sheet' || size >= THIN_RIP || size <= 0) return [];
    const cut = {
      line: Math.max(line.length.value, line.width.value) as Length,
      size: product.width.nm,
      keep: size,
      thick: stockOf(line.stock).used.value,
      kg: 0,
    };
    // Ripped off the full width or off a strip: whichever lets it fall free.
    const free = [cut.size, Math.min(cut.size, ripCapacity(workshop.shop)) as Length].some((each) => {
      const way = cutWays({ ...cut, size: each }, workshop.shop)[0];
      return way !== undefined && way.hazard !== 'thin-rip';
    });
    return [
      {
        check: 'thin-rip',
        unit: spec.id,
        severity: free ? 'look' : 'stop',
        station: 'sheets',
        mark: line.mark,
        sizeNm: size,
        against: free ? 'rest' : 'strip',
        panels: line.panels,
        fixes: [free ? { label: { key: 'see-the-cut' }, visit: 'sheets' } : { label: { key: 'other-saw' }, visit: 'stock' }],
      },
    ];
  });

/** Rounding of depths that let strips fit. */
const HALF_MM = 500_000;

/** Strips of the box's own depth whose number equals the sheet's width, but for the kerfs between them. */
const kerfForgotten: Check = ({ spec, parts, workshop }) => {
  const kerf = widestKerf(workshop.shop);
  return [...new Set(parts.map(({ stock }) => stock))].flatMap((id): Finding[] => {
    const product = workshop.products[id]!;
    const depth = spec.depth.nm;
    if (product.kind !== 'sheet' || depth <= 0) return [];
    const lines = parts.filter(({ stock, width }) => stock === id && width.value === depth);
    const count = Math.floor(product.width.nm / depth);
    const needs = count * depth + (count - 1) * kerf + 2 * workshop.shop.trim.nm;
    if (count < 2 || needs <= product.width.nm || lines.reduce((sum, line) => sum + line.count, 0) < count) return [];
    // Only where kerfs and trim are what is missing: a depth well off the share is no oversight.
    const least = Math.floor((product.width.nm - 2 * workshop.shop.trim.nm - (count - 1) * kerf) / count / HALF_MM) * HALF_MM;
    return [
      {
        check: 'kerf-forgotten',
        unit: spec.id,
        severity: 'change',
        station: 'sheets',
        marks: lines.map(({ mark }) => mark),
        count,
        sizeNm: depth,
        widthNm: product.width.nm,
        kerfNm: kerf,
        needsNm: needs,
        panels: lines.flatMap(({ panels }) => panels),
        fixes: [
          { label: { key: 'no-deeper-than', lengthNm: least }, edit: [{ path: ['units', spec.id, 'depth'], value: entered(`${toMm(least as Length)} mm`) }] },
        ],
      },
    ];
  });
};

const wontFitCar: Check = ({ spec, parts, workshop, cutFirst }) => {
  const { car } = workshop.shop;
  if (!car || cutFirst === 'breakdown') return [];
  const [long, wide] = [Math.max(car.length.nm, car.width.nm), Math.min(car.length.nm, car.width.nm)];
  return [...new Set(parts.map(({ stock }) => stock))].flatMap((id): Finding[] => {
    const product = workshop.products[id]!;
    const [length, width] = [Math.max(product.length.nm, product.width.nm), Math.min(product.length.nm, product.width.nm)];
    if (product.kind !== 'sheet' || (length <= long && width <= wide)) return [];
    return [
      {
        check: 'wont-fit-car',
        unit: spec.id,
        severity: 'look',
        station: 'sheets',
        product: product.name,
        lengthNm: length,
        widthNm: width,
        carNm: [long, wide],
        panels: parts.filter(({ stock }) => stock === id).flatMap(({ panels }) => panels),
        fixes: [{ label: { key: 'break-down-first' }, edit: [{ path: ['cutting', 'first'], value: 'breakdown' }] }],
      },
    ];
  });
};

/** Offcuts large enough but for their edges. */
const noStraightEdge: Check = ({ spec, parts, workshop }) =>
  makesStraightEdge(workshop.shop)
    ? []
    : [...new Set(parts.map(({ stock }) => stock))].flatMap((id): Finding[] => {
        const crooked = Object.values(workshop.pieces).filter((piece) => piece.product === id && piece.crooked);
        if (crooked.length === 0) return [];
        return [
          {
            check: 'no-straight-edge',
            unit: spec.id,
            severity: 'change',
            station: 'sheets',
            product: workshop.products[id]!.name,
            offcuts: crooked.map(({ id: piece }) => pieceName(piece)),
            panels: [],
            fixes: [{ label: { key: 'other-saw' }, visit: 'stock' }],
          },
        ];
      });

export const CUTTING_CHECKS: readonly Check[] = [tooLargeForStock, machineTooSmall, thinRip, noStraightEdge, kerfForgotten, lookAlikes, wontFitCar, heavySheet];
