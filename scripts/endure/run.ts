/** npm run endure -- cabinets|editors|inputs|kills|responsive [COUNT] */
import { cabinets } from './cabinets.ts';
import { editors } from './editors.ts';
import { inputs } from './inputs.ts';
import { kills } from './kills.ts';
import { responsive } from './responsive.ts';

const RUNS: Readonly<Record<string, { readonly run: (count: number) => Promise<boolean>; readonly usual: number }>> = {
  cabinets: { run: cabinets, usual: 100_000 },
  kills: { run: kills, usual: 300 },
  editors: { run: editors, usual: 50 },
  inputs: { run: inputs, usual: 100_000 },
  responsive: { run: responsive, usual: 60 },
};

const [name = '', count] = process.argv.slice(2);
const chosen = RUNS[name];
if (!chosen) throw new Error(`name one of: ${Object.keys(RUNS).join(', ')}`);
process.exitCode = (await chosen.run(Number(count ?? chosen.usual))) ? 0 : 1;
