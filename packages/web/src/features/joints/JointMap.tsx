/** Front view of the cabinet with every joint: a line where its seam is seen along, a square where it is seen end on. */
import { boundsOfCabinet, frontView, labelWords, seamOf, type JointGroup, type ResolvedCabinet } from '@keen/core';
import { useAppDispatch } from '../../app/store.ts';
import { panelHovered } from '../project/view.slice.ts';

const WIDE = 300;
const HIGH = 260;
const ROOM = 14;
/** A seam shorter than this in the drawing counts as seen end on, px. */
const END_ON = 6;

interface Spot {
  readonly x: number;
  readonly y: number;
}

interface JointMapProps {
  readonly cabinet: ResolvedCabinet;
  readonly groups: readonly JointGroup[];
  readonly current: JointGroup;
  readonly onChoose: (id: string) => void;
}

export function JointMap({ cabinet, groups, current, onChoose }: JointMapProps) {
  const dispatch = useAppDispatch();
  const { low, high } = boundsOfCabinet(cabinet);
  const scale = Math.min((WIDE - 2 * ROOM) / (high.along - low.along), (HIGH - 2 * ROOM) / (high.up - low.up));
  const x = (along: number): number => WIDE / 2 + (along - (low.along + high.along) / 2) * scale;
  const y = (up: number): number => HIGH / 2 - (up - (low.up + high.up) / 2) * scale;
  const shown = frontView(cabinet).filter(({ hidden, role }) => !hidden && role !== 'wall-half' && role !== 'door');
  const marks = groups.flatMap((group) =>
    group.connections.flatMap((connection) => {
      const seam = seamOf(cabinet, connection);
      if (!seam) return [];
      const [a, b] = seam.map(({ along, up }) => ({ x: x(along), y: y(up) })) as [Spot, Spot];
      return [{ group, connection, a, b, endOn: Math.hypot(a.x - b.x, a.y - b.y) < END_ON }];
    }),
  );
  // Squares over lines, so that a finger finds them; the selected kind on top.
  const rank = ({ group, endOn }: (typeof marks)[number]): number => (endOn ? 2 : 0) + (group === current ? 1 : 0);
  marks.sort((one, other) => rank(one) - rank(other));
  return (
    <svg className="drawing joint-map" viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={`Where the ${current.connections.length} alike are`}>
      {shown.map(({ panel, points }) => (
        <polygon key={panel} className="joint-map-part" points={points.map(([along, up]) => `${x(along)},${y(up)}`).join(' ')} />
      ))}
      {marks.map(({ group, connection, a, b, endOn }) => (
        <g
          key={connection.id}
          className={group === current ? 'joint-seam current' : 'joint-seam'}
          onClick={() => onChoose(group.id)}
          onPointerEnter={() => dispatch(panelHovered(connection.guest))}
          onPointerLeave={() => dispatch(panelHovered(null))}
        >
          <title>
            {labelWords(cabinet.byId.get(connection.guest)!.name)} and {labelWords(cabinet.byId.get(connection.host)!.name)}
          </title>
          {endOn ? <rect x={(a.x + b.x) / 2 - 4} y={(a.y + b.y) / 2 - 4} width={8} height={8} /> : <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} />}
        </g>
      ))}
    </svg>
  );
}
