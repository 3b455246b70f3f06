/** Assembled units, read back by the loaders of another library and compared with the plan's own bodies. */
import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { plan, readProjectFile, type Plan } from '@keen/core';
import { Box3, type Mesh } from 'three';
import { GLTFLoader } from 'three/examples/jsm/loaders/GLTFLoader.js';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import { unitsGlb, unitsStl } from './solids.ts';

function planOf(name: string): Plan {
  const read = readProjectFile(readFileSync(new URL(`../../../examples/${name}.carcass.json`, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(read.problem.message);
  return plan(read.value.design, read.value.record, read.value.workshop);
}

describe.each(['print-room', 'print-room-back', 'type-store'])('%s', (name) => {
  const made = planOf(name);

  test('as glTF: each unit a node, each panel in it, as large as it is and where it hangs', async () => {
    const bytes = await unitsGlb(made.units, made);
    const { scene } = await new GLTFLoader().parseAsync(bytes.slice().buffer, '');
    scene.updateMatrixWorld(true);
    expect(scene.children).toHaveLength(made.units.length);
    made.units.forEach(({ name: called, unit, block }, index) => {
      const node = scene.children[index]!;
      expect(node.userData['name'] ?? node.name).toBe(node.userData['name'] ? called : called.replaceAll(/\s/g, '_').replaceAll(/[[\].:/]/g, ''));
      expect(node.children).toHaveLength(unit.panels.length);
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
    const geometry = new STLLoader().parse(unitsStl(made.units).slice().buffer);
    geometry.computeBoundingBox();
    const { scene } = await new GLTFLoader().parseAsync((await unitsGlb(made.units, made)).slice().buffer, '');
    scene.updateMatrixWorld(true);
    let corners = 0;
    scene.traverse((each) => (corners += (each as Mesh).isMesh ? (each as Mesh).geometry.getAttribute('position').count : 0));
    expect(geometry.getAttribute('position').count).toBe(corners);
    const [stl, gltf] = [geometry.boundingBox!, new Box3().setFromObject(scene, true)];
    expect(stl.min.x).toBeCloseTo(gltf.min.x * 1000, 2);
    expect(stl.max.x).toBeCloseTo(gltf.max.x * 1000, 2);
    expect(stl.min.z).toBeCloseTo(gltf.min.y * 1000, 2);
    expect(stl.max.z).toBeCloseTo(gltf.max.y * 1000, 2);
    expect(stl.max.y).toBeCloseTo(-gltf.min.z * 1000, 2);
    expect(stl.min.y).toBeCloseTo(-gltf.max.z * 1000, 2);
  });

  test('bodies are closed: what the triangles enclose is what the wood of the unit is, holes aside', () => {
    for (const unit of made.units) {
      const positions = new STLLoader().parse(unitsStl([unit]).slice().buffer).getAttribute('position');
      let volume = 0;
      for (let index = 0; index < positions.count; index += 3) {
        const at = (corner: number): [number, number, number] => [positions.getX(corner), positions.getY(corner), positions.getZ(corner)];
        const [[ax, ay, az], [bx, by, bz], [cx, cy, cz]] = [at(index), at(index + 1), at(index + 2)];
        volume += (ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)) / 6;
      }
      expect(volume).toBeGreaterThan(0);
      const outside = ((unit.block.right - unit.block.left) * (unit.block.top - unit.block.bottom) * unit.block.out) / 1e18;
      expect(volume).toBeLessThan(outside * 1.2);
    }
  });
});
