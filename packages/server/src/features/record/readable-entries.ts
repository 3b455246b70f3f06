/** Entries of a record that another program may have written. */
import { outcomeOf, recordCodec, type Json, type RecordEntry } from '@keen/core';

/** An entry, or none where it cannot be read. */
export function readable(body: Json): RecordEntry[] {
  const read = outcomeOf(() => recordCodec.read(body, 'entry'));
  return read.ok ? [read.value] : [];
}
