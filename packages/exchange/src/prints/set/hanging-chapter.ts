/** The hanging of one cabinet: its place on the wall, the wall cleat with every hole, the hook in section, and the steps. */
import {
  boringWords,
  boundsOf,
  createPlanner,
  hangHelps,
  hangsOnCleat,
  helpWords,
  hangingSummary,
  holeStateWords,
  hookPlane,
  joinedTo,
  labelWords,
  sectionView,
  tapeText,
  tapeTextWithUnit,
  toMm,
  verdictSummary,
  wallHalfEnds,
  type HangingHoles,
  type Length,
  type CabinetPlan,
} from '@keen/core';
import { circle } from '../marks.ts';
import type { ShopSetContext } from './chapter.ts';
import { drawFigure } from './figure.ts';
import type { Figure, FigureShape } from './figure-parts.ts';
import { Flow, type Pages } from './flow.ts';
import { shared } from './cabinet-chapters.ts';
import { CUT_GREY } from './cabinet-figures.ts';
import { placeSpans, wallFigure } from './wall-figure.ts';

export function hangingChapter(pages: Pages, context: ShopSetContext, plan: CabinetPlan): void {
  const { design, workshop, unit } = context;
  const spec = design.units[plan.id]!;
  const { holes, steps } = hangingSummary(plan, spec, design.wall, workshop, unit, joinedTo(context.plan, plan.id));
  const title = `${plan.letter} ${plan.name}: hanging`;
  const text = (length: Length): string => tapeText(length, unit);
  const page = pages.begin(title);
  const hook = hangsOnCleat(plan.cabinet.hanging) ? hookFigure(plan) : null;
  const [upper, lower] = [0.56, 0.44].map((share) => page.room.height * share);
  const [wall, beside] = shared({ ...page.room, y: page.room.y + lower!, height: upper! }, hook ? [6.4, 3.6] : [1, 0.001]);
  drawFigure(page, wallFigure(design, [plan], 'on the wall, from its left end and the floor', placeSpans(design, plan, text)), wall!);
  if (hook) drawFigure(page, hook, beside!);
  drawFigure(page, stripFigure(plan, holes, context), { ...page.room, height: lower! - 4 });
  const flow = new Flow(pages, title, 1);
  const verdict = verdictSummary(plan, unit);
  flow.paragraph(verdict.headline, { bold: true });
  if (verdict.weakest.length > 0) flow.paragraph(`Weakest links: ${verdict.weakest.join('; ')}.`);
  if (verdict.narrow) flow.paragraph(verdict.narrow);
  const helps = hangHelps({ planner: createPlanner(), design, record: context.record, workshop }, plan.id);
  if (helps.length > 0) flow.paragraph(`What would help most. ${helps.map((help) => helpWords(help, unit)).join('. ')}.`);
  flow.paragraph(verdict.estimate);
  flow.paragraph(verdict.notCovered);
  holeTable(flow, plan, holes, context);
  flow.inColumns(2);
  steps.forEach(({ title: name, says, caution }, index) => {
    flow.heading(`${index + 1}  ${name}`, { high: 3 });
    for (const line of says) flow.paragraph(line);
    if (caution) flow.paragraph(caution, { bold: true, indent: 4, bullet: '!' });
  });
}

/** The part screwed to the wall, from the front: holes from its left end and above its lower edge. */
function stripFigure(plan: CabinetPlan, holes: HangingHoles, { unit }: Pick<ShopSetContext, 'unit'>): Figure {
  const { hanging, byId } = plan.cabinet;
  const [long, short] = [toMm(holes.strip.length), toMm(hanging.shortFace)];
  const { from } = wallHalfEnds(plan.cabinet);
  const text = (at: number): string => tapeText(Math.round(at * 1e6) as Length, unit);
  const strip = holes.wall.filter(({ kind }) => kind === 'strip');
  const rect = (left: number, right: number, low: number, high: number, pen: FigureShape['pen'], fill?: number): FigureShape => ({
    points: [
      { x: left, y: low },
      { x: right, y: low },
      { x: right, y: high },
      { x: left, y: high },
    ],
    closed: true,
    pen,
    ...(fill === undefined ? {} : { fill }),
  });
  const unique = (values: readonly number[]): number[] => [...new Set(values)].sort((a, b) => a - b);
  const notch = hanging.notch && { from: toMm(hanging.notch.from) - from, to: toMm(hanging.notch.to) - from, depth: toMm(hanging.notch.depth) };
  return {
    title: `${hanging.rip ? 'wall half' : labelWords(byId.get(hanging.wallHalf)!.name)} from the front, with its holes`,
    shapes: [
      rect(0, long, 0, short, 'heavy', 1),
      ...(notch ? [rect(notch.from, notch.to, 0, notch.depth, 'heavy', 0.8)] : []),
      ...holes.studs.map(({ fromLeft }): FigureShape => ({
        points: [
          { x: toMm(fromLeft), y: -short * 0.2 },
          { x: toMm(fromLeft), y: short * 1.2 },
        ],
        closed: false,
        pen: 'dashed',
      })),
      ...strip.flatMap(({ fromLeft, above, state }): FigureShape[] => {
        const at = { x: toMm(fromLeft), y: toMm(above) };
        return [{ points: circle(at, 3.5).points, closed: true, pen: 'heavy', fill: state === 'never' ? 0 : state === 'look-first' ? 0.6 : 1 }];
      }),
    ],
    spans: [
      { side: 'below', row: 0, from: 0, to: long, text: text(long) },
      { side: 'left', row: 0, from: 0, to: short, text: text(short) },
    ],
    ordinates: [
      ...unique(strip.map(({ fromLeft }) => toMm(fromLeft))).map((at) => ({ side: 'below' as const, at, inTo: 0, text: text(at) })),
      ...unique(strip.map(({ above }) => toMm(above))).map((at) => ({ side: 'left' as const, at, inTo: 0, text: text(at) })),
    ],
  };
}

/** Margin around the hook, mm. */
const ROUND_MM = 28;

/** Both halves where they hook, in section. */
function hookFigure(plan: CabinetPlan): Figure {
  const { hanging, byId } = plan.cabinet;
  const seen = sectionView(plan.cabinet, hookPlane(plan.cabinet));
  const halves = [hanging.wallHalf, hanging.cabinetHalf].map((id) => boundsOf(byId.get(id)!));
  const low = Math.min(...halves.map((each) => each.low.up)) - ROUND_MM;
  const high = Math.max(...halves.map((each) => each.high.up)) + ROUND_MM;
  const out = Math.max(...halves.map((each) => each.high.out)) + ROUND_MM;
  return {
    title: 'the hook, cut through',
    shapes: [
      {
        points: [
          { x: -12, y: low },
          { x: 0, y: low },
          { x: 0, y: high },
          { x: -12, y: high },
        ],
        closed: true,
        pen: 'heavy',
        fill: 0.93,
      },
      ...seen.map(({ points, others, role }): FigureShape => ({
        points: points.map(([x, y]) => ({ x, y })),
        others: others.map((ring) => ring.map(([x, y]) => ({ x, y }))),
        closed: true,
        pen: 'heavy',
        fill: role === 'wall-half' ? 0.7 : CUT_GREY,
      })),
    ],
    window: { x: -12, y: low, width: out + 12, height: high - low },
  };
}

function holeTable(flow: Flow, plan: CabinetPlan, holes: HangingHoles, { unit }: Pick<ShopSetContext, 'unit'>): void {
  const text = (length: Length): string => tapeText(length, unit);
  const strip = labelWords(plan.cabinet.byId.get(holes.strip.panel)!.name);
  if (holes.wall.length === 0) {
    flow.paragraph('No stud is behind it where a screw could go: there is nothing to bore yet.');
    return;
  }
  flow.paragraph(
    `Line for the lower edge of the ${strip}: ${tapeTextWithUnit(holes.strip.foot.value, unit)} above the floor. ${boringWords(holes.wallBoring, unit)}`,
  );
  flow.table(
    [
      { title: 'hole', share: 1, bold: true },
      { title: 'stud', share: 1 },
      { title: `from its left end (${unit})`, share: 2.6, right: true },
      { title: 'above its lower edge', share: 2.6, right: true },
      { title: "from the wall's left end", share: 2.6, right: true },
      { title: 'above the floor', share: 2.2, right: true },
      { title: 'drill there?', share: 3 },
    ],
    holes.wall.map((hole, index) => {
      const lock = hole.kind === 'lock';
      return [
        lock ? 'lock' : String(index + 1),
        String(hole.stud ?? ''),
        lock ? `cabinet's ${text(hole.fromLeft)}` : hole.kind === 'lower' ? `lower half's ${text(hole.fromLeft)}` : text(hole.fromLeft),
        lock ? `bottom ${text(hole.above)}` : text(hole.above),
        text(hole.along),
        text(hole.up),
        holeStateWords(hole.state),
      ];
    }),
  );
}
