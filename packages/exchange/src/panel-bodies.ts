/** Panels as closed bodies: each a two-manifold with its slots, bevels and notches cut, by a library for Boolean operations. */
import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import { takenOut, type ResolvedPanel, type ResolvedCabinet, type Vector } from '@keen/core';
import { installed } from './installed.ts';

/** Millimeters in the cabinet frame: along, up, out. */
export interface PanelBody {
  readonly panel: ResolvedPanel;
  /** Three numbers per corner; each corner once. */
  readonly corners: Float32Array;
  /** Three corners per triangle, counterclockwise seen from outside. */
  readonly triangles: Uint32Array;
}

/** URL of the library's WebAssembly, for a page; a program finds it where it is installed. */
export type CodeUrl = string;

let loaded: Promise<ManifoldToplevel> | undefined;

/** Loaded once; after a failure it is tried again the next time. */
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

/** One body per panel with wood left, in order. */
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
