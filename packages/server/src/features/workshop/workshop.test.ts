import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { testApp, type TestApp } from '../../test/app.ts';

let app: TestApp;
beforeAll(async () => void (app = await testApp()));
afterAll(() => app.close());

const read = async () => (await app.api.get('/api/workshop').expect(200)).body;
/** The shop with its table saw changed. */
const withSaw = ({ shop }: any, more: object): object => ({ ...shop, machines: { ...shop.machines, 'table-saw': { ...shop.machines['table-saw'], ...more } } });
const save = (base: number, workshop: object) => app.api.put('/api/workshop').send({ base, workshop });

describe('the workshop', () => {
  test('is one for all projects, and a change on the current version is kept', async () => {
    const { revision, workshop } = await read();
    await save(revision, { ...workshop, shop: { ...workshop.shop, trim: '8 mm' } }).expect(200);
    expect(await read()).toMatchObject({ revision: revision + 1, workshop: { shop: { trim: '8 mm' } } });
  });

  test('a change on an older version is refused with the current one', async () => {
    const { revision, workshop } = await read();
    await save(revision, workshop).expect(200);
    const { body } = await save(revision, workshop).expect(409);
    expect(body).toMatchObject({ code: 'stale', current: { revision: revision + 1 } });
  });

  test('a product that a design uses cannot be taken away; one nobody uses can', async () => {
    const { revision, workshop } = await read();
    const without = (id: string) => ({ ...workshop, products: Object.fromEntries(Object.entries(workshop.products).filter(([key]) => key !== id)) });
    const { body } = await save(revision, without('ply-3-4')).expect(400);
    expect(body).toMatchObject({ code: 'in-use', where: 'workshop.products.ply-3-4' });
    await save(revision, without('hardboard-3')).expect(200);
  });

  test.each<[string, (workshop: any) => object, string]>([
    ['a kerf of nothing', (w) => ({ ...w, shop: withSaw(w, { kerf: '-1 mm' }) }), 'shop.machines.table-saw.kerf'],
    ['a saw without a kerf', (w) => ({ ...w, shop: withSaw(w, { kerf: undefined }) }), 'shop.machines.table-saw'],
    ['a loose fit tighter than a glue fit', (w) => ({ ...w, shop: { ...w.shop, fits: { ...w.shop.fits, loose: '0.1 mm' } } }), 'shop.fits.loose'],
    ['a price below nought', (w) => ({ ...w, products: { ...w.products, 'mdf-18': { ...w.products['mdf-18'], price: -1 } } }), 'products.mdf-18.price'],
    [
      'a flaw that ends before it begins',
      (w) => ({
        ...w,
        pieces: {
          o9: {
            id: 'o9',
            product: 'board-1x4',
            kind: 'offcut',
            length: '900 mm',
            width: '3 1/2 in',
            flaws: { f1: { id: 'f1', from: '200 mm', to: '150 mm' } },
          },
        },
      }),
      'pieces.o9.flaws.f1.to',
    ],
    [
      'an offcut of no product',
      (w) => ({ ...w, pieces: { o9: { id: 'o9', product: 'ebony', kind: 'offcut', length: '500 mm', width: '300 mm' } } }),
      'pieces.o9',
    ],
    ['a strange field', (w) => ({ ...w, colour: 1 }), 'workshop'],
  ])('%s is refused with its place', async (_name, change, where) => {
    const { revision, workshop } = await read();
    const { body } = await save(revision, change(workshop)).expect(400);
    expect(body.where).toContain(where);
    expect((await read()).revision).toBe(revision);
  });
});
