/** A link of the chain by its name, and the part load it is used most under. */
import type { Link } from '../../hang/link.ts';
import { labelWords } from './labels.ts';

export const linkWords = ({ name, partly }: Pick<Link, 'name' | 'partly'>): string => (partly ? `${labelWords(name)}, part filled` : labelWords(name));
