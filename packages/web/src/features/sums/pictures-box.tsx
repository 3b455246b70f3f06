/** Pictures of sums about fronts, drawers and shelves. */
import type { ReactNode } from 'react';
import { W, H, CX, CY, rad, fit, short, newtons, Wood, Words, Measure, Arrow, type Picture, type Numbers } from './primitives.tsx';

const beam = (n: Numbers, sag: number, span: number): ReactNode => {
  const drop = Math.min(40, Math.max(6, (sag / Math.max(span, 1)) * 6000));
  return (
    <>
      <Wood x={30} y={60} w={14} h={90} />
      <Wood x={W - 44} y={60} w={14} h={90} />
      <path className="sum-beam" d={`M44 80Q${CX} ${80 + 2 * drop} ${W - 44} 80`} strokeWidth={Math.max(5, Math.min(16, n.number('thickness') / 2))} />
      <Measure from={[44, 160]} to={[W - 44, 160]} label={n.mm(span)} />
    </>
  );
};

export const BOX_PICTURES: Readonly<Record<string, Picture>> = {
  door: (n) => {
    const [w, h, leaves] = [n.number('=leafWidth'), n.number('=leafHeight'), n.number('leaves', 1)];
    const s = fit(w * leaves, h, 14);
    return (
      <>
        {Array.from({ length: Math.min(6, leaves) }, (_, index) => (
          <g key={index}>
            <Wood x={CX + (index - leaves / 2) * w * s + 1} y={CY - (h * s) / 2} w={w * s - 2} h={h * s} />
            {n.list('=cups').map((at) => (
              <circle
                key={at}
                className="sum-cut"
                cx={CX + (index - leaves / 2) * w * s + (index === 0 ? 8 : w * s - 8)}
                cy={CY - (h * s) / 2 + at * s}
                r={3.5}
              />
            ))}
          </g>
        ))}
        <Words x={CX} y={H - 2}>{`${n.bare(w)} × ${n.bare(h)}`}</Words>
      </>
    );
  },
  drawer: (n) => {
    const [w, d] = [n.number('=boxWidth'), n.number('=boxDepth')];
    const stock = n.number('stock');
    const s = fit(w, d, 20);
    const [x, y] = [CX - (w * s) / 2, CY - (d * s) / 2];
    return (
      <>
        <Wood x={x} y={y} w={stock * s} h={d * s} />
        <Wood x={x + (w - stock) * s} y={y} w={stock * s} h={d * s} />
        <Wood x={x + stock * s} y={y} w={(w - 2 * stock) * s} h={stock * s} />
        <Wood x={x + stock * s} y={y + (d - stock) * s} w={(w - 2 * stock) * s} h={stock * s} />
        <Words x={CX} y={CY}>{`${n.bare(w)} × ${n.bare(d)}`}</Words>
      </>
    );
  },
  magnet: (n) => {
    const lean = Math.min(80, n.number('angle'));
    const [x, y] = [150, 165];
    const [dx, dy] = [-120 * Math.sin(rad(lean)) * -1, -130 * Math.cos(rad(lean))];
    return (
      <>
        <path className="sum-beam" d={`M${x} ${y}l${dx} ${dy}`} strokeWidth={10} />
        <Arrow x={x + dx / 2 + 14} y={y + dy / 2} dx={0} dy={46} label={`${short(n.number('mass'))} kg`} />
        <Words x={280} y={60} anchor="start">{`${n.number('=count')} magnets hold ${newtons(n.number('=hold'))}`}</Words>
        <Words x={280} y={82} anchor="start">{`needed ${newtons(n.number('=needed'))}`}</Words>
      </>
    );
  },
  'square-check': (n) => {
    const [w, h] = [n.number('width'), n.number('height')];
    const s = fit(w, h, 26);
    const skew = Math.sign(n.number('first') - n.number('second')) * Math.min(16, 3 + n.number('=out'));
    const [x, y] = [CX - (w * s) / 2, CY - (h * s) / 2];
    return (
      <>
        <polygon className="sum-wood side" points={`${x + skew},${y} ${x + w * s + skew},${y} ${x + w * s},${y + h * s} ${x},${y + h * s}`} />
        <path className="sum-tick" d={`M${x} ${y + h * s}L${x + w * s + skew} ${y}M${x + skew} ${y}L${x + w * s} ${y + h * s}`} />
        <Words x={CX} y={H - 4}>{`out ${n.mm(n.number('=out'))} over the height (drawn larger)`}</Words>
      </>
    );
  },
  'shelf-sag': (n) => (
    <>
      {beam(n, n.number('=later'), n.number('span'))}
      <Words x={CX} y={50}>{`${n.mm(n.number('=later'))} in years (drawn larger)`}</Words>
    </>
  ),
  'shelf-span': (n) => beam(n, n.number('=span') / Math.max(1, n.number('limit', 600)), n.number('=span')),
  'shelf-pin': (n) => {
    const [d, l, c] = [n.number('diameter'), n.number('embedded'), n.number('lever')];
    const s = 150 / Math.max(l + 3 * c + 10, 1);
    return (
      <>
        <Wood x={60} y={20} w={l * s + 30} h={150} />
        <Wood x={90} y={CY - (d * s) / 2} w={(l + c + 8) * s} h={d * s} kind="metal" />
        <Arrow x={90 + (l + c) * s} y={CY - 46} dx={0} dy={40 - (d * s) / 2} label={newtons(n.number('=allowable'))} />
      </>
    );
  },
};
