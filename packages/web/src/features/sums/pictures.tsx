/** One drawing for each sum, to its own scale from its own numbers. Inputs by their key, results by '=' and their key. */
import type { ReactNode } from 'react';

export interface Numbers {
  readonly number: (key: string, fallback?: number) => number;
  readonly list: (key: string) => readonly number[];
  readonly text: (key: string) => string;
  /** Results that are groups: boards with their cuts. */
  readonly groups: (key: string) => readonly Readonly<Record<string, number | readonly number[]>>[];
}

type Picture = (numbers: Numbers) => ReactNode;

const [W, H] = [420, 190];
const [CX, CY] = [W / 2, H / 2];

const rad = (deg: number): number => (deg * Math.PI) / 180;
/** Scale at which so many millimetres go into the picture. */
const fit = (wide: number, high: number, room = 44): number => Math.min((W - 2 * room) / Math.max(wide, 1e-6), (H - 2 * room) / Math.max(high, 1e-6));
const short = (value: number): string => String(Number(value.toPrecision(4)));

function Wood({ x, y, w, h, kind = 'side' }: { readonly x: number; readonly y: number; readonly w: number; readonly h: number; readonly kind?: string }) {
  return <rect className={`sum-wood ${kind}`} x={x} y={y} width={Math.max(0, w)} height={Math.max(0, h)} />;
}
function Words({
  x,
  y,
  children,
  anchor = 'middle',
}: {
  readonly x: number;
  readonly y: number;
  readonly children: ReactNode;
  readonly anchor?: 'start' | 'middle' | 'end';
}) {
  return (
    <text x={x} y={y} textAnchor={anchor}>
      {children}
    </text>
  );
}
/** A dimension: a line with a short stroke at each end, and what it measures. */
function Measure({
  from,
  to,
  label,
  off = 12,
}: {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly label: string;
  readonly off?: number;
}) {
  const across = Math.abs(from[1] - to[1]) < Math.abs(from[0] - to[0]);
  const [mx, my] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const tick = ([x, y]: readonly [number, number]): string => (across ? `M${x} ${y - 4}v8` : `M${x - 4} ${y}h8`);
  return (
    <g className="sum-measure">
      <path d={`M${from.join(' ')}L${to.join(' ')}${tick(from)}${tick(to)}`} />
      <Words x={across ? mx : mx + off} y={across ? my + off + 4 : my + 4} anchor={across ? 'middle' : off < 0 ? 'end' : 'start'}>
        {label}
      </Words>
    </g>
  );
}
/** A force: as long as it is large, with its amount. */
function Arrow({ x, y, dx, dy, label }: { readonly x: number; readonly y: number; readonly dx: number; readonly dy: number; readonly label: string }) {
  const length = Math.hypot(dx, dy) || 1;
  const [ux, uy] = [dx / length, dy / length];
  const tip = `M${x + dx} ${y + dy}l${-9 * ux - 4 * uy} ${-9 * uy + 4 * ux}l${8 * uy} ${-8 * ux}z`;
  return (
    <g className="sum-force">
      <path d={`M${x} ${y}l${dx} ${dy}`} />
      <path className="head" d={tip} />
      <Words
        x={x + dx + (Math.abs(ux) > 0.5 ? 6 * Math.sign(ux) : 8)}
        y={y + dy + (Math.abs(uy) > 0.5 ? 6 * Math.sign(uy) : -6)}
        anchor={ux < -0.5 ? 'end' : 'start'}
      >
        {label}
      </Words>
    </g>
  );
}

const mm = (value: number): string => `${short(value)} mm`;
const newtons = (value: number): string => `${short(value)} N`;

/** Blocks side by side, with their sizes: openings and dividers, strips and kerfs, cuts and what is left. */
function Row({
  blocks,
  y = 70,
  h = 50,
}: {
  readonly blocks: readonly { readonly mm: number; readonly kind: string; readonly label?: string }[];
  readonly y?: number;
  readonly h?: number;
}) {
  const total = blocks.reduce((sum, block) => sum + block.mm, 0) || 1;
  const scale = (W - 40) / total;
  /** Left ends of the blocks, px. */
  const starts = blocks.map((_, index) => 20 + scale * blocks.slice(0, index).reduce((sum, each) => sum + each.mm, 0));
  return (
    <>
      {blocks.map((block, index) => {
        const at = starts[index]!;
        return (
          <g key={index}>
            <Wood x={at} y={y} w={block.mm * scale} h={h} kind={block.kind} />
            {block.label && block.mm * scale > 34 && (
              <Words x={at + (block.mm * scale) / 2} y={y + h / 2 + 4}>
                {block.label}
              </Words>
            )}
          </g>
        );
      })}
    </>
  );
}

/** A cleat in section against a wall: the halves by their bevel and thickness. */
function Halves({ bevel, thickness, gap = 0 }: { readonly bevel: number; readonly thickness: number; readonly gap?: number }) {
  const s = 90 / Math.max(thickness * 2, 1);
  const t = Math.min(60, thickness * s);
  const rise = t * Math.tan(rad(bevel));
  const [x, y] = [170, 110];
  return (
    <>
      <Wood x={120} y={10} w={50} h={170} kind="stud" />
      <polygon className="sum-wood wall-half" points={`${x},${y} ${x + t},${y - rise} ${x + t},${y + 66} ${x},${y + 66}`} />
      <polygon
        className="sum-wood cabinet-half"
        points={`${x},${y - gap} ${x + t},${y - rise - gap} ${x + t},${y - rise - 66 - gap} ${x},${y - rise - 66 - gap}`}
      />
    </>
  );
}

const beam = (n: Numbers, sag: number, span: number): ReactNode => {
  const drop = Math.min(40, Math.max(6, (sag / Math.max(span, 1)) * 6000));
  return (
    <>
      <Wood x={30} y={60} w={14} h={90} />
      <Wood x={W - 44} y={60} w={14} h={90} />
      <path className="sum-beam" d={`M44 80Q${CX} ${80 + 2 * drop} ${W - 44} 80`} strokeWidth={Math.max(5, Math.min(16, n.number('thickness') / 2))} />
      <Measure from={[44, 160]} to={[W - 44, 160]} label={mm(span)} />
    </>
  );
};

export const PICTURES: Readonly<Record<string, Picture>> = {
  length: (n) => (
    <>
      <Wood x={20} y={70} w={W - 40} h={40} kind="plain" />
      {Array.from({ length: 21 }, (_, index) => (
        <path key={index} className="sum-tick" d={`M${20 + (index * (W - 40)) / 20} 70v${index % 4 === 0 ? 20 : 11}`} />
      ))}
      <Words x={CX} y={140}>{`${mm(n.number('=value'))}; on the tape ${mm(n.number('=rounded'))}`}</Words>
    </>
  ),
  'panel-weight': (n) => {
    const [l, w] = [n.number('length'), n.number('width')];
    const s = fit(l, w);
    return (
      <>
        <Wood x={CX - (l * s) / 2} y={CY - (w * s) / 2} w={l * s} h={w * s} />
        <Measure from={[CX - (l * s) / 2, CY + (w * s) / 2 + 12]} to={[CX + (l * s) / 2, CY + (w * s) / 2 + 12]} label={mm(l)} />
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
        <Measure from={[44, 140]} to={[44 + out * s, 140]} label={mm(out)} />
      </>
    );
  },
  'even-spacing': (n) => {
    const t = n.number('thickness');
    const count = Math.min(24, n.number('count', 1));
    const open = n.number('=opening');
    const blocks = Array.from({ length: count * 2 + 1 }, (_, index) =>
      index % 2 === 0 ? { mm: open, kind: 'plain', label: short(open) } : { mm: t, kind: 'side' },
    );
    return (
      <>
        <Row blocks={blocks} h={70} y={50} />
        <Measure from={[20, 140]} to={[W - 20, 140]} label={mm(n.number('inside'))} />
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
        <Words x={CX} y={150}>{`${n.number('=count')} slots, ${mm(n.number('=pitch'))} apart`}</Words>
      </>
    );
  },
  strips: (n) => {
    const count = Math.min(40, n.number('=count'));
    const each = n.number('=each');
    const kerf = n.number('kerf');
    const blocks = Array.from({ length: count * 2 - 1 }, (_, index) =>
      index % 2 === 0 ? { mm: each, kind: 'side', label: short(each) } : { mm: kerf, kind: 'cut' },
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
                  { mm: left, kind: 'plain', label: short(left) },
                ]
              : []),
          ]}
          h={80}
          y={40}
        />
        <Measure from={[20, 140]} to={[W - 20, 140]} label={mm(n.number('width'))} />
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
      const pieces = cuts.flatMap((each, at) => [...(at > 0 ? [kerf] : []), { mm: each, kind: 'side', label: short(each) }]);
      return (
        <Row
          key={index}
          y={20 + index * (high + 6)}
          h={high}
          blocks={[...pieces, ...(left > 0 ? [kerf, { mm: left, kind: 'plain', label: short(left) }] : [])]}
        />
      );
    });
  },
  'dado-stack': (n) => {
    const parts = [n.number('blades') / 2, ...n.list('chippers'), n.number('blades') / 2];
    return (
      <>
        <Row
          blocks={parts.map((each, index) => ({ mm: each, kind: index === 0 || index === parts.length - 1 ? 'metal' : 'side', label: short(each) }))}
          h={90}
          y={40}
        />
        <Words x={CX} y={160}>{`wanted ${mm(n.number('target'))}`}</Words>
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
        <Measure from={[70, 172]} to={[70 + (base - cutter / 2) * s, 172]} label={mm(n.number('=offset'))} off={-12} />
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
        <Measure from={[x, y + 12]} to={[x + run * s, y + 12]} label={mm(run)} />
        <Words x={x + run * s + 16} y={CY} anchor="start">
          {mm(n.number('=length'))}
        </Words>
      </>
    );
  },
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
        <Words x={CX} y={H - 2}>{`${short(w)} × ${short(h)}`}</Words>
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
        <Words x={CX} y={CY}>{`${short(w)} × ${short(d)}`}</Words>
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
        <Words x={CX} y={H - 4}>{`out ${mm(n.number('=out'))} over the height (drawn larger)`}</Words>
      </>
    );
  },
  'shelf-sag': (n) => (
    <>
      {beam(n, n.number('=later'), n.number('span'))}
      <Words x={CX} y={50}>{`${mm(n.number('=later'))} in years (drawn larger)`}</Words>
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
  'screw-length': (n) => {
    const layers = n.list('layers');
    const reach = n.number('=stock') || n.number('=least');
    const total = Math.max(reach + 10, layers.reduce((sum, each) => sum + each, 0) + n.number('backing', reach));
    const s = (W - 40) / total;
    let x = 20;
    return (
      <>
        {layers.map((each, index) => {
          const at = x;
          x += each * s;
          return <Wood key={index} x={at} y={40} w={each * s} h={110} kind={index % 2 === 0 ? 'side' : 'plain'} />;
        })}
        <Wood x={x} y={40} w={W - 20 - x} h={110} kind="stud" />
        <Wood x={20} y={CY - 4} w={reach * s} h={8} kind="metal" />
        <Measure from={[20, 166]} to={[20 + reach * s, 166]} label={mm(reach)} />
      </>
    );
  },
  'screw-withdrawal': (n) => (
    <>
      <Wood x={150} y={20} w={220} h={150} kind="stud" />
      <Wood x={120} y={CY - 5} w={Math.min(210, n.number('thread') * 2.5)} h={10} kind="metal" />
      <Arrow x={118} y={CY} dx={-60} dy={0} label={newtons(n.number('=allowable'))} />
    </>
  ),
  'head-pull-through': (n) => {
    const s = Math.min(8, 90 / Math.max(n.number('head'), 1));
    const t = Math.min(120, n.number('thickness') * s);
    return (
      <>
        <Wood x={180} y={15} w={t} h={160} />
        <polygon
          className="sum-wood metal"
          points={`180,${CY - (n.number('head') * s) / 2} 180,${CY + (n.number('head') * s) / 2} ${192},${CY + 6} ${192},${CY - 6}`}
        />
        <Wood x={190} y={CY - 6} w={t + 60} h={12} kind="metal" />
        <Arrow x={180 + t + 70} y={CY} dx={60} dy={0} label={newtons(n.number('=allowable'))} />
      </>
    );
  },
  'screw-lateral': (n) => {
    const [side, gap, main] = [n.number('side'), n.number('gap'), n.number('main')];
    const s = (W - 160) / Math.max(side + gap + main, 1);
    return (
      <>
        <Wood x={40} y={30} w={side * s} h={130} />
        <Wood x={40 + side * s} y={30} w={gap * s} h={130} kind="plain" />
        <Wood x={40 + (side + gap) * s} y={30} w={main * s + 20} h={130} kind="stud" />
        <Wood x={40} y={CY - 4} w={(side + gap + main) * s} h={8} kind="metal" />
        <Arrow x={40 + (side * s) / 2} y={CY + 8} dx={0} dy={44} label={`${newtons(n.number('=allowable'))}, mode ${n.text('=mode')}`} />
      </>
    );
  },
  'screw-combined': (n) => {
    const [V, T] = [n.number('shear'), n.number('tension')];
    const s = 110 / Math.max(V, T, 1);
    return (
      <>
        <Wood x={40} y={20} w={50} h={150} kind="stud" />
        <Arrow x={130} y={50} dx={T * s} dy={0} label={newtons(T)} />
        <Arrow x={130} y={50} dx={0} dy={V * s} label={newtons(V)} />
        <path className="sum-tick" d={`M130 50l${T * s} ${V * s}`} />
        <Words x={300} y={150} anchor="start">{`used ${Math.ceil(100 * n.number('=use'))} %`}</Words>
      </>
    );
  },
  'cleat-statics': (n) => (
    <>
      <Halves bevel={n.number('bevel', 45)} thickness={n.number('thickness', 18)} />
      <Arrow x={116} y={80} dx={-56} dy={0} label={newtons(n.number('=outwardDesign'))} />
      <Arrow x={300} y={50} dx={0} dy={60} label={newtons(n.number('=vertical'))} />
      <Arrow x={60} y={164} dx={56} dy={0} label="" />
      <Words x={14} y={184} anchor="start">{`spacer ${newtons(n.number('=spacer'))}`}</Words>
    </>
  ),
  'front-edge': (n) => (
    <>
      <Wood x={40} y={10} w={30} h={170} kind="stud" />
      <rect className="sum-outline" x={70} y={20} width={180} height={150} />
      <Arrow x={250} y={165} dx={0} dy={-70} label={`unhooks: ${newtons(n.number('=liftLimit'))}`} />
      <Arrow x={252} y={168} dx={60} dy={0} label={newtons(n.number('=pullLimit'))} />
    </>
  ),
  'cleat-prying': (n) => (
    <>
      <Halves bevel={n.number('bevel', 45)} thickness={n.number('thickness', 18)} gap={26} />
      <Arrow x={112} y={140} dx={-50} dy={0} label={newtons(n.number('=tension'))} />
      <Arrow x={236} y={92} dx={56} dy={0} label={newtons(n.number('=outward'))} />
    </>
  ),
  'cleat-rip': (n) => {
    const [B, t, long, edge] = [n.number('board'), n.number('thickness'), n.number('=wallLong'), n.number('=wallShort')];
    const s = fit(B, t, 26);
    const [x, y] = [CX - (B * s) / 2, CY + (t * s) / 2];
    const [cl, cs] = [n.number('=cabinetLong'), n.number('=cabinetShort')];
    return (
      <>
        <polygon className="sum-wood wall-half" points={`${x},${y} ${x + long * s},${y} ${x + edge * s},${y - t * s} ${x},${y - t * s}`} />
        <polygon
          className="sum-wood cabinet-half"
          points={`${x + B * s},${y - t * s} ${x + (B - cl) * s},${y - t * s} ${x + (B - cs) * s},${y} ${x + B * s},${y}`}
        />
        <Measure from={[x, y + 12]} to={[x + long * s, y + 12]} label={mm(long)} />
        <Words x={x + (B - cl / 2) * s} y={y - t * s - 8}>
          {mm(cl)}
        </Words>
      </>
    );
  },
  'lift-clearance': (n) => (
    <>
      <Halves bevel={n.number('bevel', 45)} thickness={Math.min(n.number('wall'), n.number('cabinet')) || 18} gap={18} />
      <Words x={260} y={70} anchor="start">{`hooks over by ${mm(n.number('=engagement'))}`}</Words>
      <Words x={260} y={92} anchor="start">{`free above: ${mm(n.number('=clear'))}`}</Words>
    </>
  ),
  'stud-shares': (n) => {
    const [left, right] = [n.number('left'), n.number('right')];
    const studs = n.list('studs');
    const low = Math.min(left, ...studs);
    const s = (W - 90) / Math.max(Math.max(right, ...studs) - low, 1);
    const x = (at: number): number => 45 + (at - low) * s;
    const worst = studs.map((_, index) => Math.max(n.list('=simple')[index] ?? 0, n.list('=continuous')[index] ?? 0, n.list('=rigid')[index] ?? 0));
    return (
      <>
        <Wood x={x(left)} y={70} w={(right - left) * s} h={22} />
        <Arrow x={x((left + right) / 2)} y={14} dx={0} dy={50} label={newtons(n.number('weight'))} />
        {studs.map((at, index) => (
          <g key={at}>
            <path className="sum-force" d={`M${x(at)} 130V96M${x(at) - 5} 106l5 -10l5 10`} />
            <Words x={x(at)} y={150}>
              {newtons(worst[index] ?? 0)}
            </Words>
          </g>
        ))}
      </>
    );
  },
};
