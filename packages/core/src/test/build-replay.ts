/**
 * A shop that does what it is told, step by step, and refuses what cannot be done to wood: it knows parts, machines and glue, and
 * nothing of the reasons the plan gives. Test support.
 */
import { STAGES, type ToolingStage } from '../setups/operations.ts';
import type { CabinetToBuild } from '../build/job.ts';
import type { Step } from '../build/step.ts';
import { operationsOf } from '../setups/operations.ts';

interface Part {
  readonly id: string;
  readonly unit: string;
  sawn: boolean;
  labelled: boolean;
  /** Stages whose cuts took an edge away that others are measured from. */
  gone: Set<ToolingStage>;
  made: Set<string>;
  banded: boolean;
  sandedInside: boolean;
  coatsInside: number;
  coatsOutside: number;
  /** Everything it is one with. */
  body: Set<string>;
}

const TAKES_EDGES: readonly ToolingStage[] = ['widths', 'bevels', 'shapes'];

/** Does all steps in an order; the first refusal in words, or null. `halves`: cabinet cleats that come out of a rail's boards. */
export function replay(steps: readonly Step[], cabinets: readonly CabinetToBuild[]): string | null {
  const parts = new Map<string, Part>();
  const wanted = new Map<string, Set<string>>();
  for (const { cabinet } of cabinets) {
    for (const { id } of cabinet.panels)
      parts.set(id, {
        id,
        unit: cabinet.id,
        sawn: false,
        labelled: false,
        gone: new Set(),
        made: new Set(),
        banded: false,
        sandedInside: false,
        coatsInside: 0,
        coatsOutside: 0,
        body: new Set([id]),
      });
    for (const { id, panel } of operationsOf(cabinet).operations) wanted.set(panel, new Set([...(wanted.get(panel) ?? []), id]));
  }
  const own = (step: Step): Part[] => step.panels.flatMap((id) => parts.get(id) ?? []);
  const measured = new Set<string>();
  const rounds = new Map<string, number>();
  const ripped = new Set<string>();
  const railsUp = new Set<string>();
  const dry = new Set<string>();
  const states = new Map(cabinets.map(({ cabinet }) => [cabinet.id, new Set<string>()]));
  let wet: string | null = null;

  const refusal = (step: Step): string | null => {
    const { detail } = step;
    const done = step.unit === null ? new Set<string>() : states.get(step.unit)!;
    const of = cabinets.find(({ cabinet }) => cabinet.id === step.unit);
    if (wet !== null && detail.kind !== 'square') return 'the glue of a box sets before anyone looked whether it is square';
    switch (detail.kind) {
      case 'measure':
        measured.add(detail.product);
        return null;
      case 'cut':
      case 'boards': {
        if (!measured.has(detail.product)) return `'${detail.product}' is cut before it is measured`;
        // What is cut once more comes out of whatever is left: no round of its layout.
        if (detail.kind === 'cut' && detail.cuts.length > 0) {
          if ((rounds.get(detail.product) ?? 0) !== detail.round) return 'there are no strips yet to crosscut';
          rounds.set(detail.product, detail.round + 1);
        }
        for (const part of own(step)) part.sawn = true;
        return null;
      }
      case 'label':
        for (const part of own(step)) {
          if (!part.sawn) return `'${part.id}' is labelled before it is there`;
          part.labelled = true;
        }
        return null;
      case 'setup':
        for (const { operation } of detail.setup.cuts) {
          const part = parts.get(operation.panel)!;
          if (!part.sawn) return `'${part.id}' is cut into before it is there`;
          if (!part.labelled) return `'${part.id}' is cut into without a mark on it`;
          if (part.body.size > 1) return `the machine does not reach into '${part.id}': it is glued up`;
          if (part.banded) return `'${part.id}' runs along the fence with its band on`;
          const later = [...part.gone].find((stage) => STAGES.indexOf(stage) > STAGES.indexOf(operation.stage));
          if (later) return `'${part.id}': ${operation.stage} after ${later}, the edge they are measured from is gone`;
          part.made.add(operation.id);
        }
        for (const { operation } of detail.setup.cuts) if (TAKES_EDGES.includes(operation.stage)) parts.get(operation.panel)!.gone.add(operation.stage);
        return null;
      case 'by-hand':
        for (const operation of detail.operations) {
          const part = parts.get(operation.panel)!;
          if (!part.sawn || !part.labelled) return `'${part.id}' is cut into before it is there, or without a mark on it`;
          if (part.body.size > 1) return `'${part.id}' is glued up: a saw does not reach into it`;
          const later = [...part.gone].find((stage) => STAGES.indexOf(stage) > STAGES.indexOf(operation.stage));
          if (later) return `'${part.id}': ${operation.stage} after ${later}, the edge they are measured from is gone`;
          part.made.add(operation.id);
        }
        for (const operation of detail.operations) if (TAKES_EDGES.includes(operation.stage)) parts.get(operation.panel)!.gone.add(operation.stage);
        return null;
      case 'band':
        for (const part of own(step)) {
          if (!part.sawn || part.body.size > 1) return `'${part.id}' cannot be banded now`;
          part.banded = true;
        }
        return null;
      case 'sand':
      case 'coat':
        if (detail.side === 'outside') {
          if (detail.kind === 'coat' && !done.has('sanded')) return 'coated before it is sanded';
          if (detail.kind === 'coat' && detail.coat !== own(step)[0]!.coatsOutside + 1) return 'a coat on one that is not there';
          if (detail.kind === 'coat') for (const part of own(step)) part.coatsOutside++;
          done.add('sanded');
          return null;
        }
        for (const part of own(step)) {
          if (part.body.size > 1) return `the inside of '${part.id}' is no longer reached: finish after assembly`;
          if (!part.sawn || [...(wanted.get(part.id) ?? [])].some((id) => !part.made.has(id))) return `'${part.id}' is sanded before it is cut`;
          if (detail.kind === 'sand') part.sandedInside = true;
          else if (!part.sandedInside || detail.coat !== part.coatsInside + 1) return `'${part.id}' is not ready for this coat`;
          else part.coatsInside++;
        }
        return null;
      case 'dry-fit':
        for (const part of own(step)) {
          const missing = [...(wanted.get(part.id) ?? [])].find((id) => !part.made.has(id));
          if (!part.sawn || missing) return `'${part.id}' does not go together: '${missing ?? 'not cut'}' is not made`;
        }
        dry.add(detail.assembly);
        return null;
      case 'glue': {
        if (!dry.has(detail.assembly)) return 'glued before it was put together dry';
        for (const group of detail.glueUp.groups) {
          const body = parts.get(group[0]!)!.body;
          if (body.size !== group.length || group.some((id) => !body.has(id))) return `${group.join(', ')} are not one piece that can be glued on`;
        }
        for (const { guest, host, joint } of detail.glueUp.connections)
          for (const part of [parts.get(guest)!, parts.get(host)!]) {
            if (joint.glue && part.coatsOutside > 0) return `glue on finish: '${part.id}' is coated all over`;
            if (joint.glue && part.coatsInside > 0 && !of!.finish.masked) return `glue on finish: '${part.id}' was not taped off`;
          }
        const body = new Set(detail.glueUp.groups.flat());
        for (const id of body) parts.get(id)!.body = body;
        wet = steps.some(({ rightAfter }) => rightAfter === step.id) ? step.id : null;
        return null;
      }
      case 'square':
        if (wet !== step.rightAfter) return 'the glue is dry: it stays as it is';
        wet = null;
        return null;
      case 'trim':
        return step.panels.every((id) => parts.get(id)!.body.size > 1) ? null : 'there is nothing to trim it flush to';
      case 'fit':
        if (own(step).some(({ unit }) => ![...parts.values()].some((part) => part.unit === unit && part.body.size > 1)))
          return 'the opening it is cut to is not there';
        for (const part of own(step)) part.sawn = part.labelled = true;
        return null;
      case 'doors':
      case 'drawers':
      case 'loose': {
        if (!done.has('sanded')) return 'what moves is in the way of sanding';
        if (detail.kind === 'drawers' && detail.boxes.some((box) => parts.get(box[0]!)!.body.size < box.length)) return 'a drawer is put in before it is a box';
        if (detail.kind !== 'doors' && !done.has('corrected')) return 'lifted with all that is loose in it';
        done.add(detail.kind);
        return null;
      }
      case 'fronts':
        if (!done.has('drawers')) return 'a drawer front before its box runs in its place';
        done.add('fronts');
        return null;
      case 'cleat-rip':
        for (const id of step.panels) {
          const part = parts.get(id);
          if (part && !part.sawn) return `'${id}' is ripped before its board is there`;
          ripped.add(id);
        }
        return null;
      case 'rail':
        railsUp.add(detail.rail);
        return null;
      case 'look':
        done.add('looked');
        return null;
      case 'wall-half':
        if (steps.some(({ unit, detail: other }) => unit === step.unit && other.kind === 'look') && !done.has('looked')) return 'bored where nobody has looked';
        done.add('wall-half');
        return null;
      case 'cabinet-half':
        if (step.panels.some((id) => id.includes('cabinet-half') && !ripped.has(id))) return 'the half is not ripped yet';
        done.add('cabinet-half');
        return null;
      case 'hang': {
        const { cabinet, toHang } = of!;
        const through = cabinet.hanging.kind === 'through';
        if (!through && (toHang.rail !== null ? !railsUp.has(toHang.rail) : !done.has('wall-half'))) return 'there is nothing on the wall to hang it on';
        if (cabinet.hanging.kind !== 'through' && cabinet.hanging.kind !== 'plates' && !done.has('cabinet-half'))
          return 'there is nothing on the cabinet to hang it by';
        if (!done.has('sanded')) return 'its outside is not sanded, and the wall is in the way';
        if (done.has('drawers') || done.has('loose')) return 'lifted with all that is loose in it';
        done.add('hung');
        // What is screwed through is put right while it is screwed.
        if (through) done.add('corrected');
        return null;
      }
      case 'correct':
        if (!done.has('hung')) return 'nothing hangs that could be put right';
        done.add('corrected');
        return null;
      case 'lock':
        if (!done.has('corrected')) return 'locked before it is right';
        done.add('locked');
        return null;
      case 'load':
        if (!done.has('corrected')) return 'loaded before it is right';
        if (steps.some(({ unit, detail: other }) => unit === step.unit && other.kind === 'lock') && !done.has('locked')) return 'loaded before it is locked';
        return null;
      default:
        return detail satisfies never;
    }
  };
  for (const step of steps) {
    const said = refusal(step);
    if (said !== null) return `${step.id}: ${said}`;
  }
  return null;
}
