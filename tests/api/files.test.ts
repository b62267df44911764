import sharp from 'sharp';
import { beforeAll, describe, expect, test } from 'vitest';
import type { FileList } from '../../contract/files.ts';
import { tidyFiles } from '../../server/read/tidyFiles.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const QUOTA = 3_000_000;
const shop = openWorkshop({ filesQuotaBytes: QUOTA });
let mabel: Visitor;
let vehicle = '';
beforeAll(async () => {
  mabel = await shop.visitor('mabel');
  vehicle = (await mabel.job('Bakery van')).vehicle.id;
});

const RAW = { 'Content-Type': 'application/octet-stream' };
const add = (body: Buffer, name = 'a', to = `vehicle/${vehicle}`, headers: Record<string, string> = {}) =>
  mabel.send('post', `/files/about/${to}/named/${encodeURIComponent(name)}`, body, { ...RAW, ...headers });
const list = async (to = `vehicle/${vehicle}`) => (await mabel.get(`/files/about/${to}`)).body as FileList;
const plain = (w: number, h: number) => sharp({ create: { width: w, height: h, channels: 3, background: '#8a6' } });
/** A camera's picture: stored lying, to be turned a quarter, with place and maker. */
const camera = () =>
  plain(400, 300)
    .jpeg()
    .withExif({ IFD0: { Make: 'Quay Optics' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '61/1 2/1 3/1' } })
    .withMetadata({ orientation: 6 })
    .toBuffer();
const detail = async (body: Buffer, name?: string): Promise<string> => {
  const answer = await add(body, name);
  expect(answer.status, JSON.stringify(answer.body)).toBe(400);
  return answer.body.detail as string;
};

describe('a photograph', () => {
  test('is turned, made smaller, and tells nobody where it was taken', async () => {
    const taken = await camera();
    expect((await sharp(taken).metadata()).orientation).toBe(6);
    const { body } = await add(taken, 'left wing.jpg');
    const row = (await list()).files.find(({ id }) => id === body.id)!;
    expect(row).toMatchObject({
      name: 'left wing.jpg',
      picture: true,
      type: 'image/jpeg',
      widthPx: 300,
      heightPx: 400,
    });
    const whole = await mabel.get(`/files/${body.id}/whole`).buffer(true);
    const { exif, orientation, width } = await sharp(whole.body).metadata();
    expect([exif, orientation, width]).toEqual([undefined, undefined, 300]);
    expect(whole.body.includes(Buffer.from('Quay Optics'))).toBe(false);
    expect(whole.headers['content-security-policy']).toContain('sandbox');
    expect(whole.headers['content-disposition']).toBe('inline; filename="left wing.jpg"');
    const small = await mabel.get(`/files/${body.id}/small`).buffer(true);
    expect((await sharp(small.body).metadata()).height).toBe(320);
  });
  test('larger than is worth keeping is kept at 2400 px; the same one twice is kept once', async () => {
    const large = await plain(5000, 100).jpeg().toBuffer();
    const { body } = await add(large);
    expect((await list()).files.find(({ id }) => id === body.id)!.widthPx).toBe(2400);
    const before = (await list()).usedBytes;
    await add(large, 'again');
    expect((await list()).usedBytes).toBe(before);
  });
  test('with transparency stays a PNG, whatever its name says', async () => {
    const png = await sharp({ create: { width: 9, height: 9, channels: 4, background: '#0000' } })
      .png()
      .toBuffer();
    const { body } = await add(png, 'stencil.jpg');
    expect((await list()).files.find(({ id }) => id === body.id)!.type).toBe('image/png');
  });
});

describe('what cannot be taken', () => {
  test('is told by what is in it, not by its name', async () => {
    expect(await detail(Buffer.alloc(0))).toBe('This file is empty.');
    expect(
      await detail(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>')),
    ).toMatch(/markup .* are not taken/);
    expect(await detail(Buffer.from('\ufeff <html></html>'), 'page.pdf')).toMatch(/markup/);
    expect(await detail(Buffer.from([0, 1, 2, 3, 250, 251]), 'x.jpg')).toMatch(/cannot be told/);
    expect(await detail(Buffer.from([0x50, 0x4b, 3, 4, 0, 0]), 'x.zip')).toMatch(/cannot be told/);
    const cut = await camera();
    expect(await detail(cut.subarray(0, cut.length / 2), 'cut.jpg')).toMatch(/damaged or cut off/);
  });
  test('a small file that unpacks to more than any camera takes is refused before it does', async () => {
    const bomb = await plain(9000, 9000).png({ compressionLevel: 9 }).toBuffer();
    expect(bomb.length).toBeLessThan(500_000);
    expect(await detail(bomb)).toMatch(/more than 60 million points/);
  });
  test('60 MB are not read at all', async () => {
    const answer = await add(Buffer.alloc(60_000_000));
    expect([answer.status, answer.body.type]).toEqual([413, '/problems/tooLarge']);
  });
  test('papers without an ending are: PDF, text, tables', async () => {
    const pdf = Buffer.from('%PDF-1.7\n1 0 obj\n<<>>\nendobj\n%%EOF');
    const { body } = await add(pdf, 'datasheet', 'component/bms-sat-32');
    const text = await add(Buffer.from('s;V\n0;96,1\n'), 'log', 'component/bms-sat-32');
    const { files } = await list('component/bms-sat-32');
    expect(files.map(({ type, picture }) => [type, picture])).toEqual([
      ['application/pdf', false],
      ['text/plain', false],
    ]);
    const log = await mabel.get(`/files/${text.body.id}/whole`);
    expect(log.headers['content-type']).toBe('text/plain; charset=utf-8');
    expect(log.headers['content-disposition']).toMatch(/^attachment/);
    expect((await mabel.get(`/files/${body.id}/small`)).status).toBe(404);
  });
  test('nothing hangs on what is not there', async () => {
    for (const to of ['vehicle/00000000-0000-4000-8000-000000000000', 'vehicle/bms-sat-32', 'component/none', 'moon/x'])
      expect((await add(Buffer.from('x'), 'x', to)).status, to).toBe(404);
  });
});

describe('dropped', () => {
  test('it is gone from the list, can be taken back, and goes for good after a month', async () => {
    const { body } = await add(Buffer.from('only once'), 'note');
    const change = (dropped: boolean, version: number) =>
      mabel.send('put', `/files/${body.id}`, { caption: 'bent', dropped, lay: null, version });
    const there = async () => (await list()).files.find(({ id }) => id === body.id);
    expect((await change(true, 1)).body).toEqual({ version: 2 });
    expect(await there()).toBeUndefined();
    expect((await change(false, 1)).status).toBe(409);
    expect((await change(false, 2)).status).toBe(200);
    expect(await there()).toMatchObject({ caption: 'bent', version: 3 });
    await change(true, 3);
    await shop.pool().query("update file_content set at = now() - interval '2 hours'");
    await tidyFiles(shop.db());
    expect((await shop.pool().query('select 1 from file where id = $1', [body.id])).rows).toHaveLength(1);
    await shop.pool().query("update file set dropped_at = now() - interval '31 days' where id = $1", [body.id]);
    const contents = async () => (await shop.pool().query('select count(*)::int as n from file_content')).rows[0].n;
    const before = await contents();
    await tidyFiles(shop.db());
    expect((await shop.pool().query('select 1 from file where id = $1', [body.id])).rows).toHaveLength(0);
    expect(await contents()).toBe(before - 1);
  });
});

test('the files of a job are its own, its vehicle’s, its stages’ and its snags’', async () => {
  const job = await mabel.job('Bakery van');
  await add(Buffer.from('letter'), 'letter', `job/${job.id}`);
  await add(Buffer.from('bolt'), 'bolt', `stage/${job.stages[0]!.id}`);
  const { files } = (await mabel.get(`/jobs/${job.number}/files`)).body as FileList;
  expect(new Set(files.map(({ about }) => about))).toEqual(new Set(['vehicle', 'job', 'stage']));
  const { rows } = await shop
    .pool()
    .query("select what from event where resource = 'file' and job_number = $1", [job.number]);
  expect(rows.map(({ what }) => what)).toEqual(['added a paper, letter', 'added a paper, bolt']);
});

test('the quota holds, and says what to do', async () => {
  const { usedBytes, quotaBytes } = await list();
  expect(quotaBytes).toBe(QUOTA);
  const noise = () => Buffer.from(Array.from({ length: 400_000 }, () => 33 + Math.floor(Math.random() * 90)));
  const answers = await Promise.all(Array.from({ length: 10 }, () => add(noise(), 'noise')));
  const taken = answers.filter(({ status }) => status === 200).length;
  expect(taken).toBe(Math.floor((QUOTA - usedBytes) / 400_000));
  const refused = answers.find(({ status }) => status === 422)!;
  expect(refused.body.detail).toMatch(/may take 3 MB here and would now take \d MB\. Drop some/);
  expect((await list()).usedBytes).toBeLessThanOrEqual(QUOTA);
});
