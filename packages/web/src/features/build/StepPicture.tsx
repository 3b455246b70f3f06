/** The picture of a step: a part at the machine for a setup, the cabinets for the rest. */
import type { Step } from '@keen/core';
import { SetupDrawing } from '../joints/SetupDrawing.tsx';
import { StepDrawing } from './StepDrawing.tsx';
import type { BuildOf } from './useBuild.ts';

export function StepPicture({ step, title, of }: { readonly step: Step; readonly title: string; readonly of: BuildOf }) {
  const { detail } = step;
  const cut = detail.kind === 'setup' ? detail.setup.cuts[0] : undefined;
  const blank = cut && of.summary.setups.blanks.get(cut.operation.panel);
  return cut && blank ? <SetupDrawing cut={cut} blank={blank} title={`${title}: the cut shaded`} /> : <StepDrawing step={step} title={title} />;
}
