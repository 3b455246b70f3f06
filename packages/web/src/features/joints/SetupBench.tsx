/** Setups at the bench: one at a time over the whole screen, in large type, ticked and left with a thumb. */
import { setupWords, type DisplayUnit, type PartLine } from '@keen/core';
import ArrowBack from '@mui/icons-material/ArrowBack';
import ArrowForward from '@mui/icons-material/ArrowForward';
import Close from '@mui/icons-material/Close';
import { Button, Dialog, IconButton } from '@mui/material';
import { PieceLine } from './PieceLine.tsx';
import { SetupDrawing } from './SetupDrawing.tsx';
import { SetupSettings } from './SetupSettings.tsx';
import { useMade } from './useMade.ts';
import type { ShopSetups } from './useSetups.ts';

interface SetupBenchProps {
  readonly of: ShopSetups;
  readonly parts: readonly PartLine[];
  readonly unit: DisplayUnit;
  /** Which setup is on the bench, from 0; null closes it. */
  readonly at: number | null;
  readonly onGo: (at: number | null) => void;
}

export function SetupBench({ of, parts, unit, at, onGo }: SetupBenchProps) {
  const tick = useMade(of);
  const { setups, blanks } = of.setups;
  const setup = at === null ? undefined : setups[at];
  if (at === null || !setup) return null;
  const words = setupWords(setup, { shop: of.shop, blanks, parts, learned: of.learned }, unit);
  const done = setup.cuts.every(({ operation }) => of.made.has(operation.id));
  const more = at + 1 < setups.length;
  return (
    <Dialog open fullScreen onClose={() => onGo(null)} aria-labelledby="bench-title" slotProps={{ paper: { className: 'setup-bench' } }}>
      <header>
        <span className="setup-number">
          {at + 1} of {setups.length}
        </span>
        <h2 id="bench-title">{words.title}</h2>
        <IconButton aria-label="Leave the bench" onClick={() => onGo(null)}>
          <Close />
        </IconButton>
      </header>
      <div className="bench-body">
        <SetupDrawing
          cut={setup.cuts[0]!}
          blank={blanks.get(setup.cuts[0]!.operation.panel)!}
          title={`${words.pieces[0]!.mark} at the machine, the cut shaded`}
        />
        <SetupSettings set={words.set} unit={unit} />
        <ul className="setup-pieces">
          {words.pieces.map((piece) => (
            <li key={`${piece.panel} ${piece.lies}`}>
              <PieceLine piece={piece} />
            </li>
          ))}
        </ul>
        <p>{words.gauge}</p>
        <p>{words.caution}</p>
      </div>
      <footer>
        <IconButton aria-label="The setup before" disabled={at === 0} onClick={() => onGo(at - 1)}>
          <ArrowBack />
        </IconButton>
        <Button
          variant={done ? 'outlined' : 'contained'}
          onClick={() => {
            tick(setup, !done);
            if (!done && more) onGo(at + 1);
          }}
        >
          {done ? 'Not done after all' : more ? 'Done, the next one' : 'Done'}
        </Button>
        <IconButton aria-label="The next setup" disabled={!more} onClick={() => onGo(at + 1)}>
          <ArrowForward />
        </IconButton>
      </footer>
    </Dialog>
  );
}
