/** What-if layouts: another sheet size, a thinner blade, a shelf fewer, free grain, each with its sheets and cost. */
import { createPlanner, exactTextWithUnit, fitsCar, whatIfs, type DisplayUnit, type Length, type WhatIf, type Workshop } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { merchantCatalogue, type Catalogue } from '../../app/merchant.ts';
import { useAppSelector } from '../../app/store.ts';
import { selectLearned, selectOpen, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import type { WayFigures } from './nest.worker.ts';
import { useNests } from './useNests.tsx';

const planner = createPlanner();

interface Answer {
  readonly asked: WhatIf;
  readonly figures: WayFigures | null;
}

export function WhatIfs({ shown }: { readonly shown: ShownCabinet }) {
  const { design, record } = useAppSelector(selectOpen);
  const { workshop } = useAppSelector(selectLearned);
  const { figures } = useNests();
  const unit = useDisplayUnit();
  const [answers, setAnswers] = useState<readonly Answer[]>([]);
  const [heard, setHeard] = useState<Catalogue | string | null>(null);
  const [busy, setBusy] = useState(false);
  const run = async (): Promise<void> => {
    setBusy(true);
    const catalogue = await merchantCatalogue();
    setHeard(catalogue);
    const asked = whatIfs({ planner, design, record, workshop, offers: typeof catalogue === 'string' ? [] : catalogue.offers, unit: shown.spec.id });
    setAnswers(asked.map((each) => ({ asked: each, figures: null })));
    for (const each of asked) {
      const found = await figures(each.jobs, each.workshop);
      setAnswers((old) => old.map((row) => (row.asked === each ? { asked: each, figures: found } : row)));
    }
    setBusy(false);
  };
  const now = answers[0]?.figures;
  return (
    <section className="what-ifs" aria-label="What if">
      <Button variant="outlined" disabled={busy} onClick={() => void run()}>
        {busy ? 'Working it out …' : 'What if it were otherwise?'}
      </Button>
      {answers.length > 0 && (
        <table className="sum-table plain">
          <thead>
            <tr>
              <th>what if</th>
              <th>sheets</th>
              <th>to buy</th>
              <th>money</th>
            </tr>
          </thead>
          <tbody>
            {answers.map(({ asked, figures: each }, index) => (
              <tr key={index}>
                <td>{whatWords(asked, workshop, unit)}</td>
                <td data-label="sheets">{each ? `${each.sheets}${each.unplaced > 0 ? `, ${each.unplaced} parts do not go on` : ''}` : '…'}</td>
                <td data-label="to buy">{each?.bought ?? '…'}</td>
                <td>{each ? `${each.cost.toFixed(2)} ${workshop.currency}${now && index > 0 ? ` (${signed(each.cost - now.cost)})` : ''}` : '…'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {heard !== null && <p className="quiet">{heardWords(heard)}</p>}
    </section>
  );
}

const signed = (value: number): string => (Math.abs(value) < 0.005 ? 'the same' : `${value > 0 ? '+' : '−'}${Math.abs(value).toFixed(2)}`);

function whatWords({ change }: WhatIf, workshop: Workshop, unit: DisplayUnit): string {
  switch (change.what) {
    case 'as-is':
      return 'as it is';
    case 'kerf':
      return `every cut with the thinnest blade, ${exactTextWithUnit(change.kerfNm as Length, unit)}`;
    case 'shelf-fewer':
      return `one shelf fewer in ${change.name}`;
    case 'grain-free':
      return 'painted: grain as it comes, but of what spans';
    case 'offer': {
      const { offer, product } = change;
      const size = `${offer.length.text} × ${offer.width.text}`;
      const notes = [
        fitsCar(workshop, offer) ? '' : 'does not go in the car',
        offer.inStock === 0 ? `out of stock, ${offer.leadDays} days` : offer.leadDays > 3 ? `${offer.leadDays} days` : '',
      ].filter(Boolean);
      return `${workshop.products[product]!.name} as ${size} for ${offer.price.toFixed(2)}${notes.length > 0 ? ` (${notes.join(', ')})` : ''}`;
    }
  }
}

/** Date of the merchant's offer. */
export function heardWords(heard: Catalogue | string): string {
  if (typeof heard === 'string') return `No other sizes: ${heard}.`;
  const at = new Date(heard.heardAt).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
  return heard.why === null ? `Prices and stock of ${heard.merchant}, asked just now.` : `Prices and stock of ${heard.merchant} as of ${at}: ${heard.why}.`;
}
