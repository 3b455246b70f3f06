/** Damaged bytes: truncated, changed, duplicated, removed, inserted. */
import * as fc from 'fast-check';

type Accident = (bytes: Uint8Array) => Uint8Array;

const joined = (...parts: readonly Uint8Array[]): Uint8Array => new Uint8Array(Buffer.concat(parts));

/** One to three accidents away from a good file. */
export function spoiled(good: Uint8Array): fc.Arbitrary<Uint8Array> {
  const at = fc.nat({ max: good.length });
  const accident: fc.Arbitrary<Accident> = fc.oneof(
    at.map(
      (end): Accident =>
        (bytes) =>
          bytes.subarray(0, end),
    ),
    fc.tuple(at, fc.integer({ min: 0, max: 255 })).map(
      ([place, value]): Accident =>
        (bytes) =>
          bytes.map((byte, index) => (index === place ? value : byte)),
    ),
    fc.tuple(at, fc.nat({ max: 64 })).map(
      ([place, long]): Accident =>
        (bytes) =>
          joined(bytes.subarray(0, place), bytes.subarray(place + long)),
    ),
    fc.tuple(at, fc.nat({ max: 64 })).map(
      ([place, long]): Accident =>
        (bytes) =>
          joined(bytes.subarray(0, place + long), bytes.subarray(place)),
    ),
    fc.tuple(at, fc.uint8Array({ maxLength: 40 })).map(
      ([place, other]): Accident =>
        (bytes) =>
          joined(bytes.subarray(0, place), other, bytes.subarray(place)),
    ),
  );
  return fc.array(accident, { minLength: 1, maxLength: 3 }).map((all) => all.reduce((bytes, next) => next(bytes), good));
}
