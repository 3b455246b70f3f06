/** Starts one product for the whole run and hands its address to the tests. Returns what takes it down again. */
import { startProduct } from './product.ts';

export default async function productUp(): Promise<() => Promise<void>> {
  const product = await startProduct();
  process.env['KEEN_URL'] = product.url;
  return () => product.stop();
}
