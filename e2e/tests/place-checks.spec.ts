/** Each check of contents and wall: provoked in a project of its own, read on the screen, and settled by the fix it offers. */
import { expect, type Page } from '@playwright/test';
import { freshProject, open, test, untilSaved } from './support.ts';

type File = Record<string, any>;

const thing = (file: File, more: Record<string, unknown>, on = 's1', count = 1): void => {
  const id = `x${Object.keys(file['design'].items).length}`;
  file['design'].items[id] = {
    id,
    order: 1,
    name: 'test block',
    kind: 'block',
    width: '100 mm',
    depth: '100 mm',
    height: '80 mm',
    neck: null,
    profile: [],
    kg: 1,
    material: 'mixed',
    count,
    growth: 0,
    stands: 'upright',
    turned: false,
    stack: 1,
    deep: 3,
    reach: 'weekly',
    near: '',
    lift: null,
    hole: null,
    homes: { ink: { [on]: { count, pinned: false } } },
    ...more,
  };
};
const row = (file: File, more: Record<string, unknown>): void => {
  file['design'].units.ink.rows = {
    r1: {
      id: 'r1',
      order: 1,
      kind: 'slots',
      on: 's1',
      items: ['x0'],
      wanted: null,
      pitch: null,
      clearance: '4 mm',
      thickness: '6 mm',
      margin: '0 mm',
      tiltDeg: 5,
      lip: null,
      gap: '0 mm',
      ...more,
    },
  };
};

interface Case {
  readonly check: string;
  readonly station: 'contents' | 'wall';
  readonly change: (file: File) => void;
  readonly says: RegExp;
  readonly fix: RegExp;
}

const CASES: readonly Case[] = [
  {
    check: 'holds-too-deep',
    station: 'contents',
    change: (file) => thing(file, { depth: '300 mm' }),
    says: /needs 300 mm of depth/,
    fix: /Make it 30\d mm deep|Make it 31\d mm deep/,
  },
  {
    check: 'holds-too-tall',
    station: 'contents',
    change: (file) => thing(file, { height: '260 mm' }),
    says: /needs 285 mm with room to lift it out/,
    fix: /Raise that opening/,
  },
  {
    check: 'cannot-grasp',
    station: 'contents',
    change: (file) => thing(file, { width: '30 mm', depth: '30 mm', height: '100 mm', stands: 'in-hole', hole: '92 mm' }),
    says: /stands 8 mm out of its hole/,
    fix: /Make the hole 85 mm deep/,
  },
  {
    check: 'slot-count',
    station: 'contents',
    change: (file) => (thing(file, { width: '80 mm' }, 's1', 10), row(file, {})),
    says: /10 of test block are wanted; 8 fit/,
    fix: /Plan 8/,
  },
  {
    check: 'no-growth',
    station: 'contents',
    change: (file) => ['bottom', 's1', 's2'].forEach((on) => thing(file, { width: '310 mm', depth: '200 mm', height: '200 mm', deep: 1 }, on, 2)),
    says: /Every place that can take test block is 9\d % full/,
    fix: /Make it \d+ mm wide/,
  },
  {
    check: 'bridges-gap',
    station: 'contents',
    change: (file) => (thing(file, { depth: '150 mm', height: '40 mm' }, 's1', 6), row(file, { kind: 'supports', gap: '140 mm' })),
    says: /lies over a gap of 140 mm/,
    fix: /Set the supports 130 mm apart/,
  },
  {
    check: 'slides-off',
    station: 'contents',
    change: (file) => thing(file, { kind: 'roll', stands: 'lying', width: '60 mm', depth: '60 mm', height: '180 mm' }),
    says: /can roll out/,
    fix: /Turn test block end on/,
  },
  {
    check: 'collides',
    station: 'wall',
    change: (file) => (file['design'].units.ink.place.along = '1300 mm'),
    says: /runs 295 mm into Type-case box/,
    fix: /^Move it/,
  },
  {
    check: 'covers-outlet',
    station: 'wall',
    change: (file) => (file['design'].units.ink.place.up = '900 mm'),
    says: /covers the outlet by the press/,
    fix: /^Move it/,
  },
  {
    check: 'room-door',
    station: 'wall',
    change: (file) => (file['design'].units.ink.place.along = '700 mm'),
    says: /The door to the yard swings into it/,
    fix: /^Move it/,
  },
  {
    check: 'door-hits',
    station: 'wall',
    change: (file) => {
      Object.assign(file['design'].units.ink, { front: 'door-right' });
      file['design'].units.ink.place.along = '4050 mm';
      file['design'].wall.things = {};
    },
    says: /opens into the side wall/,
    fix: /^Move it|^Hinge it on the other side/,
  },
  {
    check: 'head-room',
    station: 'wall',
    change: (file) => {
      Object.assign(file['design'].units.ink, { depth: '400 mm' });
      file['design'].units.ink.place.up = '1200 mm';
      delete file['design'].wall.things['outlet-1'];
    },
    says: /340 mm free over the packing bench/,
    fix: /Hang its bottom at 1310 mm/,
  },
  {
    check: 'bowed-wall',
    station: 'wall',
    change: (file) =>
      (file['design'].wall.bow = {
        b: {
          id: 'b',
          up: '2000 mm',
          readings: Object.fromEntries(
            [
              ['900 mm', '0 mm'],
              ['1245 mm', '5 mm'],
              ['1595 mm', '0 mm'],
            ].map(([along, off], n) => [`r${n}`, { id: `r${n}`, along, off }]),
          ),
        },
      }),
    says: /bows 5 mm along the cleat/,
    fix: /Shim it at the studs/,
  },
];

const card = (page: Page, says: RegExp) => page.locator('.pane .finding').filter({ hasText: says });

for (const { check, station, change, says, fix } of CASES)
  test(`${check} is said with its numbers and settled by its fix`, async ({ page }) => {
    const id = await freshProject(change);
    await open(page, id, `ink/${station}`);
    await expect(card(page, says).first()).toBeVisible();
    const button = card(page, says).first().getByRole('button', { name: fix }).first();
    await button.hover();
    await expect(page.locator('.pane .effect').first()).toBeVisible();
    await button.click();
    await expect(card(page, says)).toHaveCount(0);
    await untilSaved(page);
    await page.reload();
    await expect(page.locator('.pane .reading')).toBeVisible();
    await expect(card(page, says)).toHaveCount(0);
  });

test('a cabinet is dragged along the wall, snaps to its neighbor, and one undo puts it back', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'type/wall');
  const unit = page.locator('[data-unit="type"] .unit-edge');
  const box = (await unit.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 10, box.y + box.height / 2, { steps: 4 });
  await page.mouse.move(box.x + box.width / 2 - 14, box.y + box.height / 2, { steps: 4 });
  await expect(page.locator('.snap-words')).toContainText('in line with a neighbor');
  await page.mouse.up();
  // Its left end came to the right end of the ink cupboard: 895 + 700.
  await expect(page.locator('[data-field="place.along"]')).toHaveValue('1595 mm');
  await page.keyboard.press('Control+Z');
  await expect(page.locator('[data-field="place.along"]')).toHaveValue('1705 mm');
});

test('contents and wall that disagree say so, with choices that settle it', async ({ page }) => {
  // The door leaves too little depth for what is to stand in it.
  const id = await freshProject((file) => {
    file['design'].units.ink.place.along = '620 mm';
    file['design'].units.ink.depth = '70 mm';
    file['design'].wall.things.door.out = '180 mm';
    file['design'].wall.things.door.handle = '0 mm';
    thing(file, { name: 'proof box', width: '150 mm', depth: '190 mm', height: '100 mm' });
  });
  await open(page, id, 'ink/contents');
  const said = page.locator('.pane .finding').filter({ hasText: /of depth for proof box; the door to the yard leaves/ });
  await expect(said).toBeVisible();
  await said.getByRole('button', { name: /Turn proof box end on/ }).hover();
  await expect(said.locator('.effect').first()).toBeVisible();
  await said.getByRole('button', { name: /Make it as large as that/ }).click();
  await expect(said).toHaveCount(0);
});
