/** Weighs an item: live while the scale swings, kept once it settles. Several alike are weighed together, because one may be too light for the scale. */
import { massOfOne, weightText, type DisplayUnit, type Item } from '@keen/core';
import { Alert, Button } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { deviceLines } from '../../app/deviceLines.ts';
import { NumberField } from '../../ui/NumberField.tsx';

interface WeighItemProps {
  readonly item: Item;
  readonly unit: DisplayUnit;
  /** Kilograms of one. */
  readonly onWeight: (kg: number) => void;
}

export function WeighItem({ item, unit, onWeight }: WeighItemProps) {
  const [swings, setSwings] = useState<number | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [pieces, setPieces] = useState(1);
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  const weigh = async (): Promise<void> => {
    const abort = new AbortController();
    running.current = abort;
    let stood: number | null = null;
    let over: number | null = null;
    setSaid(null);
    setSwings(0);
    const about = Math.max(0.001, massOfOne(item).value * pieces);
    const ended = await deviceLines(`scale/weighing?about=${about}`, 'scale', abort.signal, (event) => {
      if (event.type === 'overload') over = Number(event['most']);
      if (event.type !== 'weight') return;
      setSwings(Number(event['kg']));
      if (event['steady'] === true) stood = Number(event['kg']);
    });
    running.current = null;
    setSwings(null);
    if (ended.kind === 'stopped') return;
    if (stood !== null) onWeight(Math.round((stood / pieces) * 1e3) / 1e3);
    const words = [
      stood !== null && pieces > 1 ? `${pieces} weigh ${weightText(stood, unit)}.` : '',
      ended.kind === 'away' ? `${ended.message}.` : '',
      over !== null ? `More than the ${weightText(over, unit)} it bears: fewer at a time.` : '',
      ended.kind === 'lost' ? `The scale ${ended.why === 'silent' ? 'fell silent' : 'was lost'} before it stood; nothing was entered.` : '',
      ended.kind === 'end' && stood === null && over === null ? 'It never stood still; nothing was entered. Once more, on firm ground.' : '',
      ended.kind === 'end' && ended.batteryLow ? 'Its battery is low.' : '',
    ].filter((text) => text !== '');
    setSaid(words.length > 0 ? words.join(' ') : null);
  };
  return (
    <div className="weigh-it">
      <NumberField
        label="pieces on the scale"
        name="weigh.pieces"
        whole
        least={1}
        most={500}
        value={pieces}
        onChange={(count) => count !== null && setPieces(count)}
      />
      {swings === null ? (
        <Button variant="outlined" size="small" onClick={() => void weigh()}>
          Weigh with the scale
        </Button>
      ) : (
        <>
          <span role="status" className="swings">
            {weightText(swings, unit)} …
          </span>
          <Button size="small" onClick={() => running.current?.abort()}>
            Stop
          </Button>
        </>
      )}
      {said && <Alert severity="info">{said}</Alert>}
    </div>
  );
}
