/** @jest-environment ./src/test/browser.mjs */
import { afterEach, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createRef } from 'react';
import { FileInput } from './FileInput.tsx';

afterEach(cleanup);

const shown = () => {
  const onFile = jest.fn(async (_file: File) => {});
  const input = createRef<HTMLInputElement>();
  render(<FileInput input={input} label="Cut list" accept=".csv,text/csv" onFile={onFile} />);
  return { onFile, input, picker: screen.getByLabelText<HTMLInputElement>('Cut list') };
};
const list = new File(['part,length\n'], 'parts.csv', { type: 'text/csv' });

test('a picked file is handed on, and the same one again once it has been mended', async () => {
  const { onFile, picker } = shown();
  await userEvent.upload(picker, list);
  expect(picker.value).toBe('');
  expect(picker.files).toHaveLength(0);
  await userEvent.upload(picker, list);
  expect(onFile.mock.calls).toEqual([[list], [list]]);
});

test('a dialog closed without a choice hands nothing on', () => {
  const { onFile, picker } = shown();
  fireEvent.change(picker, { target: { files: [] } });
  expect(onFile).not.toHaveBeenCalled();
});

test('a button of ours opens it, and it asks only for what can be read', () => {
  const { input, picker } = shown();
  expect(input.current).toBe(picker);
  expect(picker.accept).toBe('.csv,text/csv');
  expect(picker.hidden).toBe(true);
});
