/** Settings of a machine, each with its number; a number of several terms opens its sum, wherever it stands in the sentence. */
import type { DisplayUnit, SetupWords } from '@keen/core';
import { Explained } from '../../ui/Explained.tsx';

/** Matches a number within a sentence, not as the end of a longer one. */
function placeOf(text: string, sentence: string): number {
  let at = sentence.indexOf(text);
  while (at > 0 && /[\d./]/.test(sentence[at - 1]!)) at = sentence.indexOf(text, at + 1);
  return at;
}

export function SetupSettings({ set, unit }: { readonly set: SetupWords['set']; readonly unit: DisplayUnit }) {
  return (
    <dl className="setup-set">
      {set.map(({ what, to, sum }) => {
        const at = sum ? placeOf(sum.text, to) : -1;
        return (
          <div key={what}>
            <dt>{what}</dt>
            <dd>
              {sum && at >= 0 ? (
                <>
                  {to.slice(0, at)}
                  <Explained title={what} unit={unit} of={sum.of}>
                    {sum.text}
                  </Explained>
                  {to.slice(at + sum.text.length)}
                </>
              ) : (
                to
              )}
            </dd>
          </div>
        );
      })}
    </dl>
  );
}
