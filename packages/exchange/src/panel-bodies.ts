/** Panels as closed bodies: each one two-manifold, its slots, bevels and notches cut. Bodies are taken from one another by a library made for that. */
import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import { takenOut, type ResolvedPanel, type ResolvedCabinet, type Vector } from '@keen/core';
import { installed } from './installed.ts';

/** Millimeters in the unit's frame: along, up, out. */
export interface PanelBody {
  readonly panel: ResolvedPanel;
  /** Three numbers a corner; each corner once. */
  readonly corners: Float32Array;
  /** Three corners a triangle, anticlockwise seen from outside. */
  readonly triangles: Uint32Array;
}

/** Where the library's machine code is, for a page; a program finds it where it is installed. */
export type CodeUrl = string;

let loaded: Promise<ManifoldToplevel> | undefined;

/** Once; where it could not be fetched, it is tried again the next time. */
const library = (code: CodeUrl | undefined): Promise<ManifoldToplevel> =>
  (loaded ??= load(code).catch((error: unknown) => {
    loaded = undefined;
    throw error;
  }));

async function load(code: CodeUrl | undefined): Promise<ManifoldToplevel> {
  const place = code ?? (await installed('manifold-3d/manifold.wasm'));
  const { default: Module } = await import('manifold-3d');
  const made = await Module({ locateFile: () => place });
  made.setup();
  return made;
}

/** A body for each panel that has wood left, in their order. */
export async function bodiesOf({ panels }: ResolvedCabinet, code?: CodeUrl): Promise<PanelBody[]> {
  const { Manifold } = await library(code);
  const hull = (corners: readonly Vector[]): Manifold => Manifold.hull(corners.map(({ along, up, out }) => [along, up, out]));
  return panels.flatMap((panel): PanelBody[] => {
    const { slab, taken } = takenOut(panel);
    const all = [slab, ...taken].map(hull);
    const body = all.length === 1 ? all[0]! : Manifold.difference(all);
    const { vertProperties, triVerts } = body.getMesh();
    for (const each of new Set([...all, body])) each.delete();
    return triVerts.length === 0 ? [] : [{ panel, corners: Float32Array.from(vertProperties), triangles: Uint32Array.from(triVerts) }];
  });
}
