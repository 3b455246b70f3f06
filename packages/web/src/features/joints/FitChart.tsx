/** Histogram of simulated clearances, with binding and rattling fits marked. Loaded on demand. */
import { MM_PER_INCH, percentText, type DisplayUnit, type ToleranceChain, type FitRun } from '@keen/core';
import { BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js';
import { Bar } from 'react-chartjs-2';
import { useAppSelector } from '../../app/store.ts';
import { DARK, LIGHT } from '../../app/tokens.ts';

Chart.register(BarElement, CategoryScale, LinearScale, Tooltip);
Chart.defaults.font.family = "'Barlow Semi Condensed', 'Barlow', sans-serif";

export interface FitChartProps {
  readonly chain: ToleranceChain;
  readonly run: FitRun;
  readonly unit: DisplayUnit;
}

const figure = (mm: number, unit: DisplayUnit): string => String(unit === 'mm' ? Math.round(mm * 100) / 100 : Math.round((mm / MM_PER_INCH) * 1000) / 1000);

export default function FitChart({ chain, run, unit }: FitChartProps) {
  const scheme = useAppSelector(({ view }) => view.scheme);
  const tokens = scheme === 'light' ? LIGHT : DARK;
  const { fromMm, stepMm, counts } = run.bins;
  const middles = counts.map((_, index) => fromMm + stepMm * (index + 0.5));
  const colour = (mm: number): string => (mm < 0 ? tokens.madder : mm > chain.maxMm ? tokens.ochre : tokens.edge);
  const words = `Of ${run.runs} goes ${percentText(run.binds)} bind and ${percentText(run.rattles)} are too loose; in the middle ${figure(run.meanMm, unit)} ${unit} are free.`;
  return (
    <div className="fit-chart">
      <Bar
        role="img"
        aria-label={words}
        data={{
          labels: middles.map((mm) => figure(mm, unit)),
          datasets: [
            {
              label: 'share of goes',
              data: counts.map((count) => (count / run.runs) * 100),
              backgroundColor: middles.map(colour),
              borderColor: tokens.ink,
              borderWidth: middles.map((mm) => (mm < 0 || mm > chain.maxMm ? 1.5 : 0)),
              barPercentage: 1,
              categoryPercentage: 0.94,
            },
          ],
        }}
        options={{
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              ticks: { color: tokens.pencil, maxTicksLimit: 9 },
              grid: { display: false },
              title: { display: true, text: `${unit} free; outlined: binds at the left of 0, too loose at the right`, color: tokens.pencil },
            },
            y: { ticks: { color: tokens.pencil, callback: (value) => `${value} %` }, grid: { color: tokens.hairline } },
          },
          plugins: { legend: { display: false } },
        }}
      />
    </div>
  );
}
