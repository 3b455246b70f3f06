/** Starts the server. `--seed` puts the demo in once and leaves; `--reset-demo` restores it and leaves. */
import 'reflect-metadata';
import { createApp } from './app.ts';
import { configFrom } from './config.ts';
import { openToLan } from './lan.ts';
import { DemoService } from './demo/demo.service.ts';

const config = configFrom(process.env);
const app = await createApp(config);
const demo = app.get(DemoService);

if (process.argv.includes('--reset-demo')) {
  await demo.seedOnce(config.examples);
  await demo.reset(config.examples);
  await app.close();
} else if (process.argv.includes('--seed')) {
  await demo.seedOnce(config.examples);
  await app.close();
} else {
  // The supervisor holds the other end of this channel: when it dies, however it dies, we go too.
  process.on('disconnect', () => void app.close().finally(() => process.exit(0)));
  const lan = await openToLan(app, config);
  process.on('disconnect', () => lan?.close());
  await app.listen(config.port, '127.0.0.1');
  process.send?.('listening');
}
