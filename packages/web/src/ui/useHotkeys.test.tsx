/** @jest-environment ./src/test/browser.mjs */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useHotkeys, type Hotkey } from './useHotkeys.ts';

afterEach(cleanup);

function Page({ hotkeys }: { hotkeys: readonly Hotkey[] }) {
  useHotkeys(hotkeys);
  return <input aria-label="field" />;
}

describe('shortcuts', () => {
  const table = () => {
    const ran: string[] = [];
    const row = (keys: string): Hotkey => ({ keys, does: keys, run: jest.fn(() => void ran.push(keys)) });
    return { ran, hotkeys: ['Ctrl+Z', 'Ctrl+Shift+Z', '?', '1', 'Escape'].map(row) };
  };

  test('run by their key, with Ctrl or with the command key', async () => {
    const { ran, hotkeys } = table();
    render(<Page hotkeys={hotkeys} />);
    await userEvent.keyboard('1?{Escape}{Control>}z{/Control}{Meta>}z{/Meta}{Control>}{Shift>}z{/Shift}{/Control}');
    expect(ran).toEqual(['1', '?', 'Escape', 'Ctrl+Z', 'Ctrl+Z', 'Ctrl+Shift+Z']);
  });

  test('typing in a field is never taken for one', async () => {
    const { ran, hotkeys } = table();
    const { getByLabelText } = render(<Page hotkeys={hotkeys} />);
    await userEvent.type(getByLabelText('field'), '1?');
    expect(ran).toEqual([]);
  });

  test('single keys do nothing under a dialog or a menu; undo does', async () => {
    const { ran, hotkeys } = table();
    render(
      <>
        <Page hotkeys={hotkeys} />
        <div role="dialog">
          <button>Print</button>
        </div>
      </>,
    );
    screen.getByText('Print').focus();
    await userEvent.keyboard('1?{Control>}z{/Control}');
    expect(ran).toEqual(['Ctrl+Z']);
  });
});
