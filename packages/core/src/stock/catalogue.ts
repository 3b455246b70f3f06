/**
 * Stock of a new workshop: generic materials in metric and US sizes. Prices are round figures to be changed; densities and stiffness come from
 * materials.ts.
 */
import { entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';
import { defaultShop } from './shop.ts';
import type { MaterialId, Product, Workshop } from '../model/workshop.ts';

type Row = readonly [id: string, name: string, material: MaterialId, nominal: string, length: string, width: string, price: number, faced?: boolean];

const SHEETS: readonly Row[] = [
  ['birch-18', 'Birch plywood 18 mm', 'birch-plywood', '18 mm', '2440 mm', '1220 mm', 74],
  ['birch-15', 'Birch plywood 15 mm', 'birch-plywood', '15 mm', '2440 mm', '1220 mm', 66],
  ['birch-12', 'Birch plywood 12 mm', 'birch-plywood', '12 mm', '2440 mm', '1220 mm', 54],
  ['birch-6', 'Birch plywood 6 mm', 'birch-plywood', '6 mm', '2440 mm', '1220 mm', 32],
  ['poplar-15', 'Light hardwood plywood 15 mm', 'lauan-plywood', '15 mm', '2500 mm', '1250 mm', 41],
  ['mdf-18', 'MDF 18 mm', 'mdf', '18 mm', '2440 mm', '1220 mm', 34],
  ['mdf-12', 'MDF 12 mm', 'mdf', '12 mm', '2440 mm', '1220 mm', 26],
  ['faced-board-18', 'Faced particleboard 18 mm', 'particleboard', '18 mm', '2800 mm', '2070 mm', 58, true],
  ['hardboard-3', 'Hardboard 3 mm', 'hardboard', '3 mm', '2440 mm', '1220 mm', 11],
  ['pine-panel-18', 'Glued pine panel 18 mm', 'white-pine', '18 mm', '2400 mm', '600 mm', 48],
  ['hollow-door-40', 'Hollow door 40 mm', 'hollow-core', '40 mm', '2040 mm', '830 mm', 45],
  ['glass-4', 'Float glass 4 mm', 'glass', '4 mm', '2000 mm', '1000 mm', 60],
  ['glass-1-8', 'Float glass 1/8 in', 'glass', '1/8 in', '72 in', '36 in', 55],
  ['ply-3-4', 'Hardwood plywood 3/4 in', 'hardwood-faced-plywood', '3/4 in', '96 in', '48 in', 68],
  ['ply-1-2', 'Hardwood plywood 1/2 in', 'hardwood-faced-plywood', '1/2 in', '96 in', '48 in', 52],
  ['ply-1-4', 'Hardwood plywood 1/4 in', 'hardwood-faced-plywood', '1/4 in', '96 in', '48 in', 31],
  ['construction-3-4', 'Construction plywood 3/4 in', 'softwood-plywood', '3/4 in', '96 in', '48 in', 49],
  ['birch-panel-1-2', 'Birch plywood 1/2 in, 5 ft square', 'birch-plywood', '1/2 in', '60 in', '60 in', 47],
  ['mdf-3-4', 'MDF 3/4 in', 'mdf', '3/4 in', '97 in', '49 in', 45],
  ['hardboard-1-8', 'Hardboard 1/8 in', 'hardboard', '1/8 in', '96 in', '48 in', 14],
];

const BOARDS: readonly Row[] = [
  ['board-1x4', 'Pine board 1x4', 'white-pine', '3/4 in', '96 in', '3 1/2 in', 9],
  ['board-1x6', 'Pine board 1x6', 'white-pine', '3/4 in', '96 in', '5 1/2 in', 14],
  ['oak-board-1x6', 'Oak board 1x6', 'red-oak', '3/4 in', '96 in', '5 1/2 in', 38],
  ['spruce-18x144', 'Spruce board 18 x 144 mm', 'spf', '18 mm', '2400 mm', '144 mm', 12],
  ['spruce-21x120', 'Spruce board 21 x 120 mm', 'spf', '21 mm', '2400 mm', '120 mm', 11],
];

const NO_GRAIN: readonly MaterialId[] = ['mdf', 'particleboard', 'hardboard', 'osb', 'hollow-core', 'glass'];

function product([id, name, material, nominal, length, width, price, faced = false]: Row, kind: Product['kind']): Product {
  const unit: DisplayUnit = nominal.endsWith('mm') ? 'mm' : 'in';
  const grain = NO_GRAIN.includes(material) && !faced ? 'none' : 'length';
  return { id, name, kind, material, nominal: entered(nominal), length: entered(length), width: entered(width), price, faced, grain, unit };
}

/** A workshop before anyone has changed it. */
export function starterWorkshop(): Workshop {
  const products = [...SHEETS.map((row) => product(row, 'sheet')), ...BOARDS.map((row) => product(row, 'board'))];
  return {
    currency: '',
    tax: { percent: 0, included: true },
    shop: defaultShop(),
    products: Object.fromEntries(products.map((row) => [row.id, row])),
    pieces: {},
  };
}
