/** The sheet merchant's stand-in: a catalog with stock, prices and lead times over HTTP, and faults on demand. README.md says the protocol. */
import { createServer, type Server, type ServerResponse } from 'node:http';

/** slow: answers late. down: answers 503. price: everything is dearer from now on. out: nothing is in stock from now on. fine: as at first. */
const FAULTS = ['slow', 'down', 'price', 'out', 'fine'] as const;
type How = (typeof FAULTS)[number];

const SLOW_MS = 20_000;
const DEARER = 1.12;
const MAX_BODY = 2000;

type Row = readonly [id: string, material: string, nominal: string, length: string, width: string, price: number, inStock: number, leadDays: number];

/** What it sells: the usual sizes, and some larger and smaller ones of the same sheets. */
const CATALOGUE: readonly Row[] = [
  ['M101', 'birch-plywood', '18 mm', '2440 mm', '1220 mm', 76.5, 24, 1],
  ['M102', 'birch-plywood', '18 mm', '1525 mm', '1525 mm', 62, 12, 1],
  ['M103', 'birch-plywood', '18 mm', '3050 mm', '1525 mm', 121, 6, 8],
  ['M104', 'birch-plywood', '18 mm', '1220 mm', '1220 mm', 41, 9, 1],
  ['M105', 'birch-plywood', '6 mm', '2440 mm', '1220 mm', 33.4, 30, 1],
  ['M106', 'birch-plywood', '6 mm', '1525 mm', '1525 mm', 25.5, 14, 1],
  ['M107', 'birch-plywood', '12 mm', '2440 mm', '1220 mm', 55.9, 18, 1],
  ['M108', 'hardwood-faced-plywood', '3/4 in', '96 in', '48 in', 69.5, 15, 2],
  ['M109', 'hardwood-faced-plywood', '3/4 in', '120 in', '60 in', 118, 3, 10],
  ['M110', 'hardwood-faced-plywood', '1/2 in', '96 in', '48 in', 53, 11, 2],
  ['M111', 'hardwood-faced-plywood', '1/4 in', '96 in', '48 in', 30.5, 20, 2],
  ['M112', 'mdf', '18 mm', '2440 mm', '1220 mm', 35, 40, 1],
  ['M113', 'mdf', '18 mm', '2800 mm', '2070 mm', 64, 8, 5],
];

/** Starts listening on loopback; `port` 0 takes a free one. */
export function startMerchantStandIn(port: number): Promise<Server> {
  let down = false;
  let slow = false;
  let dearer = false;
  let out = false;
  const say = (response: ServerResponse, status: number, body: object): void => {
    response.writeHead(status, { 'Content-Type': 'application/json' });
    response.end(JSON.stringify(body));
  };
  const sheets = (): object[] =>
    CATALOGUE.map(([id, material, nominal, length, width, price, inStock, leadDays]) => ({
      id,
      material,
      nominal,
      length,
      width,
      price: dearer ? Math.round(price * DEARER * 100) / 100 : price,
      inStock: out ? 0 : inStock,
      leadDays,
    }));
  const server = createServer((request, response) => {
    if (request.method === 'GET' && request.url === '/catalogue') {
      if (down) return say(response, 503, { error: 'closed for stocktaking' });
      const answer = (): void => say(response, 200, { merchant: 'sheet merchant, stand-in', sheets: sheets() });
      if (!slow) return answer();
      const timer = setTimeout(answer, SLOW_MS);
      response.once('close', () => clearTimeout(timer));
      return;
    }
    if (request.method === 'POST' && request.url === '/fault') {
      let text = '';
      request.on('data', (chunk: Buffer) => {
        text += chunk.toString();
        if (text.length > MAX_BODY) request.destroy();
      });
      request.on('end', () => {
        const how = howOf(text);
        if (!how) return say(response, 400, { error: 'that is no fault', accepted: `how: ${FAULTS.join(', ')}` });
        if (how === 'fine') down = slow = dearer = out = false;
        else [down, slow, dearer, out] = [how === 'down', how === 'slow', dearer || how === 'price', out || how === 'out'];
        say(response, 200, { armed: how });
      });
      return;
    }
    say(response, 404, { error: 'not here', accepted: 'GET /catalogue, POST /fault' });
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}

function howOf(text: string): How | null {
  try {
    const { how } = JSON.parse(text) as { how?: unknown };
    return FAULTS.includes(how as How) ? (how as How) : null;
  } catch {
    return null;
  }
}
