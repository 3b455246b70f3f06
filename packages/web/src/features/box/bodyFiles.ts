/** A cabinet as solid bodies for other programs, made in the page. The code for it is loaded on demand. */
import type { Plan, CabinetPlan } from '@keen/core';

const maker = async () => {
  const [exchange, { default: code }] = await Promise.all([import('@keen/exchange'), import('manifold-3d/manifold.wasm?url')]);
  return { ...exchange, code };
};

export async function glbOf(cabinetPlan: CabinetPlan, whole: Plan): Promise<Uint8Array> {
  const { cabinetsGlb, code } = await maker();
  return cabinetsGlb([cabinetPlan], whole, code);
}

export async function stlOf(cabinetPlan: CabinetPlan): Promise<Uint8Array> {
  const { cabinetsStl, code } = await maker();
  return cabinetsStl([cabinetPlan], code);
}
