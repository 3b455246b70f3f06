/** Checks of grain direction. Rules and severities: docs/checks.md. */
import type { GrainChoice } from '../model/specs/spec-base.ts';
import type { Role } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { Check, CheckContext } from './context.ts';
import { inSpec } from './context.ts';
import type { Finding, Fix } from './finding.ts';
import type { WordKey } from './words/labels.ts';

/** Roles seen side by side from the front. */
const SEEN: readonly Role[] = ['door', 'front', 'tilted-panel'];
/** Rails run across the stiles beside them: that is how a frame is made. */
const FRAME_PARTS: readonly WordKey[] = ['door-rail', 'door-stile'];
/** Roles that span from end to end. */
const SPANS: readonly Role[] = ['shelf', 'bottom', 'ledge'];

const other = (grain: 'length' | 'width'): 'length' | 'width' => (grain === 'length' ? 'width' : 'length');

/** Fix that turns the grain of parts; named after the first of them. */
export function grainFix(context: CheckContext, panels: readonly ResolvedPanel[], grain: GrainChoice): Fix {
  const { spec } = context;
  const chosen = Object.fromEntries(panels.map(({ id }) => [id.slice(spec.id.length + 1), grain]));
  return {
    label: { key: grain === 'length' ? 'grain-along' : 'grain-across', name: panels[0]!.name },
    edit: [{ path: inSpec(context, 'grains'), value: { ...spec.grains, ...chosen } }],
  };
}

/** Shelves that span across their face grain, or may. */
function spansAcross(context: CheckContext): Finding[] {
  const { spec, cabinet, stockOf } = context;
  return cabinet.panels.flatMap((panel): Finding[] => {
    const grained = stockOf(panel.stock).product.grain !== 'none';
    if (!grained || !SPANS.includes(panel.role) || panel.grain === 'length' || panel.length.value <= panel.width.value) return [];
    const may = panel.grain === 'none';
    return [
      {
        check: 'grain-crossed',
        unit: spec.id,
        severity: may ? 'look' : 'change',
        station: 'box',
        how: may ? 'may-span' : 'spans',
        name: panel.name,
        other: null,
        lengthNm: panel.length.value,
        panels: [panel.id],
        fixes: [grainFix(context, [panel], 'length')],
      },
    ];
  });
}

/** Whether a part's grain is upright in the cabinet; null where it has none or is diagonal. */
function isUpright({ grain, frame }: ResolvedPanel): boolean | null {
  if (grain === 'none') return null;
  const { along, up } = grain === 'length' ? frame.u : frame.v;
  if (Math.abs(along) === Math.abs(up)) return null;
  return Math.abs(up) > Math.abs(along);
}

/** Doors and fronts whose grain runs across that of most beside them. */
function crossesItsNeighbors(context: CheckContext): Finding[] {
  const { spec, cabinet } = context;
  const seen = cabinet.panels
    .filter(({ role, name }) => SEEN.includes(role) && !FRAME_PARTS.includes(name.key))
    .flatMap((panel) => (isUpright(panel) === null ? [] : [{ panel, upright: isUpright(panel)! }]));
  const upright = seen.filter((each) => each.upright);
  const lying = seen.filter((each) => !each.upright);
  if (upright.length === 0 || lying.length === 0) return [];
  // On a tie, upright is how a front is read.
  const [most, odd] = lying.length > upright.length ? [lying, upright] : [upright, lying];
  return odd.map(({ panel }): Finding => ({
    check: 'grain-crossed',
    unit: spec.id,
    severity: 'look',
    station: 'box',
    how: 'neighbor',
    name: panel.name,
    other: most[0]!.panel.name,
    lengthNm: panel.length.value,
    panels: [panel.id, most[0]!.panel.id],
    fixes: [grainFix(context, [panel], other(panel.grain as 'length' | 'width'))],
  }));
}

export const GRAIN_CHECKS: readonly Check[] = [spansAcross, crossesItsNeighbors];
