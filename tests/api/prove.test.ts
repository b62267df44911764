import { describe, expect, test } from 'vitest';
import { CHECKS } from '../../core/prove/index.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sign = (who: Visitor, number: string, checkId: string, value: number) =>
  who.send('post', `/jobs/${number}/checks`, { checkId, value, note: '' });

describe('the sign-off sheet', () => {
  test('a check is judged against the chosen design and signed by who is signed in', async () => {
    const jory = await shop.visitor('jory');
    const job = await jory.job('Bakery van');
    expect((await sign(jory, job.number, 'clearance', 31)).body.verdict).toBe('passed');
    expect((await sign(jory, job.number, 'chargeStops', 500)).body.verdict).toBe('failed');
    const after = await jory.job('Bakery van');
    expect(after.checks.find((c) => c.checkId === 'chargeStops')).toMatchObject({
      verdict: 'failed',
      by: 'Jory Opie',
      limitMax: 352.8,
      designName: 'A, 14 modules',
      designVersion: 1,
    });
  });
  test('live checks are signed by authorised people only', async () => {
    const [jory, soren] = [await shop.visitor('jory'), await shop.visitor('soren')];
    const job = await jory.job('Bakery van');
    const refused = await sign(jory, job.number, 'insulationPlus', 900);
    expect(refused.status).toBe(403);
    expect(refused.body.detail).toContain('HV authorisation');
    expect((await sign(soren, job.number, 'insulationPlus', 900)).body.verdict).toBe('passed');
    expect((await sign(soren, job.number, 'insulationPlus', 20)).body.verdict).toBe('failed');
  });
  test('the clock of the server decides whether an authorisation still runs', async () => {
    const tove = await shop.visitor('tove');
    const job = await tove.job('Bakery van');
    shop.setNow(new Date(Date.now() + 13 * 86_400_000));
    expect((await sign(tove, job.number, 'precharge', 300)).status).toBe(403);
    shop.setNow(null);
    expect((await sign(tove, job.number, 'precharge', 300)).body.verdict).toBe('passed');
  });
  test('without a design the limit is missing and nothing is signed', async () => {
    const jory = await shop.visitor('jory');
    const job = await jory.job('Luggage tug');
    const answer = await sign(jory, job.number, 'acPower', 3000);
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toContain('Choose a design');
    expect((await jory.job('Luggage tug')).checks).toEqual([]);
  });
  test('confirmations are yes or no; unknown checks are refused', async () => {
    const jory = await shop.visitor('jory');
    const job = await jory.job('Bakery van');
    expect((await sign(jory, job.number, 'torqueMarks', 5)).body.fields.value).toContain('confirmed');
    expect((await sign(jory, job.number, 'torqueMarks', 1)).body.verdict).toBe('passed');
    expect((await sign(jory, job.number, 'charm', 1)).body.fields.checkId).toBe('Check is not one of the choices.');
  });
  test('what is signed is never changed', async () => {
    await expect(shop.pool().query("update check_result set verdict = 'passed'")).rejects.toThrow(
      /kept as it was written/,
    );
    await expect(shop.pool().query('delete from check_result')).rejects.toThrow(/kept as it was written/);
  });
  test('the PDF is a PDF with every page of it', async () => {
    const odo = await shop.visitor('odo');
    const job = await odo.job('Fire tender');
    const answer = await odo
      .get(`/jobs/${job.number}/sign-off.pdf`)
      .buffer(true)
      .parse((res, done) => {
        const chunks: Buffer[] = [];
        res.on('data', (chunk: Buffer) => chunks.push(chunk));
        res.on('end', () => done(null, Buffer.concat(chunks)));
      });
    const pdf = answer.body as Buffer;
    expect(answer.headers['content-disposition']).toContain(`sign-off-${job.number}.pdf`);
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pdf.toString('latin1')).toContain('%%EOF');
    expect(pdf.length).toBeGreaterThan(10_000);
    expect(job.checks.length).toBeLessThan(CHECKS.length);
  });
});

describe('what is released or written stays', () => {
  test('a released kit revision and its lines', async () => {
    await expect(shop.pool().query("update kit_revision set revision = 'Z' where id = 'wren-kit-c'")).rejects.toThrow(
      /never changes/,
    );
    await expect(shop.pool().query("delete from kit_line where revision_id = 'wren-kit-c'")).rejects.toThrow(
      /never changes/,
    );
    await shop.pool().query("update kit_line set quantity = quantity where revision_id = 'wren-kit-d'");
  });
  test('every change left an event with who, what and the job', async () => {
    const { rows } = await shop
      .pool()
      .query(
        "select p.name, e.what, e.job_number, e.after from event e join person p on p.id = e.person_id where e.resource = 'check' order by e.id",
      );
    expect(rows.length).toBeGreaterThan(4);
    expect(rows[0]).toMatchObject({ name: 'Jory Opie', what: 'signed Clearance to moving parts: passed' });
    await expect(shop.pool().query("update event set what = 'nothing'")).rejects.toThrow(/kept as it was written/);
  });
});
