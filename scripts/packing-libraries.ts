/** General packing libraries from the registry on the same problems: sheets of one size, kerf by making parts and sheets larger by it. */
import ShelfPack from '@mapbox/shelf-pack';
import { pack2D } from 'binpackingjs/2d';
import { MaxRectsPacker } from 'maxrects-packer';
import { bedsOf, type NestProblem } from '../packages/core/src/index.ts';

interface Box {
  readonly width: number;
  readonly height: number;
  readonly turns: boolean;
}

interface Job {
  readonly width: number;
  readonly height: number;
  readonly boxes: readonly Box[];
}

/** Largest first, in whole micrometres: shelves and rectangles are packed in the order they come. */
function jobOf(problem: NestProblem): Job {
  const [bed] = bedsOf(problem);
  const large = (nm: number): number => Math.round((nm + problem.kerf) / 1000);
  const boxes = problem.parts.flatMap(({ length, width, count, grain }) =>
    Array.from({ length: count }, () => ({ width: large(length), height: large(width), turns: grain === 'either' })),
  );
  return { width: large(bed!.dx), height: large(bed!.dy), boxes: boxes.sort((a, b) => b.width * b.height - a.width * a.height) };
}

const LIBRARIES: readonly { readonly name: string; readonly sheets: (job: Job) => number }[] = [
  {
    name: 'maxrects-packer',
    sheets: ({ width, height, boxes }) => {
      // It turns all parts or none: turned against their grain they would be no plan.
      const packer = new MaxRectsPacker(width, height, 0, { smart: false, pot: false, square: false, allowRotation: boxes.every(({ turns }) => turns) });
      packer.addArray(boxes.map((box) => ({ width: box.width, height: box.height, x: 0, y: 0 })) as never[]);
      return packer.bins.length;
    },
  },
  {
    name: '@mapbox/shelf-pack',
    sheets: ({ width, height, boxes }) => {
      let left = [...boxes].sort((a, b) => b.height - a.height || b.width - a.width);
      let sheets = 0;
      while (left.length > 0) {
        const shelf = new ShelfPack(width, height);
        const over = left.filter((box) => !shelf.packOne(box.width, box.height));
        if (over.length === left.length) return Infinity;
        left = over;
        sheets++;
      }
      return sheets;
    },
  },
  {
    name: 'binpackingjs',
    sheets: ({ width, height, boxes }) => {
      const bins = boxes.map(() => ({ width, height }));
      const { packedBins } = pack2D({ bins, boxes: boxes.map((box) => ({ width: box.width, height: box.height, constrainRotation: !box.turns })) });
      return packedBins.filter(({ boxes: own }) => own.length > 0).length;
    },
  },
];

/** Sheets each library takes for a problem. */
export const sheetsByLibrary = (problem: NestProblem): readonly { readonly name: string; readonly sheets: number }[] => {
  const job = jobOf(problem);
  return LIBRARIES.map(({ name, sheets }) => ({ name, sheets: sheets(job) }));
};
