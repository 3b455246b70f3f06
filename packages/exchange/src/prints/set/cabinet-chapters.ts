/** The chapter of one cabinet: its picture with its figures, sides and section, exploded view, parts, joints. */
import {
  figuresOf,
  featureWords,
  jointGroups,
  jointWords,
  labelWords,
  linkWords,
  pieceDrawing,
  lengthText,
  massText,
  percentText,
  sagText,
  sectionOfJoint,
  tapeTextWithUnit,
  fineText,
  edgeWords,
  VERDICT_WORDS,
  type JointGroup,
  type PartLine,
  type PieceDrawing,
  type CabinetPlan,
} from '@keen/core';
import { linesOf } from '../letters.ts';
import { TEXT_MM, type Box, type Canvas } from './canvas.ts';
import type { ShopSetContext } from './chapter.ts';
import { pictureFigure } from './exploded.ts';
import { drawFigure, drawPair, heightOf } from './figure.ts';
import type { Figure } from './figure-parts.ts';
import { Flow, type Pages } from './flow.ts';
import { partFigure } from './part-figures.ts';
import { CUT_GREY, nameOf, sectionFigure, viewFigure } from './cabinet-figures.ts';

const LINE = TEXT_MM * 1.55;

export function cabinetChapter(pages: Pages, context: ShopSetContext, plan: CabinetPlan): void {
  const title = `${plan.letter} ${plan.name}`;
  picturePage(pages, context, plan, title);
  viewPages(pages, context, plan, title);
  partPages(pages, context, plan, title);
  jointPages(pages, context, plan, title);
}

/** Gap between neighbors. */
const GAP_MM = 6;

/** Divides a box from left to right. */
export function shared({ x, y, width, height }: Box, shares: readonly number[], gap = GAP_MM): Box[] {
  const total = shares.reduce((sum, share) => sum + share, 0);
  const free = width - gap * (shares.length - 1);
  let left = x;
  return shares.map((share) => {
    const own = { x: left, y, width: (free * share) / total, height };
    left += own.width + gap;
    return own;
  });
}

/** Rows of a label and its value, from the top of a box. */
export function facts(canvas: Canvas, { x, y, width, height }: Box, rows: readonly (readonly [string, string])[]): void {
  let at = y + height;
  for (const [name, value] of rows) {
    const lines = linesOf(value, TEXT_MM + 0.4, width, true);
    canvas.text(name, { x, y: at - LINE }, { high: 2.1, most: width });
    at -= LINE + 0.4;
    for (const line of lines) {
      at -= LINE + 0.4;
      canvas.text(line, { x, y: at }, { high: TEXT_MM + 0.4, bold: true });
    }
    at -= 1.8;
    canvas.line(
      [
        { x, y: at },
        { x: x + width, y: at },
      ],
      'light',
    );
  }
}

function picturePage(pages: Pages, { unit, lines }: ShopSetContext, plan: CabinetPlan, title: string): void {
  const page = pages.begin(title);
  const [picture, tally] = shared(page.room, [7, 3]);
  drawFigure(page, pictureFigure(plan, 0, lines), picture!);
  facts(page, tally!, tallyOf(plan, unit));
}

/** The key figures, in their order on screen. */
export function tallyOf(plan: CabinetPlan, unit: ShopSetContext['unit']): (readonly [string, string])[] {
  const { width, height, depth } = plan.cabinet.outside;
  const worst = plan.sag.reduce<(typeof plan.sag)[number] | undefined>((a, b) => (a && a.later.value >= b.later.value ? a : b), undefined);
  const [weakest] = plan.hang.links;
  const { findings } = figuresOf(plan);
  return [
    ['outside, wide × high × deep', [width, height, depth].map(({ value }) => tapeTextWithUnit(value, unit)).join(' × ')],
    ['weight', `${massText(plan.weights.empty.mass.value, unit)} empty, ${massText(plan.loaded.mass.value, unit)} loaded`],
    ['worst sag, in years', worst ? `${labelWords(plan.cabinet.byId.get(worst.panel)!.name)}: ${sagText(worst.later.value, unit)}` : 'no shelf'],
    ['weakest link, loaded', weakest ? `${linkWords(weakest)}: ${percentText(weakest.use.value)} used` : 'nothing hangs'],
    ['hanging', VERDICTS[plan.hang.state]],
    ['parts', String(plan.parts.reduce((sum, { count }) => sum + count, 0))],
    ['to look at before cutting', findings === 0 ? 'nothing' : String(findings)],
  ];
}

const VERDICTS: Readonly<Record<CabinetPlan['hang']['state'], string>> = {
  fine: `${VERDICT_WORDS.fine} (estimate)`,
  tight: `${VERDICT_WORDS.tight} (estimate)`,
  over: `${VERDICT_WORDS.over}: do not hang it as drawn`,
  refused: `${VERDICT_WORDS.refused}: do not hang it as drawn`,
  'not-checked': `${VERDICT_WORDS['not-checked']}: no load is planned`,
};

function viewPages(pages: Pages, { unit, lines }: ShopSetContext, plan: CabinetPlan, title: string): void {
  const doors = plan.cabinet.panels.some(({ role }) => role === 'door');
  const alone = (name: string, figure: Figure): void => {
    const page = pages.begin(`${title}: ${name}`);
    drawFigure(page, figure, page.room);
  };
  alone('front', viewFigure(plan, 'front', lines, unit, doors));
  const page = pages.begin(`${title}: section and side`);
  drawPair(page, [sectionFigure(plan, lines, unit), viewFigure(plan, 'right', lines, unit)], page.room);
  alone('back', viewFigure(plan, 'back', lines, unit));
  alone('drawn apart', pictureFigure(plan, apartOf(plan), lines));
}

/** Larger cabinets are exploded further. */
function apartOf({ cabinet: { outside } }: CabinetPlan): number {
  return Math.max(outside.width.value, outside.height.value) / 1e6 / 3.4;
}

/** The drawing beside its words. */
function partPages(pages: Pages, context: ShopSetContext, plan: CabinetPlan, title: string): void {
  const flow = new Flow(pages, `${title}: parts`);
  for (const line of plan.parts) partCard(flow, context, line, plan);
}

const WORDS_SHARE = 0.36;
/** Greatest height of a part, so that two fit on a page. */
const MAX_PART_MM = 96;

export function partCard(flow: Flow, { unit, workshop }: Pick<ShopSetContext, 'unit' | 'workshop'>, line: PartLine, plan: CabinetPlan | null): void {
  const figure = { ...partFigure(line, plan, unit), title: nameOf(line) };
  const words = wordsOf(line, pieceDrawing(line, plan?.cabinet ?? null).below, workshop, unit);
  const room = flow.room;
  const wide = (room.width - GAP_MM) * (1 - WORDS_SHARE);
  const lines = words.flatMap((text) => linesOf(text, TEXT_MM, room.width - GAP_MM - wide));
  const height = Math.min(room.height, Math.max(lines.length * LINE + 6, heightOf(figure, wide, MAX_PART_MM)) + 4);
  flow.block(height, (canvas, box) => {
    const [left, right] = shared(box, [1 - WORDS_SHARE, WORDS_SHARE]);
    drawFigure(canvas, figure, { ...left!, y: left!.y + 3, height: left!.height - 3 });
    let at = right!.y + right!.height - 6;
    for (const text of lines) {
      canvas.text(text, { x: right!.x, y: at - TEXT_MM });
      at -= LINE;
    }
    canvas.line(
      [
        { x: box.x, y: box.y + 1 },
        { x: box.x + box.width, y: box.y + 1 },
      ],
      'light',
    );
  });
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function wordsOf(line: PartLine, below: PieceDrawing['below'], workshop: ShopSetContext['workshop'], unit: ShopSetContext['unit']): string[] {
  const grain = line.grain === 'none' ? 'grain either way' : `grain along the ${line.grain}`;
  return [
    `${lengthText(line.length.value, unit)} × ${lengthText(line.width.value, unit)} × ${fineText(line.thickness, unit)}, ${workshop.products[line.stock]?.name ?? line.stock}, ${grain}.`,
    capital(`${edgeWords(line, 'start')} at the left, ${edgeWords(line, below)} below.`),
    ...(line.count > 1 ? [`${line.count} alike: ${line.names.map(labelWords).join(', ')}.`] : []),
    ...(line.mirrorOf === null ? [] : [`Mirror image of ${line.mirrorOf}.`]),
    ...(line.bands.length > 0 ? [`Edge band on the ${line.bands.map((edge) => edgeWords(line, edge)).join(', ')}.`] : []),
    ...line.features.map((feature) => `• ${featureWords(feature, line, unit)}`),
  ];
}

/** Extent of both parts shown around the seam, mm. */
const REACH = 55;
const JOINTS_HIGH_MM = 52;

function jointPages(pages: Pages, { unit }: ShopSetContext, plan: CabinetPlan, title: string): void {
  const drawn = jointGroups(plan.cabinet).flatMap((group) => {
    const section = sectionOfJoint(plan.cabinet, group.connections[0]!);
    return section ? [{ group, figure: jointFigure(group, section) }] : [];
  });
  if (drawn.length === 0) return;
  const flow = new Flow(pages, `${title}: joints`, 2);
  for (const { group, figure } of drawn) {
    const words = jointWords(group, unit);
    flow.block(JOINTS_HIGH_MM, (canvas, box) => {
      const [left, right] = shared(box, [5, 5], 4);
      drawFigure(canvas, figure, { ...left!, y: left!.y + 5, height: left!.height - 5 });
      let at = right!.y + right!.height - 7;
      for (const text of words.flatMap((each) => [...linesOf(each, TEXT_MM, right!.width), ''])) {
        if (text !== '') canvas.text(text, { x: right!.x, y: at - TEXT_MM });
        at -= text === '' ? 1 : LINE;
      }
    });
  }
}

function jointFigure(group: JointGroup, { host, guest, fastener }: NonNullable<ReturnType<typeof sectionOfJoint>>): Figure {
  const rings = (all: typeof host, fill: number): Figure['shapes'] =>
    all.map((ring) => ({ points: ring.map(([x, y]) => ({ x, y })), closed: true, pen: 'heavy', fill }));
  return {
    title: `${labelWords(group.guest.name)} ${group.slot ? 'into' : 'to'} ${labelWords(group.host.name)}`,
    shapes: [
      ...rings(host, CUT_GREY),
      ...rings(guest, 0.95),
      ...(fastener ? [{ points: fastener.map(([x, y]) => ({ x, y })), closed: false, pen: 'bold' as const }] : []),
    ],
    window: { x: -REACH, y: -REACH, width: 2 * REACH, height: 2 * REACH },
  };
}
