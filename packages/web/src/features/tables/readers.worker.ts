/** Worker that reads files of other programs: the page goes on whatever they hold. */
import { readForeignTable } from '@keen/core';
import { readOutlines, tableText } from '@keen/exchange';
import type { ReaderCall } from './readers.ts';

self.onmessage = ({ data: { kind, bytes, name } }: MessageEvent<ReaderCall>): void => {
  const read = kind === 'table' ? tableText(bytes, name) : readOutlines(bytes, name);
  // Whether it is a table is decided here too, where it may take time.
  const table = kind === 'table' && read.ok ? readForeignTable(read.value as string) : null;
  self.postMessage(table && !table.ok ? table : read);
};
