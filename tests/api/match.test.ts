import { describe, expect, test } from 'vitest';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
const decide = (who: Visitor, number: string, rule: string, subject: string, decision: string, reason = '') =>
  who.send('post', `/jobs/${number}/decisions`, { rule, subject, decision, reason });

describe('what Match asks for, taken into the job', () => {
  test('is a step with its hours, on the price and in the stages, and is taken back by one action', async () => {
    const ilse = await shop.visitor('ilse');
    const van = await ilse.job('Bakery van');
    const dials = 'speedometer, fuel gauge, water temperature, charge lamp';
    expect((await decide(ilse, van.number, 'deadInstruments', dials, 'accepted')).status).toBe(200);
    const after = await ilse.job('Bakery van');
    expect(after.matchHours).toBe(4);
    const stage = after.stages.find(({ name }) => name === 'Work that Match asks for')!;
    expect(stage).toMatchObject({ hours: 4, state: 'waiting' });
    expect(stage.steps.map(({ text }) => text)).toEqual([`Dials driven and proved: ${dials}`]);
    const [decision] = after.decisions;
    expect(decision).toMatchObject({ decision: 'accepted', by: 'Ilse Marrow', work: { hours: 4 } });
    // The same again adds nothing.
    await decide(ilse, van.number, 'deadInstruments', dials, 'accepted');
    expect((await ilse.job('Bakery van')).matchHours).toBe(4);
    const inlet = 'Inlet type 2, 32 A three-phase';
    await decide(ilse, van.number, 'inletPlace', inlet, 'accepted');
    expect((await ilse.job('Bakery van')).stages.find(({ id }) => id === stage.id)).toMatchObject({ hours: 7 });
    expect((await decide(ilse, van.number, 'inletPlace', inlet, 'takenBack')).status).toBe(200);
    expect((await decide(ilse, van.number, 'inletPlace', inlet, 'takenBack')).status).toBe(200);
    await decide(ilse, van.number, 'deadInstruments', dials, 'takenBack');
    const back = await ilse.job('Bakery van');
    expect(back.matchHours).toBe(0);
    expect(back.stages.map(({ id }) => id)).not.toContain(stage.id);
    // Taken in anew after that, it is there once.
    await decide(ilse, van.number, 'deadInstruments', dials, 'accepted', 'once more');
    expect((await ilse.job('Bakery van')).stages.filter(({ name }) => /Match/.test(name))).toHaveLength(1);
  });
  test('caps the torque of the chosen design and gives it back', async () => {
    const ilse = await shop.visitor('ilse');
    const capOf = async () => {
      const job = await ilse.job('Hotel shuttle');
      return job.designs.find(({ id }) => id === job.chosenDesignId)!.inputs.torqueCapNm;
    };
    const shuttle = await ilse.job('Hotel shuttle');
    // Its design is sold and never changes: another is made and chosen.
    const { inputs } = shuttle.designs.find(({ id }) => id === shuttle.chosenDesignId)!;
    const { body: made } = await ilse.send('post', `/jobs/${shuttle.number}/designs`, { name: 'B, capped', inputs });
    const choice = { designId: made.id, version: shuttle.version };
    expect((await ilse.send('put', `/jobs/${shuttle.number}/chosen-design`, choice)).status).toBe(200);
    const before = await capOf();
    expect((await decide(ilse, shuttle.number, 'drivelineTorque', 'rear axle pinion', 'accepted')).status).toBe(200);
    const work = (await ilse.job('Hotel shuttle')).decisions.at(-1)!.work!;
    expect(await capOf()).toBe(Math.floor(work.capNm!));
    await decide(ilse, shuttle.number, 'drivelineTorque', 'rear axle pinion', 'takenBack');
    expect(await capOf()).toBe(before);
  });
  test('goes into the stages when they are made later, with the kit’s own', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Ice-cream van');
    const kit = { revisionId: 'wren-kit-d', options: ['keep-boot'], version: job.version };
    expect((await ilse.send('put', `/jobs/${job.number}/kit`, kit)).status).toBe(200);
    await decide(ilse, job.number, 'inletPlace', 'Inlet type 2, 32 A three-phase', 'accepted');
    expect((await ilse.job('Ice-cream van')).matchHours).toBe(3);
    await sql("update job set state = 'agreed' where number = $1", [job.number]);
    const { body } = await ilse.send('post', `/jobs/${job.number}/stages/from-kit`);
    expect(body.stages).toBe(17);
    const made = (await ilse.job('Ice-cream van')).stages;
    expect(made).toHaveLength(18);
    expect(made.at(-1)).toMatchObject({ name: 'Work that Match asks for', hours: 3 });
    expect(made.find(({ key }) => key === 'rear-box')!.steps.some(({ limit }) => limit?.source === '')).toBe(true);
  });
  test('going against a rule wants a reason and a manager, and stays in sight', async () => {
    const ilse = await shop.visitor('ilse');
    const van = await ilse.job('Bakery van');
    expect((await decide(ilse, van.number, 'bayMass', 'rear', 'overridden')).body.fields.reason).toMatch(
      /taken all the same/,
    );
    const jory = await shop.visitor('jory');
    expect((await decide(jory, van.number, 'bayMass', 'rear', 'overridden', 'it held before')).status).toBe(403);
    expect((await decide(ilse, van.number, 'bayMass', 'rear', 'overridden', 'it held before')).status).toBe(200);
    const pdf = await ilse.get(`/jobs/${van.number}/sign-off.pdf`);
    expect(pdf.status).toBe(200);
  });
  test('what nobody decided cannot be taken back', async () => {
    const ilse = await shop.visitor('ilse');
    const van = await ilse.job('Bakery van');
    expect((await decide(ilse, van.number, 'coupling', 'nothing', 'takenBack')).status).toBe(422);
  });
});
