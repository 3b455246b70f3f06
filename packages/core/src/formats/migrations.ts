/** Migrations of the project file: MIGRATIONS[n] lifts version n to n + 1. A step trusts nothing it does not change. */
type Row = Record<string, unknown>;

const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Specific gravities a file of version 1 could hold, and their species: the nearest that is not above. */
const SPECIES_OF: readonly (readonly [number, string])[] = [
  [0.67, 'oak'],
  [0.55, 'southern-pine'],
  [0.5, 'douglas-fir'],
  [0.42, 'unknown'],
];

/** Version 2: contents as items, rows, the wall with its things, rails. */
function toTwo(file: Row): Row {
  const design = file['design'];
  if (!isRow(design)) return file;
  const inches = design['unit'] === 'in';
  const nought = inches ? '0 in' : '0 mm';
  return {
    ...file,
    design: {
      ...design,
      wall: isRow(design['wall']) ? wallOfTwo(design['wall'], nought) : design['wall'],
      units: isRow(design['units']) ? Object.fromEntries(Object.entries(design['units']).map(([id, unit]) => [id, unitOfTwo(unit)])) : design['units'],
      person: { height: inches ? '68 in' : '1720 mm' },
      items: {},
    },
  };
}

function wallOfTwo({ wallboard, studs, ...rest }: Row, nought: string): Row {
  const { gravity, ...others } = isRow(studs) ? studs : {};
  const species = SPECIES_OF.find(([least]) => typeof gravity === 'number' && gravity >= least)?.[1] ?? 'white-pine';
  return {
    ...rest,
    covering: wallboard,
    structure: 'timber-wallboard',
    floorFall: nought,
    ceilingFall: nought,
    studs: isRow(studs) ? { ...others, species, marks: {} } : studs,
    baseboard: { height: nought, out: nought },
    things: {},
    looked: {},
    bow: {},
    rails: {},
  };
}

function unitOfTwo(unit: unknown): unknown {
  if (!isRow(unit)) return unit;
  const hanging = unit['hanging'];
  return {
    ...unit,
    rows: {},
    front: 'open',
    hanging: isRow(hanging) ? { ...hanging, wallRail: null, lowerCleat: null, shimmed: false } : hanging,
  };
}

/** Version 3: families of cabinets. A shelf box may have dividers, pins, doors and a face frame. */
function toThree(file: Row): Row {
  const design = file['design'];
  if (!isRow(design) || !isRow(design['units'])) return file;
  return { ...file, design: { ...design, units: Object.fromEntries(Object.entries(design['units']).map(([id, unit]) => [id, unitOfThree(unit)])), tries: {} } };
}

function unitOfThree(unit: unknown): unknown {
  if (!isRow(unit)) return unit;
  const inches = unit['unit'] === 'in';
  const size = (metric: string, imperial: string): string => (inches ? `${imperial} in` : `${metric} mm`);
  const { stock, shelves, back } = unit;
  const backStock = isRow(back) ? back['stock'] : stock;
  const { assembly } = unit;
  return {
    ...unit,
    shelves: isRow(shelves)
      ? Object.fromEntries(Object.entries(shelves).map(([id, shelf]) => [id, isRow(shelf) ? { ...shelf, in: 'bottom', level: 0, fixing: 'fixed' } : shelf]))
      : shelves,
    dividers: {},
    assembly: isRow(assembly) ? { ...assembly, by: 'screws', pilot: true, pocketsOn: 'hidden' } : assembly,
    stopEnds: 'square',
    cutFirst: 'slots',
    finish: { kind: 'none', when: 'after', masked: false },
    pins: { from: 'bottom', fromRight: 'bottom', first: size('96', '4'), pitch: size('32', '1 1/4'), inset: size('37', '1 1/2'), diameter: size('5', '1/4') },
    setback: size('0', '0'),
    back: isRow(back) ? { ...back, setback: size('12', '1/2'), play: '0.5 mm', split: null } : back,
    nailingStrip: null,
    inserts: {},
    faceFrame: null,
    doors: {
      stock,
      lies: 'inset',
      reveal: size('2', '3/32'),
      handle: 'none',
      handleIn: size('40', '1 1/2'),
      stays: 0,
      infill: 'none',
      infillStock: backStock,
      railWidth: size('60', '2 1/4'),
    },
  };
}

/** Version 4: the shop with its machines and cutters, where there were five figures of one saw. */
const toFour = (file: Row): Row => ({ ...file, workshop: workshopOfFour(file['workshop']) });

function workshopOfFour(workshop: unknown): unknown {
  if (!isRow(workshop)) return workshop;
  const { machines, ...rest } = workshop;
  if (!isRow(machines)) return workshop;
  const { ripCapacity: rip, longestCrosscut: guide, kerf, trim, liftsKg } = machines;
  const saw = { kerf, deep: '75 mm', rip, crosscut: '600 mm', tiltDeg: 45, tilts: 'left', mitreDeg: 60, stack: null };
  const rows: readonly Row[] = [
    { kind: 'table-saw', name: 'table saw', ...saw },
    { kind: 'guided-saw', name: 'circular saw on a guide', kerf, deep: '55 mm', guide, tiltDeg: 45 },
    { kind: 'router', name: 'router', base: '75 mm', deep: '50 mm' },
    { kind: 'hand-drill', name: 'drill' },
  ];
  return {
    ...rest,
    shop: {
      machines: Object.fromEntries(rows.map((row, order): [string, Row] => [row['kind'] as string, { id: row['kind'], order, ...row }])),
      stack: null,
      bits: COMMON_BITS,
      jigs: { pins: true, pockets: true },
      fits: { tight: '0 mm', push: '0.1 mm', glue: '0.15 mm', loose: '0.4 mm' },
      trim,
      liftsKg,
    },
  };
}

/** Bits of nearly every box of bits. */
const COMMON_BITS: Row = Object.fromEntries(
  [
    ...['6 mm', '8 mm', '12 mm', '16 mm'].map((size) => ['straight', size] as const),
    ...['2 mm', '2.5 mm', '3 mm', '3.5 mm', '4 mm', '4.5 mm', '5 mm', '6 mm', '8 mm', '10 mm'].map((size) => ['drill', size] as const),
    ['forstner', '35 mm'] as const,
  ].map(([kind, diameter], order) => [`${kind}-${order + 1}`, { id: `${kind}-${order + 1}`, order, kind, diameter, over: '0 mm' }]),
);

/** Version 5: tear-out protection, setup order, the sheets pieces are cut from, repeatability of machines. */
function toFive(file: Row): Row {
  const { design, workshop } = file;
  return {
    ...file,
    ...(isRow(design) ? { design: designOfFive(design) } : {}),
    ...(isRow(workshop) && isRow(workshop['shop']) ? { workshop: { ...workshop, shop: { ...workshop['shop'], repeats: REPEATS_OF_FIVE } } } : {}),
  };
}

function designOfFive(design: Row): Row {
  const backed = (unit: unknown): unknown =>
    isRow(unit) ? { ...unit, slotExit: 'backed', ...(unit['family'] === 'mitred-box' ? { spline: null } : {}) } : unit;
  const each = (rows: unknown, lift: (row: unknown) => unknown): unknown =>
    isRow(rows) ? Object.fromEntries(Object.entries(rows).map(([id, row]) => [id, lift(row)])) : rows;
  return {
    ...design,
    units: each(design['units'], backed),
    tries: each(design['tries'], (row) => (isRow(row) ? { ...row, unit: backed(row['unit']) } : row)),
    setupOrder: [],
    cutFrom: [],
  };
}

const REPEATS_OF_FIVE: Row = { slot: '0.03 mm', depth: '0.1 mm', length: '0.15 mm', place: '0.15 mm', hinge: '0.3 mm' };

/** Version 6: cutting preferences, settled layouts, the car, and least offcuts. */
function toSix(file: Row): Row {
  const { design, workshop } = file;
  return {
    ...file,
    ...(isRow(design) ? { design: { ...design, cutting: { first: 'any', then: 'settings' }, layouts: {} } } : {}),
    ...(isRow(workshop) && isRow(workshop['shop']) ? { workshop: { ...workshop, shop: { ...workshop['shop'], car: null, keep: KEEP_OF_SIX } } } : {}),
  };
}

const KEEP_OF_SIX: Row = { length: '400 mm', width: '150 mm' };

/** Version 7: whole sheets in the store beside offcuts; pinned parts. */
function toSeven(file: Row): Row {
  const { design, workshop } = file;
  return { ...file, ...(isRow(design) ? { design: { ...design, pins: {} } } : {}), ...(isRow(workshop) ? { workshop: workshopOfSeven(workshop) } : {}) };
}

function workshopOfSeven({ offcuts, ...rest }: Row): Row {
  const asPiece = (row: unknown): unknown => (isRow(row) ? { ...row, kind: 'offcut' } : row);
  return { ...rest, pieces: isRow(offcuts) ? Object.fromEntries(Object.entries(offcuts).map(([id, row]) => [id, asPiece(row)])) : offcuts };
}

/**
 * Version 8: fixings in walls without timber, survey notes, what is under a cabinet, seating, earthquakes; brackets, notched cleats, keyhole plates, a
 * second plane.
 */
function toEight(file: Row): Row {
  const { design } = file;
  if (!isRow(design)) return file;
  const each = (rows: unknown, lift: (row: Row) => Row): unknown =>
    isRow(rows) ? Object.fromEntries(Object.entries(rows).map(([id, row]) => [id, isRow(row) ? lift(row) : row])) : rows;
  const unitOfEight = (unit: Row): Row => {
    const { hanging } = unit;
    return { ...unit, over: 'nothing', hanging: isRow(hanging) ? { ...hanging, seats: null, ...waysOfEight(unit['unit'] === 'in') } : hanging };
  };
  const { wall, units, tries } = design;
  return {
    ...file,
    design: {
      ...design,
      earthquakes: false,
      wall: isRow(wall) ? { ...wall, fixing: fixingOfEight(design['unit'] === 'in'), looked: each(wall['looked'], (area) => ({ ...area, note: '' })) } : wall,
      units: each(units, unitOfEight),
      tries: each(tries, (row) => (isRow(row['unit']) ? { ...row, unit: unitOfEight(row['unit']) } : row)),
    },
  };
}

const waysOfEight = (inches: boolean): Row => ({ brackets: null, notch: null, plate: { ratedKg: 0, proud: inches ? '1/8 in' : '3 mm' }, second: null });

const fixingOfEight = (inches: boolean): Row => ({
  into: 'ground',
  plug: '8mm',
  pullN: null,
  shearN: null,
  rating: 'ultimate',
  every: inches ? '12 in' : '300 mm',
  metal: '0.5 mm',
});

/** Version 9: how it is built and when, and the clamps. */
function toNine(file: Row): Row {
  const { design, workshop } = file;
  return {
    ...file,
    ...(isRow(design) ? { design: { ...design, build: BUILD_OF_NINE } } : {}),
    ...(isRow(workshop) && isRow(workshop['shop']) ? { workshop: { ...workshop, shop: { ...workshop['shop'], clamps: CLAMPS_OF_NINE } } } : {}),
  };
}

const BUILD_OF_NINE: Row = {
  cut: 'first',
  units: 'together',
  glue: 'yellow',
  tempC: 18,
  order: [],
  start: null,
  week: {
    tuesday: { id: 'tuesday', day: 1, from: '19:00', to: '22:00', helper: false, quiet: false },
    thursday: { id: 'thursday', day: 3, from: '19:00', to: '22:00', helper: false, quiet: false },
    saturday: { id: 'saturday', day: 5, from: '09:00', to: '17:00', helper: true, quiet: false },
  },
  away: [],
  notBefore: {},
};

const CLAMPS_OF_NINE: Row = {
  'clamps-1': { id: 'clamps-1', order: 0, reach: '300 mm', count: 6 },
  'clamps-2': { id: 'clamps-2', order: 1, reach: '800 mm', count: 8 },
  'clamps-3': { id: 'clamps-3', order: 2, reach: '1250 mm', count: 4 },
};

/** Version 10: loose parts; prices with or without tax. */
function toTen(file: Row): Row {
  const { design, workshop } = file;
  return {
    ...file,
    ...(isRow(design) ? { design: { ...design, loose: {} } } : {}),
    ...(isRow(workshop) ? { workshop: { ...workshop, tax: { percent: 0, included: true } } } : {}),
  };
}

/** Version 11: hours without some machines; chosen glue-up methods; labels of glues and finishes. */
function toEleven(file: Row): Row {
  const { design, workshop } = file;
  const build = isRow(design) ? design['build'] : undefined;
  const shop = isRow(workshop) ? workshop['shop'] : undefined;
  const week = (hours: unknown): unknown =>
    isRow(hours) ? Object.fromEntries(Object.entries(hours).map(([id, row]) => [id, isRow(row) ? { ...row, without: [] } : row])) : hours;
  return {
    ...file,
    ...(isRow(design) && isRow(build) ? { design: { ...design, build: { ...build, glueUps: {}, alone: [], week: week(build['week']) } } } : {}),
    ...(isRow(workshop) && isRow(shop) ? { workshop: { ...workshop, shop: { ...shop, labels: { glues: {}, finishes: {} } } } } : {}),
  };
}

export const MIGRATIONS: Readonly<Record<number, (file: Row) => Row>> = {
  1: toTwo,
  2: toThree,
  3: toFour,
  4: toFive,
  5: toSix,
  6: toSeven,
  7: toEight,
  8: toNine,
  9: toTen,
  10: toEleven,
};

/** A design stored outside its file (database, browser) lifted from its version to the newest, or to the one named. */
export function liftDesign(design: unknown, from: number, to = Infinity): unknown {
  let file: Row = { design };
  for (let at = from; at < to && Object.hasOwn(MIGRATIONS, at); at++) file = MIGRATIONS[at]!(file);
  return file['design'];
}

/** The same for a workshop kept apart from its file. */
export function liftWorkshop(workshop: unknown, from: number, to = Infinity): unknown {
  let file: Row = { workshop };
  for (let at = from; at < to && Object.hasOwn(MIGRATIONS, at); at++) file = MIGRATIONS[at]!(file);
  return file['workshop'];
}
