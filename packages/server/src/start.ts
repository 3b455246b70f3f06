/** The server from its beginning to its end. What a person has to see to is sent to the supervisor in words, before it exits with 78. */
import 'reflect-metadata';
import type { Server } from 'node:net';
import { createApp } from './app.ts';
import { configFrom } from './config.ts';
import { NewerDatabase } from './database/migrate.ts';
import { DemoService } from './demo/demo.service.ts';
import { openToLan } from './lan.ts';

/** Of sysexits.h: the configuration is at fault, and starting again does not help. */
const EX_CONFIG = 78;
/** How long requests that are being answered may take when the server is to end. */
const GRACE_MS = 4000;

/** Puts the demo in where it never was, and listens; with `--reset-demo` restores it and leaves. */
export async function start(): Promise<void> {
  const config = configFrom(process.env);
  const app = await createApp(config);
  const demo = app.get(DemoService);
  await demo.seedOnce(config.examples);
  if (process.argv.includes('--reset-demo')) {
    await demo.reset(config.examples);
    return app.close();
  }
  const lan = await openToLan(app, config);
  await app.listen(config.port, '127.0.0.1');
  let isEnding = false;
  const end = (): void => {
    if (isEnding) return;
    isEnding = true;
    // Pages that are open must not keep an old server beside a new one.
    const servers = [app.getHttpServer(), lan] as (Server & { closeAllConnections(): void; closeIdleConnections(): void })[];
    for (const server of servers) server?.closeIdleConnections();
    lan?.close();
    setTimeout(() => servers.forEach((server) => server?.closeAllConnections()), GRACE_MS / 2).unref();
    setTimeout(() => process.exit(0), GRACE_MS).unref();
    void app.close().finally(() => process.exit(0));
  };
  // The supervisor holds the other end of this channel: when it dies, however it dies, we go too.
  process.on('disconnect', end);
  process.on('SIGTERM', end);
  process.on('SIGINT', end);
  process.send?.('listening');
}

/** Tells the supervisor what a person has to see to, and ends; throws a fault of ours. */
export function giveUp(error: unknown): void {
  const words = wordsOf(error);
  if (words === null) throw error;
  if (process.send) process.send({ problem: words }, () => process.exit(EX_CONFIG));
  else {
    console.error(words);
    process.exit(EX_CONFIG);
  }
}

/** What a person can do about it; null for a fault of ours. */
function wordsOf(error: unknown): string | null {
  if (error instanceof NewerDatabase) return error.message;
  const { code, port, address } = error as { code?: string; port?: number; address?: string };
  if (code === 'EADDRINUSE') return `Port ${port} at ${address} is taken by another program. Use --port N.`;
  if (code === 'EADDRNOTAVAIL') return `${address} is no address of this machine any more. Use --share with one that is, or start without it.`;
  return null;
}
