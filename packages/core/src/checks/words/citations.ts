/** Source of a formula or figure in words: the tags of docs/formulas/README.md are for readers of the code. */

const SAID: readonly (readonly [tag: RegExp, words: string])[] = [
  [/\beq\b/g, 'from equilibrium and geometry'],
  [/\bASSUME\b/g, 'chosen on the safe side'],
  [/\(m\)/g, '(from memory, to be confirmed)'],
  [/\bNDS(?: 2018)?\b/g, 'NDS for Wood Construction 2018'],
  [/\bTR12\b/g, 'AWC Technical Report 12'],
  [/\bWH\b/g, 'Wood Handbook FPL-GTR-282'],
  [/\bEC5\b/g, 'EN 1995-1-1'],
  [/\bFP\b/g, 'handbook of the Finnish plywood makers'],
  [/\bAPA\b/g, 'design data of the panel makers’ association'],
  [/\bA208\b/g, 'ANSI A208.1/.2'],
  [/\bS100\b/g, 'AISI S100'],
];

/** `[eq], r [ASSUME] docs/formulas/prying.md` becomes 'from equilibrium and geometry, r chosen on the safe side; docs/formulas/prying.md'. */
export function citationWords(source: string): string {
  // Letters in brackets are tags; outside of them they are letters of a formula.
  const text = source.replace(/\[([^\]]*)\]|\(m\)/g, (tag, inner: string | undefined) =>
    SAID.reduce((text, [pattern, words]) => text.replace(pattern, words), inner ?? tag),
  );
  return text.replace(/([^,;]) (docs\/)/, '$1; $2').replace(/(\S)\(from memory/g, '$1 (from memory');
}
