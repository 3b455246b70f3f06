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

export const MIGRATIONS: Readonly<Record<number, (file: Row) => Row>> = { 1: toTwo };

/** A design kept apart from its file (in the database, in a browser) lifted from the version it was written in. */
export function liftDesign(design: unknown, from: number): unknown {
  let file: Row = { design };
  for (let at = from; Object.hasOwn(MIGRATIONS, at); at++) file = MIGRATIONS[at]!(file);
  return file['design'];
}
