/** The wall from the front with its things and cabinets. */
import { ceilingAt, floorAt, studsOf, thingRect, thingsInOrder, toMm, viewFrom, type Design, type Length, type CabinetPlan } from '@keen/core';
import type { Figure, FigureShape, Inset, Span, Tag } from './figure-parts.ts';

const mm = (nm: number): number => nm / 1e6;

/** The `cabinets` are drawn, each with its letter. */
export function wallFigure(
  { wall, units: specs }: Pick<Design, 'wall' | 'units'>,
  cabinets: readonly CabinetPlan[],
  title: string,
  spans: readonly Span[] = [],
): Figure {
  const width = mm(wall.width.nm);
  const corner = (along: number, up: number): { x: number; y: number } => ({ x: along, y: mm(up) });
  const outline: FigureShape = {
    points: [
      corner(0, floorAt(wall, 0)),
      corner(width, floorAt(wall, wall.width.nm)),
      corner(width, ceilingAt(wall, wall.width.nm)),
      corner(0, ceilingAt(wall, 0)),
    ],
    closed: true,
    pen: 'heavy',
  };
  const studs = studsOf(wall).map(({ at }): FigureShape => ({
    points: [corner(toMm(at), floorAt(wall, at)), corner(toMm(at), ceilingAt(wall, at))],
    closed: false,
    pen: 'dashed',
  }));
  const things = thingsInOrder(wall)
    .filter(({ kind }) => kind !== 'side-door')
    .map((thing) => ({ thing, rect: thingRect(thing) }));
  const boxesOf = cabinets.map((cabinetPlan) => ({ unit: cabinetPlan, place: specs[cabinetPlan.id]!.place }));
  const letters = boxesOf.map(({ unit: { letter, cabinet }, place }): Tag => ({
    text: letter,
    places: [{ x: mm(place.along.nm + cabinet.outside.width.value / 2), y: mm(place.up.nm + cabinet.outside.height.value / 2) }],
  }));
  return {
    title,
    shapes: [
      outline,
      ...studs,
      ...things.map(({ rect: { left, right, bottom, top } }): FigureShape => ({
        points: [
          { x: mm(left), y: mm(bottom) },
          { x: mm(right), y: mm(bottom) },
          { x: mm(right), y: mm(top) },
          { x: mm(left), y: mm(top) },
        ],
        closed: true,
        pen: 'light',
        fill: 0.95,
      })),
      ...boxesOf.flatMap(({ unit: cabinetPlan, place }) =>
        viewFrom(cabinetPlan.cabinet, 'front')
          .filter(({ role, hidden }) => role !== 'wall-half' && !hidden)
          .map(({ points }): FigureShape => ({
            points: points.map(([x, y]) => ({ x: x + mm(place.along.nm), y: y + mm(place.up.nm) })),
            closed: true,
            pen: 'heavy',
            fill: 1,
          })),
      ),
    ],
    spans,
    insets: things.map(({ thing, rect: { left, right, bottom, top } }): Inset => ({
      text: thing.name === '' ? thing.kind.replace('-', ' ') : thing.name,
      at: { x: mm((left + right) / 2), y: mm((bottom + top) / 2) },
      within: { width: mm(right - left), height: mm(top - bottom) },
    })),
    tags: letters,
  };
}

/** Position of one cabinet: from the wall's left end, and above the floor. */
export function placeSpans({ units: specs }: Pick<Design, 'units'>, { id }: CabinetPlan, text: (length: Length) => string): Span[] {
  const { along, up } = specs[id]!.place;
  const spans: Span[] = [
    { side: 'below', row: 0, from: 0, to: mm(along.nm), text: text(along.nm) },
    { side: 'left', row: 0, from: 0, to: mm(up.nm), text: text(up.nm) },
  ];
  // A cabinet at the wall's end, or on the floor, needs no dimension there.
  return spans.filter(({ to }) => to > 0);
}
