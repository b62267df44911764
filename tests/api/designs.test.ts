import { readFileSync } from 'node:fs';
import { sql } from 'drizzle-orm';
import { describe, expect, test } from 'vitest';
import type { DesignChange, DesignFile } from '../../contract/design.ts';
import type { JobSheet } from '../../contract/job.ts';
import { nextVersionName } from '../../core/design/soldChange.ts';
import { packRoute } from '../../core/road/packedRoute.ts';
import { readGpx } from '../../core/road/readGpx.ts';
import { routeFrom } from '../../core/road/route.ts';
import { ROUTE } from '../../core/testing/wren.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const chosen = (job: JobSheet) => job.designs.find((design) => design.id === job.chosenDesignId)!;

describe('a sold design', () => {
  test('is frozen; a change makes a new one that follows it', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Ice-cream van');
    const design = chosen(job);
    expect(design.frozenAt).toBeNull();
    const sold = await ilse.send('put', `/designs/${design.id}/sold`, { version: design.version });
    expect(sold.status).toBe(200);
    expect((await ilse.send('put', `/designs/${design.id}/sold`, { version: design.version + 1 })).body.detail).toBe(
      'This design is sold already.',
    );
    const inputs = { ...design.inputs, usableShare: 0.85 };
    const body = { name: design.name, inputs, version: design.version + 1 };
    const changed = await ilse.send('put', `/designs/${design.id}`, body);
    expect(changed.body).toMatchObject({ version: 1 });
    expect(changed.body.id).not.toBe(design.id);
    const after = await ilse.job('Ice-cream van');
    expect(after.designs.find((one) => one.id === design.id)!.inputs).toEqual(design.inputs);
    const follower = after.designs.find((one) => one.id === changed.body.id)!;
    expect(follower).toMatchObject({ name: `${design.name}, version 2`, followsId: design.id, frozenAt: null });
    expect(follower.inputs.usableShare).toBe(0.85);
    const stale = await ilse.send('put', `/designs/${design.id}`, { ...body, version: 1 });
    expect(stale.status).toBe(409);
  });
  test('the database itself keeps it', async () => {
    const ilse = await shop.visitor('ilse');
    const design = chosen(await ilse.job('Bakery van'));
    expect(design.frozenAt).not.toBeNull();
    for (const attempt of [
      sql`update design set name = 'other' where id = ${design.id}`,
      sql`update design set frozen_at = null where id = ${design.id}`,
      sql`delete from design where id = ${design.id}`,
    ])
      await expect(shop.db().execute(attempt)).rejects.toThrow();
  });
  test('is marked by a manager only', async () => {
    const soren = await shop.visitor('soren');
    const design = (await soren.job('Tour car')).designs[0]!;
    expect((await soren.send('put', `/designs/${design.id}/sold`, { version: design.version })).status).toBe(403);
  });
  test('names count on, past those taken, and stay short enough', () => {
    expect(nextVersionName('A', [])).toBe('A, version 2');
    expect(nextVersionName('A, version 2', ['A, version 2', 'A, version 3'])).toBe('A, version 4');
    expect(nextVersionName('x'.repeat(60), []).length).toBeLessThanOrEqual(60);
  });
});

describe('what cannot be built', () => {
  let ilse: Visitor;
  test('parts, wiring and packs are refused at their field', async () => {
    ilse = await shop.visitor('ilse');
    const job = await ilse.job('Tour car');
    const { inputs } = job.designs[0]!;
    const put = async (change: object) =>
      (await ilse.send('post', `/jobs/${job.number}/designs`, { name: 'X', inputs: { ...inputs, ...change } })).body
        .fields as Record<string, string>;
    expect(await put({ driveId: 'drive-of-dreams' })).toMatchObject({
      'inputs.driveId': 'The library has no component “drive-of-dreams”.',
    });
    expect(await put({ others: [{ componentId: 'nothing', quantity: 1, xMm: null }] })).toMatchObject({
      'inputs.others.0.componentId': expect.stringContaining('no component'),
    });
    expect(await put({ packs: 'series' })).toMatchObject({ 'inputs.packs': expect.stringContaining('both') });
    const [first] = inputs.boxes;
    expect(
      await put({ boxes: inputs.boxes.map((box) => (box === first ? { ...box, parallel: 4 } : box)) }),
    ).toMatchObject({
      'inputs.boxes.0.parallel': expect.stringContaining('do not divide into 4'),
    });
    const halves = inputs.boxes.map((box, i) => ({ ...box, modules: i + 1, pack: i === 0 ? 1 : 2 }));
    expect(await put({ packs: 'parallel', boxes: halves })).toMatchObject({
      'inputs.packs': expect.stringContaining('same chemistry'),
    });
    expect(await put({ drive: { reduction: 0 } })).toHaveProperty(['inputs.drive.reduction']);
    expect(await put({ drive: { efficiency: 1.2 } })).toHaveProperty(['inputs.drive.efficiency']);
    const curve = [
      { rpm: 3000, peakNm: 1, continuousNm: 1 },
      { rpm: 100, peakNm: 1, continuousNm: 1 },
    ];
    expect((await put({ drive: { curve } }))['inputs.drive.curve']).toBe(
      'Torque curve must rise in speed from point to point.',
    );
  });
  test('mixed modules and two packs that go are taken and kept as they are', async () => {
    const job = await ilse.job('Tour car');
    const { inputs } = job.designs[0]!;
    const boxes = inputs.boxes.map((box, i) => ({
      ...box,
      modules: 2,
      pack: (i === 0 ? 1 : 2) as 1 | 2,
      shiftYMm: 10,
    }));
    const wanted = { ...inputs, packs: 'series' as const, boxes, drive: { motors: 2 as const, regenShare: 0.3 } };
    const made = await ilse.send('post', `/jobs/${job.number}/designs`, { name: 'Two packs', inputs: wanted });
    expect(made.status).toBe(200);
    const after = await ilse.job('Tour car');
    expect(after.designs.find((one) => one.id === made.body.id)!.inputs).toEqual(wanted);
  });
});

describe('history and files', () => {
  test('every change is told, newest first, with what it was', async () => {
    const soren = await shop.visitor('soren');
    const job = await soren.job('Luggage tug');
    const { EMPTY_DESIGN } = await import('../../core/design/inputs.ts');
    const made = await soren.send('post', `/jobs/${job.number}/designs`, { name: 'A', inputs: EMPTY_DESIGN });
    await soren.send('put', `/designs/${made.body.id}`, {
      name: 'A',
      inputs: { ...EMPTY_DESIGN, usableShare: 0.8 },
      version: 1,
    });
    const history = (await soren.get(`/designs/${made.body.id}/history`)).body as DesignChange[];
    expect(history.map((change) => [change.what, change.before?.usableShare, change.inputs.usableShare])).toEqual([
      ['changed design A', 0.9, 0.8],
      ['made design A', undefined, 0.9],
    ]);
    expect(history[0]!.by).toMatch(/\w+ \w+/);
    expect((await soren.get('/designs/00000000-0000-4000-8000-000000000000/history')).status).toBe(404);
  });
  test('a file goes out and comes in again as the same design, on another job too', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Bakery van');
    const design = chosen(job);
    const answer = await ilse.get(`/designs/${design.id}/design.json`);
    expect(answer.headers['content-disposition']).toMatch(/attachment; filename="\d\d-\d+-a-.*\.json"/);
    const file = JSON.parse(answer.text) as DesignFile;
    expect(file).toMatchObject({
      format: 'workshop-design',
      formatVersion: 1,
      name: design.name,
      inputs: design.inputs,
    });
    expect(file.figures!.packEnergy).toBeGreaterThan(10_000);
    const other = await ilse.job('Post van');
    await shop.pool().query("update job set state = 'sizing' where number = $1", [other.number]);
    const taken = await ilse.send('post', `/jobs/${other.number}/designs/import`, file);
    expect(taken.status).toBe(200);
    const after = await ilse.job('Post van');
    expect(after.designs.find((one) => one.id === taken.body.id)!.inputs).toEqual(design.inputs);
  });
  test('a file that is none, of another format, or for another vehicle says why', async () => {
    const ilse = await shop.visitor('ilse');
    const design = chosen(await ilse.job('Bakery van'));
    const file = JSON.parse((await ilse.get(`/designs/${design.id}/design.json`)).text) as DesignFile;
    const { number } = await ilse.job('Tour car');
    const put = (body: object) => ilse.send('post', `/jobs/${number}/designs/import`, body);
    expect((await put({ hello: 1 })).body.fields).toHaveProperty('format');
    expect((await put({ ...file, formatVersion: 2 })).body.fields).toHaveProperty('formatVersion');
    expect((await put({ ...file, inputs: { ...file.inputs, strings: 'two' } })).body.fields).toHaveProperty([
      'inputs.strings',
    ]);
    expect((await put(file)).body.fields['inputs.boxes.0.bay']).toMatch(/This variant has no bay/);
  });
  test('the sheet is a PDF', async () => {
    const odo = await shop.visitor('odo');
    const design = chosen(await odo.job('Fire tender'));
    const answer = await odo
      .get(`/designs/${design.id}/sheet.pdf`)
      .buffer(true)
      .parse((res, done) => {
        const parts: Buffer[] = [];
        res.on('data', (part: Buffer) => parts.push(part));
        res.on('end', () => done(null, Buffer.concat(parts)));
      });
    const pdf = answer.body as Buffer;
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pdf.length).toBeGreaterThan(20_000);
  });
});

describe('the recorded route', () => {
  test('is stored with its job, replaced, and taken away; a stale one is refused', async () => {
    const jory = await shop.visitor('jory');
    const job = await jory.job('Bakery van');
    expect(job.route).toBeNull();
    const route = packRoute(ROUTE);
    const put = (body: object) => jory.send('put', `/jobs/${job.number}/route`, body);
    expect((await put({ route, version: job.version })).body.version).toBe(job.version + 1);
    expect((await jory.job('Bakery van')).route).toEqual(JSON.parse(JSON.stringify(route)));
    expect((await put({ route, version: job.version })).status).toBe(409);
    expect((await put({ route: { ...route, name: 'again' }, version: job.version + 1 })).status).toBe(200);
    expect((await jory.job('Bakery van')).route!.name).toBe('again');
    expect((await put({ route: null, version: job.version + 2 })).status).toBe(200);
    expect((await jory.job('Bakery van')).route).toBeNull();
  });
  test('nonsense is refused', async () => {
    const jory = await shop.visitor('jory');
    const job = await jory.job('Bakery van');
    const route = packRoute(ROUTE);
    for (const change of [
      { speedCms: [1, 2] },
      { gradeE4: route.gradeE4.map(() => 99_999) },
      { track: [[400, 0]] },
      { notes: [{ code: 'magic', count: 1 }] },
      { distanceM: -1 },
    ]) {
      const answer = await jory.send('put', `/jobs/${job.number}/route`, {
        route: { ...route, ...change },
        version: job.version,
      });
      expect(answer.status, JSON.stringify(change).slice(0, 40)).toBe(400);
    }
  });
  test('the island round of the sample is 38 km over two hills', () => {
    const points = readGpx(readFileSync('demo/island-round.gpx', 'utf8'));
    const route = typeof points === 'string' ? points : routeFrom(points);
    if (typeof route === 'string') throw new Error(route);
    expect(route.distanceM / 1000).toBeCloseTo(38, 0);
    expect(route.notes).toEqual([]);
    const h = route.elevationM;
    const hills = [...h.keys()].filter((i) => i > 0 && h[i]! > 60 && h[i - 1]! <= 60);
    expect(hills).toHaveLength(2);
  });
});
