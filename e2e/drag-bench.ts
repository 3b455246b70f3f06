/** Dragging, measured in the browser: script, style and layout of each pointer move, and the longest task. A shelf in its drawing, the load slider at Hang. */
import { chromium, type Locator, type Page } from '@playwright/test';
import { startProduct } from './product.ts';

export interface DragFigures {
  readonly moves: number;
  /** Milliseconds of script, style and layout between one pointer move and the next. */
  readonly p95: number;
  readonly median: number;
  readonly longestTask: number;
}

interface Dragged {
  readonly path: string;
  readonly handle: (page: Page) => Locator;
  /** Where in the handle it is taken hold of, as shares of its width and height. */
  readonly hold: readonly [across: number, down: number];
  /** Where the pointer goes from its start at the ordinal move, px. */
  readonly to: (move: number) => readonly [across: number, down: number];
}

const SHELF: Dragged = {
  path: '/project/print-room/ink/box',
  handle: (page) => page.locator('[data-panel="ink/shelf/s1"]').first(),
  hold: [0.5, 0.5],
  to: (move) => [0, -40 + (move % 60)],
};
const LOAD: Dragged = {
  path: '/project/print-room/ink/hang',
  handle: (page) => page.getByRole('slider', { name: 'Contents, times what is planned' }),
  hold: [0.4, 0.5],
  to: (move) => [-30 + ((3 * move) % 120), 0],
};

const MOVES = 120;
/** Other work on the machine shows in every figure: each drag is made so often, and the quietest run counts. */
const RUNS = 5;

export async function benchDrags(): Promise<{ readonly shelf: DragFigures; readonly load: DragFigures }> {
  const product = await startProduct();
  try {
    return { shelf: await quietest(product.url, SHELF), load: await quietest(product.url, LOAD) };
  } finally {
    await product.stop();
  }
}

async function quietest(url: string, dragged: Dragged): Promise<DragFigures> {
  const runs: DragFigures[] = [];
  for (let run = 0; run < RUNS; run++) runs.push(await measure(url, dragged));
  return runs.reduce((a, b) => (b.p95 < a.p95 ? b : a));
}

async function measure(url: string, { path, handle, hold, to }: Dragged): Promise<DragFigures> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium' });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(url + path);
    const held = handle(page);
    await held.scrollIntoViewIfNeeded();
    // The nest works in the background at first: what is measured is the drag.
    await page.waitForTimeout(6000);
    // As text: this file is checked without a browser's own types.
    await page.evaluate(
      "window.longest = 0; new PerformanceObserver((list) => { for (const { duration } of list.getEntries()) window.longest = Math.max(window.longest, duration); }).observe({ type: 'longtask' })",
    );
    const session = await page.context().newCDPSession(page);
    await session.send('Performance.enable');
    const busy = async (): Promise<number> => {
      const { metrics } = await session.send('Performance.getMetrics');
      const of = (name: string): number => metrics.find((each) => each.name === name)?.value ?? 0;
      return (of('ScriptDuration') + of('LayoutDuration') + of('RecalcStyleDuration')) * 1000;
    };
    const box = (await held.boundingBox())!;
    const [x, y] = [box.x + box.width * hold[0], box.y + box.height * hold[1]];
    await page.mouse.move(x, y);
    const shown = (): Promise<string> => page.locator('main').innerText();
    const before = await shown();
    await page.mouse.down();
    const times: number[] = [];
    for (let move = 0; move < MOVES; move++) {
      const start = await busy();
      const [across, down] = to(move);
      await page.mouse.move(x + across, y + down);
      await page.waitForTimeout(34);
      times.push((await busy()) - start);
    }
    const longestTask = (await page.evaluate('window.longest')) as number;
    if ((await shown()) === before) throw new Error(`${path}: nothing followed the pointer, so nothing was measured`);
    await page.mouse.up();
    const sorted = times.slice(10).sort((a, b) => a - b);
    return { moves: sorted.length, p95: sorted[Math.floor(sorted.length * 0.95)]!, median: sorted[Math.floor(sorted.length / 2)]!, longestTask };
  } finally {
    await browser.close();
  }
}
