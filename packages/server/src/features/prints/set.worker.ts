/** The thread a shop set is drawn on: all pages, as PDF and as pictures for a screen. */
import { parentPort, workerData } from 'node:worker_threads';
import { readNestPlan, Refusal } from '@keen/core';
import { picturesPdf, pictureSvg, shopSet } from '@keen/exchange';
import type { SetOrder, SetWord } from './set-threads.ts';

const { project, units, paper, display, revision, layouts } = workerData as SetOrder;
const tell = (word: SetWord): void => parentPort!.postMessage(word);

try {
  const known = new Map(Object.entries(layouts).map(([product, plan]) => [product, readNestPlan(plan)]));
  let steps = 0;
  const pages = shopSet({ project, units, paper, display, revision, layouts: known }, ({ done, of, doing }) => {
    steps = of;
    tell({ type: 'doing', done, of: of + 1, doing });
  });
  tell({ type: 'doing', done: steps, of: steps + 1, doing: `${pages.length} pages` });
  const pdf = await picturesPdf(pages, project.design.name);
  tell({ type: 'done', pdf, pages: pages.map(pictureSvg) });
} catch (error) {
  if (error instanceof Refusal) tell({ type: 'refused', problem: error.problem });
  else throw error;
}
