/** Pictures of sums about screws, the cleat and the wall. */
import { W, CX, CY, rad, fit, newtons, Wood, Words, Measure, Arrow, type Picture } from './primitives.tsx';

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

export const HANG_PICTURES: Readonly<Record<string, Picture>> = {
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
        <Measure from={[20, 166]} to={[20 + reach * s, 166]} label={n.mm(reach)} />
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
        <Measure from={[x, y + 12]} to={[x + long * s, y + 12]} label={n.mm(long)} />
        <Words x={x + (B - cl / 2) * s} y={y - t * s - 8}>
          {n.mm(cl)}
        </Words>
      </>
    );
  },
  'lift-clearance': (n) => (
    <>
      <Halves bevel={n.number('bevel', 45)} thickness={Math.min(n.number('wall'), n.number('cabinet')) || 18} gap={18} />
      <Words x={260} y={70} anchor="start">{`hooks over by ${n.mm(n.number('=engagement'))}`}</Words>
      <Words x={260} y={92} anchor="start">{`free above: ${n.mm(n.number('=clear'))}`}</Words>
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
