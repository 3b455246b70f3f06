/** @jest-environment ./src/test/browser.mjs */
/** A weight that is typed, and one from the scale: what is kept, and what is said where nothing is. */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { newItem } from '@keen/core';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { WeightField } from '../../ui/WeightField.tsx';
import { WeighItem } from './WeighItem.tsx';

const plain = globalThis.fetch;
let asked: string[] = [];
let lines: readonly object[] = [];
beforeEach(() => {
  asked = [];
  globalThis.fetch = ((url: string) => {
    asked.push(url);
    return Promise.resolve(new Response(lines.map((line) => `${JSON.stringify(line)}\n`).join(''), { status: 200 }));
  }) as typeof fetch;
});
afterEach(() => {
  cleanup();
  globalThis.fetch = plain;
});

const item = { ...newItem({ id: 'a', order: 1, unit: 'mm' }), kg: 1 };
let kept: (number | null)[] = [];
beforeEach(() => void (kept = []));

describe('on the scale', () => {
  const weigh = async (pieces = '1', unit: 'mm' | 'in' = 'mm'): Promise<void> => {
    render(<WeighItem item={item} unit={unit} onWeight={(kg) => kept.push(kg)} />);
    await userEvent.clear(screen.getByLabelText('pieces on the scale'));
    await userEvent.type(screen.getByLabelText('pieces on the scale'), pieces);
    await userEvent.click(screen.getByRole('button', { name: 'Weigh with the scale' }));
  };
  const swing = { type: 'weight', kg: 6.4, steady: false };

  test('the steady weight is kept, shared by as many as lie on it', async () => {
    lines = [swing, { type: 'weight', kg: 6, steady: true }, { type: 'end' }];
    await weigh('5');
    expect(await screen.findByText('5 weigh 6 kg.')).toBeTruthy();
    expect(kept).toEqual([1.2]);
    expect(asked).toEqual(['/api/devices/scale/weighing?about=5']);
  });

  test.each<[string, object[], string]>([
    ['overloaded', [{ type: 'overload', most: 40 }, { type: 'end' }], 'More than the 88 lb 3 oz it bears: fewer at a time.'],
    ['never still', [swing, swing, { type: 'end' }], 'It never stood still; nothing was entered. Once more, on firm ground.'],
    ['lost', [swing, { type: 'lost', why: 'silent' }], 'The scale fell silent before it stood; nothing was entered.'],
    ['cut off with the server', [swing], 'The scale was lost before it stood; nothing was entered.'],
  ])('%s: nothing is kept, and it says so', async (_, given, says) => {
    lines = given;
    await weigh('1', 'in');
    expect(await screen.findByText(says)).toBeTruthy();
    expect(kept).toEqual([]);
  });

  test('its battery is told of', async () => {
    lines = [{ type: 'weight', kg: 2, steady: true }, { type: 'battery-low', battery: 0.1 }, { type: 'end' }];
    await weigh();
    expect(await screen.findByText('Its battery is low.')).toBeTruthy();
    expect(kept).toEqual([2]);
  });
});

describe('typed', () => {
  function Field({ unit }: { readonly unit: 'mm' | 'in' }) {
    const [kg, setKg] = useState<number | null>(null);
    return (
      <WeightField
        label="weight of one"
        name="kg"
        unit={unit}
        value={kg}
        placeholder="≈ 2 kg"
        onChange={(next) => {
          kept.push(next);
          setKg(next);
        }}
        onLeave={() => {}}
      />
    );
  }

  test.each([
    ['mm', '800 g', 0.8, '0.8 kg'],
    ['in', '3 lb 4 oz', 1.4742, '3 lb 4 oz'],
    ['in', '2', 0.9072, '2 lb'],
  ] as const)('in %s, %s', async (unit, text, kg, shown) => {
    render(<Field unit={unit} />);
    const field = screen.getByLabelText('weight of one') as HTMLInputElement;
    await userEvent.type(field, text);
    expect(kept.at(-1)).toBe(kg);
    expect(screen.getByText(shown)).toBeTruthy();
    await userEvent.tab();
    expect(field.value).toBe(shown);
  });

  test('what is no weight stays as it is typed and is not kept; nothing at all is estimated', async () => {
    render(<Field unit="mm" />);
    const field = screen.getByLabelText('weight of one') as HTMLInputElement;
    await userEvent.type(field, 'heavy');
    expect(screen.getByText(/such as 2\.5, 800 g or 3 lb 4 oz/)).toBeTruthy();
    await userEvent.tab();
    expect([field.value, kept]).toEqual(['heavy', []]);
    await userEvent.clear(field);
    expect(kept).toEqual([null]);
  });
});
