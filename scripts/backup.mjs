/** bin/keen backup, restore, verify: copies of a data folder from a shell. */
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { makeBackup, restoreBackup, verifyBackup } from './product/backup.mjs';
import { CannotStart } from './product/data-folder.mjs';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
const USAGE = `bin/keen backup [FILE] [--data DIR]   copy everything: projects, history, stock, pictures, certificates
bin/keen restore FILE --data DIR      read a copy back into an empty folder
bin/keen verify FILE                  prove that a copy can be read back`;

function read([command, ...args]) {
  let file;
  let folder;
  for (let n = 0; n < args.length; n++) {
    if (args[n] === '--data' && args[n + 1]) folder = resolve(args[++n]);
    else if (!args[n].startsWith('-') && file === undefined) file = resolve(args[n]);
    else throw new CannotStart(`'${args[n]}' cannot be used here.\n${USAGE}`);
  }
  const isComplete = { backup: true, restore: file && folder, verify: file && !folder }[command];
  if (!isComplete) throw new CannotStart(USAGE);
  return { command, file, folder };
}

const plural = (count, word) => `${count} ${word}${count === 1 ? '' : 's'}`;
const size = (bytes) => (bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`);

try {
  const { command, file, folder } = read(process.argv.slice(2));
  if (command === 'backup') {
    const made = await makeBackup({ folder: folder ?? join(ROOT, '.data'), to: file });
    console.log(`Copied to ${made.file} (${size(made.bytes)}, ${plural(made.pictures, 'picture file')}).`);
  } else if (command === 'restore') {
    const { projects, pictures } = await restoreBackup({ file, folder });
    console.log(`Restored ${plural(projects, 'project')} and ${plural(pictures, 'picture')} into ${folder}. Start it with bin/start --data ${folder}`);
  } else {
    const { made, projects, pictures } = await verifyBackup({ file });
    console.log(`The copy of ${made} is whole: ${plural(projects, 'project')}, ${plural(pictures, 'picture')}.`);
  }
} catch (error) {
  console.error(error instanceof CannotStart ? error.message : error);
  process.exitCode = 1;
}
