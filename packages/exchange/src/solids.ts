/** Assembled cabinets as bodies for other programs: glTF in meters with y up, STL in millimeters with z up. docs/format/bodies.md */
import { Document, WebIO } from '@gltf-transform/core';
import { labelWords, lineOfPiece, NM_PER, type Plan, type CabinetPlan } from '@keen/core';
import { bodiesOf, type CodeUrl, type PanelBody } from './panel-bodies.ts';

/** Position of a cabinet from the left end of the wall and above the floor, mm. */
interface Stand {
  readonly along: number;
  readonly up: number;
}

const standOf = ({ block }: CabinetPlan): Stand => ({ along: block.left / NM_PER.mm, up: block.bottom / NM_PER.mm });

/**
 * Binary glTF: a node per cabinet at its place on the wall, with a node per panel, named by its mark and name. x runs along the wall, y up, z out of it.
 * Without normals: every face is flat.
 */
export async function cabinetsGlb(cabinets: readonly CabinetPlan[], plan: Plan, code?: CodeUrl): Promise<Uint8Array> {
  const document = new Document();
  const buffer = document.createBuffer();
  const scene = document.createScene('wall');
  const materials = new Map<string, ReturnType<Document['createMaterial']>>();
  const materialOf = (stock: string): ReturnType<Document['createMaterial']> => {
    const made = materials.get(stock) ?? document.createMaterial(stock).setBaseColorFactor([0.82, 0.7, 0.5, 1]).setRoughnessFactor(0.9).setMetallicFactor(0);
    materials.set(stock, made);
    return made;
  };
  for (const cabinetPlan of cabinets) {
    const { along, up } = standOf(cabinetPlan);
    const group = document.createNode(cabinetPlan.name).setTranslation([along / 1000, up / 1000, 0]);
    scene.addChild(group);
    for (const { panel, corners, triangles } of await bodiesOf(cabinetPlan.cabinet, code)) {
      const metres = Float32Array.from(corners, (mm) => mm / 1000);
      const primitive = document
        .createPrimitive()
        .setAttribute('POSITION', document.createAccessor().setType('VEC3').setArray(metres).setBuffer(buffer))
        .setIndices(document.createAccessor().setType('SCALAR').setArray(triangles).setBuffer(buffer))
        .setMaterial(materialOf(panel.stock));
      const name = [lineOfPiece(plan.parts, panel.id)?.mark, labelWords(panel.name)].filter((word) => word !== undefined).join(' ');
      group.addChild(document.createNode(name).setMesh(document.createMesh(name).addPrimitive(primitive)));
    }
  }
  return new WebIO().writeBinary(document);
}

const HEADER = 80;
const TRIANGLE = 50;

/** Binary STL of the same. x runs along the wall, z up, y into the wall. */
export async function cabinetsStl(cabinets: readonly CabinetPlan[], code?: CodeUrl): Promise<Uint8Array> {
  const bodies: (readonly [PanelBody, Stand])[] = [];
  for (const cabinetPlan of cabinets) for (const body of await bodiesOf(cabinetPlan.cabinet, code)) bodies.push([body, standOf(cabinetPlan)]);
  const count = bodies.reduce((sum, [{ triangles }]) => sum + triangles.length / 3, 0);
  const bytes = new Uint8Array(HEADER + 4 + TRIANGLE * count);
  bytes.set(new TextEncoder().encode('units on a wall, millimetres').subarray(0, HEADER));
  const view = new DataView(bytes.buffer);
  view.setUint32(HEADER, count, true);
  let at = HEADER + 4;
  for (const [{ corners, triangles }, { along, up }] of bodies)
    for (let index = 0; index < triangles.length; index += 3) {
      const [a, b, c] = [0, 1, 2].map((corner) => {
        const from = 3 * triangles[index + corner]!;
        return [corners[from]! + along, -corners[from + 2]!, corners[from + 1]! + up] as const;
      }) as [Point, Point, Point];
      for (const point of [normalOf(a, b, c), a, b, c])
        for (const number of point) {
          view.setFloat32(at, number, true);
          at += 4;
        }
      at += 2;
    }
  return bytes;
}

type Point = readonly [x: number, y: number, z: number];

function normalOf(a: Point, b: Point, c: Point): Point {
  const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const [vx, vy, vz] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
  const [x, y, z] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  const long = Math.hypot(x, y, z) || 1;
  return [x / long, y / long, z / long];
}
