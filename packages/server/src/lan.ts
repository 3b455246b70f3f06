/** The second listener: HTTPS on the network address that was chosen, with a certificate of the desk's own authority. */
import { createServer, type Server } from 'node:https';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { RequestListener } from 'node:http';
import type { ServerConfig } from './config.ts';
import { authorityIn, certificateFor } from './features/sharing/authority.ts';

/** TLS 1.2 with forward secrecy and authenticated encryption only; the suites of TLS 1.3 all have both. */
const CIPHERS = [
  'TLS_AES_128_GCM_SHA256',
  'TLS_AES_256_GCM_SHA384',
  'TLS_CHACHA20_POLY1305_SHA256',
  'ECDHE-RSA-AES128-GCM-SHA256',
  'ECDHE-RSA-AES256-GCM-SHA384',
  'ECDHE-RSA-CHACHA20-POLY1305',
].join(':');

/** Listens where `share` says; resolves when it does. The certificates are made on the first start. */
export async function openToLan(app: NestExpressApplication, { share, dataFolder }: Pick<ServerConfig, 'share' | 'dataFolder'>): Promise<Server | null> {
  if (!share) return null;
  const folder = join(dataFolder, 'share');
  const { cert, key } = certificateFor(share.host, authorityIn(folder, share.host), folder);
  const server = createServer({ cert, key, minVersion: 'TLSv1.2', ciphers: CIPHERS }, app.getHttpAdapter().getInstance() as RequestListener);
  await new Promise<void>((done, failed) => {
    server.once('error', failed);
    server.listen(share.port, share.host, done);
  });
  return server;
}
