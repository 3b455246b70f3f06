/** What is behind a ring stays behind it: halves and spacer of every ring lie within its outline as seen from the front. */
import { expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { NM_PER } from '../length/length.ts';
import { place } from '../solid/panel.ts';
import { newSpec } from '../test/family-units.ts';
import { aloneBox } from '../test/print-room.ts';
import { ringCorners } from './mitred-box.ts';
import type { MitredBox } from '../model/specs/mitred-box.ts';

const RINGS = [3, 4, 5, 6, 7, 8].flatMap((sides) => (['flat', 'corner'] as const).map((stands) => ({ sides, stands })));

test.each(RINGS)('$sides sides, standing $stands', ({ sides, stands }) => {
  const box = { ...(newSpec('mitred-box') as MitredBox), sides, stands, width: entered('500 mm') } as MitredBox;
  const { cabinet } = aloneBox(box);
  const corners = ringCorners(box);
  // Clockwise: inside lies to the right of every side.
  const pastMm = (u: number, v: number): number =>
    Math.max(
      ...corners.map((a, index) => {
        const b = corners[(index + 1) % corners.length]!;
        return ((b.u - a.u) * (v - a.v) - (b.v - a.v) * (u - a.u)) / Math.hypot(b.u - a.u, b.v - a.v);
      }),
    );
  const behind = cabinet.panels.filter(({ role }) => role === 'spacer' || role === 'cabinet-half');
  expect(behind).toHaveLength(2);
  for (const panel of behind)
    for (const { from } of panel.outline) {
      const { along, up } = place(panel.frame, from);
      expect({ id: panel.id, past: pastMm(along / NM_PER.mm, up / NM_PER.mm) > 1 }).toEqual({ id: panel.id, past: false });
    }
});
