import { readFileSync } from 'node:fs';
import { applyEdit, createPlanner, entered, readProjectFile, type Design } from '../packages/core/src/index.ts';
const root = '/work/main';
const read = readProjectFile(readFileSync(`${root}/examples/print-room-back.carcass.json`, 'utf8'));
if (!read.ok) throw new Error('');
const { design, record, workshop } = read.value;
const units = Object.values(design.units).filter((u) => u.family === 'cabinet-run');
const unit = units
  .map((u) => ({ u, n: createPlanner().plan({ ...design, units: { [u.id]: u } }, record, workshop).units[0]!.unit.panels.length }))
  .sort((a, b) => b.n - a.n)[0]!.u;
const alone: Design = { ...design, units: { [unit.id]: unit } };
const planner = createPlanner();
let n = 0;
const edit = () => {
  const next = applyEdit(alone, [{ path: ['units', unit.id, 'jointDepth'], value: entered(`${5 + (n++ % 20) / 10} mm`) }]);
  const b = performance.now();
  planner.plan(next, record, workshop);
  return performance.now() - b;
};
for (let i = 0; i < 300; i++) edit();
const t = Array.from({ length: Number(process.env.N ?? 600) }, edit).sort((a, b) => a - b);
const p = planner.plan(alone, record, workshop).units[0]!;
console.log(
  'median',
  t[t.length >> 1]!.toFixed(2),
  'p10',
  t[(t.length / 10) | 0]!.toFixed(2),
  'panels',
  p.unit.panels.length,
  'meetings',
  p.unit.meetings?.length,
  'findings',
  p.findings.length,
  'links',
  p.hang.links.length,
  Object.keys(p.unit),
);
