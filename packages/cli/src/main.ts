/** Starts the command; `performance.timeOrigin` counts start-up into the time allowed. */
import { run } from './keen.ts';

process.exitCode = await run(process.argv.slice(2), performance.timeOrigin);
