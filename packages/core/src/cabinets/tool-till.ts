/** The tool till spec: a panel tilted back between two sides, a bay for each tool in front. Its panels are made in tool-till-build.ts. */
import type { FromThings, Thing, ThingsIn } from './family.ts';
import { newBase, pick, type NewSpec } from './new-spec.ts';
import type { ToolTill, Bay } from '../model/specs/tool-till.ts';

export function newToolTill(start: NewSpec): ToolTill {
  const { unit, stock, backStock } = start;
  const bay = (id: string, order: number, tool: string): Bay => ({
    id,
    order,
    tool,
    width: null,
    toolLength: pick(unit, '250', '10'),
    kg: 0.4,
    held: 'ledge',
    block: null,
    spare: false,
  });
  const bays = [bay('b1', 1, 'first tool'), bay('b2', 2, 'second tool'), bay('b3', 3, 'third tool')];
  const base = newBase(
    'tool-till',
    start,
    bays.map(({ id }) => id),
  );
  return {
    ...base,
    // No back lies between the rail and the cleat.
    hanging: { ...base.hanging, cabinetScrew: { ...base.hanging.cabinetScrew, length: pick(unit, '30', '1 1/4') } },
    together: 'wide',
    moduleGap: pick(unit, '6', '1/4'),
    tiltDeg: 8,
    sides: 'tapered',
    ledge: pick(unit, '65', '2 1/2'),
    lip: pick(unit, '35', '1 3/8'),
    panelStock: stock,
    dividerStock: backStock,
    dividers: pick(unit, '120', '4 3/4'),
    wiggle: pick(unit, '3', '1/8'),
    panel: 'joints',
    dividersBy: 'glue',
    magnetPull: 30,
    magnetFactor: 3,
    magnet: pick(unit, '15', '5/8'),
    under: pick(unit, '15', '5/8'),
    bays: Object.fromEntries(bays.map((each) => [each.id, each])),
  };
}

/** Why a till cannot be built. */
export function tillFault({ together, hanging }: ToolTill) {
  if (together === 'modules' && !hanging.rail)
    return { code: 'modules', path: ['hanging', 'rail'], message: 'each module hangs by a rail of its own', accepted: 'the height of the rail' };
  return null;
}

/** Each bay sized for the largest item assigned to it: width, length and weight. */
export function baysFromThings({ bays }: ToolTill, thingsIn: ThingsIn): FromThings[] {
  return Object.values(bays).flatMap(({ id }): FromThings[] => {
    const things = thingsIn(id);
    const [first] = things;
    if (!first) return [];
    const largest = (of: (thing: Thing) => number): number => Math.max(...things.map(of));
    return [
      { path: ['bays', id, 'tool'], value: first.name },
      { path: ['bays', id, 'width'], value: first.size(largest(({ width }) => width)) },
      { path: ['bays', id, 'toolLength'], value: first.size(largest(({ height }) => height)) },
      { path: ['bays', id, 'kg'], value: Math.round(largest(({ kg }) => kg) * 100) / 100 },
      { path: ['bays', id, 'spare'], value: false },
    ];
  });
}
