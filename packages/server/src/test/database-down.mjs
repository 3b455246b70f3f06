/** After the API tests: the throwaway database and its folder go. */
import { rmSync } from 'node:fs';

export default async function databaseDown() {
  const { folder, database } = globalThis.keenDatabase;
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}
