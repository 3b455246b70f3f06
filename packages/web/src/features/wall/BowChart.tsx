/** Curve of a wall's bow. Loaded on demand. */
import { CategoryScale, Chart, Filler, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';
import { Line } from 'react-chartjs-2';
import { DARK, LIGHT } from '../../app/tokens.ts';
import { useAppSelector } from '../../app/store.ts';

Chart.register(CategoryScale, Filler, LinearScale, LineElement, PointElement, Tooltip);

export interface BowChartProps {
  readonly points: readonly { readonly x: number; readonly y: number }[];
  readonly wide: number;
  /** The stretch behind the current cabinet. */
  readonly from: number | null;
  readonly to: number | null;
}

export default function BowChart({ points, wide, from, to }: BowChartProps) {
  const scheme = useAppSelector(({ view }) => view.scheme);
  const tokens = scheme === 'light' ? LIGHT : DARK;
  const most = Math.max(5, ...points.map(({ y }) => y)) * 1.15;
  const words = `Bow of the wall: ${points.map(({ x, y }) => `${y} mm at ${x} mm`).join(', ')}`;
  return (
    <div className="bow-chart" role="img" aria-label={words}>
      <Line
        data={{
          datasets: [
            ...(from !== null && to !== null
              ? [
                  {
                    label: 'behind the cabinet',
                    data: [
                      { x: from, y: most },
                      { x: to, y: most },
                    ],
                    backgroundColor: tokens.chalkSoft,
                    borderWidth: 0,
                    pointRadius: 0,
                    fill: 'origin' as const,
                  },
                ]
              : []),
            {
              label: 'string to wall',
              data: [...points],
              borderColor: tokens.ink,
              borderWidth: 1.6,
              pointBackgroundColor: tokens.chalk,
              pointRadius: 3,
              tension: 0.25,
            },
          ],
        }}
        options={{
          animation: false,
          parsing: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              type: 'linear',
              min: 0,
              max: wide,
              ticks: { color: tokens.pencil, maxTicksLimit: 6 },
              grid: { color: tokens.hairline },
              title: { display: true, text: 'mm from the left end', color: tokens.pencil },
            },
            y: {
              min: 0,
              max: Math.ceil(most),
              ticks: { color: tokens.pencil },
              grid: { color: tokens.hairline },
              title: { display: true, text: 'mm off the string', color: tokens.pencil },
            },
          },
          plugins: { legend: { display: false } },
        }}
      />
    </div>
  );
}
