import { mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deflateSync } from 'node:zlib';
import { crc32 } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import sharp, { type Sharp } from 'sharp';
import { testApp, type TestApp } from '../../test/app.ts';

const dataFolder = mkdtempSync(join(tmpdir(), 'keen-photos-'));
let app: TestApp;
beforeAll(async () => void (app = await testApp({ dataFolder })));
afterAll(() => app.close());

const at = (id: string): string => `/api/projects/print-room/photos/${id}`;
const put = (id: string, bytes: Buffer, type = 'image/jpeg') => app.api.put(at(id)).set('Content-Type', type).send(bytes);
const picture = (width: number, height: number): Sharp => sharp({ create: { width, height, channels: 3, background: '#8a6a3a' } });

/** A PNG that says it is huge: a few dozen bytes. */
function bomb(width: number, height: number): Buffer {
  const chunk = (name: string, data: Buffer): Buffer => {
    const body = Buffer.concat([Buffer.from(name, 'latin1'), data]);
    const [size, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    size.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(body));
    return Buffer.concat([size, body, sum]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(Buffer.alloc(1000))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

describe('pictures of notes', () => {
  test('are kept upright, shrunk, with nothing of where they were taken, and again under their id', async () => {
    const taken = await picture(3000, 1200)
      .jpeg()
      .withExif({ IFD0: { Make: 'Camera' }, IFD3: { GPSLatitude: '51/1 30/1 0/1', GPSLatitudeRef: 'N' } })
      .withMetadata({ orientation: 6 })
      .toBuffer();
    expect((await sharp(taken).metadata()).exif).toBeDefined();
    const { body } = await put('photo-0001', taken).expect(200);
    // Orientation 6: lying, it stands when it is looked at. 3000 is over 2400.
    expect(body).toEqual({ id: 'photo-0001', width: 960, height: 2400 });
    const kept = await app.api.get(at('photo-0001')).expect(200).expect('Content-Type', 'image/jpeg');
    const read = await sharp(kept.body as Buffer).metadata();
    expect([read.width, read.height, read.exif, read.icc]).toEqual([960, 2400, undefined, undefined]);
    const small = await app.api.get(`${at('photo-0001')}/small`).expect(200);
    expect((await sharp(small.body as Buffer).metadata()).height).toBe(360);
  });

  test('the same one sent twice, also at once, is one picture', async () => {
    const bytes = await picture(40, 30).png().toBuffer();
    await Promise.all(Array.from({ length: 5 }, () => put('photo-twice', bytes, 'image/png').expect(200)));
    const files = readdirSync(join(dataFolder, 'photos', 'print-room')).filter((name) => name.startsWith('photo-twice'));
    expect(files.sort()).toEqual(['photo-twice.jpg', 'photo-twice.small.jpg']);
  });

  test.each<[string, () => Buffer, number, string, RegExp]>([
    ['a picture of 30 MB', () => Buffer.alloc(30 * 1024 * 1024, 0xff), 413, 'too-large', /larger than 20 MB/],
    ['a text named .jpg', () => Buffer.from('Dear reader, this is no picture.'), 400, 'not-a-picture', /no picture, whatever its name/],
    ['a picture that unfolds to ten gigabytes', () => bomb(60_000, 60_000), 400, 'too-many-pixels', /60000 × 60000/],
    ['nothing', () => Buffer.alloc(0), 400, 'not-a-picture', /no picture/],
    [
      'a page that could be run',
      () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script><rect width="9" height="9"/></svg>'),
      400,
      'not-a-picture',
      /svg/,
    ],
  ])('%s is refused in words, and nothing of it is left', async (_, make, status, code, words) => {
    const before = readdirSync(join(dataFolder, 'photos', 'print-room')).length;
    const { body } = await put('photo-bad-1', make()).expect(status);
    expect(body).toMatchObject({ code, where: 'picture', accepted: expect.stringMatching(/20 MB/) });
    expect(body.message).toMatch(words);
    await app.api.get(at('photo-bad-1')).expect(404);
    expect(readdirSync(join(dataFolder, 'photos', 'print-room'))).toHaveLength(before);
  });

  test('a picture that is broken off is refused', async () => {
    const whole = await picture(900, 700).jpeg().toBuffer();
    const { body } = await put('photo-half-1', whole.subarray(0, whole.length / 2)).expect(400);
    expect(body.code).toBe('broken-picture');
  });

  test('an id that would lead out of the folder, and a project that is not there', async () => {
    const bytes = await picture(20, 20).jpeg().toBuffer();
    await app.api.put('/api/projects/print-room/photos/..%2F..%2Fescape').send(bytes).expect(400);
    await app.api.put('/api/projects/none/photos/photo-0009').send(bytes).expect(404);
    await app.api.get('/api/projects/print-room/photos/photo-none').expect(404);
  });

  test('what was said to be kept is there after the server was started again', async () => {
    const bytes = await picture(64, 48).jpeg().toBuffer();
    await put('photo-stays', bytes).expect(200);
    app = await app.restart();
    const { body } = await app.api.get(at('photo-stays')).expect(200);
    expect((await sharp(body as Buffer).metadata()).width).toBe(64);
  });
});

test('another project’s picture of the same id is another picture', async () => {
  const [red, blue] = [picture(40, 30), picture(60, 20)];
  await app.api
    .put('/api/projects/print-room/photos/photo-same-id')
    .send(await red.png().toBuffer())
    .expect(200);
  await app.api
    .put('/api/projects/type-store/photos/photo-same-id')
    .send(await blue.png().toBuffer())
    .expect(200);
  await app.api
    .put('/api/projects/print-room/photos/PHOTO-same-id')
    .send(await blue.png().toBuffer())
    .expect(200);
  const widthOf = async (project: string, id = 'photo-same-id'): Promise<number> =>
    (await sharp((await app.api.get(`/api/projects/${project}/photos/${id}`).expect(200)).body as Buffer).metadata()).width;
  expect([await widthOf('print-room'), await widthOf('type-store'), await widthOf('print-room', 'PHOTO-same-id')]).toEqual([40, 60, 60]);
});
