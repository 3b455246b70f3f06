/** The application, ready to listen: used by main.ts and by the API tests alike. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { NestFactory } from '@nestjs/core';
import { ExpressAdapter, type NestExpressApplication } from '@nestjs/platform-express';
import { getConnectionToken } from '@nestjs/sequelize';
import express, { type Request, type Response } from 'express';
import type { Sequelize } from 'sequelize-typescript';
import { networkGate } from './access/network-gate.ts';
import { isApiAddress, securityHeaders } from './access/security-headers.ts';
import { AppModule } from './app.module.ts';
import type { ServerConfig } from './config.ts';
import { migrate } from './database/migrate.ts';
import { authorityIn } from './features/sharing/authority.ts';
import { serveTrust } from './features/sharing/trust-page.ts';
import { SharingService } from './features/sharing/sharing.service.ts';
import { DiskService } from './housekeeping/disk.service.ts';
import { jsonBody } from './problems/json-body.ts';
import { ProblemFilter } from './problems/problem.filter.ts';
import { validation } from './problems/validation.ts';

export async function createApp(config: ServerConfig): Promise<NestExpressApplication> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(config), exactRoutes(), {
    bodyParser: false,
    logger: ['error', 'warn'],
    abortOnError: false,
  });
  app.disable('x-powered-by');
  const sharing = app.get(SharingService);
  app.use(
    ...securityHeaders(),
    networkGate(config, (token) => sharing.authenticate(token)),
    app.get(DiskService).guard(),
    ...jsonBody(),
  );
  app.useGlobalPipes(validation());
  app.useGlobalFilters(new ProblemFilter());
  if (config.share) serveTrust(app, authorityIn(join(config.dataFolder, 'share'), config.share.host).cert);
  if (config.webRoot) serveWeb(app, config.webRoot);
  await migrate(app.get<Sequelize>(getConnectionToken()));
  return app;
}

/** One spelling for each address: no other case, no slash too many. */
function exactRoutes(): ExpressAdapter {
  const adapter = new ExpressAdapter();
  adapter.set('case sensitive routing', true);
  adapter.set('strict routing', true);
  return adapter;
}

/** The built pages. Files with a hash in their name are kept by the browser; every other address is the application. */
function serveWeb(app: NestExpressApplication, root: string): void {
  const page = join(root, 'index.html');
  if (!existsSync(page)) throw new Error(`the web application is not built: ${page} is missing`);
  app.use('/assets', express.static(join(root, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(root, { index: false }));
  app.use((request: Request, response: Response, next: () => void) => {
    if ((request.method !== 'GET' && request.method !== 'HEAD') || isApiAddress(request.path)) return next();
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(page);
  });
}
