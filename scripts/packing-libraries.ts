/**
 * General packing libraries from the registry on the same problems: sheets of one size, kerf by making parts and sheets larger by it. They know
 * nothing of saws: where cuts must run from edge to edge, a layout that no such cuts take apart is none.
 */
import ShelfPack from '@mapbox/shelf-pack';
import { pack2D } from 'binpackingjs/2d';
import { MaxRectsPacker } from 'maxrects-packer';
import { stockAreasOf, type NestProblem } from '../packages/core/src/index.ts';

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

/** Largest first, in whole micrometers: shelves and rectangles are packed in the order they come. */
function jobOf(problem: NestProblem): Job {
  const [bed] = stockAreasOf(problem);
  const large = (nm: number): number => Math.round((nm + problem.kerf) / 1000);
  const boxes = problem.parts.flatMap(({ length, width, count, grain }) =>
    Array.from({ length: count }, () => ({ width: large(length), height: large(width), turns: grain === 'either' })),
  );
  return { width: large(bed!.dx), height: large(bed!.dy), boxes: boxes.sort((a, b) => b.width * b.height - a.width * a.height) };
}

/** A box where it lies. */
interface Placed {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const placed = ({ x, y, width, height }: Placed): Placed => ({ x, y, width, height });

/** Each library's layout, sheet by sheet; null where it does not place everything. */
const LIBRARIES: readonly { readonly name: string; readonly layout: (job: Job) => readonly (readonly Placed[])[] | null }[] = [
  {
    name: 'maxrects-packer',
    layout: ({ width, height, boxes }) => {
      // It turns all parts or none: turned against their grain they would be no plan.
      const packer = new MaxRectsPacker(width, height, 0, { smart: false, pot: false, square: false, allowRotation: boxes.every(({ turns }) => turns) });
      packer.addArray(boxes.map((box) => ({ width: box.width, height: box.height, x: 0, y: 0, rot: false })) as never[]);
      const turned = ({ x, y, width: dx, height: dy, rot }: Placed & { rot: boolean }): Placed => ({ x, y, width: rot ? dy : dx, height: rot ? dx : dy });
      return packer.bins.map(({ rects }) => (rects as unknown as (Placed & { rot: boolean })[]).map(turned));
    },
  },
  {
    name: '@mapbox/shelf-pack',
    layout: ({ width, height, boxes }) => {
      let left = [...boxes].sort((a, b) => b.height - a.height || b.width - a.width);
      const sheets: Placed[][] = [];
      while (left.length > 0) {
        const shelf = new ShelfPack(width, height);
        const own: Placed[] = [];
        left = left.filter((box) => {
          const bin = shelf.packOne(box.width, box.height);
          if (bin) own.push({ x: bin.x, y: bin.y, width: box.width, height: box.height });
          return !bin;
        });
        if (own.length === 0) return null;
        sheets.push(own);
      }
      return sheets;
    },
  },
  {
    name: 'binpackingjs',
    layout: ({ width, height, boxes }) => {
      const bins = boxes.map(() => ({ width, height }));
      const { packedBins } = pack2D({ bins, boxes: boxes.map((box) => ({ width: box.width, height: box.height, constrainRotation: !box.turns })) });
      return packedBins.map(({ boxes: own }) => own.map(placed)).filter((own) => own.length > 0);
    },
  },
];

/** Whether cuts from edge to edge take the boxes apart. */
function isCuttable(boxes: readonly Placed[]): boolean {
  if (boxes.length < 2) return true;
  for (const [at, size] of [
    ['x', 'width'],
    ['y', 'height'],
  ] as const) {
    const sorted = [...boxes].sort((a, b) => a[at] - b[at]);
    let end = sorted[0]![at] + sorted[0]![size];
    for (let n = 1; n < sorted.length; n++) {
      if (sorted[n]![at] >= end) return isCuttable(sorted.slice(0, n)) && isCuttable(sorted.slice(n));
      end = Math.max(end, sorted[n]![at] + sorted[n]![size]);
    }
  }
  return false;
}

/** Sheets each library takes for a problem; Infinity where its layout cannot be cut as the problem asks. */
export const sheetsByLibrary = (problem: NestProblem): readonly { readonly name: string; readonly sheets: number }[] => {
  const job = jobOf(problem);
  return LIBRARIES.map(({ name, layout }) => {
    const sheets = layout(job);
    const isPlan = sheets !== null && (problem.cuts === 'free' || sheets.every(isCuttable));
    return { name, sheets: isPlan ? sheets.length : Infinity };
  });
};
