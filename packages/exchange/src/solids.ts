/** Assembled units as bodies for other programs: glTF in metres with its y up, STL in millimetres with its z up. Holes stay filled, slots and bevels are cut. */
import { Document, WebIO } from '@gltf-transform/core';
import { labelWords, lineOfPiece, meshesOf, NM_PER, type PanelMesh, type Plan, type UnitPlan } from '@keen/core';

/** How far a unit stands from the left end of the wall and above the floor, mm. */
interface Stand {
  readonly along: number;
  readonly up: number;
}

const standOf = ({ block }: UnitPlan): Stand => ({ along: block.left / NM_PER.mm, up: block.bottom / NM_PER.mm });

/**
 * Binary glTF: a node for each unit at its place on the wall, in it one for each panel, named by its mark and name. x runs along the
 * wall, y up, z out of it.
 */
export async function unitsGlb(units: readonly UnitPlan[], plan: Plan): Promise<Uint8Array> {
  const document = new Document();
  const buffer = document.createBuffer();
  const scene = document.createScene('wall');
  const materials = new Map<string, ReturnType<Document['createMaterial']>>();
  const materialOf = (stock: string): ReturnType<Document['createMaterial']> => {
    const made = materials.get(stock) ?? document.createMaterial(stock).setBaseColorFactor([0.82, 0.7, 0.5, 1]).setRoughnessFactor(0.9).setMetallicFactor(0);
    materials.set(stock, made);
    return made;
  };
  for (const unit of units) {
    const { along, up } = standOf(unit);
    const group = document.createNode(unit.name).setTranslation([along / 1000, up / 1000, 0]);
    scene.addChild(group);
    for (const mesh of meshesOf(unit.unit)) {
      const panel = unit.unit.byId.get(mesh.panel)!;
      const accessor = (values: readonly number[], scale: number) =>
        document
          .createAccessor()
          .setType('VEC3')
          .setArray(Float32Array.from(values, (value) => value * scale))
          .setBuffer(buffer);
      const primitive = document
        .createPrimitive()
        .setAttribute('POSITION', accessor(mesh.positions, 1 / 1000))
        .setAttribute('NORMAL', accessor(mesh.normals, 1))
        .setMaterial(materialOf(panel.stock));
      const name = [lineOfPiece(plan.parts, mesh.panel)?.mark, labelWords(panel.name)].filter((word) => word !== undefined).join(' ');
      group.addChild(document.createNode(name).setMesh(document.createMesh(name).addPrimitive(primitive)));
    }
  }
  return new WebIO().writeBinary(document);
}

const HEADER = 80;
const TRIANGLE = 50;

/** Binary STL of the same. x runs along the wall, z up, y into the wall. */
export function unitsStl(units: readonly UnitPlan[]): Uint8Array {
  const meshes = units.flatMap((unit) => meshesOf(unit.unit).map((mesh): [PanelMesh, Stand] => [mesh, standOf(unit)]));
  const count = meshes.reduce((sum, [{ positions }]) => sum + positions.length / 9, 0);
  const bytes = new Uint8Array(HEADER + 4 + TRIANGLE * count);
  bytes.set(new TextEncoder().encode('units on a wall, millimetres').subarray(0, HEADER));
  const view = new DataView(bytes.buffer);
  view.setUint32(HEADER, count, true);
  let at = HEADER + 4;
  const write = (along: number, up: number, out: number): void => {
    view.setFloat32(at, along, true);
    view.setFloat32(at + 4, -out, true);
    view.setFloat32(at + 8, up, true);
    at += 12;
  };
  for (const [{ positions, normals }, stand] of meshes)
    for (let index = 0; index < positions.length; index += 9) {
      write(normals[index]!, normals[index + 1]!, normals[index + 2]!);
      for (let corner = index; corner < index + 9; corner += 3)
        write(positions[corner]! + stand.along, positions[corner + 1]! + stand.up, positions[corner + 2]!);
      at += 2;
    }
  return bytes;
}
