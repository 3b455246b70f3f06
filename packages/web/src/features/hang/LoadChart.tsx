/**
 * Utilization of the weakest links over the contents. Loaded on demand. The curves are drawn once; the current load is an overlay, so that it follows the
 * slider.
 */
import { labelWords, massText, percentText, loadCurves, type DisplayUnit, type HangInput, type LoadCurves } from '@keen/core';
import { Chart, Legend, LinearScale, LineElement, PointElement, Tooltip, type ChartDataset, type ChartOptions } from 'chart.js';
import { memo, useCallback, useMemo, useState } from 'react';
import { Line } from 'react-chartjs-2';
import { useAppSelector } from '../../app/store.ts';
import { DARK, LIGHT, type Tokens } from '../../app/tokens.ts';
import { KG_PER_POUND } from '@keen/core';

Chart.register(LineElement, PointElement, LinearScale, Legend, Tooltip);
Chart.defaults.font.family = "'Barlow Semi Condensed', 'Barlow', sans-serif";

export interface LoadChartProps {
  readonly input: HangInput;
  readonly plannedKg: number;
  /** End of the slider, as a multiple of the planned contents. */
  readonly most: number;
  /** Position of the slider. */
  readonly factor: number;
  readonly unit: DisplayUnit;
}

/** Distinguishable without color: solid, dashed, dotted. */
const DASHES = [[], [10, 5], [2, 4]];
const FINE = 0.8;

/** Plot area, px. */
interface Area {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

export default function LoadChart({ input, plannedKg, most, factor, unit }: LoadChartProps) {
  const drawn = useMemo(() => loadCurves(input, most), [input, most]);
  const [area, setArea] = useState<Area | null>(null);
  const placed = useCallback(
    ({ left, right, top, bottom }: Area): void =>
      setArea((old) => (old && old.left === left && old.right === right && old.top === top && old.bottom === bottom ? old : { left, right, top, bottom })),
    [],
  );
  const highest = highestOf(drawn);
  const uses = drawn.curves.map((curve) => shareAt(drawn, curve.uses, factor / most));
  const words = drawn.curves.map(({ name }, index) => `${labelWords(name)} ${percentText(uses[index]!)}`).join(', ');
  const x = area ? area.left + ((area.right - area.left) * factor) / most : 0;
  return (
    <div className="load-chart" role="img" aria-label={`Use of the links that go first, at ${massText(plannedKg * factor, unit)} of contents: ${words}`}>
      <Curves drawn={drawn} end={shownMass(plannedKg * most, unit)} highest={highest} most={most} unit={unit} onPlaced={placed} />
      {area && (
        <svg className="load-now" aria-hidden="true">
          <line x1={x} x2={x} y1={area.top} y2={area.bottom} />
          {uses.map((use, index) => (
            <circle key={index} cx={x} cy={area.bottom - ((area.bottom - area.top) * Math.min(100 * use, highest)) / highest} r={5} />
          ))}
        </svg>
      )}
    </div>
  );
}

const shownMass = (kg: number, unit: DisplayUnit): number => kg / (unit === 'mm' ? 1 : KG_PER_POUND);

const highestOf = ({ curves }: LoadCurves): number => Math.max(120, 20 * Math.ceil(5 * Math.max(0, ...curves.flatMap(({ uses }) => uses))));

function shareAt({ factors }: LoadCurves, uses: readonly number[], share: number): number {
  const place = share * (factors.length - 1);
  const low = Math.min(factors.length - 2, Math.floor(place));
  return uses[low]! + (place - low) * (uses[low + 1]! - uses[low]!);
}

interface CurvesProps {
  readonly drawn: LoadCurves;
  readonly end: number;
  readonly highest: number;
  readonly most: number;
  readonly unit: DisplayUnit;
  readonly onPlaced: (area: Area) => void;
}

const Curves = memo(function Curves({ drawn: { factors, curves }, end, highest, most, unit, onPlaced }: CurvesProps) {
  const scheme = useAppSelector(({ view }) => view.scheme);
  const tokens = scheme === 'light' ? LIGHT : DARK;
  const mark = (label: string, use: number, dash: number[]): ChartDataset<'line'> => ({
    label,
    data: [
      { x: 0, y: 100 * use },
      { x: end, y: 100 * use },
    ],
    borderColor: tokens.pencil,
    borderWidth: 1,
    borderDash: dash,
    pointRadius: 0,
  });
  return (
    <Line
      aria-hidden
      data={{
        datasets: [
          ...curves.map(({ name, uses }, index): ChartDataset<'line'> => ({
            label: labelWords(name),
            data: uses.map((use, at) => ({ x: (end * factors[at]!) / most, y: 100 * use })),
            borderColor: tokens.ink,
            borderWidth: index === 0 ? 2.5 : 1.5,
            borderDash: DASHES[index]!,
            pointRadius: 0,
          })),
          mark('limit', 1, []),
          mark('OK to', FINE, [4, 4]),
        ],
      }}
      options={optionsFor(tokens, end, highest, unit, new Set(curves.map(({ name }) => labelWords(name))))}
      plugins={[{ id: 'placed', afterLayout: ({ chartArea }) => onPlaced(chartArea) }]}
    />
  );
});

const optionsFor = (tokens: Tokens, end: number, highest: number, unit: DisplayUnit, named: ReadonlySet<string>): ChartOptions<'line'> => ({
  animation: false,
  maintainAspectRatio: false,
  parsing: false,
  scales: {
    x: {
      type: 'linear',
      min: 0,
      max: end,
      ticks: { color: tokens.pencil, maxTicksLimit: 8, includeBounds: false },
      grid: { display: false },
      title: { display: true, text: `${unit === 'mm' ? 'kg' : 'lb'} of contents`, color: tokens.pencil },
    },
    y: { min: 0, max: highest, ticks: { color: tokens.pencil, callback: (value) => `${value} %` }, grid: { color: tokens.hairline } },
  },
  plugins: {
    legend: { position: 'bottom', labels: { color: tokens.ink, boxHeight: 0, boxWidth: 34, filter: ({ text }) => named.has(text) } },
    tooltip: { enabled: false },
  },
});
