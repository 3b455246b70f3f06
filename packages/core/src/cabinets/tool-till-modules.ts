/** A set of narrow tills, one per tool, on one cleat; those without a width share the rest. */
import { enteredFromNm } from '../length/entered.ts';
import { ZERO, type Length } from '../length/length.ts';
import type { CabinetGeometry } from '../solid/cabinet.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { gapBehind, own, thicknessTerm, type HungFrame, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { nested } from './group.ts';
import { hungBy } from './joinery.ts';
import { inOrder } from './spaces.ts';
import type { Bay, ToolTill } from '../model/specs/tool-till.ts';

interface Module {
  readonly bay: Bay;
  readonly left: number;
  readonly width: ExplainedLength;
}

/** `one` builds a till with a single bay. */
export function buildModules(box: ToolTill, stockOf: StockOf, one: (box: ToolTill, stockOf: StockOf) => CabinetGeometry): CabinetGeometry {
  const T = stockOf(box.stock).used.value;
  const rear = gapBehind(box, stockOf);
  const width = explainedLength([plus('width', box.width.nm, { source: own(box, 'width') })]);
  const modules = layModules(box, stockOf).map(({ bay, left, width: wide }) => ({ bay, cabinet: moduleOf(box, bay, left, wide, stockOf, one) }));
  const first = modules[0]!.cabinet;
  const base: HungFrame<ToolTill> = {
    spec: { ...box, hanging: { ...box.hanging, rail: null } },
    stockOf,
    T,
    behind: { left: ZERO, length: width },
    topUp: box.height.nm,
    insideLeft: ZERO,
    insideWidth: width,
    ceiling: (box.height.nm - T) as Length,
    insideRear: rear,
    floorMid: first.hanging.standoffUp,
    wholeHalf: true,
  };
  const { panels, hanging } = placeHanging(base);
  return {
    ...first,
    id: box.id,
    panels: [...modules.flatMap(({ cabinet }) => cabinet.panels), ...panels],
    connections: modules.flatMap(({ bay, cabinet }) => [...cabinet.connections, hungBy(box, cabinet.hanging.hangingRail!, bay.id)]),
    compartments: modules.flatMap(({ cabinet }) => cabinet.compartments),
    hardware: modules.flatMap(({ cabinet }) => cabinet.hardware),
    handles: [],
    hanging: { ...hanging, hangingRail: first.hanging.hangingRail },
    outside: { ...first.outside, width },
  };
}

function layModules(box: ToolTill, stockOf: StockOf): Module[] {
  const bays = inOrder(box.bays);
  const { value: T, source } = thicknessTerm({ stockOf }, box.stock);
  const asked = bays.map(({ id, width, tool }) =>
    width
      ? explainedLength([
          plus('tool-width', width.nm, { of: tool, source: own(box, 'bays', id, 'width') }),
          plus('wiggle', box.wiggle.nm, { times: 2, source: own(box, 'wiggle') }),
          plus('side', T, { times: 2, source }),
        ])
      : null,
  );
  const free = asked.filter((each) => each === null).length;
  const shares = free > 0 ? free : bays.length;
  const gap = box.moduleGap.nm;
  const left = explainedLength([
    plus('width', box.width.nm, { source: own(box, 'width') }),
    ...(gap > 0 ? [minus('module-gap', gap, { times: bays.length - 1, source: own(box, 'moduleGap') })] : []),
    ...asked.flatMap((each) => (each ? [minus('module-width', each.value, { inner: each })] : [])),
  ]);
  const share = explainedLength(left.terms, shares);
  let before = 0;
  let shared = 0;
  return bays.map((bay, index) => {
    const mine = asked[index];
    const at = before + Math.round((left.value * shared) / shares) + index * gap;
    const takes = !mine || free === 0;
    const width = !mine ? share : takes && left.value !== 0 ? explainedLength([...mine.terms, plus('module-share', share.value, { inner: share })]) : mine;
    before += mine?.value ?? 0;
    shared += takes ? 1 : 0;
    return { bay, left: at, width };
  });
}

/** One module, its names under its bay's. */
function moduleOf(
  box: ToolTill,
  bay: Bay,
  left: number,
  width: ExplainedLength,
  stockOf: StockOf,
  one: (box: ToolTill, stockOf: StockOf) => CabinetGeometry,
): CabinetGeometry {
  const alone: ToolTill = {
    ...box,
    together: 'wide',
    width: enteredFromNm(width.value),
    bays: { [bay.id]: { ...bay, width: null } },
    hanging: { ...box.hanging, spacer: null, lowerCleat: null },
  };
  return nested(one(alone, stockOf), { part: bay.id, along: left, up: 0, keptBy: (space) => space });
}
