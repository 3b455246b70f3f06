/** Labels for the parts: a sheet to print, or one by one on the label printer, followed until all are printed. */
import { displayUnitOf, partLabels, type Problem } from '@keen/core';
import { Alert, Button } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { AWAY, request } from '../../app/api.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { downloadBlob, fileName } from '../../ui/download.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { useStoppable } from '../../ui/useStoppable.ts';
import { problemReported } from '../project/project.slice.ts';
import { selectOpen, selectPlan, type ShownCabinet } from '../project/selectors.ts';

interface PrintJob {
  readonly id: string;
  readonly labels: number;
  readonly printed: number;
  readonly printer: 'ready' | 'out-of-paper' | 'jammed' | 'away';
}

const LOOK_EVERY_MS = 500;
/** Address in a label's code: the desk's shared address, or this page's own where it is not shared. */
function useSharedOrigin(): string {
  const [origin, setOrigin] = useState(location.origin);
  useEffect(() => {
    request<{ address: string | null }>('sharing')
      .then(({ status, body }) => status === 200 && body.address && setOrigin(body.address))
      // Not shared, or on a paired device: the page's own address is right.
      .catch(() => {});
  }, []);
  return origin;
}

/** Labels on a new roll. */
const ROLL = 200;

export function Labels({ shown }: { readonly shown: ShownCabinet }) {
  const { id: project, design, workshop } = useAppSelector(selectOpen);
  const { parts } = useAppSelector(selectPlan);
  const chosen = useAppSelector(({ view }) => view.unit);
  const dispatch = useAppDispatch();
  const [of, setOf] = useState<'project' | 'unit'>('unit');
  const [job, setJob] = useState<PrintJob | null>(null);
  // A job without an answer may have reached the printer: resent it must be the same job.
  const unanswered = useRef<{ readonly id: string; readonly labels: string } | null>(null);
  const origin = useSharedOrigin();
  const lines = of === 'unit' ? parts.filter(({ unit }) => unit === shown.spec.id) : parts;
  const labels = partLabels(lines, workshop, (unit) => ({
    name: design.units[unit]?.name ?? design.name,
    unit: chosen ?? displayUnitOf(design, unit),
  })).map(({ panel, ...label }) => ({ ...label, link: `${origin}/project/${project}/${panel.split('/')[0]}/bench?part=${encodeURIComponent(panel)}` }));
  const going = job !== null && job.printed < job.labels;
  useEffect(() => {
    if (!going) return;
    const timer = setInterval(() => {
      request<PrintJob & Problem>(`labels/print/${job.id}`)
        .then(({ status, body }) => {
          if (status === 200) setJob(body);
        })
        // Asked again shortly.
        .catch(() => {});
    }, LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [going, job?.id]);
  const drawing = useStoppable();
  const sheet = (): Promise<void> =>
    drawing.run(
      async (signal) => {
        const answer = await fetch('/api/labels/sheet', {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ labels }),
          signal,
        });
        if (answer.ok) downloadBlob(`${fileName(design.name)}-labels.pdf`, await answer.blob());
        else dispatch(problemReported((await answer.json()) as Problem));
      },
      () => dispatch(problemReported(AWAY)),
    );
  const print = async (): Promise<void> => {
    try {
      const text = JSON.stringify(labels);
      if (unanswered.current?.labels !== text) unanswered.current = { id: crypto.randomUUID(), labels: text };
      const { status, body } = await request<PrintJob & Problem>('labels/print', 'POST', { id: unanswered.current.id, labels });
      if (status < 400) {
        unanswered.current = null;
        setJob(body);
      } else dispatch(problemReported(body));
    } catch {
      dispatch(problemReported(AWAY));
    }
  };
  const paper = (): void => void request('labels/printer/paper', 'POST', { labels: ROLL }).catch(() => dispatch(problemReported(AWAY)));
  return (
    <section className="labels" aria-label="Labels">
      <ChoiceField
        label="labels for"
        name="labels-of"
        value={of}
        options={[
          { value: 'unit', label: shown.spec.name },
          { value: 'project', label: 'all of the project' },
        ]}
        onChange={(value) => setOf(value as 'project' | 'unit')}
      />
      <Button variant="outlined" disabled={labels.length === 0} onClick={() => (drawing.isRunning ? drawing.stop() : void sheet())}>
        {drawing.isRunning ? 'Stop drawing' : `${labels.length} ${labels.length === 1 ? 'label' : 'labels'} as PDF`}
      </Button>
      <Button variant="outlined" disabled={labels.length === 0 || going} onClick={() => void print()}>
        On the label printer
      </Button>
      {job && (
        <span role="status">
          {job.printed} of {job.labels} printed
        </span>
      )}
      {going && job.printer === 'out-of-paper' && (
        <Alert
          severity="warning"
          action={
            <Button color="inherit" size="small" onClick={paper}>
              A new roll is in
            </Button>
          }
        >
          The label printer is out of paper: it goes on where it was.
        </Alert>
      )}
      {going && job.printer === 'away' && (
        <Alert severity="warning">The label printer does not answer. Switch it on: the labels are kept and printed from where it stopped.</Alert>
      )}
      {going && job.printer === 'jammed' && <Alert severity="warning">The label printer is jammed: clear it, and it goes on where it was.</Alert>}
    </section>
  );
}
