/** Labels: the sheet as PDF, and the printer that runs out of paper, jams and goes offline: nothing lost, nothing twice. */
import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { PDFDocument } from 'pdf-lib';
import { startLabelPrinterStandIn, type LabelPrinter } from '../../devices/label-printer/stand-in.ts';
import { testApp, type TestApp } from '../../test/app.ts';

type Row = Record<string, any>;
let printer: LabelPrinter;
let app: TestApp;
beforeAll(async () => {
  printer = await startLabelPrinterStandIn(0, null);
  app = await testApp({ printerPort: (printer.server.address() as AddressInfo).port });
});
afterAll(async () => {
  await app.close();
  printer.server.close();
});

const label = (n: number): Row => ({
  mark: `A${n}`,
  name: 'left side of the ink cupboard',
  size: '820 × 280 mm',
  stock: 'Birch plywood 18 mm',
  grain: 'along',
  band: 'front',
  next: 'cut its dados: 4 of 18 mm',
  link: 'http://127.0.0.1:8420/project/print-room/ink/box?part=ink/side/left',
});
const labels = (count: number): Row[] => Array.from({ length: count }, (_, n) => label(n + 1));
const print = (id: string, count: number) => app.api.post('/api/labels/print').send({ id, labels: labels(count) });
const job = async (id: string): Promise<Row> => (await app.api.get(`/api/labels/print/${id}`).expect(200)).body as Row;
async function until(id: string, wanted: (row: Row) => boolean): Promise<Row> {
  for (let n = 0; n < 1200; n++) {
    const row = await job(id);
    if (wanted(row)) return row;
    await new Promise((resolve) => setTimeout(resolve, 25));
  }
  throw new Error(`still ${JSON.stringify(await job(id))}`);
}

describe('the sheet of labels', () => {
  const pages = async (list: Row[]): Promise<PDFDocument> => {
    const { body } = await app.api
      .post('/api/labels/sheet')
      .send({ labels: list })
      .buffer(true)
      .parse(binary)
      .expect(200)
      .expect('Content-Type', 'application/pdf');
    return PDFDocument.load(body as Buffer);
  };
  const binary = (response: any, done: (error: Error | null, body: Buffer) => void): void => {
    const chunks: Buffer[] = [];
    response.on('data', (chunk: Buffer) => chunks.push(chunk));
    response.on('end', () => done(null, Buffer.concat(chunks)));
  };

  test('has twenty-four to a page of A4', async () => {
    const pdf = await pages(labels(25));
    expect(pdf.getPageCount()).toBe(2);
    expect(pdf.getPage(0).getWidth()).toBeCloseTo((210 * 72) / 25.4, 3);
  });

  test('takes letters its font does not have, and names longer than the label', async () => {
    expect((await pages([{ ...label(1), name: 'полка '.repeat(15), next: '→'.repeat(100) }])).getPageCount()).toBe(1);
  });

  test.each<[string, Row, string]>([
    ['no label', { labels: [] }, 'labels'],
    ['a mark as long as a sentence', { labels: [{ ...label(1), mark: 'x'.repeat(21) }] }, 'labels.0.mark'],
    ['a list in the place of a label', { labels: [[]] }, 'labels'],
    ['nothing in the place of a label', { labels: [null] }, 'labels'],
    ['a grain nobody knows', { labels: [{ ...label(1), grain: 'round' }] }, 'labels.0.grain'],
    ['a strange field', { labels: [{ ...label(1), colour: 1 }] }, 'labels.0.colour'],
  ])('refused: %s', async (_name, body, where) => {
    expect(((await app.api.post('/api/labels/sheet').send(body).expect(400)).body as Row)['where']).toBe(where);
  });
});

describe('the label printer', () => {
  test('prints them one after the other, the same job sent again once', async () => {
    const id = randomUUID();
    const before = printer.printed();
    await print(id, 5).expect(201);
    await print(id, 5).expect(201);
    expect(await until(id, ({ printed }) => printed === 5)).toMatchObject({ labels: 5 });
    await print(id, 5).expect(201);
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect(printer.printed() - before).toBe(5);
  });

  test('out of paper it waits, and goes on where it was when paper is in', async () => {
    const id = randomUUID();
    const before = printer.printed();
    await print(id, 50).expect(201);
    const stuck = await until(id, (row) => row['printer'] === 'out-of-paper');
    expect(stuck['printed']).toBeLessThan(50);
    await app.api.post('/api/labels/printer/paper').send({ labels: 100 }).expect(204);
    await until(id, ({ printed }) => printed === 50);
    expect(printer.printed() - before).toBe(50);
  });

  test('offline it is said, and the job is printed once when it is on, sent again or not; jammed it waits', async () => {
    const id = randomUUID();
    const before = printer.printed();
    await app.api.post('/api/labels/printer/fault').send({ how: 'offline' }).expect(204);
    expect((await print(id, 3).expect(201)).body).toMatchObject({ id, labels: 3, printed: 0, printer: 'away' });
    await app.api.post('/api/labels/printer/fault').send({ how: 'jammed' }).expect(204);
    await print(id, 3).expect(201);
    expect(await until(id, (row) => row['printer'] === 'jammed')).toMatchObject({ printed: 0 });
    await app.api.post('/api/labels/printer/fault').send({ how: 'fine' }).expect(204);
    await until(id, ({ printed }) => printed === 3);
    expect(printer.printed() - before).toBe(3);
  });

  test('a printer that is killed and has forgotten everything prints the rest, none twice', async () => {
    const id = randomUUID();
    const { port } = printer.server.address() as AddressInfo;
    await app.api.post('/api/labels/printer/paper').send({ labels: 100 }).expect(204);
    const printedBefore = printer.printed();
    await print(id, 60).expect(201);
    const before = (await until(id, ({ printed }) => printed >= 10))['printed'] as number;
    await app.api.post('/api/labels/printer/fault').send({ how: 'jammed' }).expect(204);
    // What left the printer in the moment it jammed is told a little later.
    const isTold = ({ printer: state, printed }: Record<string, unknown>): boolean => state === 'jammed' && printed === printer.printed() - printedBefore;
    const stopped = (await until(id, isTold))['printed'] as number;
    expect(stopped).toBeGreaterThanOrEqual(before);
    printer.server.closeAllConnections();
    await new Promise((done) => printer.server.close(done));
    await until(id, ({ printer: state }) => state === 'away');
    printer = await startLabelPrinterStandIn(port, null);
    await app.api.post('/api/labels/printer/paper').send({ labels: 100 }).expect(204);
    await until(id, ({ printed }) => printed === 60);
    expect(printer.printed()).toBe(60 - stopped);
  });

  test('a server that is started anew goes on with what was not printed', async () => {
    const id = randomUUID();
    await app.api.post('/api/labels/printer/fault').send({ how: 'offline' }).expect(204);
    await print(id, 4).expect(201);
    app = await app.restart();
    await app.api.post('/api/labels/printer/fault').send({ how: 'fine' }).expect(204);
    await until(id, ({ printed }) => printed === 4);
  });

  test('a job nobody sent is not there', async () => {
    await app.api.get('/api/labels/print/none').expect(404);
  });
});
