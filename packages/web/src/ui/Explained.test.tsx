/** @jest-environment ./src/test/browser.mjs */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { explainedLength, minus, mm, plus, type ExplainedLength, type ExplainedValue } from '@keen/core';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Explained, ExplainProvider } from './Explained.tsx';

afterEach(cleanup);

const width: ExplainedLength = explainedLength([plus('width', mm(700), { source: { kind: 'entered', path: ['units', 'ink', 'width'] } })]);
const shelf = explainedLength([
  plus('width', mm(700), { source: { kind: 'entered', path: ['units', 'ink', 'width'] }, inner: width }),
  minus('side', mm(17.8), { times: 2, source: { kind: 'measured', product: 'birch-18', readings: 3 } }),
]);
const sag: ExplainedValue = {
  value: 1.125,
  unit: 'mm',
  label: { key: 'sag-later' },
  text: 'sag now · creep',
  source: '[EC5 T3.2 (m)] docs/formulas/shelf-sag.md',
  terms: [
    { symbol: 'creep', label: { key: 'sag-later.creep' }, value: 1.8, unit: 'factor', source: { kind: 'table', name: 'Birch plywood', tag: '[FP] (m)' } },
  ],
};

const page = (of: ExplainedLength | ExplainedValue, onSource: (path: readonly string[]) => void = () => {}) =>
  render(
    <ExplainProvider onSource={onSource}>
      <Explained title="length" unit="mm" of={of}>
        664.4
      </Explained>
    </ExplainProvider>,
  );

describe('a number', () => {
  test('opens the arithmetic that made it: terms with their names, how often, where from, the result', async () => {
    page(shelf);
    await userEvent.click(screen.getByRole('button', { name: '664.4' }));
    const sum = screen.getByRole('dialog', { name: 'Sum: length' });
    expect(sum.textContent).toContain('2 × 17.8 mm');
    expect(sum.textContent).toContain('measured, 3 readings');
    expect(sum.textContent).toContain('664.4 mm');
  });

  test('a term that is a sum itself opens in its place, with a way back', async () => {
    page(shelf);
    await userEvent.click(screen.getByRole('button', { name: '664.4' }));
    await userEvent.click(screen.getByRole('button', { name: 'outside width' }));
    expect(screen.getByRole('dialog', { name: 'Sum: outside width' })).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Back to the sum before' }));
    expect(screen.getByRole('dialog', { name: 'Sum: length' })).toBeTruthy();
  });

  test('a term that was entered leads to its field', async () => {
    const heard = jest.fn<(path: readonly string[]) => void>();
    page(width, heard);
    await userEvent.click(screen.getByRole('button', { name: '664.4' }));
    await userEvent.click(screen.getByRole('button', { name: 'outside width' }));
    expect(heard).toHaveBeenCalledWith(['units', 'ink', 'width']);
  });

  test('a formula shows its letters and its source', async () => {
    page(sag);
    await userEvent.click(screen.getByRole('button', { name: '664.4' }));
    const { textContent } = screen.getByRole('dialog');
    for (const words of [
      'sag now · creep',
      'docs/formulas/shelf-sag.md',
      'Birch plywood, handbook of the Finnish plywood makers (from memory, to be confirmed)',
      '1.8',
    ])
      expect(textContent).toContain(words);
  });
});
