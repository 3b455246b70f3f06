/** The shop set: what is in it, on which paper, its progress, a preview of its pages, and the PDF. */
import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle, LinearProgress } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { selectOpen, selectPlan, useDisplayUnit } from '../project/selectors.ts';
import { PAPER_CHOICES, usualPaper } from './papers.ts';
import { useSet, type ShopSet } from './useSet.ts';

export function SetDialog({ onClose }: { readonly onClose: () => void }) {
  const { save } = useAppSelector(selectOpen);
  const { cabinets } = useAppSelector(selectPlan);
  const unit = useDisplayUnit();
  const made = useSet();
  const { set, problem, ask, drop, address } = made;
  const [cabinet, setCabinet] = useState('');
  const [paper, setPaper] = useState(usualPaper(unit));
  const running = set?.state === 'running';
  const unsaved = save.kind !== 'saved';
  return (
    <Dialog open maxWidth="lg" fullWidth onClose={onClose} aria-labelledby="set-title">
      <DialogTitle id="set-title">The shop set, on paper</DialogTitle>
      <DialogContent className="true-size">
        {problem && (
          <Alert severity="warning">
            {problem.message}. Accepted: {problem.accepted}
          </Alert>
        )}
        <div className="true-size-wish">
          <p className="quiet">
            All that goes along to the bench and the wall: pictures, dimensioned views and parts, joints, hanging, lists, sheets cut by cut, setups and steps.
          </p>
          <ChoiceField
            label="of"
            value={cabinet}
            options={[
              { value: '', label: cabinets.length === 1 ? 'the cabinet' : `all ${cabinets.length} cabinets` },
              ...(cabinets.length > 1 ? cabinets.map(({ id, letter, name }) => ({ value: id, label: `${letter} ${name}` })) : []),
            ]}
            onChange={(value) => (setCabinet(value), drop())}
          />
          <ChoiceField label="paper" value={paper} options={PAPER_CHOICES} onChange={(value) => (setPaper(value as typeof paper), drop())} />
          <Button
            variant={set ? 'outlined' : 'contained'}
            disabled={running || unsaved || cabinets.length === 0}
            onClick={() => void ask({ cabinet: cabinet === '' ? null : cabinet, paper, unit })}
          >
            {set?.state === 'done' ? 'Draw it again' : 'Draw it'}
          </Button>
          {unsaved && <p role="status">It is made from what is saved: a moment, until all of it is.</p>}
        </div>
        <div className="true-size-sheets">
          {running && (
            <div role="status" aria-label="How far it is">
              <p>
                {set.doing}
                {set.of > 1 && `, ${set.done} of ${set.of}`}
              </p>
              <LinearProgress variant="determinate" value={(100 * set.done) / set.of} />
              <Button onClick={drop}>Stop</Button>
            </div>
          )}
          {!set && <p className="quiet">Its pages are shown here when it is drawn.</p>}
          {set?.state === 'done' && <PagesShown key={set.id} set={set} address={address} />}
        </div>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button variant="contained" disabled={set?.state !== 'done'} component="a" href={`${address}/pdf`} target="_blank" rel="noreferrer">
          {set?.state === 'done' ? `Open its ${set.pages} pages to print them` : 'Open it to print it'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function PagesShown({ set, address }: Pick<ShopSet, 'address'> & { readonly set: NonNullable<ShopSet['set']> }) {
  const [at, setAt] = useState(1);
  return (
    <>
      <img className="page-shown" src={`${address}/pages/${at}`} alt={`Page ${at} of ${set.pages} as it will be printed`} />
      <div className="true-size-turn">
        <Button component="a" href={`${address}/pages/${at}`} download={`page-${at}.svg`}>
          This page as SVG
        </Button>
        <Button disabled={at === 1} onClick={() => setAt(at - 1)}>
          Page before
        </Button>
        <NumberField label="page" value={at} least={1} most={set.pages} whole onChange={(page) => page !== null && setAt(page)} />
        <span role="status">of {set.pages}</span>
        <Button disabled={at === set.pages} onClick={() => setAt(at + 1)}>
          Page after
        </Button>
      </div>
    </>
  );
}
