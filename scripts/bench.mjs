/**
 * npm run bench: bundles the figures' script with the core as the product is bundled, and runs it, so that
 * what is measured is what ships and not a loader's wrapping of every function.
 */
import { rmSync } from 'node:fs';
import { fileURLToPath, pathToFileURL, URL } from 'node:url';
import { rolldown } from 'rolldown';
import { build } from './build.mjs';

build(['cli']);
const root = fileURLToPath(new URL('..', import.meta.url));
const file = `${root}scripts/.bench-bundle.mjs`;
/** Says it is a module and its main file is none: read by the bundler, which takes the other. */
const bundled = ['maxrects-packer'];
const bundle = await rolldown({
  input: `${root}scripts/${process.argv.includes('--nest') ? 'bench-nest' : 'bench'}.ts`,
  platform: 'node',
  cwd: root,
  external: (id) => /^[^./]/.test(id) && !bundled.includes(id),
});
await bundle.write({ file, format: 'esm', codeSplitting: false });
try {
  await import(pathToFileURL(file).href);
} finally {
  rmSync(file, { force: true });
}
