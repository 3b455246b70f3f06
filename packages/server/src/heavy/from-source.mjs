/** The thread's functions from source, for tests and the hot-reload server: a loader for TypeScript first. */
import { register } from 'tsx/esm/api';

register();
export const { labelSheet, labelRoll, truePrint, packBundle, openFile, writeFile } = await import('./heavy.worker.ts');
