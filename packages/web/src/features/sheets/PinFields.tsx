/** The typed twin of dragging: the position of the selected part on its sheet, pinned or free. */
import { enteredFromNm, lineOfPiece, mm, wrongPlaceWords, type DisplayUnit, type Entered, type NestedSheet, type PartLine, type Placement } from '@keen/core';
import { Button, FormControlLabel, Switch } from '@mui/material';
import { useState } from 'react';
import { LengthField } from '../../ui/LengthField.tsx';
import type { Nest } from './useNests.tsx';
import { usePins } from './usePins.ts';

interface PinFieldsProps {
  readonly nest: Nest;
  readonly sheet: NestedSheet;
  readonly placement: Placement;
  readonly parts: readonly PartLine[];
  readonly unit: DisplayUnit;
}

export function PinFields({ nest, sheet, placement, parts, unit }: PinFieldsProps) {
  const pins = usePins(nest);
  const [typed, setTyped] = useState<Partial<Pick<Placement, 'x' | 'y'>>>({});
  const [turned, setTurned] = useState(placement.turned);
  const [dx, dy] = turned === placement.turned ? [placement.dx, placement.dy] : [placement.dy, placement.dx];
  const wanted: Placement = { ...placement, ...typed, dx, dy, turned };
  const { wrong } = pins.tryAt(sheet, wanted, 0);
  const markOf = (piece: string): string => lineOfPiece(parts, piece)?.mark ?? piece;
  const pinned = pins.isPinned(placement.part);
  const changed = wanted.x !== placement.x || wanted.y !== placement.y || turned !== placement.turned;
  const field = (key: 'x' | 'y', label: string) => (
    <LengthField
      label={label}
      name={`pin.${key}`}
      value={enteredFromNm(wanted[key])}
      unit={unit}
      least={mm(0)}
      most={mm(10_000)}
      onChange={(value: Entered | null) => value && setTyped({ ...typed, [key]: value.nm })}
    />
  );
  return (
    <form
      className="pin-fields"
      aria-label={`Where ${markOf(placement.part)} lies`}
      onSubmit={(event) => {
        event.preventDefault();
        if (!wrong) pins.pin(sheet.sheet, wanted);
      }}
    >
      <strong>{markOf(placement.part)}</strong>
      {field('x', 'from the left edge')}
      {field('y', 'from the near edge')}
      <FormControlLabel control={<Switch checked={turned} onChange={(event) => setTurned(event.target.checked)} />} label="turned" />
      <Button type="submit" variant="outlined" disabled={wrong !== null || (pinned && !changed)}>
        {pinned ? (changed ? 'Pin it there' : 'Pinned') : changed ? 'Pin it there' : 'Pin it here'}
      </Button>
      {pinned && <Button onClick={() => pins.unpin(placement.part)}>Let it go</Button>}
      {wrong && <span className="danger">{wrongPlaceWords(wrong, markOf)}</span>}
    </form>
  );
}
