/** The shop set: everything a person takes to the bench and the wall, page by page. Drawn once here; PDF, SVG and preview show the same pages. */
import { LOOSE, Refusal, massText, shoppingCost, tapeText, tapeTextWithUnit } from '@keen/core';
import { linesOf, wideAs } from '../letters.ts';
import { across, type PaperId } from '../paper.ts';
import type { SheetPicture } from '../sheet-picture.ts';
import { SMALL_MM, TEXT_MM, type Box, type Canvas } from './canvas.ts';
import type { ShopSetContext } from './chapter.ts';
import { drawFigure, heightOf } from './figure.ts';
import { Flow, Pages } from './flow.ts';
import { hangingChapter } from './hanging-chapter.ts';
import { cautionsChapter, cutListChapter, shoppingChapter } from './list-chapters.ts';
import { sheetsChapter } from './sheets-chapter.ts';
import { plannedCabinets, shopSetContext, type ShopSetInput } from './shop-set-context.ts';
import { facts, partCard, shared, tallyOf, cabinetChapter } from './cabinet-chapters.ts';
import { wallFigure } from './wall-figure.ts';
import { setupsChapter, stepsChapter } from './work-chapters.ts';

export interface SetWish extends ShopSetInput {
  readonly paper: PaperId;
  /** Revision of the project, at the foot of every page. */
  readonly revision: string;
}

/** Progress: pages are counted when all are drawn. */
export interface SetProgress {
  readonly done: number;
  readonly of: number;
  readonly doing: string;
}

/**
 * All pages. `tell` is called at the start of each part.
 * @throws Refusal on an unknown cabinet, or a project without any
 */
export function shopSet(wish: SetWish, tell: (progress: SetProgress) => void = () => {}): SheetPicture[] {
  const { project, paper, revision } = wish;
  const planned = plannedCabinets(wish);
  const { cabinets } = planned;
  if (cabinets.length === 0) throw new Refusal('nothing', 'there is no cabinet in the project yet', 'project', 'a project with a cabinet');
  const steps = cabinets.length + 8 + (wish.units.length === 0 && Object.keys(project.design.loose).length > 0 ? 1 : 0);
  let done = 0;
  const begin = (doing: string): void => tell({ done: done++, of: steps, doing });
  begin('laying the parts on sheets');
  const context = shopSetContext(wish, planned);
  const pages = new Pages(across(paper));
  const contents: { readonly title: string; readonly page: number }[] = [];
  const chapter = (title: string, write: () => void): void => {
    begin(title);
    const page = pages.all.length + 1;
    write();
    if (pages.all.length >= page) contents.push({ title, page });
  };
  pages.begin('shop set');
  for (const cabinetPlan of cabinets)
    chapter(`${cabinetPlan.letter} ${cabinetPlan.name}`, () => {
      cabinetChapter(pages, context, cabinetPlan);
      hangingChapter(pages, context, cabinetPlan);
    });
  const loose = context.parts.filter(({ unit }) => unit === LOOSE);
  if (loose.length > 0)
    chapter('parts without a cabinet', () => {
      const flow = new Flow(pages, 'parts without a cabinet');
      for (const line of loose) partCard(flow, context, line, null);
    });
  chapter('shopping list', () => shoppingChapter(pages, context));
  chapter('cut list', () => cutListChapter(pages, context));
  chapter('sheets and boards, cut by cut', () => sheetsChapter(pages, context));
  chapter('setups', () => setupsChapter(pages, context));
  chapter('the build, step by step', () => stepsChapter(pages, context));
  chapter('what to look at, and what was assumed', () => cautionsChapter(pages, context));
  begin('cover');
  cover(pages, context, contents);
  const name = project.design.name;
  return pages.all.map((page, index) => page.picture({ project: name, revision, page: index + 1, of: pages.all.length }));
}

const LINE = TEXT_MM * 1.9;

/** Cover: the wall, the totals, and the contents. */
function cover(pages: Pages, context: ShopSetContext, contents: readonly { readonly title: string; readonly page: number }[]): void {
  const { design, cabinets, unit, workshop, laid, shopping } = context;
  const [page] = pages.all;
  const { room } = page!;
  const titleHigh = 8;
  const name = linesOf(design.name, titleHigh, room.width, true)[0] ?? '';
  page!.text(name, { x: room.x, y: room.y + room.height - titleHigh - 2 }, { high: titleHigh, bold: true });
  const below = { ...room, height: room.height - titleHigh - 8 };
  const [left, right] = shared(below, [6.4, 3.6], 9);
  const listHigh = contents.length * LINE + 10;
  const list = { ...right!, y: right!.y, height: Math.min(listHigh, right!.height * 0.75) };
  const sheets = laid.reduce((sum, { plan: { sheets: all } }) => sum + all.length, 0);
  const { net, tax } = shoppingCost(shopping, workshop.tax);
  const [only] = cabinets;
  const rows: (readonly [string, string])[] =
    cabinets.length === 1
      ? [...tallyOf(only!, unit)]
      : [
          ['cabinets', String(cabinets.length)],
          ['on a wall', `${tapeTextWithUnit(design.wall.width.nm, unit)} wide, ${tapeTextWithUnit(design.wall.ceiling.nm, unit)} high`],
          [
            'weight in all',
            `${massText(
              cabinets.reduce((sum, { weights }) => sum + weights.empty.mass.value, 0),
              unit,
            )} empty, ${massText(
              cabinets.reduce((sum, { loaded }) => sum + loaded.mass.value, 0),
              unit,
            )} loaded`,
          ],
        ];
  rows.push([
    'the whole project',
    `${sheets} ${sheets === 1 ? 'sheet' : 'sheets'}, ${[(net + tax).toFixed(2), workshop.currency].join(' ').trim()} for sheets and boards`,
  ]);
  const wall = wallFigure(design, cabinets, 'the wall');
  const wallHigh = heightOf(wall, left!.width, left!.height * 0.62);
  drawFigure(page!, wall, { ...left!, y: left!.y + left!.height - wallHigh, height: wallHigh });
  cabinetTable(page!, context, { ...left!, height: left!.height - wallHigh - 6 });
  facts(page!, { ...right!, y: list.y + list.height, height: right!.height - list.height }, rows);
  let y = list.y + list.height - 6;
  page!.text('In this set', { x: list.x, y }, { high: 3, bold: true });
  const step = Math.min(LINE, (list.height - 8) / Math.max(1, contents.length));
  for (const { title, page: number } of contents) {
    y -= step;
    page!.text(String(number), { x: list.x + list.width, y }, { from: 'end', high: step < LINE ? SMALL_MM : TEXT_MM });
    page!.text(title, { x: list.x, y }, { most: list.width - wideAs({ text: '9999', high: TEXT_MM }) - 2, high: step < LINE ? SMALL_MM : TEXT_MM });
  }
}

/** One line per cabinet: letter, name, size, weight. */
function cabinetTable(page: Canvas, { cabinets, unit }: ShopSetContext, box: Box): void {
  const line = Math.min(LINE + 1.2, box.height / Math.max(1, cabinets.length));
  const high = line < LINE ? SMALL_MM : TEXT_MM;
  let y = box.y + box.height;
  for (const { letter, name, cabinet: solid, weights, loaded } of cabinets) {
    y -= line;
    const { width, height, depth } = solid.outside;
    page.text(letter, { x: box.x, y }, { high, bold: true });
    page.text(name, { x: box.x + 9, y }, { high, most: box.width * 0.25 });
    page.text(
      [width, height, depth].map(({ value }) => tapeText(value, unit)).join(' × '),
      { x: box.x + 9 + box.width * 0.26, y },
      { high, most: box.width * 0.43 },
    );
    page.text(`${massText(weights.empty.mass.value, unit)}, loaded ${massText(loaded.mass.value, unit)}`, { x: box.x + box.width, y }, { high, from: 'end' });
    page.line(
      [
        { x: box.x, y: y - line * 0.28 },
        { x: box.x + box.width, y: y - line * 0.28 },
      ],
      'light',
    );
  }
}
