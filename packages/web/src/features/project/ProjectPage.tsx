/** A project: the wall strip on top, stations at the left, the drawing in the middle, the reading pane, the key figures. */
import { useMediaQuery, Drawer, IconButton, Snackbar, Button, Alert } from '@mui/material';
import MenuBook from '@mui/icons-material/MenuBook';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { ExplainProvider } from '../../ui/Explained.tsx';
import { Guarded } from '../../ui/Guarded.tsx';
import { useHotkeys, type Hotkey } from '../../ui/useHotkeys.ts';
import { BoxStation } from '../box/BoxStation.tsx';
import { BuildStation } from '../build/BuildStation.tsx';
import { ContentsStation } from '../contents/ContentsStation.tsx';
import { HangStation } from '../hang/HangStation.tsx';
import { JointsStation } from '../joints/JointsStation.tsx';
import { LogStation } from '../log/LogStation.tsx';
import { NestProvider } from '../sheets/useNests.tsx';
import { SheetsStation } from '../sheets/SheetsStation.tsx';
import { StockStation } from '../stock/StockStation.tsx';
import { SumsStation } from '../sums/SumsStation.tsx';
import { WallStation } from '../wall/WallStation.tsx';
import { CannotPlan } from './CannotPlan.tsx';
import { NoSuchCabinet } from './NoSuchCabinet.tsx';
import { EmptyProject } from './EmptyProject.tsx';
import { DeletedNotice } from './DeletedNotice.tsx';
import { Finder } from './Finder.tsx';
import { LiveRegion } from './LiveRegion.tsx';
import { noticeRead, problemDismissed, redone, refusedEntriesRemoved, undone } from './project.slice.ts';
import { ReadingPane } from './ReadingPane.tsx';
import { NO_CABINET, selectOpen, useIsUnknownCabinet, useCabinet, useUnplanned, type ShownCabinet } from './selectors.ts';
import { focusField } from './focusField.ts';
import { stationOfField } from './stationOfField.ts';
import { ShortcutList } from './ShortcutList.tsx';
import { StationFault } from './StationFault.tsx';
import { STATIONS, Stations, type StationId } from './Stations.tsx';
import { Tally } from './Tally.tsx';
import { TopBar } from './TopBar.tsx';
import { SetAsideNotice } from './SetAsideNotice.tsx';
import { TwoVersionsDialog } from './TwoVersionsDialog.tsx';
import { useUndo } from './useUndo.tsx';
import { panelSelected, picked } from './view.slice.ts';

const NARROW = '(max-width: 999px)';
export function ProjectPage() {
  const { station: stationText, unitId: here = NO_CABINET } = useParams();
  const station: StationId = STATIONS.find(({ id }) => id === stationText)?.id ?? 'box';
  const summing = stationText === 'sums';
  const { id, design } = useAppSelector(selectOpen);
  const shown = useCabinet();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const narrow = useMediaQuery(NARROW);
  const [paneOpen, setPaneOpen] = useState(false);
  const [finding, setFinding] = useState(false);
  const [listing, setListing] = useState(false);
  const undo = useUndo();

  /** Synchronous: a transition would wait while a search keeps reporting better layouts. */
  const goTo = (to: StationId, cabinetId = shown?.spec.id ?? here): void => void navigate(`/project/${id}/${cabinetId}/${to}`, { flushSync: true });
  /** To the field a number was entered in. */
  const goToSource = (path: readonly string[]): void => {
    const [root, owner, ...rest] = path;
    dispatch(panelSelected(null));
    if (root === 'items') dispatch(picked({ kind: 'item', id: owner! }));
    if (root === 'wall' && owner === 'rails') dispatch(picked({ kind: 'rail', id: rest[0]! }));
    const field = root === 'units' ? rest : path;
    const spec = root === 'units' ? design.units[owner!] : undefined;
    if (root === 'units') goTo(spec ? stationOfField(spec, rest) : 'box', owner);
    else goTo(root === 'items' ? 'contents' : root === 'price' ? 'stock' : 'wall');
    if (narrow) setPaneOpen(true);
    focusField(field.join('.'));
  };

  const toSums = (): void => void navigate(`/project/${id}/${here}/sums`, { flushSync: true });
  const hotkeys = useMemo<readonly Hotkey[]>(
    () => [
      { keys: 'Ctrl+Z', does: 'Undo', run: undo },
      { keys: 'Ctrl+Shift+Z', does: 'Redo', run: () => dispatch(redone()) },
      { keys: 'Ctrl+Y', does: 'Redo', run: () => dispatch(redone()) },
      { keys: 'Ctrl+K', does: 'Find a part, thing, cabinet, station or command', run: () => setFinding(true) },
      ...STATIONS.map((row, index) => ({
        keys: String(index + 1),
        does: `Station ${row.name}`,
        run: () => void navigate(`/project/${id}/${here}/${row.id}`, { flushSync: true }),
      })),
      { keys: '0', does: 'Quick sums', run: () => void navigate(`/project/${id}/${here}/sums`, { flushSync: true }) },
      { keys: 'Escape', does: 'Select nothing', run: () => dispatch(picked(null)) },
      { keys: '?', does: 'This list', run: () => setListing(true) },
    ],
    [dispatch, here, id, navigate, undo],
  );
  useHotkeys(hotkeys);

  const pointedAt = useAppSelector(({ view }) => `${view.selected ?? ''} ${view.picked?.id ?? ''}`);
  const paneRef = useRef<HTMLElement>(null);
  // New content starts at its top.
  useEffect(() => {
    if (paneRef.current) paneRef.current.scrollTop = 0;
  }, [pointedAt, station]);
  // A failed part is retried when the design, the station or the cabinet changes.
  const guarded = useMemo(() => ({ design, station, here, summing }), [design, station, here, summing]);
  const pane = (
    <Guarded of={guarded} fallback={() => <p className="caution">This cannot be shown for the design as it is.</p>}>
      <ReadingPane shown={shown} station={station} onStation={goTo} />
    </Guarded>
  );
  return (
    <NestProvider>
      <ExplainProvider onSource={goToSource}>
        <div className="project">
          <TopBar station={station} onFind={() => setFinding(true)} onUndo={undo} />
          <SetAsideNotice />
          <DeletedNotice />
          <Stations current={summing ? null : station} onStation={goTo} onSums={toSums} />
          <main className="station" id="station">
            <Guarded of={guarded} fallback={(error) => <StationFault error={error} />}>
              {summing && shown ? <SumsStation shown={shown} /> : <StationBody station={station} shown={shown} onStation={goTo} onField={goToSource} />}
            </Guarded>
          </main>
          {!narrow && (
            <aside className="pane" aria-label="Reading pane" ref={paneRef}>
              {pane}
            </aside>
          )}
          {narrow && (
            <>
              <IconButton className="pane-button" color="secondary" aria-label="Open the reading pane" onClick={() => setPaneOpen(true)}>
                <MenuBook />
              </IconButton>
              <Drawer
                anchor="bottom"
                open={paneOpen}
                onClose={() => setPaneOpen(false)}
                slotProps={{ paper: { className: 'pane pane-drawer', 'aria-label': 'Reading pane' } }}
              >
                <Button className="pane-close" onClick={() => setPaneOpen(false)}>
                  Close
                </Button>
                {pane}
              </Drawer>
            </>
          )}
          <Guarded of={guarded} fallback={() => null}>
            {shown && <Tally shown={shown} onStation={goTo} />}
          </Guarded>
        </div>
        <Finder open={finding} onClose={() => setFinding(false)} onStation={goTo} hotkeys={hotkeys} />
        <ShortcutList open={listing} onClose={() => setListing(false)} hotkeys={hotkeys} />
        <TwoVersionsDialog />
        <Notices />
        <LiveRegion />
      </ExplainProvider>
    </NestProvider>
  );
}

/** Content of a station; contents and wall also before there is a cabinet. */
function StationBody({
  station,
  shown,
  onStation,
  onField,
}: {
  readonly station: StationId;
  readonly shown: ShownCabinet | undefined;
  readonly onStation: (station: StationId, unit?: string) => void;
  readonly onField: (path: readonly string[]) => void;
}) {
  const unplanned = useUnplanned();
  const isUnknown = useIsUnknownCabinet();
  if (station === 'contents') return <ContentsStation shown={shown} />;
  if (station === 'wall') return <WallStation shown={shown} />;
  if (unplanned) return <CannotPlan shown={unplanned} onField={onField} />;
  if (isUnknown) return <NoSuchCabinet station={station} />;
  if (!shown) return <EmptyProject onStation={onStation} />;
  switch (station) {
    case 'box':
      return <BoxStation shown={shown} />;
    case 'joints':
      return <JointsStation shown={shown} onStation={onStation} />;
    case 'stock':
      return <StockStation shown={shown} />;
    case 'sheets':
      return <SheetsStation shown={shown} />;
    case 'hang':
      return <HangStation shown={shown} />;
    case 'build':
      return <BuildStation shown={shown} />;
    case 'log':
      return <LogStation shown={shown} />;
  }
}

function Notices() {
  const { notice, problem, refusedEntries } = useAppSelector(selectOpen);
  const dispatch = useAppDispatch();
  return (
    <>
      <Snackbar
        key={notice?.id}
        open={notice !== null}
        autoHideDuration={6000}
        onClose={(_event, reason) => reason !== 'clickaway' && dispatch(noticeRead())}
        message={notice?.text}
        action={
          notice?.undo ? (
            <Button className="on-ink" onClick={() => dispatch(undone())}>
              Undo
            </Button>
          ) : undefined
        }
      />
      <Snackbar open={refusedEntries.length > 0}>
        <Alert
          severity="error"
          action={
            <Button color="inherit" onClick={() => dispatch(refusedEntriesRemoved(Date.now()))}>
              Delete {refusedEntries.length === 1 ? 'entry' : 'entries'}
            </Button>
          }
        >
          {refusedEntries.length === 1 ? 'One entry of the log was' : `${refusedEntries.length} entries of the log were`} not accepted:{' '}
          {refusedEntries[0]?.problem.message}. Everything else is saved.
        </Alert>
      </Snackbar>
      <Snackbar open={problem !== null}>
        <Alert severity="error" onClose={() => dispatch(problemDismissed())}>
          {problem?.message}. Accepted: {problem?.accepted}
        </Alert>
      </Snackbar>
    </>
  );
}
