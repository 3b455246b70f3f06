/** Name of a link, with the partial filling under which it is most utilized. */
import type { Link } from '../../hang/link.ts';
import { labelWords } from './labels.ts';

export const linkWords = ({ name, partly }: Pick<Link, 'name' | 'partly'>): string => (partly ? `${labelWords(name)}, part filled` : labelWords(name));
