/** A length as on a tape: the whole number at full size, the fraction as a real fraction, strong or shy in words. */
import { exactText, tape, type DisplayUnit, type Length } from '@keen/core';

export interface LengthTextProps {
  readonly value: Length;
  readonly unit: DisplayUnit;
  readonly withUnit?: boolean;
  /** Decimals instead of tape marks: for thicknesses, slots and fits. */
  readonly exact?: boolean;
}

export function LengthText({ value, unit, withUnit = false, exact = false }: LengthTextProps) {
  if (exact) {
    return (
      <span className="length">
        {exactText(value, unit)}
        {withUnit && <span className="unit"> {unit}</span>}
      </span>
    );
  }
  const { negative, whole, decimals, fraction, rest } = tape(value, unit);
  return (
    <span className="length">
      {negative && '−'}
      {whole}
      {decimals}
      {fraction && (
        <span className="fraction">
          {whole && (
            <>
              <span className="fraction-gap"> </span>
              <span className="sr">and </span>
            </>
          )}
          {fraction.over}/{fraction.under}
        </span>
      )}
      {withUnit && <span className="unit"> {unit}</span>}
      {rest && <span className="rest"> {rest}</span>}
    </span>
  );
}

/** The same inside an SVG text. */
export function LengthTspans({ value, unit }: Pick<LengthTextProps, 'value' | 'unit'>) {
  const { negative, whole, decimals, fraction, rest } = tape(value, unit);
  return (
    <>
      <tspan>{`${negative ? '−' : ''}${whole}${decimals}`}</tspan>
      {fraction && (
        <tspan className="fraction" dx={whole ? 2 : 0}>
          {`${fraction.over}/${fraction.under}`}
        </tspan>
      )}
      {rest && (
        <tspan className="rest" dx={3}>
          {rest}
        </tspan>
      )}
    </>
  );
}
