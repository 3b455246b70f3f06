/** A sheet as it will be printed, drawn from the same lines as its PDF. */
import type { SheetPicture } from '@keen/exchange';
import { useId } from 'react';

/** Approximate cap height as a share of the font size. */
const CAPITAL = 0.7;
const ANCHORS = { start: 'start', middle: 'middle', end: 'end' } as const;

export function SheetPreview({ sheet, label }: { readonly sheet: SheetPicture; readonly label: string }) {
  const id = useId();
  const { width, height, patches } = sheet;
  const up = (y: number): number => height - y;
  return (
    <svg className="sheet-preview" viewBox={`0 0 ${width} ${height}`} role="img" aria-label={label}>
      <rect width={width} height={height} />
      {patches.map(({ clip, strokes, words }, index) => (
        <g key={index} {...(clip ? { clipPath: `url(#${id}${index})` } : {})}>
          {clip && (
            <clipPath id={`${id}${index}`}>
              <rect x={clip.low.x} y={up(clip.high.y)} width={clip.high.x - clip.low.x} height={clip.high.y - clip.low.y} />
            </clipPath>
          )}
          {strokes.map(({ points, closed, thick, dash }, line) => (
            <path
              key={line}
              d={`${points.map(({ x, y }, at) => `${at === 0 ? 'M' : 'L'}${x} ${up(y)}`).join('')}${closed ? 'Z' : ''}`}
              strokeWidth={thick}
              strokeDasharray={dash.join(' ')}
            />
          ))}
          {words.map(({ text, x, y, high, bold, from, upright }, at) => (
            <text
              key={at}
              x={x}
              y={up(y)}
              fontSize={high / CAPITAL}
              fontWeight={bold ? 700 : 400}
              textAnchor={ANCHORS[from]}
              {...(upright ? { transform: `rotate(-90 ${x} ${up(y)})` } : {})}
            >
              {text}
            </text>
          ))}
        </g>
      ))}
    </svg>
  );
}
