/** How far the links that go first are used, by what stands in the unit. Loaded only where it is looked at. */
import { labelWords, massText, percentText, loadCurves, type DisplayUnit, type HangInput } from '@keen/core';
import { Chart, Legend, LinearScale, LineElement, PointElement, Tooltip, type ChartDataset } from 'chart.js';
import { memo, useMemo } from 'react';
import { Line } from 'react-chartjs-2';
import { useAppSelector } from '../../app/store.ts';
import { DARK, LIGHT } from '../../app/tokens.ts';

Chart.register(LineElement, PointElement, LinearScale, Legend, Tooltip);
Chart.defaults.font.family = "'Barlow Semi Condensed', 'Barlow', sans-serif";

export interface LoadChartProps {
  readonly input: HangInput;
  readonly plannedKg: number;
  /** The end of the slider, times what is planned. */
  readonly most: number;
  /** Where the slider stands. */
  readonly factor: number;
  readonly unit: DisplayUnit;
}

const KG_PER_LB = 0.45359237;
/** Told apart without colour: whole, dashed, dotted. */
const DASHES = [[], [10, 5], [2, 4]];
const FINE = 0.8;

export default memo(function LoadChart({ input, plannedKg, most, factor, unit }: LoadChartProps) {
  const scheme = useAppSelector(({ view }) => view.scheme);
  const tokens = scheme === 'light' ? LIGHT : DARK;
  const { factors, curves } = useMemo(() => loadCurves(input, most), [input, most]);
  const massOf = (at: number): number => (plannedKg * at) / (unit === 'mm' ? 1 : KG_PER_LB);
  const end = massOf(most);
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
  const shareAt = (uses: readonly number[]): number => {
    const place = (factor / most) * (factors.length - 1);
    const low = Math.min(factors.length - 2, Math.floor(place));
    return uses[low]! + (place - low) * (uses[low + 1]! - uses[low]!);
  };
  const highest = Math.max(120, 20 * Math.ceil(5 * Math.max(0, ...curves.flatMap(({ uses }) => uses))));
  const words = curves.map(({ name, uses }) => `${labelWords(name)} ${percentText(shareAt(uses))}`).join(', ');
  return (
    <div className="load-chart">
      <Line
        role="img"
        aria-label={`Use of the links that go first, at ${massText(plannedKg * factor, unit)} of contents: ${words}`}
        data={{
          datasets: [
            ...curves.map(({ name, uses }, index): ChartDataset<'line'> => ({
              label: labelWords(name),
              data: uses.map((use, at) => ({ x: massOf(factors[at]!), y: 100 * use })),
              borderColor: tokens.ink,
              borderWidth: index === 0 ? 2.5 : 1.5,
              borderDash: DASHES[index]!,
              pointRadius: 0,
            })),
            mark('limit', 1, []),
            mark('fine to', FINE, [4, 4]),
            {
              label: 'now',
              data: curves.map(({ uses }) => ({ x: massOf(factor), y: 100 * shareAt(uses) })),
              showLine: false,
              pointRadius: 5,
              pointBackgroundColor: tokens.chalk,
              borderColor: tokens.chalk,
            },
          ],
        }}
        options={{
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
            legend: {
              position: 'bottom',
              labels: { color: tokens.ink, boxHeight: 0, boxWidth: 34, filter: ({ text }) => curves.some(({ name }) => labelWords(name) === text) },
            },
            tooltip: { enabled: false },
          },
        }}
      />
    </div>
  );
});
