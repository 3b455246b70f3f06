/** The stud scanner: a line scanned, peaks taken as studs, and nothing lost when it is dropped in the middle. */
import { expect } from '@playwright/test';
import { baseUrl, freshProject, open, stored, test, untilSaved } from './support.ts';

const fault = (how: 'drop' | 'silent', at: number): Promise<Response> =>
  fetch(`${baseUrl()}/api/devices/scanner/fault`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ how, at }) });

// One scanner stands in the shop: two scans at once would take each other's faults.
test.describe.configure({ mode: 'serial' });

test('dropped in mid-scan: what was read is kept over a reload, the rest is scanned on, and the peaks become studs', async ({ page }) => {
  const id = await freshProject((file) => {
    file['design'].wall.studs.marks = {};
    file['design'].wall.studs.known = false;
  });
  await open(page, id, 'ink/wall');
  await page.getByText('Stud scanner').click();
  // The scanner may still be starting.
  await expect.poll(async () => (await fault('drop', 2100)).status, { timeout: 20_000 }).toBe(204);
  await page.getByRole('button', { name: 'Scan along it' }).click();
  await expect(page.getByRole('alert')).toContainText(/was lost at .*kept/, { timeout: 20_000 });
  await untilSaved(page);
  const kept = async (): Promise<{ at: number }[]> => {
    const entries = (await (await fetch(`${baseUrl()}/api/projects/${id}/record`)).json()) as { entry: { scan?: { samples: { at: number }[] } } }[];
    return entries.flatMap(({ entry }) => entry.scan?.samples ?? []);
  };
  await expect.poll(async () => (await kept()).length).toBeGreaterThan(400);
  const first = await kept();
  // Every sample up to the drop, none missing.
  expect(first.map(({ at }) => at)).toEqual(Array.from({ length: first.length }, (_, n) => n * 5));

  await page.reload();
  await page.getByText('Stud scanner').click();
  await expect(page.getByText(new RegExp(`${first.length} samples kept`))).toBeVisible();
  await page.getByRole('button', { name: 'Scan along it' }).click();
  await expect(page.getByRole('button', { name: /Take the 12 sound ones/ })).toBeVisible({ timeout: 20_000 });
  // A pipe and two seams are doubted, each with its reason.
  await expect(page.getByText(/a pipe or a cable\?/)).toHaveCount(1);
  await expect(page.getByText(/a seam of the wallboard\?/)).toHaveCount(2);
  await page.getByRole('button', { name: /Take the 12 sound ones/ }).click();
  await expect(page.getByText('12 studs, 12 of them found or probed')).toBeVisible();
  await untilSaved(page);
  const { document } = await stored(id);
  const places = (Object.values(document.wall.studs.marks) as { at: string }[]).map(({ at }) => parseFloat(at)).sort((a, b) => a - b);
  const truth = [227, 628, 1040, 1445, 1852, 2255, 2668, 3062, 3470, 3873, 4282, 4684];
  places.forEach((at, index) => expect(Math.abs(at - truth[index]!)).toBeLessThanOrEqual(6));
});

test('a scanner that falls silent is given up, and the scan goes on from there', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/wall');
  await page.getByText('Stud scanner').click();
  await fault('silent', 900);
  await page.getByRole('button', { name: 'Scan along it' }).click();
  await expect(page.getByRole('alert')).toContainText(/fell silent at/, { timeout: 20_000 });
  await page.getByRole('button', { name: 'Go on from there' }).click();
  await expect(page.getByText(/96\d samples kept/)).toBeVisible({ timeout: 20_000 });
});
