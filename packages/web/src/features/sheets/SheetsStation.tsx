/** Sheets: how is it cut? Each sheet to scale with its parts; the headline says how near to the fewest. */
import { lineOfPiece, sheetSvg, type NestedSheet } from '@keen/core';
import Download from '@mui/icons-material/FileDownloadOutlined';
import { Alert, Button, LinearProgress } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { download, fileName } from '../../ui/download.ts';
import { LengthText } from '../../ui/LengthText.tsx';
import { selectOpen, selectPlan, useDisplayUnit, type ShownUnit } from '../project/selectors.ts';
import { BoardList } from './BoardList.tsx';
import { SheetDrawing } from './SheetDrawing.tsx';
import { WhichSheet } from './WhichSheet.tsx';
import { nestTotals, useNests, type Nest } from './useNests.tsx';

interface Page {
  readonly nest: Nest;
  readonly sheet: NestedSheet;
  readonly number: number;
}

export function SheetsStation({ shown }: { readonly shown: ShownUnit }) {
  const { nests, searching, stop, searchOn } = useNests();
  const { design, workshop } = useAppSelector(selectOpen);
  const { parts } = useAppSelector(selectPlan);
  const unit = useDisplayUnit();
  const selected = useAppSelector(({ view }) => view.selected);
  const [picked, setPicked] = useState<{ product: string; number: number } | null>(null);
  const pages = nests.flatMap((nest): Page[] => (nest.plan?.sheets ?? []).map((sheet, index) => ({ nest, sheet, number: index + 1 })));
  const ofSelected = selected ? pages.find(({ sheet }) => sheet.placements.some(({ part }) => lineOfPiece(parts, part)?.panels.includes(selected))) : undefined;
  const page =
    pages.find(({ nest, number }) => picked && nest.job.product === picked.product && number === picked.number) ??
    ofSelected ??
    pages.find(({ nest }) => nest.job.product === shown.box.stock) ??
    pages[0];
  const totals = nestTotals(nests);
  const proved = nests.length > 0 && nests.every(({ plan }) => plan?.proved);
  const unplaced = nests.flatMap(({ plan }) => plan?.unplaced ?? []);
  const save = (): void => {
    if (!page) return;
    const name = workshop.products[page.nest.job.product]!.name;
    const markOf = (piece: string): string => lineOfPiece(parts, piece)?.mark ?? piece;
    download(
      `${fileName(design.name)}-${fileName(name)}-${page.number}.svg`,
      'image/svg+xml',
      sheetSvg({ title: `${design.name}: ${name}, sheet ${page.number}`, sheet: page.sheet, problem: page.nest.job.problem, unit, markOf }),
    );
  };
  return (
    <div className="station-body">
      <h1>{headline(totals?.sheets, proved, searching)}</h1>
      <div className="lead" role="status">
        {searching ? (
          <span className="nesting">
            <LinearProgress
              aria-label="Looking for a better layout"
              variant="determinate"
              value={100 * Math.max(0, ...nests.map(({ progress }) => progress ?? 0))}
            />
            looking for a better layout <Button onClick={stop}>Stop</Button>
          </span>
        ) : (
          <span>
            {page && `${workshop.products[page.nest.job.product]!.name}, sheet ${page.number}: ${usedShare(page)} % used. `}
            {!proved && totals && <Button onClick={searchOn}>Look for ten seconds more</Button>}
          </span>
        )}
      </div>
      {unplaced.length > 0 && <Alert severity="error">{unplaced.map(({ part, why }) => `${lineOfPiece(parts, part)?.mark ?? part}: ${why}`).join('; ')}</Alert>}
      <div className="sheet-tabs" role="group" aria-label="Sheets">
        {pages.map(({ nest, number, sheet }) => (
          <button
            key={`${nest.job.product}${number}`}
            type="button"
            aria-pressed={nest === page?.nest && number === page.number}
            onClick={() => setPicked({ product: nest.job.product, number })}
          >
            {sheet.sheet === nest.job.product ? workshop.products[nest.job.product]!.name : sheet.sheet.replace('-', ' ')}{' '}
            {nest.plan!.sheets.length > 1 && number}
          </button>
        ))}
        {page && (
          <Button startIcon={<Download />} onClick={save}>
            This sheet as SVG
          </Button>
        )}
      </div>
      {page ? <SheetDrawing page={page} parts={parts} unit={unit} stale={page.nest.stale} /> : <p className="quiet">Working out the first layout …</p>}
      {page && (
        <p className="sheet-note quiet">
          Kerf <LengthText value={page.nest.job.problem.kerf} unit={unit} exact withUnit />,{' '}
          <LengthText value={page.nest.job.problem.trim} unit={unit} exact withUnit /> trimmed off every edge first. No plan for this kind can do with fewer
          than {page.nest.plan!.bound.sheets}: {page.nest.plan!.bound.why}.
        </p>
      )}
      {page && (
        <WhichSheet key={`${page.nest.job.product} ${page.number}`} product={page.nest.job.product} pieces={page.sheet.placements.map(({ part }) => part)} />
      )}
      <BoardList />
    </div>
  );
}

function headline(sheets: number | undefined, proved: boolean, searching: boolean): string {
  if (sheets === undefined) return 'Working out the sheets …';
  const words = `${sheets} ${sheets === 1 ? 'sheet' : 'sheets'} in all`;
  if (proved) return `${words}. No plan can use fewer.`;
  return searching ? `${words} so far.` : `${words}, the best found.`;
}

const usedShare = ({ sheet, nest }: Page): number => {
  const kind = nest.job.problem.sheets.find(({ id }) => id === sheet.sheet)!;
  const used = sheet.placements.reduce((sum, { dx, dy }) => sum + (dx / 1e6) * (dy / 1e6), 0);
  return Math.round((100 * used) / ((kind.length / 1e6) * (kind.width / 1e6)));
};
