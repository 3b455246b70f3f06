/** XML as events, from untrusted files: no document type, so no entities of their own; limited depth and size. */
import { outcomeOf, Refusal, type Outcome } from '@keen/core';
import { SaxesParser } from 'saxes';

const MAX_DEPTH = 60;
const MAX_ELEMENTS = 400_000;

export interface XmlHandlers {
  /** `name` without its prefix. */
  readonly open: (name: string, attributes: Readonly<Record<string, string>>) => void;
  readonly close?: (name: string) => void;
  readonly text?: (text: string) => void;
}

/** Reads a whole document. Refuses malformed, too deep ones, and document types. */
export function readXml(text: string, where: string, { open, close = () => {}, text: onText = () => {} }: XmlHandlers): Outcome<void> {
  return outcomeOf(() => {
    const parser = new SaxesParser();
    let [depth, elements] = [0, 0];
    const bare = (name: string): string => name.slice(name.indexOf(':') + 1);
    parser.on('doctype', () => {
      throw new Refusal('doctype', 'it has a document type, which may hold anything', where, 'a file without one');
    });
    parser.on('error', (error) => {
      throw new Refusal('xml', `it is not well-formed: ${error.message.slice(0, 120)}`, where, 'well-formed XML');
    });
    parser.on('opentag', ({ name, attributes }) => {
      if (++depth > MAX_DEPTH) throw new Refusal('too-deep', `elements stand more than ${MAX_DEPTH} deep`, where, 'a plain file');
      if (++elements > MAX_ELEMENTS) throw new Refusal('too-many', `there are more than ${MAX_ELEMENTS} elements`, where, 'a smaller file');
      open(bare(name), Object.fromEntries(Object.entries(attributes).map(([key, value]) => [bare(key), String(value)])));
    });
    parser.on('closetag', ({ name }) => {
      depth -= 1;
      close(bare(name));
    });
    parser.on('text', onText);
    parser.on('cdata', onText);
    parser.write(text).close();
  });
}
