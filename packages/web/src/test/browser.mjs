/** jsdom with what it lacks and the pages use. */
import { TestEnvironment } from 'jest-environment-jsdom';

export default class Browser extends TestEnvironment {
  async setup() {
    await super.setup();
    for (const name of ['TextEncoder', 'TextDecoder', 'structuredClone', 'fetch', 'Request', 'Response', 'Headers', 'TextDecoderStream'])
      this.global[name] ??= globalThis[name];
  }
}
