/** Random shelf boxes for the property tests: every joint, back and hanging the family knows, sizes in odd millimeters and inches. */
import fc from 'fast-check';
import { entered, type Entered } from '../length/entered.ts';
import { boxOf } from './print-room.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';

const mmBetween = (least: number, most: number): fc.Arbitrary<Entered> =>
  fc.integer({ min: least * 10, max: most * 10 }).map((tenths) => entered(`${tenths / 10} mm`));
const inchesBetween = (least: number, most: number): fc.Arbitrary<Entered> =>
  fc.integer({ min: least * 32, max: most * 32 }).map((parts) => entered(`${parts}/32 in`));
const sizeBetween = (least: number, most: number): fc.Arbitrary<Entered> =>
  fc.oneof(mmBetween(least, most), inchesBetween(Math.ceil(least / 25.4), Math.floor(most / 25.4)));

const lip = fc.oneof(fc.constant(entered('15 mm')), fc.constant(entered('5/8 in')), fc.constant(entered('22.2 mm')));
const end = fc.record({
  runs: fc.constantFrom('between' as const, 'over' as const),
  joint: fc.constantFrom('butt' as const, 'rabbet' as const, 'dado' as const),
  lip,
});

export const arbitraryBox: fc.Arbitrary<ShelfBox> = fc
  .record({
    width: sizeBetween(260, 1400),
    height: sizeBetween(420, 1400),
    depth: sizeBetween(150, 600),
    stock: fc.constantFrom('birch-18', 'birch-15', 'ply-3-4', 'mdf-18'),
    backStock: fc.constantFrom('birch-6', 'ply-1-4', 'birch-12'),
    shelves: fc.integer({ min: 0, max: 5 }),
    top: end,
    bottom: end,
    shelfJoint: fc.constantFrom('butt' as const, 'dado' as const),
    fit: fc.constantFrom('tight' as const, 'push' as const, 'glue' as const, 'loose' as const),
    back: fc.constantFrom('rabbet' as const, 'over' as const, 'none' as const),
    kind: fc.constantFrom('outside' as const, 'recessed' as const),
    rail: fc.boolean(),
  })
  .filter(({ back, kind }) => !(back === 'over' && kind === 'recessed'))
  .map(({ top, bottom, back, kind, rail, shelfJoint, fit, ...size }) => {
    const box = boxOf(size);
    return {
      ...box,
      top: { ...top, joint: settle(top) },
      bottom: { ...bottom, joint: settle(bottom) },
      shelfJoint,
      fit,
      back: { ...box.back, kind: back },
      hanging: { ...box.hanging, kind, rail: rail ? box.hanging.rail : null },
    };
  });

/** A side's end stands on a panel that runs over it: a rabbet there, as between a dado, is what the form offers too. */
const settle = ({ runs, joint }: { runs: 'between' | 'over'; joint: 'butt' | 'rabbet' | 'dado' }): 'butt' | 'rabbet' | 'dado' =>
  runs === 'over' && joint === 'dado' ? 'rabbet' : joint;
