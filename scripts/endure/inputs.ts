/**
 * Spoiled inputs for every reader and hostile ones for every address: none throws, hangs or is answered with a 500. Readers run here, one
 * after the other, each timed; addresses are those of a running product, whose memory is watched.
 */
import { readFileSync } from 'node:fs';
import * as fc from 'fast-check';
import { readContents, readForeignTable, readNestProblemText, readProjectFile, recordCodec, outcomeOf, type Outcome } from '@keen/core';
import { readBundle, readOutlines, tableText, bundleZip } from '@keen/exchange';
import { mutationsOf } from '../../packages/core/src/test/mutated.ts';
import { spoiled } from '../../packages/exchange/src/test/spoiled.ts';
import { startProduct, type Product } from '../../e2e/product.ts';

const ROOT = new URL('../../', import.meta.url);
const SEED = 20_261_130;
/** Inputs that are made at a time. */
const CHUNK = 200;
const MAX_MS = 5000;
const MAX_SERVER_MB = 1024;

interface Reader {
  readonly name: string;
  /** Of all inputs. */
  readonly share: number;
  readonly inputs: fc.Arbitrary<string | Uint8Array>;
  readonly read: (input: any) => Outcome<unknown>;
}

function readers(): readonly Reader[] {
  const example = readFileSync(new URL('examples/print-room.carcass.json', ROOT), 'utf8');
  const project = readProjectFile(example);
  if (!project.ok) throw new Error('the example cannot be read');
  const nest = JSON.stringify({
    kerf: '3.2mm',
    sheets: [{ id: 'A', length: '2440mm', width: '1220mm' }],
    parts: [{ id: 'p', length: '23 1/2in', width: '300mm', count: 9 }],
  });
  const csv = 'what,count,width (mm),depth,height (in),kg each\nInk tin,12,95,95,4 1/2,1.02\n"Roller, large",3,30,25.5cm,14,\n';
  const entry = JSON.stringify({
    id: 'x1',
    at: '2026-03-01T10:00:00Z',
    kind: 'thickness',
    reading: { product: 'birch-18', value: '17.9 mm', sheet: 'A', place: 'middle' },
  });
  const dxf = [
    '0',
    'SECTION',
    '2',
    'ENTITIES',
    '0',
    'LWPOLYLINE',
    '70',
    '1',
    '10',
    '0',
    '20',
    '0',
    '42',
    '0.5',
    '10',
    '400',
    '20',
    '0',
    '10',
    '400',
    '20',
    '300',
    '0',
    'CIRCLE',
    '10',
    '900',
    '20',
    '50',
    '40',
    '60',
    '0',
    'ENDSEC',
    '0',
    'EOF',
  ].join('\n');
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="600mm" viewBox="0 0 600 400"><g transform="translate(5 5)"><path d="M0 0h300v200c-40 9-90 9-300 0z"/></g><circle cx="450" cy="90" r="60"/></svg>';
  const bundle = bundleZip({ project: project.value, photos: new Map() });
  let n = 0;
  const options = { unit: 'mm' as const, order: 1, newId: () => `n${(n += 1)}`, titled: true };
  const json = (text: string): unknown => {
    try {
      return JSON.parse(text);
    } catch {
      return null;
    }
  };
  const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
  return [
    { name: 'project file', share: 0.3, inputs: mutationsOf(example), read: readProjectFile },
    { name: 'nesting problem', share: 0.2, inputs: mutationsOf(nest), read: readNestProblemText },
    { name: 'record entry', share: 0.2, inputs: mutationsOf(entry), read: (text: string) => outcomeOf(() => recordCodec.read(json(text), 'entry')) },
    { name: 'contents', share: 0.08, inputs: mutationsOf(csv), read: (text: string) => readContents(text, options) },
    { name: 'table', share: 0.08, inputs: spoiled(bytes(csv)), read: (input: Uint8Array) => tableOf(input) },
    { name: 'DXF', share: 0.05, inputs: spoiled(bytes(dxf)), read: (input: Uint8Array) => readOutlines(input, 'x.dxf') },
    { name: 'SVG', share: 0.05, inputs: spoiled(bytes(svg)), read: (input: Uint8Array) => readOutlines(input, 'x.svg') },
    { name: 'bundle', share: 0.04, inputs: spoiled(bundle), read: (input: Uint8Array) => readBundle(input) },
  ];
}

function tableOf(input: Uint8Array): Outcome<unknown> {
  const text = tableText(input, 'table');
  return text.ok ? readForeignTable(text.value) : text;
}

export async function inputs(count: number): Promise<boolean> {
  let good = true;
  for (const { name, share, inputs: made, read } of readers()) {
    const runs = Math.ceil(count * share);
    let [crashes, slowestMs, refused] = [0, 0, 0];
    for (let from = 0; from < runs; from += CHUNK)
      for (const input of fc.sample(made, { numRuns: Math.min(CHUNK, runs - from), seed: SEED + from })) {
        const startedMs = performance.now();
        try {
          if (!read(input).ok) refused++;
        } catch (error) {
          crashes++;
          if (crashes <= 3) console.log(name, error);
        }
        slowestMs = Math.max(slowestMs, performance.now() - startedMs);
      }
    console.log(`${name}: ${runs} spoiled, ${refused} refused, ${crashes} crashes, slowest ${slowestMs.toFixed(0)} ms`);
    good &&= crashes === 0 && slowestMs < MAX_MS;
  }
  const product = await startProduct();
  try {
    return (await addresses(product)) && good;
  } finally {
    await product.stop();
  }
}

/** Bodies that belong nowhere, for every address that takes one. */
const BODIES: readonly [string, string][] = [
  ['application/json', ''],
  ['application/json', 'null'],
  ['application/json', '[]'],
  ['application/json', '"text"'],
  ['application/json', '\uFEFF{"base":1}'],
  ['application/json', '{"labels":[[]]}'],
  ['application/json', '{"labels":[{"mark":{}}]}'],
  ['application/json', '{"entries":[null]}'],
  ['application/json', '{"entries":[{"id":"\\u0000","kind":"note"}]}'],
  ['application/json', '{"base":1e308,"session":"x","document":{}}'],
  ['application/json', '{"base":1,"session":"x","document":{"units":{"__proto__":1}}}'],
  ['application/json', '{"design":{"name":"\\ud800"}}'],
  ['application/json', '{"name":" "}'],
  ['application/json', `{"name":"${'x'.repeat(100_000)}"}`],
  ['application/json', '['.repeat(10_000)],
  ['application/json', '{"id":"x","product":"y","key":"z","then":"settings","seconds":1,"problem":{"parts":[{"id":1}]}}'],
  ['application/json', '{"paper":"a4","units":"mm","cabinets":[null],"layouts":[]}'],
  ['application/json', '{"code":"123456","name":null}'],
  ['application/json', '{"project":{"$gt":""},"pieces":[{}]}'],
  ['application/json', '{"base":1,"workshop":[]}'],
  ['application/x-www-form-urlencoded', 'a=1&a[b]=2'],
  ['text/plain', 'words'],
  ['application/octet-stream', '\u0000\u0001\u0002'],
  ['image/jpeg', '\u00ff\u00d8\u00ff'],
  ['application/zip', 'PK\u0003\u0004rest'],
];

const PATHS = ['%00', '%ff', '..%2f..%2fetc%2fpasswd', "'; drop table projects; --", 'x'.repeat(3000), 'print-room%20', '😀', '%E0%A4%A'];

async function addresses(product: Product): Promise<boolean> {
  const routes = [...readFileSync(new URL('docs/security.md', ROOT), 'utf8').matchAll(/^\| *(GET|POST|PUT|PATCH|DELETE) *\| *`([^`]+)` *\|/gm)]
    .map(([, method, path]) => ({ method: method!, path: path! }))
    .filter(({ path }) => !path.endsWith('/live') && !/readings|weighing|scan$/.test(path));
  const counts = new Map<number, number>();
  const faults: string[] = [];
  let slowestMs = 0;
  const ask = async (method: string, path: string, type: string | null = null, body: string | null = null): Promise<void> => {
    const startedMs = performance.now();
    try {
      const answer = await fetch(`${product.url}${path}`, {
        method,
        ...(body === null ? {} : { headers: { 'Content-Type': type ?? '' }, body }),
        signal: AbortSignal.timeout(MAX_MS * 2),
      });
      const text = await answer.text();
      counts.set(answer.status, (counts.get(answer.status) ?? 0) + 1);
      if (answer.status === 500) faults.push(`${method} ${path} ${body?.slice(0, 60)}: ${text.slice(0, 100)}`);
      if (answer.status >= 400 && path.startsWith('/api/') && !isProblem(text, method))
        faults.push(`${method} ${path} ${body?.slice(0, 60)}: ${answer.status} in no words: ${text.slice(0, 100)}`);
    } catch (error) {
      faults.push(`${method} ${path}: ${String(error)}`);
    }
    slowestMs = Math.max(slowestMs, performance.now() - startedMs);
  };
  let sent = 0;
  for (const { method, path } of routes) {
    const plain = path
      .replace(/:number|:page/g, '1')
      .replace(/:photo/g, 'photo-0001')
      .replace(/:kind/g, 'sticks')
      .replace(/^(\/api\/projects\/):id/, '$1nowhere')
      .replace(/:\w+/g, 'nowhere');
    const calls: Parameters<typeof ask>[] = [];
    if (method !== 'GET' && method !== 'DELETE') for (const [type, body] of BODIES) calls.push([method, plain, type, body]);
    if (path.includes(':'))
      for (const odd of PATHS)
        calls.push([method, path.replace(/:\w+/g, encodeURI(odd).replace(/%25/g, '%')), 'application/json', method === 'GET' ? null : '{}']);
    if (method === 'GET') {
      calls.push(['HEAD', plain]);
      for (const query of ['?after=x', '?after=-1', '?after=1e99', '?a[b]=1&a=2', `?${'q='.repeat(2000)}`]) calls.push([method, `${plain}${query}`]);
    }
    for (const call of calls) await ask(...call);
    sent += calls.length;
  }
  const memory = Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${product.serverPid()}/status`, 'utf8'))![1]) / 1024;
  console.log(
    `addresses: ${sent} hostile requests, ${[...counts]
      .sort((a, b) => a[0] - b[0])
      .map(([status, times]) => `${times} × ${status}`)
      .join(', ')}; slowest ${slowestMs.toFixed(0)} ms; server at most ${memory.toFixed(0)} MB`,
  );
  for (const fault of faults.slice(0, 20)) console.log(`FAULT ${fault}`);
  return faults.length === 0 && slowestMs < MAX_MS && memory < MAX_SERVER_MB;
}

function isProblem(text: string, method: string): boolean {
  if (method === 'HEAD') return true;
  try {
    const { code, message, where, accepted } = JSON.parse(text) as Record<string, unknown>;
    return [code, message, where, accepted].every((each) => typeof each === 'string' && each !== '');
  } catch {
    return false;
  }
}
