/** A cabinet as bodies for other programs, made in the page. What makes the files, and its machine code, is fetched when one is asked for. */
import type { Plan, UnitPlan } from '@keen/core';

const maker = async () => {
  const [exchange, { default: code }] = await Promise.all([import('@keen/exchange'), import('manifold-3d/manifold.wasm?url')]);
  return { ...exchange, code };
};

export async function glbOf(unit: UnitPlan, whole: Plan): Promise<Uint8Array> {
  const { unitsGlb, code } = await maker();
  return unitsGlb([unit], whole, code);
}

export async function stlOf(unit: UnitPlan): Promise<Uint8Array> {
  const { unitsStl, code } = await maker();
  return unitsStl([unit], code);
}
