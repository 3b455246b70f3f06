/** One copy of the data folder a day; the oldest go. */
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { makeBackup } from './backup.mjs';

const DAY_MS = 86_400_000;
const LOOK_MS = 15 * 60_000;
/** Copies that are kept, by what they were made for. */
const KEPT = { nightly: 7, 'before-upgrade': 3 };

const copiesOf = (folder, label) => {
  const at = join(folder, 'backups');
  if (!existsSync(at)) return [];
  return readdirSync(at)
    .filter((name) => name.startsWith(`${label}-`) && name.endsWith('.keenbackup'))
    .sort()
    .map((name) => join(at, name));
};

/** Makes a copy and lets go of the oldest of its kind. @returns the file */
export async function makeKept({ folder, label, database }) {
  const { file } = await makeBackup({ folder, label, database });
  for (const old of copiesOf(folder, label).slice(0, -KEPT[label])) rmSync(old, { force: true });
  return file;
}

/** Whether the newest nightly copy is older than a day. */
export function isDue(folder, nowMs = Date.now()) {
  const newest = copiesOf(folder, 'nightly').at(-1);
  return !newest || nowMs - statSync(newest).mtimeMs > DAY_MS;
}

/** Looks every quarter of an hour. `database` gives the one that is open, or undefined while there is none. @returns what stops it */
export function keepNightly({ folder, database, say }) {
  const look = async () => {
    if (!database() || !isDue(folder)) return;
    try {
      await makeKept({ folder, label: 'nightly', database: database() });
    } catch (error) {
      say(`The nightly copy was not made: ${error.message}`);
    }
  };
  const timer = setInterval(() => void look(), LOOK_MS);
  timer.unref();
  return () => clearInterval(timer);
}
