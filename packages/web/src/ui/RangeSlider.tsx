/** A native slider, so that a move costs one value and no style computation. Marks are below it; a mark without a label is a tick alone. */
import { memo, type CSSProperties } from 'react';

export interface SliderMark {
  readonly value: number;
  readonly label?: string;
}

export interface RangeSliderProps {
  readonly label: string;
  readonly id?: string;
  readonly min: number;
  readonly max: number;
  readonly step?: number;
  readonly value: number;
  /** Text for screen readers instead of the number. */
  readonly text?: string;
  readonly marks?: readonly SliderMark[];
  readonly onChange: (value: number) => void;
}

const NO_MARKS: readonly SliderMark[] = [];

export function RangeSlider({ label, id, min, max, step = 1, value, text, marks = NO_MARKS, onChange }: RangeSliderProps) {
  const share = max > min ? (value - min) / (max - min) : 0;
  return (
    <span className={marks.length > 0 ? 'range marked' : 'range'}>
      <input
        id={id}
        type="range"
        aria-label={label}
        aria-valuetext={text}
        min={min}
        max={max}
        step={step}
        value={value}
        style={{ '--share': share } as CSSProperties}
        onChange={(event) => onChange(Number(event.target.value))}
      />
      {marks.length > 0 && <Marks marks={marks} min={min} max={max} />}
    </span>
  );
}

const Marks = memo(function Marks({ marks, min, max }: { readonly marks: readonly SliderMark[]; readonly min: number; readonly max: number }) {
  return (
    <span className="range-marks" aria-hidden="true">
      {marks
        .filter(({ value }) => value >= min && value <= max)
        .map(({ value, label }) => (
          <span key={value} style={{ left: `${(100 * (value - min)) / (max - min)}%` }}>
            {label}
          </span>
        ))}
    </span>
  );
});
