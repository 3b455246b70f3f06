/** What the plans of all cabinets share: stock as measured, what is built, what was hung and ticked. Each keeps its identity while what it is made of does. */
import type { Ticked } from '../build/late-parts.ts';
import type { FirstHang } from '../hang/seating.ts';
import type { BuiltFacts } from '../joints/as-built.ts';
import { shopFacts, type ShopFacts } from '../model/shop-facts.ts';
import type { Design } from '../model/design.ts';
import type { RecordEntry } from '../model/record.ts';
import type { UnpricedWorkshop, Workshop } from '../model/workshop.ts';
import type { StockOf } from '../cabinets/box-frame.ts';
import { withoutPrices } from '../stock/workshop.ts';
import { wallFacts, type WallFacts } from '../wall/facts.ts';
import { builtFacts } from './built-facts.ts';
import { homesByCabinet, type Homes } from './contents.ts';
import { learnedShop } from './learned-workshop.ts';
import { stage } from './stage.ts';
import { stockReader } from './stock-reader.ts';

export interface ProjectFacts {
  readonly workshop: UnpricedWorkshop;
  readonly stockOf: StockOf;
  readonly built: BuiltFacts;
  readonly hangs: readonly FirstHang[];
  readonly ticked: Ticked;
  readonly homes: Homes;
  readonly wallFacts: WallFacts;
}

const learned = stage(({ testCuts, shop }: Pick<ShopFacts, 'testCuts'> & Pick<Workshop, 'shop'>) => learnedShop(shop, testCuts).shop);
const stock = stage(({ readings, products, shop }: Pick<ShopFacts, 'readings'> & Pick<UnpricedWorkshop, 'products' | 'shop'>) =>
  stockReader(readings, { products, shop }),
);
const built = stage((inputs: Pick<ShopFacts, 'readings' | 'slots' | 'asCut' | 'openings' | 'kept'> & Pick<Design, 'cutFrom'>) => builtFacts(inputs, inputs));
const firstHangs = stage(({ hung }: Pick<ShopFacts, 'hung'>): FirstHang[] =>
  hung.map(({ hung: { unit, asked, came, allowed } }) => ({ unit, asked: asked.nm, came: came.nm, allowed: allowed.nm })),
);
const homes = stage(({ items }: Pick<Design, 'items'>) => homesByCabinet(items));
const wall = stage(({ wall: of }: Pick<Design, 'wall'>) => wallFacts(of));

interface KeptStages {
  readonly learned: ReturnType<typeof learned>;
  readonly stock: ReturnType<typeof stock>;
  readonly built: ReturnType<typeof built>;
  readonly firstHangs: ReturnType<typeof firstHangs>;
  readonly homes: ReturnType<typeof homes>;
  readonly wall: ReturnType<typeof wall>;
}

/** A reader of the shared facts that remembers what it last read. */
export function projectFactsReader(): (design: Design, record: readonly RecordEntry[], workshop: Workshop) => ProjectFacts {
  let lastRecord: readonly RecordEntry[] | undefined;
  let unpriced: UnpricedWorkshop | undefined;
  let kept: Partial<KeptStages> = {};
  return (design, record, workshop) => {
    const facts = shopFacts(record, lastRecord);
    lastRecord = record;
    unpriced = withoutPrices(workshop, unpriced);
    const { readings, slots, asCut, openings, kept: used, hung, testCuts, ticked } = facts;
    const shop = learned(kept.learned, { testCuts, shop: unpriced.shop });
    const now: KeptStages = {
      learned: shop,
      stock: stock(kept.stock, { readings, products: unpriced.products, shop: shop.value }),
      built: built(kept.built, { readings, slots, asCut, openings, kept: used, cutFrom: design.cutFrom }),
      firstHangs: firstHangs(kept.firstHangs, { hung }),
      homes: homes(kept.homes, { items: design.items }),
      wall: wall(kept.wall, { wall: design.wall }),
    };
    kept = now;
    return {
      workshop: unpriced,
      stockOf: now.stock.value,
      built: now.built.value,
      hangs: now.firstHangs.value,
      ticked,
      homes: now.homes.value,
      wallFacts: now.wall.value,
    };
  };
}
