/** Tables of what a run measured, told as they come and written into docs/benchmarks.md. */
import { readFileSync, writeFileSync } from 'node:fs';
import { format } from 'prettier';

const rows: string[] = [];

export function row(what: string, figure: string, wanted = ''): void {
  rows.push(`| ${what} | ${figure} | ${wanted} |`);
  console.log(`${what}: ${figure}${wanted ? `  (wanted: ${wanted})` : ''}`);
}

export const heading = (title: string): void => void rows.push('', `## ${title}`, '', '| what | measured | wanted |', '|---|---|---|');
/** Below the table that was begun last. */
export const note = (text: string): void => void rows.push('', text);
export const ms = (value: number): string => `${value < 10 ? value.toFixed(2) : value.toFixed(0)} ms`;

const sectionsOf = (text: string): string[] => text.split(/^(?=## )/m).slice(1);
const titleOf = (section: string): string => section.slice(0, section.indexOf('\n'));

/** What this run did not measure stays as it was measured last. */
export async function writeTables(root: string): Promise<void> {
  const [cpu = 'unknown'] = /model name\s*: (.*)/.exec(readFileSync('/proc/cpuinfo', 'utf8'))?.slice(1) ?? [];
  const head = [
    '# Benchmarks',
    '',
    'Written by `npm run bench -- --write`, those of nesting by `npm run bench -- --nest --write`; times are of the machine below, ratios travel.',
    '',
    `Node ${process.version}, ${cpu.trim()}`,
  ];
  const file = `${root}/docs/benchmarks.md`;
  const measured = sectionsOf(rows.join('\n'));
  const kept = sectionsOf(readFileSync(file, 'utf8')).filter((each) => !measured.some((own) => titleOf(own) === titleOf(each)));
  writeFileSync(file, await format([...head, '', ...measured, ...kept].join('\n'), { parser: 'markdown', printWidth: 160 }));
}
