/** Assembled cabinets, read back by the loaders of another library and compared with the plan's own bodies. */
import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { meshesOf, plan, readProjectFile, type Plan } from '@keen/core';
import { FAMILY_IDS } from '@keen/core/test/family-units';
import { randomProject } from '@keen/core/test/random-project';
import { Box3, type Mesh } from 'three';
import { GLTFLoader } from 'three/examples/jsm/loaders/GLTFLoader.js';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import { bodiesOf } from './panel-bodies.ts';
import { cabinetsGlb, cabinetsStl } from './solids.ts';

function planOf(name: string): Plan {
  const read = readProjectFile(readFileSync(new URL(`../../../examples/${name}.carcass.json`, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(read.problem.message);
  return plan(read.value.design, read.value.record, read.value.workshop);
}

describe.each(['print-room', 'print-room-back', 'type-store'])('%s', (name) => {
  const made = planOf(name);

  test('as glTF: each unit a node, each panel in it, as large as it is and where it hangs', async () => {
    const bytes = await cabinetsGlb(made.cabinets, made);
    const { scene } = await new GLTFLoader().parseAsync(bytes.slice().buffer, '');
    scene.updateMatrixWorld(true);
    expect(scene.children).toHaveLength(made.cabinets.length);
    made.cabinets.forEach(({ name: called, cabinet, block }, index) => {
      const node = scene.children[index]!;
      expect(node.userData['name'] ?? node.name).toBe(node.userData['name'] ? called : called.replaceAll(/\s/g, '_').replaceAll(/[[\].:/]/g, ''));
      expect(node.children).toHaveLength(cabinet.panels.length);
      const box = new Box3().setFromObject(node, true);
      // Box and cleat hang where the wall has them; the block is the outside without what stands out of it.
      expect(box.min.x).toBeLessThan(block.right / 1e9);
      expect(box.max.x).toBeGreaterThan(block.left / 1e9);
      expect(box.max.x - box.min.x).toBeGreaterThan((block.right - block.left) / 1e9 - 1e-6);
      expect(box.max.y).toBeGreaterThan(block.top / 1e9 - 1e-6);
      expect(box.min.y).toBeLessThan(block.bottom / 1e9 + 1e-6);
      expect(box.min.z).toBeGreaterThan(-1e-6);
    });
  });

  test('as STL: as many triangles as the bodies have, in one piece with the same corners', async () => {
    const geometry = new STLLoader().parse((await cabinetsStl(made.cabinets)).slice().buffer);
    geometry.computeBoundingBox();
    const { scene } = await new GLTFLoader().parseAsync((await cabinetsGlb(made.cabinets, made)).slice().buffer, '');
    scene.updateMatrixWorld(true);
    let corners = 0;
    scene.traverse((each) => (corners += (each as Mesh).isMesh ? (each as Mesh).geometry.getIndex()!.count : 0));
    expect(geometry.getAttribute('position').count).toBe(corners);
    const [stl, gltf] = [geometry.boundingBox!, new Box3().setFromObject(scene, true)];
    expect(stl.min.x).toBeCloseTo(gltf.min.x * 1000, 2);
    expect(stl.max.x).toBeCloseTo(gltf.max.x * 1000, 2);
    expect(stl.min.z).toBeCloseTo(gltf.min.y * 1000, 2);
    expect(stl.max.z).toBeCloseTo(gltf.max.y * 1000, 2);
    expect(stl.max.y).toBeCloseTo(-gltf.min.z * 1000, 2);
    expect(stl.min.y).toBeCloseTo(-gltf.max.z * 1000, 2);
  });

  test('each panel is one closed body of as much wood as it is drawn with', async () => {
    for (const { cabinet } of made.cabinets) {
      const drawn = new Map(meshesOf(cabinet).map(({ panel, positions }) => [panel, volumeOf(positions, (index) => index)]));
      for (const { panel, corners, triangles } of await bodiesOf(cabinet)) {
        expect([panel.id, openEdges(triangles)]).toEqual([panel.id, []]);
        expect([panel.id, shells(triangles)]).toEqual([panel.id, 1]);
        const wood = volumeOf(corners, (index) => triangles[index]!, triangles.length);
        const isRound = panel.cuts.some((cut) => cut.kind === 'notch' && cut.round);
        // A drawing shows the ends of a round notch as square, which leaves less.
        if (isRound) expect(wood).toBeGreaterThan(drawn.get(panel.id)! + 1);
        else expect(Math.abs(wood - drawn.get(panel.id)!)).toBeLessThan(Math.max(2, 1e-4 * wood));
      }
    }
  });
});

test('of random cabinets of every family each panel is a closed body', async () => {
  let bodies = 0;
  for (const [seed, family] of FAMILY_IDS.entries())
    for (const changed of [0.1, 0.3]) {
      const { design, record, workshop } = randomProject(700 + seed, { family, changed });
      for (const { cabinet } of plan(design, record, workshop).cabinets)
        for (const { panel, triangles } of await bodiesOf(cabinet)) {
          bodies += 1;
          expect([family, panel.id, openEdges(triangles)]).toEqual([family, panel.id, []]);
        }
    }
  expect(bodies).toBeGreaterThan(200);
});

/** Edges that are not run once each way: of a two-manifold there are none. */
function openEdges(triangles: ArrayLike<number>): string[] {
  const runs = new Map<string, number>();
  for (let index = 0; index < triangles.length; index += 3)
    for (const [a, b] of [
      [0, 1],
      [1, 2],
      [2, 0],
    ] as const) {
      const key = `${triangles[index + a]} ${triangles[index + b]}`;
      runs.set(key, (runs.get(key) ?? 0) + 1);
    }
  return [...runs].filter(([key, count]) => count !== 1 || runs.get(key.split(' ').reverse().join(' ')) !== 1).map(([key]) => key);
}

/** How many bodies hang together by their corners. */
function shells(triangles: ArrayLike<number>): number {
  const parent = new Map<number, number>();
  const rootOf = (corner: number): number => {
    let at = corner;
    while (parent.has(at) && parent.get(at) !== at) at = parent.get(at)!;
    return at;
  };
  for (let index = 0; index < triangles.length; index++) {
    const [own, first] = [triangles[index]!, triangles[index - (index % 3)]!];
    if (!parent.has(own)) parent.set(own, own);
    parent.set(rootOf(own), rootOf(first));
  }
  return new Set([...parent.keys()].map(rootOf)).size;
}

/** mm³, by the tetrahedra on one corner. */
function volumeOf(corners: ArrayLike<number>, cornerOf: (index: number) => number, count = corners.length / 3): number {
  const at = (index: number): [number, number, number] => {
    const from = 3 * cornerOf(index);
    return [corners[from]! - corners[0]!, corners[from + 1]! - corners[1]!, corners[from + 2]! - corners[2]!];
  };
  let volume = 0;
  for (let index = 0; index < count; index += 3) {
    const [[ax, ay, az], [bx, by, bz], [cx, cy, cz]] = [at(index), at(index + 1), at(index + 2)];
    volume += (ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)) / 6;
  }
  return volume;
}
