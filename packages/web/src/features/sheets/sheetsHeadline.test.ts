import { expect, test } from '@jest/globals';
import { sheetsHeadline } from './sheetsHeadline.ts';

test.each([
  [null, 0, false, true, 'Working out the sheets …'],
  [{ sheets: 1, bought: 1 }, 0, true, false, '1 sheet in all. No plan can use fewer.'],
  // With a part left over it is no layout of the job, proved or not.
  [{ sheets: 1, bought: 1 }, 1, true, false, '1 part fits on no sheet.'],
  [{ sheets: 3, bought: 2 }, 4, false, true, '4 parts fit on no sheet.'],
  [{ sheets: 3, bought: 2 }, 0, false, true, '3 sheets in all, 2 to buy so far.'],
  [{ sheets: 2, bought: 0 }, 0, false, false, '2 sheets in all, none to buy, the best found.'],
])('%j, %d left over, proved %s, searching %s', (totals, unplaced, proved, searching, says) =>
  expect(sheetsHeadline(totals, unplaced, proved, searching)).toBe(says),
);
