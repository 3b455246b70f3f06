/** @jest-environment ./src/test/browser.mjs */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { entered, mm, type Entered } from '@keen/core';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { LengthField } from './LengthField.tsx';
import { NumberField } from './NumberField.tsx';

afterEach(cleanup);

function Width({ start = '700 mm', onChange, optional = false }: { start?: string; onChange?: (value: Entered | null) => void; optional?: boolean }) {
  const [value, setValue] = useState<Entered | null>(start === '' ? null : entered(start));
  return (
    <LengthField
      label="width"
      value={value}
      unit="mm"
      least={mm(100)}
      most={mm(3000)}
      optional={optional}
      onChange={(next) => {
        setValue(next);
        onChange?.(next);
      }}
    />
  );
}
const box = (): HTMLInputElement => screen.getByLabelText('width');

describe('a length field', () => {
  test('passes on what is typed as soon as it makes sense, and says what it understood in both units', async () => {
    const heard = jest.fn<(value: Entered | null) => void>();
    render(<Width onChange={heard} />);
    await userEvent.clear(box());
    await userEvent.type(box(), '30 1/2in');
    expect(heard).toHaveBeenLastCalledWith(entered('30 1/2in')); // 30.5 × 25.4 = 774.7 mm
    expect(screen.getByText('774.5 mm strong = 30 1/2 in')).toBeTruthy();
  });

  test('text that cannot be read stays, with the reason, and is not passed on', async () => {
    const heard = jest.fn<(value: Entered | null) => void>();
    render(<Width onChange={heard} />);
    await userEvent.clear(box());
    await userEvent.type(box(), '1.1/2');
    await userEvent.tab();
    expect(box().value).toBe('1.1/2');
    expect(box().getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByText(/puts a point before a fraction\. Accepted:/)).toBeTruthy();
    expect(heard.mock.calls.every(([value]) => value === null || value.nm !== 550_000)).toBe(true);
  });

  test('out of range says the range; Escape puts back what was there', async () => {
    const heard = jest.fn<(value: Entered | null) => void>();
    render(<Width onChange={heard} />);
    await userEvent.clear(box());
    await userEvent.type(box(), '5000');
    expect(screen.getByText(/from 100 mm to 3000 mm; this is more/)).toBeTruthy();
    await userEvent.keyboard('{Escape}');
    expect(box().value).toBe('700');
  });

  test('a sum comes back as typed, without the unit that is the field’s own', async () => {
    render(<Width />);
    await userEvent.clear(box());
    await userEvent.type(box(), '32 + 2*340{Enter}');
    await userEvent.tab();
    expect(box().value).toBe('32 + 2*340');
  });

  test('left and come back to at once, it says the value, though that was changed elsewhere meanwhile', async () => {
    const { rerender } = render(<LengthField label="width" value={entered('700 mm')} unit="mm" onChange={() => undefined} />);
    await userEvent.clear(box());
    await userEvent.type(box(), '690');
    act(() => box().blur());
    rerender(<LengthField label="width" value={entered('760 mm')} unit="mm" onChange={() => undefined} />);
    act(() => box().focus());
    expect(box().value).toBe('760');
  });

  test('come back to within that moment, what is typed replaces what is there, though the value was changed elsewhere', async () => {
    const { rerender } = render(<LengthField label="width" value={entered('700 mm')} unit="mm" onChange={() => undefined} />);
    await userEvent.clear(box());
    await userEvent.type(box(), '690');
    act(() => box().blur());
    rerender(<LengthField label="width" value={entered('760 mm')} unit="mm" onChange={() => undefined} />);
    // Already before it is come back to: a text that changed on coming would lose what was selected by it.
    expect(box().value).toBe('760');
    await userEvent.tab();
    await userEvent.keyboard('1245');
    expect(box().value).toBe('1245');
  });

  test('keeps its form from being sent while it cannot be read, rather than sending what was there before', async () => {
    const sent = jest.fn();
    render(
      <form
        onSubmit={(event) => {
          event.preventDefault();
          sent();
        }}
      >
        <Width />
        <button type="submit">Add</button>
      </form>,
    );
    await userEvent.clear(box());
    await userEvent.type(box(), '9000');
    await userEvent.click(screen.getByRole('button', { name: 'Add' }));
    expect(sent).not.toHaveBeenCalled();
    await userEvent.clear(box());
    await userEvent.type(box(), '900');
    await userEvent.click(screen.getByRole('button', { name: 'Add' }));
    expect(sent).toHaveBeenCalledTimes(1);
  });

  test('left by a slow press below, the line under it stays until the finger is up', () => {
    jest.useFakeTimers();
    try {
      render(<Width />);
      act(() => box().focus());
      fireEvent.change(box(), { target: { value: '30 1/2in' } });
      fireEvent.pointerDown(document.body);
      act(() => box().blur());
      act(() => jest.advanceTimersByTime(5000));
      expect(screen.getByText('774.5 mm strong = 30 1/2 in')).toBeTruthy();
      fireEvent.pointerUp(document.body);
      act(() => jest.advanceTimersByTime(1000));
      expect(screen.queryByText('774.5 mm strong = 30 1/2 in')).toBeNull();
    } finally {
      jest.useRealTimers();
    }
  });

  test('emptied, an optional one is nothing and a needed one is wrong', async () => {
    const heard = jest.fn<(value: Entered | null) => void>();
    render(<Width optional onChange={heard} />);
    await userEvent.clear(box());
    expect(heard).toHaveBeenLastCalledWith(null);
    cleanup();
    render(<Width onChange={heard} />);
    await userEvent.clear(box());
    expect(box().getAttribute('aria-invalid')).toBe('true');
  });
});

function Shelves({ onChange }: { onChange: (value: number | null) => void }) {
  const [value, setValue] = useState<number | null>(2);
  return (
    <NumberField
      label="shelves"
      value={value}
      whole
      least={0}
      most={12}
      onChange={(next) => {
        setValue(next);
        onChange(next);
      }}
    />
  );
}

describe('a number field', () => {
  const shelves = (): HTMLInputElement => screen.getByLabelText('shelves');
  test('arrows step a whole number and stop at its limits', async () => {
    const heard = jest.fn<(value: number | null) => void>();
    render(<Shelves onChange={heard} />);
    await userEvent.click(shelves());
    await userEvent.keyboard('{ArrowUp}{ArrowUp}');
    expect(shelves().value).toBe('4');
    await userEvent.keyboard('{ArrowDown}'.repeat(9));
    expect(shelves().value).toBe('0');
  });

  test.each(['13', '-1', '1.5', 'x', ''])('%s is refused with the range and not passed on', async (text) => {
    const heard = jest.fn<(value: number | null) => void>();
    render(<Shelves onChange={heard} />);
    await userEvent.clear(shelves());
    heard.mockClear();
    if (text) await userEvent.type(shelves(), text);
    expect(screen.getByText(/number from 0 to 12/)).toBeTruthy();
    for (const [value] of heard.mock.calls) expect([1]).toContain(value); // the 1 of 13 and of 1.5, on the way
  });

  test('a decimal comma is read', async () => {
    const heard = jest.fn<(value: number | null) => void>();
    render(<NumberField label="kg" value={1} least={0} most={100} onChange={heard} />);
    await userEvent.clear(screen.getByLabelText('kg'));
    await userEvent.type(screen.getByLabelText('kg'), '12,5');
    expect(heard).toHaveBeenLastCalledWith(12.5);
  });
});

describe('changed by something else while it is typed in', () => {
  function Undone() {
    const [value, setValue] = useState<Entered | null>(entered('700 mm'));
    const [count, setCount] = useState<number | null>(4);
    return (
      <>
        <LengthField label="width" value={value} unit="mm" onChange={setValue} />
        <NumberField label="count" value={count} whole least={1} most={900} onChange={setCount} />
        <button
          onClick={() => {
            setValue(entered('700 mm'));
            setCount(4);
          }}
        >
          Undo
        </button>
      </>
    );
  }
  const undo = (): void => act(() => screen.getByText('Undo').click());

  test('a length shows what it is again, and a key after that starts from it', async () => {
    render(<Undone />);
    await userEvent.clear(box());
    await userEvent.type(box(), '760 mm');
    undo();
    expect(box().value).toBe('700');
    await userEvent.type(box(), '{Backspace}');
    expect(box().value).toBe('70');
  });

  test('so does a number', async () => {
    render(<Undone />);
    const count = screen.getByLabelText<HTMLInputElement>('count');
    await userEvent.clear(count);
    await userEvent.type(count, '12');
    undo();
    expect(count.value).toBe('4');
  });
});
