/** Starts the server. `--reset-demo` restores the demo and leaves; `--migrations` names the upgrades this program knows, and reads in nothing else for it. */
import { MIGRATIONS } from './database/migrations/index.ts';

if (process.argv.includes('--migrations')) console.log(JSON.stringify(MIGRATIONS.map(({ name }) => name)));
else {
  const { giveUp, start } = await import('./start.ts');
  await start().catch(giveUp);
}
