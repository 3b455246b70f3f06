import { PDFDocument } from 'pdf-lib';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { testApp, type TestApp } from '../../test/app.ts';

let app: TestApp;
beforeAll(async () => void (app = await testApp()));
afterAll(() => app.close());

const at = (kind: string, query = ''): string => `/api/projects/print-room/prints/${kind}?units=in${query}`;
const sheetsOf = async (body: unknown): Promise<{ width: number; height: number }[]> =>
  (await PDFDocument.load(body as Buffer)).getPages().map((page) => page.getSize());

describe('prints at their true size', () => {
  test.each([
    ['sticks', ''],
    ['templates', '&part=A1,A3'],
    ['wedges', '&unit=ink'],
  ])('%s are a PDF to look at, on the paper that is asked for', async (kind, more) => {
    const { body, headers } = await app.api
      .get(at(kind, `&paper=letter${more}`))
      .expect(200)
      .expect('Content-Type', 'application/pdf');
    expect(headers['content-disposition']).toContain('inline');
    const sheets = await sheetsOf(body);
    expect(sheets.length).toBeGreaterThan(0);
    for (const { width, height } of sheets) expect([width, height]).toEqual([expect.closeTo(792, 1), expect.closeTo(612, 1)]);
  });

  test('what a printer makes of 100 mm changes how much goes on a sheet', async () => {
    const [small, large] = await Promise.all(
      [110, 90].map(async (bar) => (await app.api.get(at('templates', `&along=${bar}&up=${bar}`)).expect(200)).body as Buffer),
    );
    expect((await sheetsOf(small)).length).toBeLessThan((await sheetsOf(large)).length);
  });

  test.each([
    ['posters', '', 400, 'kind', 'sticks, templates, wedges'],
    ['sticks', '&unit=attic', 400, 'unit', 'exists'],
    ['templates', '&part=Q9', 400, 'part', 'A1'],
    ['sticks', '&paper=papyrus', 400, 'paper', 'a4'],
    ['sticks', '&along=80', 400, 'along', ''],
    ['sticks', '&up=wide', 400, 'up', ''],
  ])('%s%s is refused in words', async (kind, more, status, where, accepted) => {
    const { body } = await app.api.get(at(kind, more)).expect(status);
    expect((body as { where: string }).where).toContain(where);
    expect(JSON.stringify(body)).toContain(accepted);
  });

  test('a project that is not there has no prints', () => app.api.get('/api/projects/nowhere/prints/sticks?units=mm').expect(404));
});
