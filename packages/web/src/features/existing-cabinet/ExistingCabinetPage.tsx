/** Assessment of an existing cabinet: its joints and fixings on the left, the first link to fail and the repairs on the right. */
import { assessExisting, labelWords, percentText, repairWords, VERDICT_WORDS, existingRefusalWords, type ExistingCabinet } from '@keen/core';
import { Button } from '@mui/material';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { ExplainProvider } from '../../ui/Explained.tsx';
import { Logo } from '../../ui/Logo.tsx';
import { UnitToggle } from '../../ui/UnitToggle.tsx';
import { useOwnUnit } from '../../ui/useOwnUnit.ts';
import { LinkList } from '../hang/LinkList.tsx';
import { isUndescribed, storedExisting, storeExisting, undescribed } from './stored.ts';
import { ExistingCabinetForm } from './ExistingCabinetForm.tsx';
import { ExistingCabinetDrawing } from './ExistingCabinetDrawing.tsx';

export function Component() {
  const [unit, setUnit] = useOwnUnit();
  const [existing, setWorry] = useState<ExistingCabinet>(storedExisting);
  const set = (change: Partial<ExistingCabinet>): void => {
    const next = { ...existing, ...change };
    setWorry(next);
    storeExisting(next);
  };
  const { links, refusals, repairs } = useMemo(() => assessExisting(existing), [existing]);
  const first = links[0]!;
  const over = first.use.value > first.limit;
  const stop = refusals.length > 0 || over;
  return (
    <ExplainProvider onSource={() => {}}>
      <div className="sums-page">
        <header className="sums-head">
          <Logo size={32} />
          <strong>One that worries you</strong>
          <UnitToggle
            unit={unit}
            onChange={(next) => {
              setUnit(next);
              if (isUndescribed(existing)) set(undescribed(next));
            }}
          />
          <Button component={Link} to="/">
            To the room
          </Button>
          <Button onClick={() => set(undescribed(unit))}>Describe another</Button>
        </header>
        <main className="worry">
          <ExistingCabinetForm existing={existing} set={set} unit={unit} />
          <div>
            <h1 className={stop ? 'danger' : ''}>
              {stop
                ? 'Take the heavy things out of it first.'
                : first.use.value > first.fineTo
                  ? `${VERDICT_WORDS.tight}, from what was entered.`
                  : `${VERDICT_WORDS.fine}, from what was entered.`}{' '}
              {`${labelWords(first.name).replace(/^./, (letter) => letter.toUpperCase())} first: ${percentText(first.use.value)}.`}
            </h1>
            {refusals.map((reason) => (
              <p key={reason} className="danger stop-line">
                {existingRefusalWords(reason)}
              </p>
            ))}
            <ExistingCabinetDrawing existing={existing} links={links} />
            <LinkList links={links} unit={unit} />
            <section aria-labelledby="repairs" className="repairs">
              <h2 id="repairs">{repairs.length === 0 ? 'Nothing without taking it apart would help more' : 'What helps, without taking it apart'}</h2>
              <ul>
                {repairs.map((repair) => (
                  <li key={repair.id}>
                    <p>
                      {repairWords(repair)}:{' '}
                      <b>{repair.refusals > 0 ? `${repair.refusals} of what rules it out are left` : `the weakest link then ${percentText(repair.worst)}`}</b>
                    </p>
                    <Button variant="outlined" onClick={() => set(repair.change)}>
                      As if it were done
                    </Button>
                  </li>
                ))}
              </ul>
            </section>
            <p className="fine-print">
              Estimate from published formulas and what you told, the safer side taken where you could not look; not an inspection. If it moves, creaks or gaps,
              empty it and take it down.
            </p>
          </div>
        </main>
      </div>
    </ExplainProvider>
  );
}
