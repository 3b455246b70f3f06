/** Sheets station: each sheet to scale with its parts; the headline says how close to the fewest. */
import {
  cutWords,
  isNewSheet,
  keepsOffcut,
  lineOfPiece,
  pieceName,
  pinsThatFail,
  sheetSvg,
  sizeWords,
  type DisplayUnit,
  type NestedSheet,
  type PartLine,
} from '@keen/core';
import { Alert, Button, LinearProgress } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { fileName } from '../../ui/download.ts';
import { LengthText } from '../../ui/LengthText.tsx';
import { SaveFile } from '../../ui/SaveFile.tsx';
import { selectLearned, selectOpen, selectPlan, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import { BoardList } from './BoardList.tsx';
import { CutsView } from './CutsView.tsx';
import { CuttingWays } from './CuttingWays.tsx';
import { ServerSearchGoing, ServerSearchOffer } from './ServerSearchLine.tsx';
import { SheetDrawing } from './SheetDrawing.tsx';
import { StoreUse } from './StoreUse.tsx';
import { WhatIfs } from './WhatIfs.tsx';
import { WhichSheet } from './WhichSheet.tsx';
import { Labels } from './Labels.tsx';
import { PinFields } from './PinFields.tsx';
import { usePins, type Pins } from './usePins.ts';
import { useCutting } from './useCutting.ts';
import { sheetsHeadline } from './sheetsHeadline.ts';
import { nestTotals, useNests, type Nest } from './useNests.tsx';

interface Page {
  readonly nest: Nest;
  readonly sheet: NestedSheet;
  readonly number: number;
}

export function SheetsStation({ shown }: { readonly shown: ShownCabinet }) {
  const { nests, searching, stop, searchOn, layAgain } = useNests();
  const { design, workshop } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const { parts } = plan;
  const unit = useDisplayUnit();
  const selected = useAppSelector(({ view }) => view.selected);
  const [picked, setPicked] = useState<{ product: string; number: number } | null>(null);
  const [view, setView] = useState<'layout' | 'cuts'>('layout');
  const pages = nests.flatMap((nest): Page[] => (nest.plan?.sheets ?? []).map((sheet, index) => ({ nest, sheet, number: index + 1 })));
  const ofSelected = selected ? pages.find(({ sheet }) => sheet.placements.some(({ part }) => lineOfPiece(parts, part)?.panels.includes(selected))) : undefined;
  const page =
    pages.find(({ nest, number }) => picked && nest.job.product === picked.product && number === picked.number) ??
    ofSelected ??
    pages.find(({ nest }) => nest.job.product === shown.spec.stock) ??
    pages[0];
  const totals = nestTotals(nests);
  const proved = nests.length > 0 && nests.every(({ plan, cut }) => plan?.proved || cut !== null);
  const unplaced = nests.flatMap(({ plan }) => plan?.unplaced ?? []);
  const nameOf = ({ nest, sheet }: Page): string => sheetName(sheet.sheet, nest.job.product, workshop.products[nest.job.product]!.name);
  const svgOf = ({ nest, sheet, number }: Page): string =>
    sheetSvg({
      title: `${design.name}: ${workshop.products[nest.job.product]!.name}, sheet ${number}`,
      sheet,
      problem: nest.job.problem,
      unit,
      markOf: (piece) => lineOfPiece(parts, piece)?.mark ?? piece,
    });
  return (
    <div className="station-body scroll">
      <h1>{sheetsHeadline(totals, unplaced.length, proved, searching)}</h1>
      <div className="lead sheets-lead" role="status">
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
            {page && <SheetLead page={page} parts={parts} unit={unit} />}
            {!proved && totals && <Button onClick={searchOn}>Look for ten seconds more</Button>}
          </span>
        )}
      </div>
      {unplaced.length > 0 && <Alert severity="error">{unplaced.map(({ part, why }) => `${lineOfPiece(parts, part)?.mark ?? part}: ${why}`).join('; ')}</Alert>}
      {page?.nest.cut && page.nest.stale && (
        <Alert
          severity="warning"
          action={
            <Button color="inherit" onClick={() => void layAgain(page.nest.job.product)}>
              Lay out what is left
            </Button>
          }
        >
          Cuts are made on this layout, and what is still wanted has changed since: a part is new, another size, or spoiled. What is cut stays; the rest can be
          laid out again over what is really left.
        </Alert>
      )}
      {page && <ServerSearchGoing nest={page.nest} />}
      <div className="sheet-tabs">
        <div role="group" aria-label="Sheets">
          {pages.map((each) => (
            <button
              key={`${each.nest.job.product}${each.number}`}
              type="button"
              aria-pressed={each.nest === page?.nest && each.number === page.number}
              data-sheet={each.sheet.sheet}
              data-product={each.nest.job.product}
              onClick={() => setPicked({ product: each.nest.job.product, number: each.number })}
            >
              {nameOf(each)} {each.nest.plan!.sheets.length > 1 && each.number}
            </button>
          ))}
        </div>
      </div>
      <div className="sheet-tabs">
        <div role="tablist" aria-label="What is shown">
          {(['layout', 'cuts'] as const).map((each) => (
            <button key={each} type="button" role="tab" aria-selected={view === each} onClick={() => setView(each)}>
              {each === 'layout' ? 'Layout' : 'Cut by cut'}
            </button>
          ))}
        </div>
        {page && (
          <SaveFile
            name={`${fileName(design.name)}-${fileName(workshop.products[page.nest.job.product]!.name)}-${page.number}.svg`}
            type="image/svg+xml"
            make={() => Promise.resolve(svgOf(page))}
          >
            This sheet as SVG
          </SaveFile>
        )}
        {page && (
          <SaveFile
            name={`${fileName(design.name)}-sheets.dxf`}
            type="image/vnd.dxf"
            make={async () => {
              const { sheetsDxf, sheetsToDraw } = await import('@keen/exchange');
              const all = nests.flatMap(({ job, plan: laid }) => (laid ? sheetsToDraw(job, laid, workshop.products[job.product]!.name) : []));
              return sheetsDxf(all, plan, unplaced);
            }}
          >
            All sheets as DXF
          </SaveFile>
        )}
      </div>
      {!page && <p className="quiet">Working out the first layout …</p>}
      {page && view === 'layout' && <LayoutView page={page} parts={parts} unit={unit} />}
      {page && view === 'cuts' && <CutsOf key={page.nest.job.product} nest={page.nest} parts={parts} unit={unit} />}
      <StoreUse />
      {page && <ServerSearchOffer nest={page.nest} />}
      {page && view === 'layout' && (
        <WhichSheet key={`${page.nest.job.product} ${page.number}`} product={page.nest.job.product} pieces={page.sheet.placements.map(({ part }) => part)} />
      )}
      <CuttingWays />
      <WhatIfs shown={shown} />
      <BoardList />
      <Labels shown={shown} />
    </div>
  );
}

/** A sheet's name: its product, an offcut, or a remaining piece. */
const sheetName = (sheet: string, product: string, name: string): string =>
  isNewSheet(sheet, product) ? name : sheet.includes('/') ? `rest of ${name}` : `${pieceName(sheet)}, ${name}`;

interface ShownPage {
  readonly page: Page;
  readonly parts: readonly PartLine[];
  readonly unit: DisplayUnit;
}

/** First cuts, and the offcuts worth keeping. */
function SheetLead({ page, parts, unit }: ShownPage) {
  const cutting = useCutting(page.nest);
  const { workshop } = useAppSelector(selectLearned);
  if (!cutting) return null;
  const { steps, left, settings, impossible } = cutting.sequence;
  const next = steps.find((step) => cutting.canMake(step));
  const kept = left.filter(({ piece }) => keepsOffcut(workshop.shop, piece));
  const markOf = (piece: string): string => lineOfPiece(parts, piece)?.mark ?? piece;
  return (
    <>
      {next
        ? `${cutting.done.size > 0 ? 'Next' : 'First'}: ${lowerFirst(cutWords(next, { markOf, unit, sheets: page.nest.plan!.sheets.length }).what)} `
        : steps.length > 0
          ? 'All cuts are made. '
          : ''}
      {steps.length} cuts, {settings} settings;{' '}
      {kept.length === 0
        ? 'nothing left that is worth keeping'
        : `worth keeping: ${kept
            .slice(0, 3)
            .map(({ piece }) => sizeWords(piece, unit))
            .join(', ')}${kept.length > 3 ? ` and ${kept.length - 3} more` : ''}`}
      .{impossible.length > 0 && <span className="danger"> {impossible.length} of them no saw here can make.</span>}
    </>
  );
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

function LayoutView({ page, parts, unit }: ShownPage) {
  const cutting = useCutting(page.nest);
  const { workshop } = useAppSelector(selectLearned);
  const kept = cutting?.sequence.left.filter(({ sheet, piece }) => sheet === page.number - 1 && keepsOffcut(workshop.shop, piece)) ?? [];
  const { bound } = page.nest.plan!;
  const pins = usePins(page.nest);
  return (
    <div className="sheet-layout">
      <SheetDrawing page={page} parts={parts} unit={unit} stale={page.nest.stale} left={kept} {...(page.nest.cut ? {} : { pins })} />
      {!page.nest.cut && <PinLine page={page} parts={parts} unit={unit} pins={pins} />}
      <p className="sheet-note quiet">
        {usedShare(page)} % used. Kerf <LengthText value={page.nest.job.problem.kerf} unit={unit} exact withUnit />,{' '}
        <LengthText value={page.nest.job.problem.trim} unit={unit} exact withUnit /> trimmed off every edge first.{' '}
        {page.nest.cut ? `${sentence(bound.why)}.` : `No plan for this kind can do with fewer than ${bound.sheets}: ${bound.why}.`}
      </p>
    </div>
  );
}

/** Pinning by hand: the selected part, the whole sheet, and invalid pins. */
function PinLine({ page, parts, unit, pins }: ShownPage & { readonly pins: Pins }) {
  const selected = useAppSelector(({ view }) => view.selected);
  const { design } = useAppSelector(selectOpen);
  const { nest, sheet } = page;
  const own = sheet.placements.find(
    ({ part }) => selected !== null && (part === selected || (lineOfPiece(parts, part)?.id === part && lineOfPiece(parts, part)!.panels.includes(selected))),
  );
  const pinned = sheet.placements.filter(({ part }) => pins.isPinned(part));
  const failed = pinsThatFail(nest.job.problem, nest.job.product, design.pins);
  return (
    <div className="pin-line">
      {own ? (
        <PinFields key={`${own.part} ${own.x} ${own.y} ${own.turned}`} nest={nest} sheet={sheet} placement={own} parts={parts} unit={unit} />
      ) : (
        <span className="quiet">Drag a part to pin it somewhere, or onto another sheet’s name; the others are laid out round it.</span>
      )}
      {pinned.length < sheet.placements.length && <Button onClick={() => pins.pin(sheet.sheet, ...sheet.placements)}>Pin all of this sheet</Button>}
      {pinned.length > 0 && <Button onClick={() => pins.unpin(...pinned.map(({ part }) => part))}>Let all {pinned.length} go</Button>}
      {failed.length > 0 && (
        <Alert
          severity="warning"
          action={
            <Button color="inherit" onClick={() => pins.unpin(...failed)}>
              Let them go
            </Button>
          }
        >
          {failed.map((part) => lineOfPiece(parts, part)?.mark ?? part).join(', ')}: pinned where {failed.length === 1 ? 'it does' : 'they do'} not fit any
          more.
        </Alert>
      )}
    </div>
  );
}

const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function CutsOf({ nest, parts, unit }: { readonly nest: Nest; readonly parts: readonly PartLine[]; readonly unit: DisplayUnit }) {
  const cutting = useCutting(nest);
  return cutting ? <CutsView nest={nest} cutting={cutting} parts={parts} unit={unit} /> : <p className="quiet">Working out the cuts …</p>;
}

const usedShare = ({ sheet, nest }: Page): number => {
  const kind = nest.job.problem.sheets.find(({ id }) => id === sheet.sheet)!;
  const used = sheet.placements.reduce((sum, { dx, dy }) => sum + (dx / 1e6) * (dy / 1e6), 0);
  return Math.round((100 * used) / ((kind.length / 1e6) * (kind.width / 1e6)));
};
