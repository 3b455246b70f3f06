/** @jest-environment ./src/test/browser.mjs */
import { afterEach, expect, test } from '@jest/globals';
import { inches, mm } from '@keen/core';
import { cleanup, render } from '@testing-library/react';
import { LengthText } from './LengthText.tsx';
import { UtilizationBar } from './UtilizationBar.tsx';

afterEach(cleanup);

test('only the fraction is set as a fraction; a screen reader hears "and" between', () => {
  const { container } = render(<LengthText value={inches(23.6875)} unit="in" withUnit />);
  expect(container.textContent).toBe('23 and 11/16 in');
  expect(container.querySelector('.fraction')!.textContent).toBe(' and 11/16');
});

test('strong and shy are said, thicknesses are not rounded to a mark', () => {
  expect(render(<LengthText value={mm(675.9)} unit="mm" withUnit />).container.textContent).toBe('676 mm shy');
  expect(render(<LengthText value={mm(17.8)} unit="in" exact withUnit />).container.textContent).toBe('0.7008 in');
});

test('a use says its zone in words, on its own limit', () => {
  const zone = (use: number, fineTo: number, limit: number): string =>
    render(<UtilizationBar use={use} fineTo={fineTo} limit={limit} />)
      .getByRole('img')
      .getAttribute('aria-label')!;
  expect(zone(0.72, 0.8, 1)).toBe('uses 72 %: fine');
  cleanup();
  expect(zone(0.9, 0.8, 1)).toBe('uses 90 %: tight');
  cleanup();
  // A hook that nothing locks is over past its fine mark.
  expect(zone(0.7, 0.67, 0.67)).toBe('uses 70 %: over');
});
