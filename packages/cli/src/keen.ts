/**
 * bin/keen: the core from a shell, on project files. Answers go to standard output as JSON, CSV or the requested file; refusals go to standard error as
 * {"error": {code, message, where, accepted}}, exit 1.
 */
import { answerSum, createPlanner, cutListCsv, displayUnitOf, hangHelps, listSums, plan, planJson, projectSchema, Refusal, type ProjectFile } from '@keen/core';
import { readProjectAt } from './files.ts';
import { importFile } from './import-file.ts';
import { convertFile, validateFile } from './open-files.ts';
import { answered, json } from './shell.ts';
import { USAGE } from './usage.ts';

/** Runs one command and returns the process's exit code. */
export const run = (args: readonly string[]): Promise<number> => answered(() => command(args));

function command([name, ...rest]: readonly string[]): string | Uint8Array | Promise<string | Uint8Array> {
  switch (name) {
    case 'plan':
      return withProject(rest, ({ design, record, workshop }) => {
        const planner = createPlanner();
        const made = planner.plan(design, record, workshop);
        return json(planJson(made, design, (unit) => hangHelps({ planner, design, record, workshop }, unit)));
      });
    case 'cutlist':
      return withProject(rest, ({ design, record, workshop }) =>
        cutListCsv(plan(design, record, workshop).parts, workshop, ({ unit }) => displayUnitOf(design, unit)),
      );
    case 'export':
      // File writers are loaded only on demand.
      return import('./export-file.ts').then(({ exportFile }) => exportFile(rest));
    case 'print':
      return import('./print-file.ts').then(({ printFile }) => printFile(rest));
    case 'validate':
      return validateFile(rest);
    case 'convert':
      return convertFile(rest);
    case 'import':
      return importFile(rest);
    case 'sum':
      return json(rest[0] === 'list' && rest.length === 1 ? { sums: listSums() } : answerSum(rest[0] ?? '', rest.slice(1)));
    case 'schema':
      return json(projectSchema());
    case 'help':
    case '--help':
    case '-h':
      return `${USAGE.split(' | ').join('\n')}\n`;
    default:
      throw new Refusal('usage', name === undefined ? 'no command is given' : `there is no command '${name}'`, 'command', USAGE);
  }
}

async function withProject<T>(args: readonly string[], answer: (project: ProjectFile) => T): Promise<T> {
  const [file, ...more] = args;
  if (file === undefined || more.length > 0) throw new Refusal('usage', 'one file is wanted', 'file', USAGE);
  return answer(await readProjectAt(file));
}
