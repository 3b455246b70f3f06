/** A server that answers what a test has it answer; pages ask it by addresses of their own host. Test support. */

export interface Asked {
  readonly method: string;
  /** Without the leading '/api/'. */
  readonly path: string;
  readonly body: unknown;
}

/** What a request comes back with: 200 and a body, another status, or nobody there. */
export type Answer = { readonly status?: number; readonly body?: unknown } | 'away';

/** Takes the place of fetch until `restore`; everything asked is kept. */
export function answerWith(answer: (asked: Asked) => Answer): { readonly asked: Asked[]; readonly restore: () => void } {
  const [fetch, PlainRequest] = [globalThis.fetch, globalThis.Request];
  const asked: Asked[] = [];
  /** jsdom's pages have a host, Node's requests have none. */
  class Rooted extends PlainRequest {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === 'string' ? new URL(input, 'http://keen.test').href : input, init);
    }
  }
  globalThis.Request = Rooted;
  globalThis.fetch = async (input, init) => {
    const request = new Rooted(input as string, init);
    const text = await request.text();
    const one: Asked = {
      method: request.method,
      path: new URL(request.url).pathname.replace(/^\/api\//, ''),
      body: text === '' || !/json/.test(request.headers.get('Content-Type') ?? 'json') ? undefined : (JSON.parse(text) as unknown),
    };
    asked.push(one);
    const said = answer(one);
    if (said === 'away') throw new TypeError('nobody answers');
    const { status = 200, body } = said;
    return new Response(body === undefined ? null : JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
  };
  return {
    asked,
    restore: () => {
      globalThis.fetch = fetch;
      globalThis.Request = PlainRequest;
    },
  };
}
