/** The second door: HTTPS on the LAN address that was chosen, with a certificate of the desk's own authority. */
import { createServer, type Server } from 'node:https';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { RequestListener } from 'node:http';
import type { ServerConfig } from './config.ts';
import { authorityIn, certificateFor } from './features/sharing/authority.ts';

/** Listens where `share` says; resolves when it does. The certificates are made on the first start. */
export async function openToLan(app: NestExpressApplication, { share, dataFolder }: Pick<ServerConfig, 'share' | 'dataFolder'>): Promise<Server | null> {
  if (!share) return null;
  const folder = join(dataFolder, 'share');
  const { cert, key } = certificateFor(share.host, authorityIn(folder), folder);
  const server = createServer({ cert, key }, app.getHttpAdapter().getInstance() as RequestListener);
  await new Promise<void>((done, failed) => {
    server.once('error', failed);
    server.listen(share.port, share.host, done);
  });
  return server;
}
