import Papa from 'papaparse';
import { beforeAll, describe, expect, test } from 'vitest';
import type { StageRow } from '../../contract/stages.ts';
import type { ToolRow } from '../../contract/tools.ts';
import type { WorkPlanSheet } from '../../contract/workPlan.ts';
import { inDays } from '../day.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
let ilse: Visitor;
let jory: Visitor;
let ravi: Visitor;
beforeAll(async () => {
  [ilse, jory, ravi] = [await shop.visitor('ilse'), await shop.visitor('jory'), await shop.visitor('ravi')];
  await sql('update time_entry set "to" = greatest("from", now()) where "to" is null');
});
const tools = async () => (await ilse.get('/tools')).body as ToolRow[];
const toolOf = async (number: string) => (await tools()).find((tool) => tool.number === number)!;
const stageOf = async (key: string): Promise<StageRow> =>
  (await ilse.job('Bakery van')).stages.find((stage) => stage.key === key)!;
const BODY = { kind: 'Multimeter', name: 'Multimeter', number: 'MM-9', calibrated: true, paper: 'c 9', kept: 'crib' };

describe('the register', () => {
  test('takes a tool once by its number, in words as they are asked for', async () => {
    const body = { ...BODY, calibratedUntil: inDays(100) };
    expect((await jory.send('post', '/tools', body)).status).toBe(403);
    expect((await ilse.send('post', '/tools', body)).status).toBe(200);
    expect((await ilse.send('post', '/tools', { ...body, number: 'mm-9' })).body.fields.number).toMatch(/already/);
    expect(await toolOf('MM-9')).toMatchObject({ kind: 'multimeter', heldBy: null, wanted: 0 });
    const wrong = await ilse.send('post', '/tools', { ...body, number: '', calibrated: false });
    expect(wrong.body.fields.calibratedUntil).toMatch(/not calibrated/);
    expect((await ilse.send('post', '/tools', { ...body, calibratedUntil: '2026-02-30' })).status).toBe(400);
  });
  test('says who has it; out of use it is with nobody, and nobody takes it', async () => {
    const before = await toolOf('MM-9');
    const hold = (who: Visitor, taken: boolean, version: number) =>
      who.send('post', `/tools/${before.id}/hold`, { taken, version });
    expect((await hold(jory, true, before.version)).status).toBe(200);
    expect(await toolOf('MM-9')).toMatchObject({ heldBy: 'Jory Opie' });
    expect((await hold(ravi, true, before.version)).status).toBe(409);
    const out = await ravi.send('post', `/tools/${before.id}/out`, { why: 'dropped', version: before.version + 1 });
    expect(out.status).toBe(200);
    expect(await toolOf('MM-9')).toMatchObject({ heldBy: null, outWhy: 'dropped' });
    expect((await hold(jory, true, before.version + 2)).body.detail).toMatch(/dropped/);
  });
  test('goes out as a table', async () => {
    const rows = Papa.parse<Record<string, string>>((await ilse.get('/tools.csv')).text.trim(), { header: true }).data;
    expect(rows).toHaveLength((await tools()).length);
    expect(rows.find((row) => row.Number === 'MM-9')).toMatchObject({ 'Not to be had': 'dropped' });
  });
});

describe('work that takes a tool', () => {
  test('waits for one in calibration, and the plan says so', async () => {
    const stage = await stageOf('connectors');
    expect(stage.tools).toEqual(['hv crimp tool']);
    await sql(
      "update stage set state = 'done', finished_at = now(), finished_by_id = (select id from person limit 1) where job_id = (select job_id from stage where id = $1) and position < (select position from stage where id = $1)",
      [stage.id],
    );
    await sql("update tool set calibrated_until = $1 where kind = 'hv crimp tool'", [inDays(-330)]);
    const on = (kind: string, cause: string | null = null) =>
      jory.send('post', `/stages/${stage.id}/clock-on`, { kind, cause });
    const refused = await on('work');
    expect([refused.status, refused.body.detail]).toEqual([422, expect.stringMatching(/no hv crimp tool/)]);
    expect((await on('waiting', 'part')).status).toBe(200);
    await jory.send('post', '/clock-off', {});
    await ilse.send('post', '/work-plan', {});
    const { plan } = (await ilse.get('/work-plan')).body as WorkPlanSheet;
    expect(plan!.impossible.find(({ stageId }) => stageId === stage.id)?.why).toEqual({
      kind: 'noTool',
      tool: 'hv crimp tool',
    });
    await sql("update tool set calibrated_until = $1 where number = 'HC-1'", [inDays(0)]);
    expect((await on('work')).status).toBe(200);
  });
  test('a reading names what it was taken with: of its kind, to be had, in date', async () => {
    const stage = await stageOf('connectors');
    const step = stage.steps.find(({ limit }) => limit)!;
    await sql("update step set tool = 'micro-ohmmeter' where id = $1", [step.id]);
    const read = (toolId: string | null) => jory.send('post', `/steps/${step.id}/readings`, { value: 0.05, toolId });
    const ohm = await toolOf('MO-1');
    expect((await read(null)).body.fields.toolId).toBe('Say with which micro-ohmmeter.');
    expect((await read((await toolOf('TW-1')).id)).body.fields.toolId).toMatch(/something else/);
    expect((await read('00000000-0000-4000-8000-000000000000')).body.fields.toolId).toMatch(/register/);
    await sql('update tool set calibrated_until = $1 where id = $2', [inDays(-1), ohm.id]);
    expect((await read(ohm.id)).body.fields.toolId).toMatch(/run out/);
    // It was in date when it was read, by whoever could tell it today only.
    const hour = (from: number) => new Date(Date.now() + from * 3_600_000).toISOString();
    await sql('delete from time_entry where "to" is not null');
    await sql('update time_entry set "from" = now() - interval \'30 hours\' where "to" is null');
    const by = (await jory.get('/session')).body.person.id as string;
    const yesterday = { 'Dajo-Made-At': hour(-24), 'Dajo-Clock': hour(0), 'Dajo-Person': by };
    const body = { value: 0.05, toolId: ohm.id };
    expect((await jory.send('post', `/steps/${step.id}/readings`, body, yesterday)).status).toBe(200);
    await sql('update tool set calibrated_until = null where id = $1', [ohm.id]);
    expect((await read(ohm.id)).body.fields.toolId).toMatch(/never been calibrated/);
    await sql('update tool set calibrated_until = $1 where id = $2', [inDays(3), ohm.id]);
    expect((await read(ohm.id)).status).toBe(200);
    expect((await stageOf('connectors')).steps.find(({ id }) => id === step.id)!.reading).toMatchObject({
      tool: 'Micro-ohmmeter MO-1',
    });
  });
  test('a second person signs, never the one who read; until then the stage is not finished', async () => {
    const stage = await stageOf('connectors');
    const [first, second] = stage.steps;
    await sql('update step set second = true where id = $1', [first!.id]);
    const sign = (who: Visitor, id = first!.id) => who.send('post', `/steps/${id}/second`);
    expect((await sign(ravi)).body.detail).toMatch(/nothing to sign/);
    await jory.send('post', `/steps/${first!.id}/readings`, { value: 1 });
    expect((await sign(ravi, second!.id)).body.detail).toMatch(/one signature/);
    expect((await sign(jory)).body.detail).toMatch(/yourself/);
    const finish = async () =>
      jory.send('post', `/stages/${stage.id}/finish`, { version: (await stageOf('connectors')).version });
    expect((await finish()).body.detail).toMatch(/second person/);
    expect((await sign(ravi)).status).toBe(200);
    expect((await sign(ilse)).body.detail).toMatch(/signed already/);
    expect((await stageOf('connectors')).steps[0]!.reading).toMatchObject({ secondBy: 'Ravi Dunmore' });
    // Read again, it wants looking at again.
    await jory.send('post', `/steps/${first!.id}/readings`, { value: 1 });
    expect((await finish()).body.detail).toMatch(/second person/);
    await sign(ravi);
    expect((await finish()).status).toBe(200);
  });
});
