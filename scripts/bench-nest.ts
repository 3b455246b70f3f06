/** How near plans come to what no plan can beat: npm run bench -- --nest [--write], about twelve minutes with the command as it ships. */
import { fileURLToPath } from 'node:url';
import { benchNests, benchSamples, benchSeconds, SEED } from './bench-nests.ts';
import { heading, note, row, writeTables } from './bench-tables.ts';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

heading('Nesting, score over its own lower bound (1 would be proved best), whole command at 1 s, two at a time');
for (const { what, ratio, wanted, library, beaten, proved, problems, wrong } of await benchNests(ROOT)) {
  const others = library === null ? '' : `; best library ${library.toFixed(3)}, better than ours on ${beaten}`;
  row(what, `${ratio.toFixed(3)}${others}; proved ${proved} of ${problems}; wrong ${wrong}`, wanted);
}
note(
  `Seed ${SEED}, on ${new Date().toISOString().slice(0, 10)}; plans gone through by an independent check. The best library is the best of three on each problem; its layout counts only where it can be cut as ours must.`,
);

heading('Nesting, the larger ones of each recipe, whole command at 1 s, two at a time');
for (const { what, problems, ratio, plain, wrong } of await benchSamples(ROOT))
  row(`${what}, ${problems} of them`, `${ratio.toFixed(4)}; wrong ${wrong}`, `a plain ruin-and-refill search of 3 s: ${plain.toFixed(4)}`);
note('The problems are scripts/nest-samples.json, with bounds of area, of Martello and Vigo and of dual feasible functions.');

heading('Nesting, what more time is worth');
for (const { seconds, problems, ratio } of await benchSeconds(ROOT))
  row(`every seventh problem of the first table, ${problems}, ${seconds} s each`, ratio.toFixed(4));

if (process.argv.includes('--write')) await writeTables(ROOT);
