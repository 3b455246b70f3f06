/** The application on a database of its own inside the throwaway MariaDB, so that test files run side by side. */
import 'reflect-metadata';
import { randomBytes } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { getConnectionToken } from '@nestjs/sequelize';
import mysql from 'mysql2/promise';
import type { Sequelize } from 'sequelize';
import request from 'supertest';
import type TestAgent from 'supertest/lib/agent.js';
import { createApp } from '../app.ts';
import type { ServerConfig } from '../config.ts';
import { DemoService } from '../demo/demo.service.ts';

export const EXAMPLES = fileURLToPath(new URL('../../../../examples', import.meta.url));

export interface TestApp {
  readonly nest: NestExpressApplication;
  readonly api: TestAgent;
  readonly demo: DemoService;
  readonly sequelize: Sequelize;
  /** Runs a statement on this file's own database. */
  sql(statement: string): Promise<unknown[]>;
  /** Ends this application and starts another on the same database. */
  restart(): Promise<TestApp>;
  close(): Promise<void>;
}

/** `inDatabase`: one that an earlier application left. */
export async function testApp(more: Partial<ServerConfig> = {}, inDatabase?: string): Promise<TestApp> {
  const { port, user, password, adminPassword, socket } = JSON.parse(process.env['KEEN_TEST_DATABASE']!) as Record<
    'user' | 'password' | 'adminPassword' | 'socket',
    string
  > & {
    port: number;
  };
  const name = inDatabase ?? `test_${randomBytes(6).toString('hex')}`;
  const connection = await mysql.createConnection({ socketPath: socket, user: 'root', password: adminPassword });
  if (!inDatabase) {
    await connection.query(`create database ${name} character set utf8mb4 collate utf8mb4_unicode_ci`);
    // As in the product: rights on its own schema and no other.
    await connection.query(`grant all privileges on \`${name}\`.* to '${user}'@'127.0.0.1'`);
  }
  const app = await createApp({
    port: 1,
    database: { port, name, user, password },
    webRoot: undefined,
    examples: EXAMPLES,
    dataFolder: mkdtempSync(join(tmpdir(), 'keen-data-')),
    share: undefined,
    faultSwitches: true,
    origins: [],
    caliperPort: undefined,
    scalePort: undefined,
    scannerPort: undefined,
    merchantPort: undefined,
    printerPort: undefined,
    ...more,
  });
  await app.init();
  const demo = app.get(DemoService);
  await demo.seedOnce(EXAMPLES);
  await app.listen(0, '127.0.0.1');
  return {
    nest: app,
    api: request.agent(app.getHttpServer()),
    demo,
    sequelize: app.get<Sequelize>(getConnectionToken()),
    async sql(statement) {
      const [rows] = await connection.query({ sql: statement.replaceAll('{db}', name) });
      return rows as unknown[];
    },
    async restart() {
      await app.close();
      await connection.end();
      return testApp(more, name);
    },
    async close() {
      await app.close();
      await connection.query(`drop database ${name}`);
      await connection.query(`revoke all privileges on \`${name}\`.* from '${user}'@'127.0.0.1'`);
      await connection.end();
    },
  };
}
