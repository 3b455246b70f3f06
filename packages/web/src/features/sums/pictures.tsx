/** One drawing per sum, to its own scale from its own numbers: inputs by their key, results by '=' and their key. A new one goes into one of the lists. */
import { BOX_PICTURES } from './pictures-box.tsx';
import { HANG_PICTURES } from './pictures-hang.tsx';
import { MAKING_PICTURES } from './pictures-making.tsx';
import type { Picture } from './primitives.tsx';

export type { Numbers } from './primitives.tsx';

export const PICTURES: Readonly<Record<string, Picture>> = { ...MAKING_PICTURES, ...BOX_PICTURES, ...HANG_PICTURES };
