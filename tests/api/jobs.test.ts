import { describe, expect, test } from 'vitest';
import type { BriefLineBody } from '../../contract/brief.ts';
import type { NewJob } from '../../contract/jobChange.ts';
import { dayNumber } from '../../core/quantity/format.ts';
import { inDays } from '../day.ts';
import { openWorkshop } from './workshop.ts';

const shop = openWorkshop();
const wish = (change: Partial<BriefLineBody> & Pick<BriefLineBody, 'kind'>): BriefLineBody => ({
  firm: false,
  amount: null,
  school: null,
  tolerance: null,
  text: '',
  done: false,
  ...change,
});
const body = (change: Partial<NewJob> = {}): NewJob => ({
  clientName: 'Cable Ferry',
  clientContact: 'the slip',
  title: 'Ferry van',
  variantId: 'wren-11',
  builtYear: 1970,
  chassisNumber: '50123',
  registration: 'CF-1',
  colour: 'grey',
  brief: [wish({ kind: 'rangeRound', firm: true, amount: 80 }), wish({ kind: 'free', text: 'keep the ladder rack' })],
  ...change,
});

describe('a new job', () => {
  test('gets the next number, its vehicle and its brief', async () => {
    const ilse = await shop.visitor('ilse');
    const before = ((await ilse.get('/jobs')).body as { number: string }[])[0]!.number;
    const made = await ilse.send('post', '/jobs', body());
    expect(made.status).toBe(200);
    expect(Number(made.body.number.split('-')[1])).toBe(Number(before.split('-')[1]) + 1);
    const job = (await ilse.get(`/jobs/${made.body.number}`)).body;
    expect(job).toMatchObject({
      title: 'Ferry van',
      state: 'enquiry',
      client: { name: 'Cable Ferry' },
      chosenDesignId: null,
      designs: [],
      parts: [],
      stages: [],
    });
    expect(job.brief.map((line: BriefLineBody) => line.kind)).toEqual(['rangeRound', 'free']);
  });
  test('two at once get two numbers', async () => {
    const ilse = await shop.visitor('ilse');
    const made = await Promise.all([1, 2, 3, 4].map((n) => ilse.send('post', '/jobs', body({ title: `Van ${n}` }))));
    expect(new Set(made.map((answer) => answer.body.number)).size).toBe(4);
  });
  test('the same request sent twice makes one job', async () => {
    const ilse = await shop.visitor('ilse');
    const headers = { 'Idempotency-Key': 'twice-1' };
    const [a, b] = await Promise.all([
      ilse.send('post', '/jobs', body({ title: 'Once' }), headers),
      ilse.send('post', '/jobs', body({ title: 'Once' }), headers),
    ]);
    expect(a.body.number).toBe(b.body.number);
    const rows = (await ilse.get('/jobs')).body as { title: string }[];
    expect(rows.filter((row) => row.title === 'Once')).toHaveLength(1);
    const tove = await shop.visitor('soren');
    expect((await tove.send('post', '/jobs', body(), headers)).status).toBe(403);
  });
  test.each([
    ['no client', body({ clientName: ' ' }), 'clientName', 'Client is needed.'],
    [
      'chassis number too short for its year',
      body({ variantId: 'fourteen-short', builtYear: 1984, chassisNumber: '123' }),
      'chassisNumber',
      'Chassis number has 17 characters from 1981 on: count again, or correct the year.',
    ],
    [
      'letter O in a chassis number',
      body({ variantId: 'fourteen-short', builtYear: 1984, chassisNumber: 'PF14S82AOCK004417' }),
      'chassisNumber',
      'Chassis number of 17 characters has no I, O or Q, and only letters and digits.',
    ],
    [
      'year the variant was not built',
      body({ builtYear: 1990, chassisNumber: 'PF14S82A0CK004417' }),
      'builtYear',
      'This variant was built from 1968 to 1974. Correct the year or choose another variant.',
    ],
    ['model not in the library', body({ variantId: 'wren-99' }), 'variantId', 'Choose a model from the library.'],
    [
      'date in the past',
      body({ brief: [wish({ kind: 'readyBy', amount: dayNumber(inDays(-326)) })] }),
      'brief.0.amount',
      /^The date is in the past: today is /,
    ],
    [
      'line without its amount',
      body({ brief: [wish({ kind: 'topSpeed' })] }),
      'brief.0.amount',
      'Amount is needed for this line.',
    ],
    [
      'amount of the wrong size',
      body({ brief: [wish({ kind: 'rangeRound', amount: 90_000 })] }),
      'brief.0.amount',
      /outside what can be/,
    ],
    [
      'share without a school',
      body({ brief: [wish({ kind: 'axleShare' })] }),
      'brief.0.school',
      'Axle shares need a school and a tolerance.',
    ],
    ['empty wish', body({ brief: [wish({ kind: 'free' })] }), 'brief.0.text', 'Wish is needed in words.'],
    ['control characters', body({ colour: 'grey\u0000' }), 'colour', 'Colour has a character that cannot be stored.'],
  ])('refuses %s at its field and stores nothing', async (_what, sent, field, sentence) => {
    const ilse = await shop.visitor('ilse');
    const before = ((await ilse.get('/jobs')).body as unknown[]).length;
    const answer = await ilse.send('post', '/jobs', sent);
    expect(answer.status).toBe(400);
    if (typeof sentence === 'string') expect(answer.body.fields[field]).toBe(sentence);
    else expect(answer.body.fields[field]).toMatch(sentence);
    expect(((await ilse.get('/jobs')).body as unknown[]).length).toBe(before);
  });
});

describe('the brief', () => {
  test('lines are added, changed from a known version, and dropped', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Luggage tug');
    const added = await ilse.send(
      'post',
      `/jobs/${job.number}/brief`,
      wish({ kind: 'priceCeiling', amount: 1_500_000 }),
    );
    expect(added.status).toBe(200);
    const changed = await ilse.send('put', `/brief/${added.body.id}`, {
      ...wish({ kind: 'priceCeiling', amount: 1_600_000 }),
      version: 1,
    });
    expect(changed.body.version).toBe(2);
    const stale = await ilse.send('put', `/brief/${added.body.id}`, {
      ...wish({ kind: 'priceCeiling', amount: 1_700_000 }),
      version: 1,
    });
    expect(stale.status).toBe(409);
    expect(stale.body).toMatchObject({ type: '/problems/stale', current: { amount: 1_600_000, version: 2 } });
    expect((await ilse.send('delete', `/brief/${added.body.id}`, { version: 1 })).status).toBe(409);
    expect((await ilse.send('delete', `/brief/${added.body.id}`, { version: 2 })).status).toBe(200);
    expect((await ilse.job('Luggage tug')).brief.some((line) => line.id === added.body.id)).toBe(false);
    expect(
      (await ilse.send('put', `/brief/${added.body.id}`, { ...wish({ kind: 'priceCeiling', amount: 1 }), version: 2 }))
        .status,
    ).not.toBe(200);
  });
  test('use is changed as a whole, with sentences at its fields', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Luggage tug');
    const wrong = await ilse.send('put', `/jobs/${job.number}/use`, {
      use: { ...job.use, payloadKg: -5, round: { lengthKm: 0, stops: 1.5, meanKmh: 10, climbM: 0 } },
      version: job.version,
    });
    expect(wrong.body.fields).toMatchObject({
      'use.payloadKg': 'Load must be at least 0.',
      'use.round.lengthKm': 'Length of the round must be at least 0.5.',
      'use.round.stops': 'Stops must be a whole number.',
    });
    const right = await ilse.send('put', `/jobs/${job.number}/use`, {
      use: { ...job.use, payloadKg: 120 },
      version: job.version,
    });
    expect(right.body.version).toBe(job.version + 1);
    expect((await ilse.send('put', `/jobs/${job.number}/use`, { use: job.use, version: job.version })).status).toBe(
      409,
    );
  });
});

describe('weighing and measured figures', () => {
  const corners = {
    frontLeftKg: 310,
    frontRightKg: 306,
    rearLeftKg: 228,
    rearRightKg: 226,
    state: 'asReceived',
    note: 'half a tank',
  };
  test('four corners are kept with who and when', async () => {
    const jory = await shop.visitor('jory');
    const job = await jory.job('Ice-cream van');
    expect((await jory.send('post', `/jobs/${job.number}/weighings`, corners)).status).toBe(200);
    const after = await jory.job('Ice-cream van');
    expect(after.vehicle.weighings[0]).toMatchObject({ frontLeftKg: 310, by: 'Jory Opie', note: 'half a tank' });
  });
  test.each([
    [{ frontLeftKg: 0 }, 'frontLeftKg', 'Front left must be more than 0 kg.'],
    [{ rearRightKg: -40 }, 'rearRightKg', 'Rear right must be more than 0 kg.'],
    [
      { frontLeftKg: 1500 },
      'frontRightKg',
      'The front axle adds up to 1806 kg, over twice its rating of 840 kg. Was it read in kg, one corner at a time?',
    ],
    [{ rearLeftKg: 10, rearRightKg: 10 }, 'rearRightKg', /under a fifth of the usual/],
    [{ frontLeftKg: null }, 'frontLeftKg', 'Front left is needed.'],
    [{ frontLeftKg: '310 kg' }, 'frontLeftKg', /without unit or comma/],
  ])('masses that cannot be: %j', async (change, field, sentence) => {
    const jory = await shop.visitor('jory');
    const job = await jory.job('Ice-cream van');
    const answer = await jory.send('post', `/jobs/${job.number}/weighings`, { ...corners, ...change });
    expect(answer.status).toBe(400);
    if (typeof sentence === 'string') expect(answer.body.fields[field]).toBe(sentence);
    else expect(answer.body.fields[field]).toMatch(sentence);
  });
  test('a measured figure stands in for the library’s; an impossible one does not', async () => {
    const jory = await shop.visitor('jory');
    const job = await jory.job('Ice-cream van');
    const path = `/jobs/${job.number}/vehicle-figures`;
    expect(
      (await jory.send('put', path, { figure: 'dragCoefficient', value: 0.43, source: 'measured', since: null }))
        .status,
    ).toBe(200);
    const since = (await jory.job('Ice-cream van')).vehicle.measured.dragCoefficient!.at;
    const later = { figure: 'dragCoefficient', value: 0.44, source: 'measured' };
    const blind = await jory.send('put', path, { ...later, since: null });
    expect(blind.status).toBe(409);
    expect(blind.body.current).toMatchObject({ value: 0.43, by: 'Jory Opie' });
    expect((await jory.send('put', path, { ...later, since })).status).toBe(200);
    expect((await jory.job('Ice-cream van')).vehicle.measured.dragCoefficient).toMatchObject({
      value: 0.44,
      source: 'measured',
      by: 'Jory Opie',
    });
    expect(
      (await jory.send('put', path, { figure: 'dragCoefficient', value: 44, source: 'measured', since })).body.fields
        .value,
    ).toMatch(/cannot be/);
    expect((await jory.send('put', path, { figure: 'charm', value: 1, source: 'measured', since })).status).toBe(400);
  });
});

describe('what sources say against each other', () => {
  test('is kept beside what is used, and settled either way with its reason', async () => {
    const jory = await shop.visitor('jory');
    const { number } = await jory.job('Ice-cream van');
    const path = `/jobs/${number}/vehicle-claims`;
    const claims = async () => (await jory.job('Ice-cream van')).vehicle;
    const claim = { figure: 'grossMass', value: 1700, source: 'drawing', says: 'handbook of 1971' };
    const { body: made } = await jory.send('post', path, claim);
    expect((await claims()).claims).toMatchObject([{ ...claim, whyNot: null, by: 'Jory Opie' }]);
    const seen = (await claims()).claims[0]!.at;
    const settle = `${path}/${made.id}/settle`;
    expect((await jory.send('post', settle, { use: true, why: '', since: null, seen })).body.fields.why).toMatch(
      /needed/,
    );
    expect((await jory.send('post', settle, { use: true, why: 'x', since: seen, seen })).status).toBe(409);
    const used = { use: true, why: 'the library has the short wheelbase', since: null, seen };
    expect((await jory.send('post', settle, used)).status).toBe(200);
    const after = await claims();
    expect(after.measured.grossMass).toMatchObject({ value: 1700, source: 'drawing', says: 'handbook of 1971' });
    // What was used until then stays, as what is not used and why.
    expect(after.claims).toMatchObject([
      { figure: 'grossMass', value: 1640, source: 'library', says: 'the library of the model', whyNot: used.why },
    ]);
    expect((await jory.send('post', settle, used)).status).toBe(409);
    expect((await jory.send('post', path, { ...claim, value: -1 })).body.fields.value).toMatch(/cannot be/);
    expect((await jory.send('post', path, { ...claim, says: '' })).body.fields.says).toMatch(/needed/);
    // What the scales say of an axle is not settled away.
    const scales = await shop.visitor('jory');
    const weighed = await scales.job('Bakery van');
    if (weighed.vehicle.weighings.length === 0) throw new Error('the sample has this vehicle weighed');
    const axle = { figure: 'frontAxleMass', value: 500, source: 'drawing', says: 'the maker' };
    const { body: said } = await scales.send('post', `/jobs/${weighed.number}/vehicle-claims`, axle);
    const { at } = (await scales.job('Bakery van')).vehicle.claims.find((one) => one.id === said.id)!;
    const settled = { use: true, why: 'x', since: weighed.vehicle.measured.frontAxleMass?.at ?? null, seen: at };
    const refused = await scales.send('post', `/jobs/${weighed.number}/vehicle-claims/${said.id}/settle`, settled);
    expect(refused.status).toBe(422);
    expect(refused.body.detail).toMatch(/has been weighed/);
    const nobody = `${path}/${'0'.repeat(8)}-0000-4000-8000-${'0'.repeat(12)}/settle`;
    expect((await jory.send('post', nobody, used)).status).toBe(404);
  });
});

describe('what a log showed', () => {
  test('is kept with the vehicle beside what was predicted; nonsense is refused at its field', async () => {
    const jory = await shop.visitor('jory');
    const { number } = await jory.job('Ice-cream van');
    const path = `/jobs/${number}/log-findings`;
    const one = { figure: 'consumption', predicted: 190, measured: 201.5, error: null };
    expect((await jory.send('post', path, { log: 'harbour.csv', findings: [one] })).body).toEqual({ kept: 1 });
    expect((await jory.job('Ice-cream van')).vehicle.findings).toMatchObject([
      { ...one, log: 'harbour.csv', by: 'Jory Opie' },
    ]);
    const faults = async (body: object) => Object.keys((await jory.send('post', path, body)).body.fields);
    expect(await faults({ log: '', findings: [one] })).toEqual(['log']);
    expect(await faults({ log: 'x', findings: [] })).toEqual(['findings']);
    expect(await faults({ log: 'x', findings: [one, one] })).toEqual(['findings.1']);
    expect(await faults({ log: 'x', findings: [{ ...one, error: -1 }] })).toEqual(['findings.0.error']);
    expect(await faults({ log: 'x', findings: [{ ...one, figure: 'charm' }] })).toEqual(['findings.0.figure']);
  });
});

describe('designs', () => {
  test('are made, changed and chosen; what cannot be built is refused at its field', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Ice-cream van');
    const { inputs } = job.designs[0]!;
    const made = await ilse.send('post', `/jobs/${job.number}/designs`, {
      name: 'C, fewer in front',
      inputs: { ...inputs, boxes: inputs.boxes.map((box) => ({ ...box, modules: 3 })) },
    });
    expect(made.status).toBe(200);
    const tooMany = await ilse.send('put', `/designs/${made.body.id}`, {
      name: 'C',
      inputs: { ...inputs, boxes: [{ bay: 'front', modules: 60, shiftMm: 0 }] },
      version: 1,
    });
    expect(tooMany.body.fields['inputs.boxes.0.modules']).toMatch(
      /^60 modules do not go into the front bay: it takes \d+\.$/,
    );
    const noBay = await ilse.send('put', `/designs/${made.body.id}`, {
      name: 'C',
      inputs: { ...inputs, boxes: [{ bay: 'attic', modules: 1, shiftMm: 0 }] },
      version: 1,
    });
    expect(noBay.body.fields['inputs.boxes.0.bay']).toBe('This variant has no bay “attic”.');
    const unequal = await ilse.send('put', `/designs/${made.body.id}`, {
      name: 'C',
      inputs: { ...inputs, strings: 4 },
      version: 1,
    });
    expect(unequal.body.fields['inputs.strings']).toBe('14 modules do not make 4 equal strings.');
    expect((await ilse.send('put', `/designs/${made.body.id}`, { name: 'C', inputs, version: 1 })).body.version).toBe(
      2,
    );
    const stale = await ilse.send('put', `/designs/${made.body.id}`, { name: 'C', inputs, version: 1 });
    expect(stale.body.current).toMatchObject({ name: 'C', version: 2 });
    const chosen = await ilse.send('put', `/jobs/${job.number}/chosen-design`, {
      designId: made.body.id,
      version: (await ilse.job('Ice-cream van')).version,
    });
    expect(chosen.status).toBe(200);
    expect((await ilse.job('Ice-cream van')).chosenDesignId).toBe(made.body.id);
  });
  test('a design of another job cannot be chosen', async () => {
    const ilse = await shop.visitor('ilse');
    const [job, other] = [await ilse.job('Luggage tug'), await ilse.job('Tour car')];
    const answer = await ilse.send('put', `/jobs/${job.number}/chosen-design`, {
      designId: other.designs[0]!.id,
      version: job.version,
    });
    expect(answer.body.fields.designId).toBe('This job has no such design.');
  });
});

describe('kit, cover and decisions', () => {
  test('a kit is taken with its own options only', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Luggage tug');
    const take = (revisionId: string | null, options: string[], version: number) =>
      ilse.send('put', `/jobs/${job.number}/kit`, { revisionId, options, version });
    expect((await take('wren-kit-x', [], job.version)).body.fields.revisionId).toBe('There is no such kit revision.');
    expect((await take('wren-kit-c', ['roof-rack'], job.version)).body.fields.options).toBe(
      'This kit has no such option.',
    );
    const taken = await take('wren-kit-c', ['larger-charger'], job.version);
    expect(taken.status).toBe(200);
    expect((await ilse.job('Luggage tug')).kit).toEqual({ revisionId: 'wren-kit-c', options: ['larger-charger'] });
    expect((await take(null, [], taken.body.version)).status).toBe(200);
  });
  test('a withdrawn revision is not taken', async () => {
    await shop
      .pool()
      .query("update kit_revision set state = 'withdrawn', withdrawn_why = 'cracked' where id = 'lantern-kit-a'");
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Luggage tug');
    expect(
      (
        await ilse.send('put', `/jobs/${job.number}/kit`, {
          revisionId: 'lantern-kit-a',
          options: [],
          version: job.version,
        })
      ).body.detail,
    ).toContain('withdrawn');
  });
  test('gaps are settled with a way, and “not needed” with a reason', async () => {
    const petra = await shop.visitor('petra');
    const job = await petra.job('Bakery van');
    const path = `/jobs/${job.number}/cover`;
    expect(
      (await petra.send('put', path, { function: 'chargeDc', way: 'notNeeded', why: '', was: null })).body.fields.why,
    ).toMatch(/say why/);
    const brought = { way: 'client', why: 'he brings one' };
    expect((await petra.send('put', path, { function: 'chargeDc', ...brought, was: null })).status).toBe(200);
    expect((await petra.job('Bakery van')).cover.chargeDc).toEqual({ way: 'client', why: 'he brings one' });
    const blind = await petra.send('put', path, { function: 'chargeDc', way: 'made', why: '', was: null });
    expect([blind.status, blind.body.current]).toEqual([409, brought]);
    expect((await petra.send('put', path, { function: 'chargeDc', way: null, why: '', was: brought })).status).toBe(
      200,
    );
    expect((await petra.job('Bakery van')).cover.chargeDc).toBeUndefined();
  });
  test('a verdict is overridden by a manager with a reason', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Ice-cream van');
    const path = `/jobs/${job.number}/decisions`;
    expect(
      (
        await ilse.send('post', path, {
          rule: 'mountingPoints',
          subject: 'lower left',
          decision: 'overridden',
          reason: 'x',
        })
      ).status,
    ).toBe(400);
    expect(
      (
        await ilse.send('post', path, {
          rule: 'mountingPoints',
          subject: 'lower left',
          decision: 'overridden',
          reason: 'new cradle on the bench',
        })
      ).status,
    ).toBe(200);
    expect((await ilse.job('Ice-cream van')).decisions[0]).toMatchObject({
      by: 'Ilse Marrow',
      reason: 'new cradle on the bench',
    });
  });
});

describe('where the vehicle stands', () => {
  const put =
    (number: string, placeId: string | null, version: number, promised: string | null = null) =>
    async () =>
      (await shop.visitor('ilse')).send('put', `/jobs/${number}/place`, { placeId, promised, version });
  test('one vehicle to a bay; parked takes many; the promise is a day', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Luggage tug');
    const taken = await put(job.number, 'bay-2', job.version)();
    expect(taken.body.fields.placeId).toMatch(/^Bay 2 holds \d\d-\d{3} Mobile library\. Move that first\.$/);
    expect((await put(job.number, 'roof', job.version)()).body.fields.placeId).toBe('There is no such place.');
    expect((await put(job.number, 'parked', job.version, '2027-13-01')()).body.fields.promised).toMatch(/not a date/);
    const moved = await put(job.number, 'outside', job.version, inDays(49))();
    expect(moved.status).toBe(200);
    expect(await ilse.job('Luggage tug')).toMatchObject({
      placeId: 'outside',
      promised: inDays(49),
      version: job.version + 1,
    });
    expect((await put(job.number, 'parked', job.version)()).status).toBe(409);
  });
  test('of two moved into one free bay at once, one is refused', async () => {
    const ilse = await shop.visitor('ilse');
    const [a, b] = [await ilse.job('Tour car'), await ilse.job('Ice-cream van')];
    const shuttle = await ilse.job('Hotel shuttle');
    expect((await put(shuttle.number, 'parked', shuttle.version)()).status).toBe(200);
    const answers = await Promise.all([put(a.number, 'bay-3', a.version)(), put(b.number, 'bay-3', b.version)()]);
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 400]);
  });
});
