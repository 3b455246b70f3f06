/** A part as it lies at the machine, to scale: its blank, the cut, and what lies against fence, stop or rule. */
import { type OperationBlank, type SetupCut } from '@keen/core';
import type { ReactNode } from 'react';

const WIDE = 190;
const HIGH = 112;
const EDGE = 14;

export function SetupDrawing({ cut: { operation, way }, blank, title }: { readonly cut: SetupCut; readonly blank: OperationBlank; readonly title: string }) {
  const scale = Math.min((WIDE - 2 * EDGE) / blank.length, (HIGH - 2 * EDGE) / blank.width);
  const [w, h] = [blank.length * scale, blank.width * scale];
  const [left, top] = [(WIDE - w) / 2, (HIGH - h) / 2];
  const x = (u: number): number => left + u * scale;
  // The blank's near edge is at the bottom.
  const y = (v: number): number => top + h - v * scale;
  const { work } = operation;
  return (
    <svg className="drawing setup-drawing" width={WIDE} height={HIGH} viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={title}>
      <rect className="panel-shape" x={left} y={top} width={w} height={h} />
      {drawn()}
      {way.against && <Reference side={way.against} left={left} top={top} w={w} h={h} />}
    </svg>
  );

  function drawn(): ReactNode {
    switch (work.kind) {
      case 'slot': {
        const [a, b] = [Math.max(0, work.near), Math.min(work.far, work.across ? blank.length : blank.width)];
        const [from, to] = [work.from ?? 0, work.to ?? (work.across ? blank.width : blank.length)];
        return work.across ? (
          <rect className="setup-cut" x={x(a)} y={y(to)} width={Math.max(1.5, (b - a) * scale)} height={(to - from) * scale} />
        ) : (
          <rect className="setup-cut" x={x(from)} y={y(b)} width={(to - from) * scale} height={Math.max(1.5, (b - a) * scale)} />
        );
      }
      case 'slanted-slot': {
        const { normal, near, far } = work.slot;
        const [u0, v0] = [blank.box.u0, blank.box.v0];
        // Where its center line crosses the blank's two long edges, or its two ends where it runs along.
        const middle = (near + far) / 2;
        const at = (v: number): number => (middle - normal.v * v) / normal.u - u0;
        const up = (u: number): number => (middle - normal.u * u) / normal.v - v0;
        const steep = Math.abs(normal.u) >= Math.abs(normal.v);
        const [p, q] = steep
          ? [
              { u: at(v0), v: 0 },
              { u: at(v0 + blank.width), v: blank.width },
            ]
          : [
              { u: 0, v: up(u0) },
              { u: blank.length, v: up(u0 + blank.length) },
            ];
        return <line className="setup-line" x1={x(p.u)} y1={y(p.v)} x2={x(q.u)} y2={y(q.v)} />;
      }
      case 'holes':
        return Array.from({ length: work.count }, (_, n) => (
          <circle
            key={n}
            className="setup-hole"
            cx={x(work.at.u + work.step.u * n)}
            cy={y(work.at.v + work.step.v * n)}
            r={Math.max(1.6, (work.diameter * scale) / 2)}
          />
        ));
      case 'shape':
        return <line className="setup-line" x1={x(work.from.u)} y1={y(work.from.v)} x2={x(work.to.u)} y2={y(work.to.v)} />;
      case 'width':
        return <EdgeLine edge="far" left={left} top={top} w={w} h={h} />;
      case 'bevel':
      case 'edge-groove':
        return <EdgeLine edge={work.edge} left={left} top={top} w={w} h={h} />;
      case 'notch': {
        const lengthwise = work.edge === 'near' || work.edge === 'far';
        const [long, deep] = [work.width * scale, work.depth * scale];
        const at = lengthwise ? x(work.at) - long / 2 : y(work.at) - long / 2;
        if (work.edge === 'near') return <rect className="setup-cut" x={at} y={top + h - deep} width={long} height={deep} />;
        if (work.edge === 'far') return <rect className="setup-cut" x={at} y={top} width={long} height={deep} />;
        return <rect className="setup-cut" x={work.edge === 'start' ? left : left + w - deep} y={at} width={deep} height={long} />;
      }
    }
  }
}

interface Box {
  readonly left: number;
  readonly top: number;
  readonly w: number;
  readonly h: number;
}

/** Fence, stop or rule: a thick line along the edge that lies against it. */
function Reference({ side, left, top, w, h }: Box & { readonly side: string }) {
  const off = 5;
  const line = {
    start: [left - off, top - 6, left - off, top + h + 6],
    end: [left + w + off, top - 6, left + w + off, top + h + 6],
    near: [left - 6, top + h + off, left + w + 6, top + h + off],
    far: [left - 6, top - off, left + w + 6, top - off],
  }[side];
  if (!line) return null;
  const [x1, y1, x2, y2] = line as [number, number, number, number];
  return <line className="setup-reference" x1={x1} y1={y1} x2={x2} y2={y2} />;
}

function EdgeLine({ edge, left, top, w, h }: Box & { readonly edge: string }) {
  const line = { start: [left, top, left, top + h], end: [left + w, top, left + w, top + h], far: [left, top, left + w, top] }[edge] ?? [
    left,
    top + h,
    left + w,
    top + h,
  ];
  const [x1, y1, x2, y2] = line as [number, number, number, number];
  return <line className="setup-line" x1={x1} y1={y1} x2={x2} y2={y2} />;
}
