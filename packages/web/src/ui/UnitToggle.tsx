/** Inches or millimeters, the same switch everywhere. */
import type { DisplayUnit } from '@keen/core';
import { ToggleButton, ToggleButtonGroup } from '@mui/material';

export interface UnitToggleProps {
  readonly unit: DisplayUnit;
  readonly onChange: (unit: DisplayUnit) => void;
  /** In whole words. */
  readonly spelled?: boolean;
}

export const UnitToggle = ({ unit, onChange, spelled = false }: UnitToggleProps) => (
  <ToggleButtonGroup exclusive size="small" aria-label="Units" value={unit} onChange={(_event, next: DisplayUnit | null) => next && onChange(next)}>
    <ToggleButton value="mm">{spelled ? 'millimetres' : 'mm'}</ToggleButton>
    <ToggleButton value="in">{spelled ? 'inches' : 'in'}</ToggleButton>
  </ToggleButtonGroup>
);
