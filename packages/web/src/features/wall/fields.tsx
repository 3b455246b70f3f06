/** Fields for single values of the wall, by path: the typed counterparts of drags. */
import { valueAt, WALL_LIMITS, type Entered } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { selectDesign, useDisplayUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';

export function WallLength({ path, label, limits }: { readonly path: readonly string[]; readonly label: string; readonly limits: keyof typeof WALL_LIMITS }) {
  const design = useAppSelector(selectDesign);
  const unit = useDisplayUnit();
  const { apply, leave } = useEdit();
  const full = ['wall', ...path];
  const { least, most } = WALL_LIMITS[limits];
  return (
    <LengthField
      label={label}
      name={full.join('.')}
      value={valueAt(design, full) as Entered}
      unit={unit}
      least={least}
      most={most}
      onChange={(value) => value && apply([{ path: full, value }], full.join('.'))}
      onLeave={leave}
    />
  );
}

export function WallNumber({
  path,
  label,
  unit,
  least,
  most,
}: {
  readonly path: readonly string[];
  readonly label: string;
  readonly unit: string;
  readonly least: number;
  readonly most: number;
}) {
  const design = useAppSelector(selectDesign);
  const { apply, leave } = useEdit();
  const full = ['wall', ...path];
  return (
    <NumberField
      label={label}
      name={full.join('.')}
      unit={unit}
      least={least}
      most={most}
      value={valueAt(design, full) as number}
      onChange={(value) => value !== null && apply([{ path: full, value }], full.join('.'))}
      onLeave={leave}
    />
  );
}
