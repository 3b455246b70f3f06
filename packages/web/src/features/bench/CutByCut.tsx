/** A round of cuts, one at a time: the setting, what stays, what falls off; each with its own tick. */
import { cutWords, lineOfPiece, type DisplayUnit, type Step, type StepDetail } from '@keen/core';
import { Button } from '@mui/material';
import { useSearchParams } from 'react-router';
import type { BuildOf } from '../build/useBuild.ts';
import { SheetDrawing } from '../sheets/SheetDrawing.tsx';
import { useCutting } from '../sheets/useCutting.ts';
import { useNests, type Nest } from '../sheets/useNests.tsx';

type CutDetail = Extract<StepDetail, { kind: 'cut' }>;

interface CutByCutProps {
  readonly step: Step;
  readonly detail: CutDetail;
  readonly title: string;
  readonly of: BuildOf;
  readonly unit: DisplayUnit;
}

export function CutByCut(props: CutByCutProps) {
  const { nests } = useNests();
  const nest = nests.find(({ job }) => job.product === props.detail.product);
  return (
    <>
      <h1>{props.title}</h1>
      {nest?.plan ? <Cuts {...props} nest={nest} /> : <p className="quiet">The sheets are being laid out …</p>}
    </>
  );
}

function Cuts({ detail, of, unit, nest }: CutByCutProps & { readonly nest: Nest }) {
  const cutting = useCutting(nest);
  const [search, setSearch] = useSearchParams();
  if (!cutting) return null;
  const { parts } = of.summary.plan;
  const steps = cutting.sequence.steps.filter(({ id }) => detail.cuts.includes(id));
  const asked = steps.findIndex(({ id }) => id === search.get('cut'));
  const open = steps.findIndex(({ id }) => !cutting.done.has(id));
  const at = asked >= 0 ? asked : Math.max(0, open);
  const cut = steps[at];
  if (!cut) return <p className="quiet">These cuts are no longer in the layout.</p>;
  const sheet = nest.plan!.sheets[cut.sheet]!;
  const words = cutWords(cut, { markOf: (part) => lineOfPiece(parts, part)?.mark ?? part, unit, sheets: nest.plan!.sheets.length });
  const numbers = new Map(steps.map(({ id }, index) => [id, index + 1]));
  const done = cutting.done.has(cut.id);
  const go = (to: number): void => {
    const params = new URLSearchParams(search);
    params.set('cut', steps[Math.min(steps.length - 1, Math.max(0, to))]!.id);
    setSearch(params, { replace: true });
  };
  return (
    <>
      <div className="bench-drawing">
        <SheetDrawing
          page={{ nest, sheet, number: cut.sheet + 1 }}
          parts={parts}
          unit={unit}
          stale={nest.stale}
          left={[]}
          cuts={{ steps: steps.filter((each) => each.sheet === cut.sheet), numbers, at: cut, done: new Set(cutting.done.keys()) }}
        />
      </div>
      <p className="bench-cut-count">
        Cut {at + 1} of {steps.length}
        {done && ' · made'}
      </p>
      <p className="bench-set">{words.set}</p>
      <p>{words.what}</p>
      <p>
        <b>stays</b> {words.stays}
      </p>
      <p>
        <b>falls off</b> {words.falls}
      </p>
      {words.cautions.map((line) => (
        <p key={line} className="bench-caution">
          {line}
        </p>
      ))}
      <div className="bench-cut-buttons">
        <Button disabled={at === 0} onClick={() => go(at - 1)}>
          Back
        </Button>
        {done ? (
          <Button variant="outlined" disabled={!cutting.canUntick(cut)} onClick={() => cutting.untick(cut)}>
            Not made after all
          </Button>
        ) : (
          <Button
            variant="outlined"
            disabled={!cutting.canMake(cut)}
            onClick={() => {
              cutting.tick(cut);
              go(at + 1);
            }}
          >
            Cut is made
          </Button>
        )}
        <Button disabled={at === steps.length - 1} onClick={() => go(at + 1)}>
          Next cut
        </Button>
      </div>
    </>
  );
}
