/** Joints of the demo cabinets: what they are cut to and leave, and how they look cut through. */
import { describe, expect, test } from '@jest/globals';
import back from '../../../../examples/print-room-back.carcass.json' with { type: 'json' };
import { readProject } from '../formats/project-file.ts';
import { toMm } from '../length/length.ts';
import { plan } from '../planner/plan.ts';
import { isFace } from '../solid/connection.ts';
import { sectionOfJoint } from '../solid/joint-section.ts';
import { furnishedRoom, ink, cabinetWith } from '../test/print-room.ts';
import { jointGroups } from './joint-groups.ts';

const cabinets = [furnishedRoom(), readProject(back)].flatMap(({ design, record, workshop }) => plan(design, record, workshop).cabinets);

describe('groups', () => {
  test('of the ink cupboard: a shelf’s dado is its thickness and the play wide, and leaves two thirds', () => {
    const dado = jointGroups(cabinetWith('ink').cabinet).find(({ kind, guest }) => kind === 'dado' && guest.role === 'shelf')!;
    expect([dado.slot!.width, dado.slot!.depth, dado.slot!.left].map(toMm)).toEqual([17.9, 6, 11.8]);
    expect(dado.slot!.opposed).toBe(false);
    expect(dado.loaded).toBeNull(); // nothing but glue
    expect(dado.connections).toHaveLength(2);
  });
  test('a screw across a level load is sheared, one under it is drawn', () => {
    const of = (runs: string) =>
      jointGroups(cabinetWith('ink', ink('assembly.perJoint', 3), ink('bottom.runs', runs), ink('bottom.joint', 'butt')).cabinet).find(
        ({ guest, host }) => (guest.role === 'bottom' && host.role === 'side') || (guest.role === 'side' && host.role === 'bottom'),
      )!.loaded;
    expect(of('between')).toBe('across');
    expect(of('over')).toBe('along');
  });
  test('slots opposite one another leave what both leave', () => {
    const bays = cabinets.find(({ cabinet }) => cabinet.id === 'bays')!.cabinet;
    const divider = bays.byId.get('bays/divider/v1')!;
    for (const { slot, host } of jointGroups(bays)) {
      if (!slot) continue;
      expect(slot.left).toBeGreaterThan(0);
      if (host.id === divider.id && slot.opposed) expect(slot.left).toBeLessThan(host.thickness - slot.depth);
    }
  });
  test.each(cabinets.map(({ name, cabinet }) => [name, cabinet] as const))('%s: every meeting that holds is in one of them', (_name, cabinet) => {
    const held = cabinet.connections.filter(({ joint }) => !['hinge', 'slide', 'flush'].includes(joint.kind));
    expect(
      jointGroups(cabinet)
        .flatMap(({ connections }) => connections.map(({ id }) => id))
        .sort(),
    ).toEqual(held.map(({ id }) => id).sort());
  });
});

describe('sections', () => {
  /** Area of a ring, mm². */
  const area = (ring: readonly (readonly [number, number])[]): number =>
    Math.abs(ring.reduce((sum, [x, y], n) => sum + x * ring[(n + 1) % ring.length]![1] - ring[(n + 1) % ring.length]![0] * y, 0)) / 2;

  test.each(cabinets.map(({ name, cabinet }) => [name, cabinet] as const))('%s: every joint with a seam has one, to scale', (_name, cabinet) => {
    for (const { connections } of jointGroups(cabinet)) {
      const [connection] = connections as [(typeof connections)[number]];
      const section = sectionOfJoint(cabinet, connection);
      if (isFace(connection.edge) || connection.joint.kind === 'laid') {
        expect(section).toBeNull();
        continue;
      }
      for (const rings of [section!.host, section!.guest]) {
        expect([connection.id, rings.length > 0]).toEqual([connection.id, true]);
        for (const ring of rings) expect(ring.flat().every(Number.isFinite) && area(ring) > 0).toBe(true);
      }
    }
  });
  test('play drawn ten times as wide takes that much more out of the host, and nothing of the guest', () => {
    const { cabinet } = cabinetWith('ink');
    const { connections, slot } = jointGroups(cabinet).find(({ kind, guest }) => kind === 'dado' && guest.role === 'shelf')!;
    const [as, wide] = [sectionOfJoint(cabinet, connections[0]!)!, sectionOfJoint(cabinet, connections[0]!, 10)!];
    const total = (rings: typeof as.host): number => rings.reduce((sum, ring) => sum + area(ring), 0);
    // 9 more plays of 0.1 mm, 6 mm deep.
    expect(total(as.host) - total(wide.host)).toBeCloseTo(9 * 0.1 * toMm(slot!.depth), 3);
    expect(total(as.guest)).toBeCloseTo(total(wide.guest), 6);
  });
});
