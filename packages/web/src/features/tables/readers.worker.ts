/** The thread files of other programs are read on: the page goes on whatever they hold. */
import { readForeignTable } from '@keen/core';
import { readOutlines, tableText } from '@keen/exchange';
import type { ReaderCall } from './readers.ts';

self.onmessage = ({ data: { kind, bytes, name } }: MessageEvent<ReaderCall>): void => {
  const read = kind === 'table' ? tableText(bytes, name) : readOutlines(bytes, name);
  // Whether it is a table at all is found out here too, where it may take its time.
  const table = kind === 'table' && read.ok ? readForeignTable(read.value as string) : null;
  self.postMessage(table && !table.ok ? table : read);
};
