/** Before the API tests: a throwaway MariaDB of their own. Each test file makes its own database in it (test/app.ts). */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startMariaDb } from '../../../../scripts/product/mariadb.mjs';

export default async function databaseUp() {
  const folder = mkdtempSync(join(tmpdir(), 'keen-api-'));
  const database = await startMariaDb({ folder, fast: true });
  globalThis.keenDatabase = { folder, database };
  // Test files run in processes of their own and inherit this.
  process.env.KEEN_TEST_DATABASE = JSON.stringify({
    port: database.port,
    user: database.user,
    password: database.password,
    adminPassword: database.adminPassword,
    socket: database.socket,
  });
}
