import { describe, expect, test } from 'vitest';
import { PIECES_OF, readTouched, touchedText } from '../../contract/changes.ts';
import { JOB_PARTS, type JobSheet } from '../../contract/job.ts';
import { withPiece } from '../../web/data/refresh.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();

/** What a page has after it put the pieces that a change names into the sheet it had before. */
async function refreshed(who: Visitor, before: JobSheet, heading: string): Promise<JobSheet> {
  let sheet = before;
  for (const { job, resource } of readTouched(heading)) {
    expect(job).toBe(before.number);
    for (const piece of PIECES_OF[resource])
      sheet = withPiece(sheet, piece, (await who.get(`/jobs/${before.number}/${piece}`)).body);
  }
  return sheet;
}

describe('a sheet and its pieces', () => {
  test('the whole is its head and its pieces, each under its own address', async () => {
    const odo = await shop.visitor('odo');
    for (const title of ['Bakery van', 'Fire tender', 'Luggage tug']) {
      const job = await odo.job(title);
      const { body: head } = await odo.get(`/jobs/${job.number}/head`);
      const pieces = await Promise.all(
        JOB_PARTS.map(async (part) => [part, (await odo.get(`/jobs/${job.number}/${part}`)).body] as const),
      );
      const hours = (sheet: JobSheet) => ({
        ...sheet,
        // Whoever is on the clock goes on working between two answers.
        stages: sheet.stages.map((stage) => ({ ...stage, hoursClocked: Math.round(stage.hoursClocked * 100) })),
      });
      expect(hours({ ...head, ...Object.fromEntries(pieces) })).toEqual(hours(job));
    }
  });
  test('a job that is not there has no pieces', async () => {
    const odo = await shop.visitor('odo');
    for (const part of ['head', ...JOB_PARTS]) expect((await odo.get(`/jobs/99-999/${part}`)).status, part).toBe(404);
  });
  test('instants are written in one way, so that what a page saw can be compared', async () => {
    const job = await (await shop.visitor('odo')).job('Fire tender');
    for (const at of [job.checks[0]!.at, job.vehicle.weighings[0]!.at, job.stages[0]!.finishedAt!])
      expect(new Date(at).toISOString()).toBe(at);
  });
});

describe('after a change the pieces it names are all that is to be asked for again', () => {
  const cases: readonly (readonly [string, (job: JobSheet) => readonly ['post' | 'put' | 'delete', string, object]])[] =
    [
      ['a snag', (job) => ['post', `/jobs/${job.number}/snags`, { text: 'a rattle' }]],
      [
        'the use',
        (job) => ['put', `/jobs/${job.number}/use`, { use: { ...job.use, payloadKg: 222 }, version: job.useVersion }],
      ],
      [
        'a place',
        (job) => ['put', `/jobs/${job.number}/place`, { placeId: null, promised: null, version: job.version }],
      ],
      ['a line of the brief', (job) => ['delete', `/brief/${job.brief[0]!.id}`, { version: job.brief[0]!.version }]],
      [
        'a design',
        (job) => {
          const { id, name, inputs, version } = job.designs[0]!;
          return ['put', `/designs/${id}`, { name, inputs: { ...inputs, usableShare: 0.81 }, version }];
        },
      ],
      [
        'a chosen design',
        (job) => ['put', `/jobs/${job.number}/chosen-design`, { designId: job.designs[0]!.id, version: job.version }],
      ],
      [
        'cover',
        (job) => ['put', `/jobs/${job.number}/cover`, { function: 'chargeDc', way: 'made', why: '', was: null }],
      ],
      [
        'a verdict',
        (job) => [
          'post',
          `/jobs/${job.number}/decisions`,
          { rule: 'bayMass', subject: 'x', decision: 'accepted', reason: 'seen' },
        ],
      ],
      [
        'a figure',
        (job) => [
          'put',
          `/jobs/${job.number}/vehicle-figures`,
          { figure: 'track', value: 1300, source: 'measured', since: null },
        ],
      ],
      [
        'a kit',
        (job) => ['put', `/jobs/${job.number}/kit`, { revisionId: 'wren-kit-c', options: [], version: job.version }],
      ],
      ['the parts list', (job) => ['post', `/jobs/${job.number}/parts/fill`, {}]],
      ['stages', (job) => ['post', `/jobs/${job.number}/stages/from-kit`, {}]],
      // Until then it waits for the first of its kind.
      ['standing by itself', (job) => ['put', `/jobs/${job.number}/series`, { first: null, version: job.version }]],
      ['a clock-on', (job) => ['post', `/stages/${job.stages[0]!.id}/clock-on`, { kind: 'work', cause: null }]],
      ['a reading', (job) => ['post', `/steps/${job.stages[0]!.steps[0]!.id}/readings`, { value: 1 }]],
      ['a clock-off', () => ['post', '/clock-off', {}]],
      ['a check', (job) => ['post', `/jobs/${job.number}/checks`, { checkId: 'clearance', value: 31, note: '' }]],
    ];
  test('for everything that is done to a job, in a row', async () => {
    const ilse = await shop.visitor('ilse');
    let before = await ilse.job('Ice-cream van');
    for (const [what, request] of cases) {
      const [method, path, body] = request(before);
      const answer = await ilse.send(method, path, body);
      expect(answer.status, `${what}: ${answer.body.detail}`).toBe(200);
      const heading = answer.headers['dajo-touched'] as string;
      const after = await refreshed(ilse, before, heading);
      const whole = await ilse.job('Ice-cream van');
      const still = (sheet: JobSheet) => ({
        ...sheet,
        stages: sheet.stages.map((s) => ({ ...s, hoursClocked: 0, hoursRework: 0 })),
      });
      expect(still(after), what).toEqual(still(whole));
      before = after;
    }
  });
  test('what did not change stays the object it was; a note leaves a recorded route alone', async () => {
    const ilse = await shop.visitor('ilse');
    const job = await ilse.job('Bakery van');
    const answer = await ilse.send('post', `/jobs/${job.number}/snags`, { text: 'a squeak' });
    expect(answer.headers['dajo-touched']).toBe(`${job.number} snag`);
    const after = await refreshed(ilse, job, answer.headers['dajo-touched']!);
    expect(after.snags).toHaveLength(job.snags.length + 1);
    for (const name of ['use', 'kit', 'vehicle', 'designs', 'stages', 'route'] as const)
      expect(after[name]).toBe(job[name]);
    expect(withPiece(job, 'brief', JSON.parse(JSON.stringify(job.brief)))).toBe(job);
    expect(PIECES_OF.snag).not.toContain('route');
  });
  test('the heading says what it says and no more', () => {
    const touched = [
      { job: '26-101', resource: 'stage' },
      { job: '26-104', resource: 'snag' },
    ] as const;
    expect(readTouched(touchedText(touched))).toEqual(touched);
    expect(readTouched('26-101 moonphase, 26-101 brief')).toEqual([{ job: '26-101', resource: 'brief' }]);
    expect(readTouched('')).toEqual([]);
  });
});
