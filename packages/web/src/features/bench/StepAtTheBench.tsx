/** A step in large type: picture, numbers, what to do, what to check, hazards. */
import { setupWords, type DisplayUnit, type Step, type StepWords } from '@keen/core';
import { Explained } from '../../ui/Explained.tsx';
import type { BuildOf } from '../build/useBuild.ts';
import { NotBefore } from '../build/NotBefore.tsx';
import { StepPicture } from '../build/StepPicture.tsx';
import { PieceLine } from '../joints/PieceLine.tsx';
import { SetupSettings } from '../joints/SetupSettings.tsx';

export interface StepAtTheBenchProps {
  readonly step: Step;
  readonly words: StepWords;
  readonly of: BuildOf;
  readonly unit: DisplayUnit;
}

export function StepAtTheBench({ step, words, of, unit }: StepAtTheBenchProps) {
  const setup = step.detail.kind === 'setup' ? setupWords(step.detail.setup, of.summary.setups, unit) : null;
  return (
    <>
      <h1>{words.title}</h1>
      <NotBefore step={step} of={of} unit={unit} />
      <StepPicture step={step} title={words.title} of={of} />
      {!setup && words.big.length > 0 && (
        <dl className="bench-numbers">
          {words.big.map(({ text, of: what, sum }) => (
            <div key={what}>
              <dt>{what}</dt>
              <dd>
                {sum ? (
                  <Explained title={what} unit={unit} of={sum}>
                    {text}
                  </Explained>
                ) : (
                  text
                )}
              </dd>
            </div>
          ))}
        </dl>
      )}
      {setup && <SetupSettings set={setup.set} unit={unit} />}
      {setup && (
        <ul className="setup-pieces">
          {setup.pieces.map((piece) => (
            <li key={`${piece.panel} ${piece.lies}`}>
              <PieceLine piece={piece} />
            </li>
          ))}
        </ul>
      )}
      {words.says.filter(Boolean).map((line) => (
        <p key={line}>{line}</p>
      ))}
      {words.checks.map((line) => (
        <p key={line} className="bench-check">
          {line}
        </p>
      ))}
      {words.caution && <p className="bench-caution">{words.caution}</p>}
      {words.alone && <p className="bench-check">{words.alone}</p>}
    </>
  );
}
