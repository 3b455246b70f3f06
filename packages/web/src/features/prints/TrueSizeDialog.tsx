/** True-size prints: which drawings, of what, on which paper and printer, with a preview of the sheets and their PDF. */
import type { Problem } from '@keen/core';
import type { PaperId } from '@keen/exchange';
import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from '@mui/material';
import { useState } from 'react';
import { AWAY } from '../../app/api.ts';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { selectOpen, type ShownCabinet } from '../project/selectors.ts';
import { PAPER_CHOICES, usualPaper } from './papers.ts';
import { SheetPreview } from './SheetPreview.tsx';
import { useTrueSize, type Printed } from './useTrueSize.ts';
import { keepPrinter, keptPrinters, MIN_MM, MAX_MM, type Printer } from './printers.ts';
import { useStoppable } from '../../ui/useStoppable.ts';

const KINDS: readonly { readonly value: Printed; readonly label: string }[] = [
  { value: 'sticks', label: 'story sticks' },
  { value: 'templates', label: 'templates of parts' },
  { value: 'wedges', label: 'wedges for its angles' },
];
/** Text where nothing in the cabinet needs a kind of drawing. */
const NOTHING: Readonly<Record<Printed, string>> = {
  sticks: 'No part of it has more than one mark along an edge.',
  templates: 'Nothing is cut into its parts.',
  wedges: 'Everything in it is square.',
};
const TRUE: Printer = { name: '', along: 100, up: 100 };

export interface TrueSizeDialogProps {
  readonly shown: ShownCabinet;
  readonly first: Printed;
  readonly onClose: () => void;
}

export function TrueSizeDialog({ shown, first, onClose }: TrueSizeDialogProps) {
  const { id } = useAppSelector(selectOpen);
  const selected = useAppSelector(({ view }) => view.selected);
  const [kind, setKind] = useState<Printed>(first);
  const own = shown.plan.parts.find(({ panels }) => selected !== null && panels.includes(selected));
  const [part, setPart] = useState(own?.mark ?? '');
  const [paper, setPaper] = useState(usualPaper(shown.unit));
  const [at, setAt] = useState(0);
  const [printers, setPrinters] = useState(keptPrinters);
  const [printer, setPrinter] = useState<Printer>(printers[0] ?? TRUE);
  const [problem, setProblem] = useState<Problem | null>(null);
  const sheets = useTrueSize(shown, { kind, part, paper, printer });
  const pages = sheets === null || sheets === 'away' ? [] : sheets;
  const count = pages.length;
  const number = Math.min(at, count - 1);
  const page = pages[number];
  const query = new URLSearchParams({
    units: shown.unit,
    unit: shown.spec.id,
    paper,
    along: String(printer.along),
    up: String(printer.up),
    ...(kind === 'templates' && part !== '' ? { part } : {}),
  });
  const address = `/api/projects/${encodeURIComponent(id)}/prints/${kind}?${query.toString()}`;
  const drawing = useStoppable();
  const show = (): Promise<void> => {
    // Opened at once: a browser blocks windows opened later.
    const beside = window.open('', '_blank');
    const closeBeside = (): void => beside?.close();
    return drawing.run(
      async (signal) => {
        signal.addEventListener('abort', closeBeside);
        const answer = await fetch(address, { signal });
        if (!answer.ok) {
          setProblem((await answer.json()) as Problem);
          return closeBeside();
        }
        const url = URL.createObjectURL(await answer.blob());
        if (beside) beside.location.href = url;
        else window.location.href = url;
        setProblem(null);
        setTimeout(() => URL.revokeObjectURL(url), 600_000);
      },
      () => {
        setProblem(AWAY);
        closeBeside();
      },
    );
  };
  return (
    <Dialog open maxWidth="lg" fullWidth onClose={onClose} aria-labelledby="true-size-title">
      <DialogTitle id="true-size-title">On paper, at its true size</DialogTitle>
      <DialogContent className="true-size">
        {problem && (
          <Alert severity="warning">
            {problem.message}. Accepted: {problem.accepted}
          </Alert>
        )}
        <div className="true-size-wish">
          <ChoiceField label="what" value={kind} options={KINDS} onChange={(value) => (setKind(value as Printed), setAt(0))} />
          {kind === 'templates' && (
            <ChoiceField
              label="of"
              value={part}
              options={[
                { value: '', label: 'all parts something is cut into' },
                ...shown.plan.parts.map(({ mark, count }) => ({ value: mark, label: count > 1 ? `${mark}, ${count} alike` : mark })),
              ]}
              onChange={setPart}
            />
          )}
          <ChoiceField label="paper" value={paper} options={PAPER_CHOICES} onChange={(value) => setPaper(value as PaperId)} />
          <ChoiceField
            label="printer"
            value={printer.name}
            options={[{ value: '', label: 'one that was not measured' }, ...printers.map(({ name }) => ({ value: name, label: name }))]}
            onChange={(name) => setPrinter(printers.find((each) => each.name === name) ?? TRUE)}
          />
          <details>
            <summary>The bars on the sheet measure otherwise</summary>
            <div className="true-size-wish">
              <p className="quiet">First print at 100 %, nothing fitted to the page. If a bar of 100 mm is off still, say what it measures.</p>
              <NumberField
                label="100 mm along the sheet"
                unit="mm"
                value={printer.along}
                least={MIN_MM}
                most={MAX_MM}
                onChange={(along) => along !== null && setPrinter({ ...printer, along })}
              />
              <NumberField
                label="100 mm up the sheet"
                unit="mm"
                value={printer.up}
                least={MIN_MM}
                most={MAX_MM}
                onChange={(up) => up !== null && setPrinter({ ...printer, up })}
              />
              <TextField
                label="what the printer is called here"
                value={printer.name}
                onChange={(event) => setPrinter({ ...printer, name: event.target.value })}
                slotProps={{ htmlInput: { maxLength: 60 }, inputLabel: { shrink: true } }}
              />
              <Button disabled={printer.name.trim() === ''} onClick={() => setPrinters(keepPrinter({ ...printer, name: printer.name.trim() }))}>
                Keep it for this printer
              </Button>
            </div>
          </details>
        </div>
        <div className="true-size-sheets">
          {sheets === null && <p role="status">The sheets are being drawn …</p>}
          {sheets === 'away' && <p role="alert">What draws the sheets could not be fetched: is the server away? Once more when it is back.</p>}
          {sheets !== null && sheets !== 'away' && count === 0 && <p role="status">{NOTHING[kind]}</p>}
          {page && (
            <>
              <SheetPreview sheet={page} label={`Sheet ${number + 1} of ${count}: ${page.title}`} />
              <p className="true-size-turn">
                <Button disabled={number === 0} onClick={() => setAt(number - 1)}>
                  Sheet before
                </Button>
                <span role="status">
                  sheet {number + 1} of {count}
                </span>
                <Button disabled={number === count - 1} onClick={() => setAt(number + 1)}>
                  Sheet after
                </Button>
              </p>
            </>
          )}
        </div>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        {drawing.isRunning && (
          <Button variant="outlined" onClick={drawing.stop}>
            Stop drawing
          </Button>
        )}
        <Button variant="contained" disabled={count === 0 || drawing.isRunning} onClick={() => void show()}>
          {count === 1 ? 'Open the sheet to print it' : `Open ${count} sheets to print them`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
