/** The shop set of a whole wall, as the command makes it: how long from nothing to the file, and the most memory the process held. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

export interface SetFigures {
  readonly name: string;
  readonly ms: number;
  readonly mb: number;
  readonly kilobytes: number;
}

/** `keen` has to be built. */
export function benchSets(root: string): SetFigures[] {
  const folder = mkdtempSync(join(tmpdir(), 'keen-bench-'));
  try {
    return ['print-room', 'print-room-back'].map((name): SetFigures => {
      const out = join(folder, `${name}.pdf`);
      const keen = join(root, 'packages/cli/dist/keen.js');
      const words = ['print', join(root, `examples/${name}.carcass.json`), 'set', '--out', out];
      const code = `process.argv = ['node', ${JSON.stringify(keen)}, ...${JSON.stringify(words)}];
        process.on('exit', () => process.stderr.write('most ' + process.resourceUsage().maxRSS));
        await import(${JSON.stringify(pathToFileURL(keen).href)});`;
      const began = performance.now();
      const { status, stderr } = spawnSync(process.execPath, ['--input-type=module', '-e', code], { encoding: 'utf8' });
      const ms = performance.now() - began;
      const most = /most (\d+)$/.exec(stderr)?.[1];
      if (status !== 0 || most === undefined) throw new Error(`the shop set of ${name} was not made: ${stderr}`);
      return { name, ms, mb: Number(most) / 1024, kilobytes: statSync(out).size / 1000 };
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
