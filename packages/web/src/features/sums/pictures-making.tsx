/** Pictures of sums about measuring, spacing, cutting and stock. */
import { W, CX, CY, fit, short, Wood, Words, Measure, Arrow, Row, type Picture } from './primitives.tsx';

export const MAKING_PICTURES: Readonly<Record<string, Picture>> = {
  length: (n) => (
    <>
      <Wood x={20} y={70} w={W - 40} h={40} kind="plain" />
      {Array.from({ length: 21 }, (_, index) => (
        <path key={index} className="sum-tick" d={`M${20 + (index * (W - 40)) / 20} 70v${index % 4 === 0 ? 20 : 11}`} />
      ))}
      <Words x={CX} y={140}>{`${n.mm(n.number('=value'))}; on the tape ${n.mm(n.number('=rounded'))}`}</Words>
    </>
  ),
  'panel-weight': (n) => {
    const [l, w] = [n.number('length'), n.number('width')];
    const s = fit(l, w);
    return (
      <>
        <Wood x={CX - (l * s) / 2} y={CY - (w * s) / 2} w={l * s} h={w * s} />
        <Measure from={[CX - (l * s) / 2, CY + (w * s) / 2 + 12]} to={[CX + (l * s) / 2, CY + (w * s) / 2 + 12]} label={n.mm(l)} />
        <Arrow x={CX} y={CY} dx={0} dy={34} label={`${short(n.number('=mass'))} kg`} />
      </>
    );
  },
  'centre-of-gravity': (n) => {
    const out = n.number('=out');
    const s = (W - 120) / Math.max(out * 2, 1);
    return (
      <>
        <Wood x={20} y={20} w={24} h={150} kind="stud" />
        <path className="sum-tick" d={`M44 120H${W - 20}`} />
        <Arrow x={44 + out * s} y={60} dx={0} dy={50} label={`${short(n.number('=mass'))} kg`} />
        <Measure from={[44, 140]} to={[44 + out * s, 140]} label={n.mm(out)} />
      </>
    );
  },
  'even-spacing': (n) => {
    const t = n.number('thickness');
    const count = Math.min(24, n.number('count', 1));
    const open = n.number('=opening');
    const blocks = Array.from({ length: count * 2 + 1 }, (_, index) =>
      index % 2 === 0 ? { mm: open, kind: 'plain', label: n.bare(open) } : { mm: t, kind: 'side' },
    );
    return (
      <>
        <Row blocks={blocks} h={70} y={50} />
        <Measure from={[20, 140]} to={[W - 20, 140]} label={n.mm(n.number('inside'))} />
      </>
    );
  },
  slots: (n) => {
    const positions = n.list('=positions').slice(0, 60);
    const s = (W - 40) / Math.max(n.number('inside'), 1);
    return (
      <>
        <Wood x={20} y={60} w={W - 40} h={60} />
        {positions.map((at) => (
          <rect key={at} className="sum-cut" x={20 + at * s} y={60} width={Math.max(1.5, n.number('thickness') * s)} height={38} />
        ))}
        <Words x={CX} y={150}>{`${n.number('=count')} slots, ${n.mm(n.number('=pitch'))} apart`}</Words>
      </>
    );
  },
  strips: (n) => {
    const count = Math.min(40, n.number('=count'));
    const each = n.number('=each');
    const kerf = n.number('kerf');
    const blocks = Array.from({ length: count * 2 - 1 }, (_, index) =>
      index % 2 === 0 ? { mm: each, kind: 'side', label: n.bare(each) } : { mm: kerf, kind: 'cut' },
    );
    const left = n.number('=left');
    return (
      <>
        <Row
          blocks={[
            ...blocks,
            ...(left > 0
              ? [
                  { mm: kerf, kind: 'cut' },
                  { mm: left, kind: 'plain', label: n.bare(left) },
                ]
              : []),
          ]}
          h={80}
          y={40}
        />
        <Measure from={[20, 140]} to={[W - 20, 140]} label={n.mm(n.number('width'))} />
      </>
    );
  },
  boards: (n) => {
    const boards = n.groups('boards').slice(0, 5);
    const high = Math.min(34, 150 / Math.max(1, boards.length) - 6);
    return boards.map((board, index) => {
      const cuts = board['cuts'] as readonly number[];
      const left = board['left'] as number;
      const kerf = { mm: n.number('kerf'), kind: 'cut' };
      const pieces = cuts.flatMap((each, at) => [...(at > 0 ? [kerf] : []), { mm: each, kind: 'side', label: n.bare(each) }]);
      return (
        <Row
          key={index}
          y={20 + index * (high + 6)}
          h={high}
          blocks={[...pieces, ...(left > 0 ? [kerf, { mm: left, kind: 'plain', label: n.bare(left) }] : [])]}
        />
      );
    });
  },
  'dado-stack': (n) => {
    const parts = [n.number('blades') / 2, ...n.list('chippers'), n.number('blades') / 2];
    return (
      <>
        <Row
          blocks={parts.map((each, index) => ({ mm: each, kind: index === 0 || index === parts.length - 1 ? 'metal' : 'side', label: n.bare(each) }))}
          h={90}
          y={40}
        />
        <Words x={CX} y={160}>{`wanted ${n.mm(n.number('target'))}`}</Words>
      </>
    );
  },
  'guide-offset': (n) => {
    const [base, cutter] = [n.number('base'), n.number('cutter')];
    const s = 150 / Math.max(base * 2, 1);
    return (
      <>
        <Wood x={30} y={40} w={40} h={110} kind="metal" />
        <circle className="sum-outline" cx={70 + base * s} cy={95} r={base * s} />
        <Wood x={70 + (base - cutter / 2) * s} y={20} w={cutter * s} h={150} kind="cut" />
        <Measure from={[70, 172]} to={[70 + (base - cutter / 2) * s, 172]} label={n.mm(n.number('=offset'))} off={-12} />
      </>
    );
  },
  mitre: (n) => {
    const sides = Math.max(3, Math.min(24, n.number('sides', 4)));
    const points = Array.from(
      { length: sides },
      (_, index) => [CX + 70 * Math.cos((2 * Math.PI * index) / sides - Math.PI / 2), CY + 70 * Math.sin((2 * Math.PI * index) / sides - Math.PI / 2)] as const,
    );
    return (
      <>
        <polygon className="sum-wood side" points={points.map((point) => point.join(',')).join(' ')} />
        <polygon className="sum-wood plain" points={points.map(([x, y]) => `${CX + (x - CX) * 0.78},${CY + (y - CY) * 0.78}`).join(' ')} />
        {points.map(([x, y], index) => (
          <path key={index} className="sum-tick" d={`M${x} ${y}L${CX + (x - CX) * 0.78} ${CY + (y - CY) * 0.78}`} />
        ))}
        <Words x={CX} y={CY + 5}>{`blade ${short(n.number('=tilt'))}°`}</Words>
      </>
    );
  },
  tilt: (n) => {
    const [height, run] = [n.number('height'), n.number('=run')];
    const s = fit(run, height, 30);
    const [x, y] = [CX - (run * s) / 2, CY + (height * s) / 2];
    return (
      <>
        <path className="sum-tick" d={`M${x} ${y}V${y - height * s}M${x} ${y}H${x + run * s + 30}`} />
        <path className="sum-beam" d={`M${x + run * s} ${y}L${x} ${y - height * s}`} strokeWidth={8} />
        <Measure from={[x, y + 12]} to={[x + run * s, y + 12]} label={n.mm(run)} />
        <Words x={x + run * s + 16} y={CY} anchor="start">
          {n.mm(n.number('=length'))}
        </Words>
      </>
    );
  },
};
