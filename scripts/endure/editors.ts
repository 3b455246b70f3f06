/** Many editors of one project, each adding its own thing again and again on whatever version there is: none overwrites another. */
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { merge, type Json } from '@keen/core';
import { startProduct } from '../../e2e/product.ts';

const EACH = 2;
const EXAMPLE = fileURLToPath(new URL('../../examples/print-room.carcass.json', import.meta.url));

export async function editors(count: number): Promise<boolean> {
  const product = await startProduct();
  const { design } = JSON.parse(readFileSync(EXAMPLE, 'utf8')) as { design: Record<string, any> };
  const send = (path: string, body: object, method: string): Promise<Response> =>
    fetch(`${product.url}/api/${path}`, { method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });
  const { id } = (await (await send('projects', { design }, 'POST')).json()) as { id: string };
  const [like] = Object.values(design['items'] as Record<string, Record<string, unknown>>);
  let stale = 0;
  await Promise.all(
    Array.from({ length: count }, async (_, editor) => {
      for (let n = 0; n < EACH; n++) {
        let { revision, document: base } = (await (await fetch(`${product.url}/api/projects/${id}`)).json()) as { revision: number; document: Json };
        const own = `e${editor}-${n}`;
        const row = base as Record<string, any>;
        let document: Json = { ...row, items: { ...row['items'], [own]: { ...like, id: own, name: own } } };
        for (;;) {
          const answer = await send(`projects/${id}`, { base: revision, session: `editor-${editor}`, document }, 'PUT');
          if (answer.ok) break;
          if (answer.status !== 409) throw new Error(await answer.text());
          stale++;
          const { current } = (await answer.json()) as { current: { revision: number; document: Json } };
          const { merged, conflicts } = merge(base, document, current.document);
          if (conflicts.length > 0) throw new Error(`conflicts at ${conflicts.join()}`);
          [revision, base, document] = [current.revision, current.document, merged];
        }
      }
    }),
  );
  const { document } = (await (await fetch(`${product.url}/api/projects/${id}`)).json()) as { document: Record<string, any> };
  await product.stop();
  const wanted = Array.from({ length: count * EACH }, (_, n) => `e${Math.floor(n / EACH)}-${n % EACH}`);
  const lost = wanted.filter((each) => !Object.hasOwn(document['items'] as object, each));
  console.log(`${count} editors, ${wanted.length} updates, ${stale} of them merged after a 409: ${lost.length} lost`);
  return lost.length === 0;
}
