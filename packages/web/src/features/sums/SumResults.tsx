/** Results of a sum with their names: lengths as tape marks and in the other unit, forces and shares as they are. */
import { MM_PER_INCH, roundToNm, sumKeyWords, tapeTextWithUnit, type DisplayUnit, type SumResult, type ResultGroup, type SumAnswer } from '@keen/core';

export function SumResults({ answer, unit }: { readonly answer: SumAnswer; readonly unit: DisplayUnit }) {
  return (
    <dl className="sum-results">
      {Object.entries(answer.results).map(([key, result]) => (
        <div key={key}>
          <dt>{sumKeyWords(answer.sum, key)}</dt>
          <dd>{textOf(result, unit)}</dd>
        </div>
      ))}
    </dl>
  );
}

/** One value or a list, not a group with names. */
export const isResult = (each: SumAnswer['results'][string]): each is SumResult =>
  'value' in each && (typeof each.value !== 'object' || Array.isArray(each.value));

function textOf(result: SumAnswer['results'][string], unit: DisplayUnit): string {
  if (isResult(result)) return resultText(result, unit);
  const groups = Array.isArray(result) ? (result as readonly ResultGroup[]) : [result as ResultGroup];
  return groups
    .map((group) =>
      Object.entries(group)
        .map(([key, each]) => `${key} ${resultText(each, unit)}`)
        .join(', '),
    )
    .join(' · ');
}

/** A result in words: a list with commas. */
export function resultText({ value, unit: of }: SumResult, unit: DisplayUnit): string {
  if (typeof value === 'object')
    return value.length === 0 ? 'none' : value.map((each) => resultText(of === undefined ? { value: each } : { value: each, unit: of }, unit)).join(', ');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  // To a hundredth, or as a tape mark with the decimal beside it.
  if (of === 'mm')
    return unit === 'mm' ? `${Number(value.toFixed(2))} mm` : `${tapeTextWithUnit(roundToNm(value), 'in')} (${(value / MM_PER_INCH).toFixed(3)})`;
  return `${Number(value.toPrecision(4))}${of === undefined ? '' : of === 'deg' ? '°' : ` ${of}`}`;
}
