/** A cabinet without a plan: why, which field, and how to recover. Nothing else of the project is affected. */
import { capital, familyOf, labelWords, type CabinetSpec } from '@keen/core';
import { Alert, Button } from '@mui/material';
import type { UnplannedShown } from './selectors.ts';
import { WaysBack } from './WaysBack.tsx';

export function CannotPlan({
  shown: { spec, unplanned, unit },
  onField,
}: {
  readonly shown: UnplannedShown;
  readonly onField: (path: readonly string[]) => void;
}) {
  const { code, path, message, accepted } = unplanned.fault;
  const field = fieldOf(spec, path);
  return (
    <div className="cannot-plan">
      <h1>{code === 'failed' ? `${spec.name} could not be planned` : `${spec.name} cannot be built as entered`}</h1>
      <Alert severity="error">
        {field && `${capital(field)}: `}
        {field ? message : capital(message)}. Accepted: {accepted}.
      </Alert>
      <p>Your entries are saved. The other cabinets are not affected.</p>
      <WaysBack unit={unit}>
        {field && (
          <Button variant="outlined" onClick={() => onField(['units', spec.id, ...path])}>
            Go to “{field}”
          </Button>
        )}
      </WaysBack>
    </div>
  );
}

/** Label of the field at a path; null for none, or one deeper inside a list. */
function fieldOf(spec: CabinetSpec, path: readonly string[]): string | null {
  const field = familyOf(spec).form.fields.find((each) => each.path.join('.') === path.join('.'));
  return field ? labelWords({ key: field.label }) : null;
}
