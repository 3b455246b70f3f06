/** What a replay of a cabinet's setups gets wrong, against its resolved panels. Test support. */
import { hasSize } from '../solid/panel.ts';
import { alongStrip, leftWide } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { replay } from '../setups/replay.ts';
import { orderFault } from '../setups/order.ts';
import { setupsOf } from '../setups/setups.ts';
import type { Shop } from '../model/shop.ts';

/** A hundredth of a millimeter, and the nanometer a position may be rounded by. */
const WITHIN = 10_000 + 1;
const near = (a: number, b: number): boolean => Math.abs(a - b) <= WITHIN;

const stopsAt = (made: number | null, drawn: number | null): boolean => (made === null || drawn === null ? made === drawn : near(made, drawn));

/** Nothing for setups that make the parts as they were drawn, each feature once, in an order that keeps its references. */
export function replayFaults(cabinet: ResolvedCabinet, shop: Shop): string[] {
  const made = setupsOf([cabinet], shop);
  const { slots, holes, others, bevels, widths, times } = replay(made, shop);
  const faults: string[] = [];
  const unmade = new Set(made.unmade.map(({ id }) => id));
  for (const [id, count] of times) if (count !== 1) faults.push(`${id} is made ${count} times`);
  const order = orderFault(
    made.setups.map(({ id }) => id),
    made.setups,
  );
  if (order) faults.push(`${order.setup} comes before ${order.before}`);
  for (const panel of cabinet.panels) {
    const blank = made.blanks.get(panel.id);
    if (!blank) continue;
    // What no size is left of is not cut at all.
    if (!hasSize(panel)) continue;
    const { box } = blank;
    for (const strip of panel.slots) {
      const id = `${panel.id}:${strip.id}`;
      if (unmade.has(id)) continue;
      const across = strip.normal.u === 1;
      if (across || strip.normal.v === 1) {
        const slot = slots.find(({ operation }) => operation === id);
        const [off, size, along] = across ? [box.u0, box.u1 - box.u0, box.v0] : [box.v0, box.v1 - box.v0, box.u0];
        const right =
          slot !== undefined &&
          slot.face === strip.face &&
          slot.across === across &&
          near(slot.depth, strip.depth) &&
          stopsAt(slot.from, strip.stoppedAt?.from ? strip.from - along : null) &&
          stopsAt(slot.to, strip.stoppedAt?.to ? strip.to - along : null) &&
          near(slot.near, Math.max(0, strip.near - off)) &&
          near(slot.far, Math.min(size, strip.far - off));
        if (!right) faults.push(`${id}: ${JSON.stringify(slot)} for ${strip.near - off} to ${strip.far - off}, ${strip.depth} deep on ${strip.face}`);
        continue;
      }
      const turned = others.find(({ operation }) => operation === id);
      const run = alongStrip(strip.normal);
      const tan = Math.tan(((turned?.turnedDeg ?? 0) * Math.PI) / 180);
      if (!turned || !near(turned.width, strip.far - strip.near) || turned.depth !== strip.depth || Math.abs(tan - Math.abs(run.u / run.v)) > 1e-9)
        faults.push(`${id}: ${JSON.stringify(turned)}`);
    }
    for (const cut of panel.cuts) {
      const id = `${panel.id}:${cut.id}`;
      if (unmade.has(id)) continue;
      if (cut.kind === 'holes') {
        const bored = holes.find(({ operation }) => operation === id);
        const placed = bored?.at.every((at, n) => near(at.u + box.u0, cut.at.u + cut.step.u * n) && near(at.v + box.v0, cut.at.v + cut.step.v * n));
        // A bit is as wide as asked within a twentieth of a millimeter.
        if (!bored || !placed || bored.on !== cut.face || bored.depth !== cut.depth || Math.abs(bored.diameter - cut.diameter) > 50_000)
          faults.push(`${id}: ${JSON.stringify(bored)}`);
      }
      if (cut.kind === 'edge-groove') {
        const groove = others.find(({ operation }) => operation === id);
        if (!groove || !near(groove.width, cut.width) || groove.from === null || !near(groove.from, cut.from) || groove.depth !== cut.depth)
          faults.push(`${id}: ${JSON.stringify(groove)}`);
      }
      if (cut.kind === 'notch' && times.get(id) !== 1) faults.push(`${id} is not cut`);
    }
    // Left wide, it is ripped once, to its own width; else never.
    const ripped = widths.filter((each) => each.panel === panel.id).map(({ at }) => at);
    const wanted = leftWide(panel) > 0 && !unmade.has(`${panel.id}:width`) ? [box.v1 - box.v0] : [];
    if (ripped.length !== wanted.length || ripped.some((at) => !near(at, wanted[0]!)))
      faults.push(`${panel.id} is ripped to ${ripped.join()} for ${wanted.join()}`);
    for (const { edge, deg, at } of bevels.filter((each) => each.panel === panel.id)) {
      const { bevel, from } = panel.outline.find(({ id }) => id === edge)!;
      // The line on the reference face, from the blank's opposite edge.
      const line = { start: box.u1 - from.u, end: from.u - box.u0, near: box.v1 - from.v, far: from.v - box.v0 }[edge as 'start' | 'end' | 'near' | 'far'];
      if (Math.abs(deg - bevel) > 1e-6 || !near(at, line)) faults.push(`${panel.id}:${edge} is beveled ${deg} at ${at} for ${bevel} at ${line}`);
    }
  }
  return faults;
}
