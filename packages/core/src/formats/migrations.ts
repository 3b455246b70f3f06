/** One step up per version of the project file: MIGRATIONS[n] lifts a file from version n to n + 1. A step trusts nothing it does not change. */
type Row = Record<string, unknown>;

const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Specific gravities a file of version 1 could hold, and the species they stand for now: the nearest that is not above it. */
const SPECIES_OF: readonly (readonly [number, string])[] = [
  [0.67, 'oak'],
  [0.55, 'southern-pine'],
  [0.5, 'douglas-fir'],
  [0.42, 'unknown'],
];

/** Version 2: contents as items, rows, the wall with what is on it, rails. */
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

/** Version 3: units of many families. A shelf box may be cut by dividers too, lie on pins, have doors and a face frame. */
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

export const MIGRATIONS: Readonly<Record<number, (file: Row) => Row>> = { 1: toTwo, 2: toThree };

/** A design kept apart from its file (in the database, in a browser) lifted from the version it was written in, to the newest or to the one named. */
export function liftDesign(design: unknown, from: number, to = Infinity): unknown {
  let file: Row = { design };
  for (let at = from; at < to && Object.hasOwn(MIGRATIONS, at); at++) file = MIGRATIONS[at]!(file);
  return file['design'];
}
