import { beforeAll, describe, expect, test } from 'vitest';
import type { KitSheet } from '../../contract/kits.ts';
import type { LessonRow } from '../../contract/lessons.ts';
import type { KitContent } from '../../core/kit/kit.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
let ilse: Visitor;
let jory: Visitor;
beforeAll(async () => {
  ilse = await shop.visitor('ilse');
  jory = await shop.visitor('jory');
});

const kitOf = async (id: string): Promise<KitSheet> => (await ilse.get(`/kits/${id}`)).body;
const revisionOf = async (kit: string, letter: string) =>
  (await kitOf(kit)).revisions.find(({ revision }) => revision === letter)!;
const contentOf = ({
  lines,
  options,
  layout,
  torqueCapNm,
  gear,
  cover,
  exclusions,
  stages,
}: KitContent): KitContent => ({
  ...{ lines, options, layout, torqueCapNm, gear, cover, exclusions, stages },
});
const put = async (letter: string, change: (content: KitContent) => KitContent, note = 'tried') => {
  const revision = await revisionOf('wren-kit', letter);
  const content = change(contentOf(revision));
  return ilse.send('put', `/kit-revisions/${revision.id}`, { content, note, version: revision.version });
};

describe('kits', () => {
  test('are listed with what is released, drawn, carried and waiting', async () => {
    const { body } = await ilse.get('/kits');
    expect(body.find(({ id }: { id: string }) => id === 'wren-kit')).toEqual({
      id: 'wren-kit',
      name: 'Wren front-drive kit',
      modelId: 'ostrel-wren',
      modelName: 'Wren',
      released: 'C',
      draft: 'D',
      jobs: expect.any(Number),
      openJobs: expect.any(Number),
      orders: 2,
      waiting: 2,
      lessons: 2,
    });
    expect((await ilse.get('/kits/no-such-kit')).status).toBe(404);
  });
  test('a draft is changed in place; what is not so is said at its field and nothing is stored', async () => {
    const bad = (change: (content: KitContent) => object) => put('D', change as never).then(({ body }) => body.fields);
    expect(await bad((c) => ({ ...c, lines: [{ ...c.lines[0]!, componentId: 'no-such-part' }] }))).toEqual({
      'lines.0.componentId': 'There is no such component in the catalogue.',
    });
    expect(
      await bad((c) => ({ ...c, lines: [...c.lines.slice(1), { ...c.lines[0]!, appliesWhen: { option: 'gold' } }] })),
    ).toMatchObject({ 'content.lines.32.appliesWhen.option': 'Applies when names an option the kit has not.' });
    expect(await bad((c) => ({ ...c, stages: [{ ...c.stages[0]!, after: ['sign-off'] }] }))).toMatchObject({
      'content.stages.0.after.0': 'After names a stage that is not there.',
    });
    const many = await put('D', (c) => ({ ...c, lines: Array.from({ length: 10_000 }, () => c.lines[0]!) }));
    expect([400, 413]).toContain(many.status);
    expect((await revisionOf('wren-kit', 'D')).version).toBe(1);
    const stale = await revisionOf('wren-kit', 'D');
    expect((await put('D', (c) => ({ ...c, exclusions: [...c.exclusions, 'ferry tickets'] }))).status).toBe(200);
    const second = await ilse.send('put', `/kit-revisions/${stale.id}`, {
      content: contentOf(stale),
      note: '',
      version: stale.version,
    });
    expect([second.status, second.body.current.exclusions.at(-1)]).toEqual([409, 'ferry tickets']);
  });
  test('a released revision takes no change, by page or by hand', async () => {
    const refused = await put('C', (c) => ({ ...c, gear: 3 }));
    expect([refused.status, refused.body.detail]).toEqual([422, expect.stringMatching(/released and stays as it is/)]);
    await expect(sql("update kit_revision set note = 'x' where id = 'wren-kit-c'")).rejects.toThrow(/never changes/);
    await expect(sql("delete from kit_line where revision_id = 'wren-kit-c'")).rejects.toThrow(/never changes/);
    await expect(
      sql(`insert into kit_line (revision_id, position, component_id, quantity, packed_in)
        values ('wren-kit-c', 99, 'vcu', 1, '')`),
    ).rejects.toThrow(/no further line/);
    await expect(sql("update kit_revision set state = 'released' where id = 'wren-kit-a'")).rejects.toThrow(
      /withdrawn/,
    );
  });
  test('a draft is released once everything is so, by a second reader too; then it is withdrawn with a reason', async () => {
    const id = 'wren-kit-d';
    const version = async () => ({ version: (await revisionOf('wren-kit', 'D')).version });
    const release = async () => ilse.send('post', `/kit-revisions/${id}/release`, await version());
    expect((await release()).body.detail).toMatch(
      /Every function covered \(regenLamps\); Every torque and clearance has a source .*; A second reader has signed/,
    );
    await put('D', (c) => ({
      ...c,
      cover: { ...c.cover, regenLamps: { way: 'made', why: 'relay' } },
      stages: c.stages.map((stage) => ({
        ...stage,
        steps: stage.steps.map((step) => ({
          ...step,
          limit: step.limit && { source: 'drawing WK-14', ...step.limit },
        })),
      })),
    }));
    const own = await ilse.send('post', `/kit-revisions/${id}/read`, await version());
    expect([own.status, own.body.detail]).toEqual([422, expect.stringMatching(/Somebody else reads it/)]);
    expect((await jory.send('post', `/kit-revisions/${id}/read`, await version())).status).toBe(200);
    expect((await revisionOf('wren-kit', 'D')).readBy).toBe('Jory Opie');
    // A change after the reading voids it.
    await put('D', (c) => ({ ...c, gear: null }), 'once more');
    expect((await release()).body.detail).toMatch(/still wanted: A second reader has signed/);
    await jory.send('post', `/kit-revisions/${id}/read`, await version());
    expect((await jory.send('post', `/kit-revisions/${id}/release`, await version())).status).toBe(403);
    expect((await release()).status).toBe(200);
    const released = await revisionOf('wren-kit', 'D');
    expect(released).toMatchObject({ state: 'released', releasedBy: 'Ilse Marrow', readBy: 'Jory Opie' });
    const { body } = await ilse.send('post', `/kit-revisions/${id}/withdraw`, { why: '' });
    expect(body.fields.why).toMatch(/is needed|too short/);
    expect((await ilse.send('post', `/kit-revisions/${id}/withdraw`, { why: 'slots too short' })).status).toBe(200);
    const job = await ilse.job('Ice-cream van');
    const taken = await ilse.send('put', `/jobs/${job.number}/kit`, {
      revisionId: id,
      options: [],
      version: job.version,
    });
    expect(taken.body.detail).toMatch(/withdrawn/);
  });
  test('a new revision and a sister kit begin as what they come from, and are known to', async () => {
    const { body: made } = await ilse.send('post', '/kits/wren-kit/revisions', { from: 'wren-kit-c', note: 'again' });
    expect(made.id).toBe('wren-kit-e');
    const [e, c] = [await revisionOf('wren-kit', 'E'), await revisionOf('wren-kit', 'C')];
    expect(contentOf(e)).toEqual(contentOf(c));
    expect(e).toMatchObject({ state: 'draft', basedOn: 'wren-kit-c', changedBy: 'Ilse Marrow', readBy: null });
    const sister = { name: 'Fourteen front kit', variantId: 'fourteen-short', from: 'wren-kit-c' };
    const { body: own } = await ilse.send('post', '/kits', sister);
    expect(own).toEqual({ kit: 'fourteen-front-kit', revision: 'fourteen-front-kit-a' });
    expect((await kitOf(own.kit)).revisions[0]).toMatchObject({ basedOn: 'wren-kit-c', modelName: 'Fourteen' });
    expect((await ilse.send('post', '/kits', sister)).body.fields.name).toBe('There is a kit of this name.');
    const strange = await ilse.send('post', '/kits', { ...sister, name: 'Another', from: 'no-such-kit-a' });
    expect(strange.status).toBe(404);
  });
  test('a client waits once; a promise says what; both end with a reason and stay on record', async () => {
    const kit = await kitOf('wren-kit');
    const client = kit.wishes.find(({ kind }) => kind === 'waiting')!.client!;
    const wish = (body: object) => ilse.send('post', '/kits/wren-kit/wishes', body);
    expect((await wish({ kind: 'waiting', clientId: client.id, text: '' })).body.fields.clientId).toMatch(/already/);
    expect((await wish({ kind: 'waiting', clientId: null, text: '' })).body.fields.clientId).toMatch(/who waits/);
    expect((await wish({ kind: 'promised', clientId: client.id, text: '' })).body.fields.text).toMatch(
      /what was promised/,
    );
    const { body } = await wish({ kind: 'promised', clientId: client.id, text: 'a second gauge face' });
    const end = () => ilse.send('post', `/kit-wishes/${body.id}/end`, { why: 'sent' });
    expect((await end()).status).toBe(200);
    expect((await end()).status).toBe(422);
    expect((await kitOf('wren-kit')).wishes.find(({ id }) => id === body.id)).toMatchObject({ endedWhy: 'sent' });
  });
});

describe('lessons', () => {
  const lessons = async (): Promise<LessonRow[]> => (await ilse.get('/kits/wren-kit/lessons')).body;
  test('are noted on a job, wait at its kit, and are taken into a draft, left, or set aside', async () => {
    const van = await jory.job('Bakery van');
    const stage = van.stages[0]!;
    const noted = await jory.send('post', `/jobs/${van.number}/lessons`, {
      ...{ about: 'stage', aboutId: stage.id, aboutText: stage.name, text: 'Weigh with the doors off' },
      ...{ costHours: 0.5, costCents: null },
    });
    expect(noted.status).toBe(200);
    const mine = (await lessons()).find(({ id }) => id === noted.body.id)!;
    expect(mine).toMatchObject({ kitId: 'wren-kit', state: 'waiting', jobNumber: van.number, by: 'Jory Opie' });
    expect((await jory.job('Bakery van')).lessons.map(({ id }) => id)).toContain(mine.id);
    const settle = (to: string, more: object = {}) =>
      ilse.send('post', `/lessons/${mine.id}/settle`, {
        to,
        revisionId: null,
        why: '',
        version: mine.version,
        ...more,
      });
    expect((await settle('left')).body.fields.why).toMatch(/needed/);
    expect((await settle('taken')).body.fields.revisionId).toMatch(/Choose a draft/);
    expect((await settle('taken', { revisionId: 'wren-kit-c' })).body.fields.revisionId).toMatch(/not released/);
    expect((await settle('taken', { revisionId: 'fourteen-front-kit-a' })).body.fields.revisionId).toMatch(
      /another kit/,
    );
    expect((await settle('aside', { why: 'next winter' })).status).toBe(200);
    expect((await settle('left', { why: 'no' })).status).toBe(409);
    const again = { revisionId: 'wren-kit-e', version: mine.version + 1 };
    expect((await settle('taken', again)).status).toBe(200);
    expect((await lessons()).find(({ id }) => id === mine.id)).toMatchObject({
      ...{ state: 'taken', revisionId: 'wren-kit-e', settledBy: 'Ilse Marrow' },
    });
    expect((await settle('left', { why: 'no', version: mine.version + 2 })).body.detail).toMatch(/settled already/);
  });
  test('of what is handed over can still be noted', async () => {
    const done = await jory.job('Flower van');
    expect(done.state).toBe('handedOver');
    const { status } = await jory.send('post', `/jobs/${done.number}/lessons`, {
      ...{ about: 'job', aboutId: '', aboutText: '', text: 'The bracket cracked after a winter' },
      ...{ costHours: null, costCents: 12_000 },
    });
    expect(status).toBe(200);
  });
});

describe('the register of changes', () => {
  const entry = {
    kind: 'hole',
    what: 'Hole, 8 mm',
    place: 'left inner wing',
    agreedBy: '',
    undo: 'weld shut',
    goes: null,
  };
  test('of a vehicle decides "reversible", wants an agreement for metal, and is undone once', async () => {
    const van = await jory.job('Bakery van');
    const note = (change: object) => jory.send('post', `/jobs/${van.number}/register`, { ...entry, ...change });
    expect((await note({})).body.fields.agreedBy).toMatch(/who agreed/);
    expect((await note({ kind: 'partOut' })).body.fields.goes).toMatch(/shelf, client, sold or scrapped/);
    const made = await note({ agreedBy: 'the client, by telephone' });
    expect(made.status).toBe(200);
    const mine = (await jory.job('Bakery van')).register.find(({ id }) => id === made.body.id)!;
    expect(mine).toMatchObject({ kind: 'hole', undoneAt: null, by: 'Jory Opie' });
    const undo = () =>
      jory.send('post', `/register/${mine.id}/undone`, { how: 'welded, dressed', version: mine.version });
    expect((await undo()).status).toBe(200);
    expect((await undo()).status).toBe(409);
    expect((await jory.job('Bakery van')).register.find(({ id }) => id === mine.id)).toMatchObject({
      undoneHow: 'welded, dressed',
    });
  });
  test('prints as the way-back sheet', async () => {
    const van = await jory.job('Bakery van');
    const pdf = await jory.get(`/vehicles/${van.vehicle.id}/way-back.pdf`);
    expect([pdf.status, pdf.headers['content-type']]).toEqual([200, 'application/pdf']);
    expect((pdf.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    const none = await jory.get('/vehicles/00000000-0000-4000-8000-000000000000/way-back.pdf');
    expect(none.status).toBe(404);
  });
});

describe('a kit as a file', () => {
  const fileOf = async (revision: string) => JSON.parse((await ilse.get(`/kit-revisions/${revision}/file.json`)).text);
  test('out and in again is the same kit, by the components that are here', async () => {
    const file = await fileOf('fourteen-kit-b');
    const own = Object.fromEntries(file.components.map(({ id }: { id: string }) => [id, id]));
    const body = { file, name: 'Fourteen again', variantId: 'fourteen-short', own };
    const { body: made } = await ilse.send('post', '/kits/file', body);
    expect(made).toEqual({ kit: 'fourteen-again', revision: 'fourteen-again-a', added: 0 });
    const again = await fileOf(made.revision);
    expect({ ...again, name: '', revision: '' }).toEqual({ ...file, name: '', revision: '' });
  });
  test('what is not here is taken into the catalogue with it, and the kit means the new ones', async () => {
    const file = await fileOf('lantern-kit-a');
    const components = file.components.map((one: { id: string; component: { name: string } }) => ({
      ...one,
      component: { ...one.component, name: `${one.component.name} of theirs` },
    }));
    const body = { file: { ...file, components }, name: 'Lantern of theirs', variantId: 'lantern-bench', own: {} };
    const { body: made } = await ilse.send('post', '/kits/file', body);
    expect(made.added).toBe(components.length);
    const again = await fileOf(made.revision);
    expect(again.components.map(({ component }: { component: object }) => component)).toEqual(
      components.map(({ component }: { component: object }) => component),
    );
    expect(again.content.lines.map(({ quantity }: { quantity: number }) => quantity)).toEqual(
      file.content.lines.map(({ quantity }: { quantity: number }) => quantity),
    );
    // A second time the names are taken: nothing half is left behind.
    const twice = await ilse.send('post', '/kits/file', { ...body, name: 'Twice' });
    expect([twice.status, (await ilse.get('/kits/twice')).status]).toEqual([400, 404]);
  });
  test('stands for nothing of another kind', async () => {
    const file = await fileOf('lantern-kit-a');
    const own = Object.fromEntries(file.components.map(({ id }: { id: string }) => [id, 'vcu']));
    const answer = await ilse.send('post', '/kits/file', { file, name: 'Odd', variantId: 'lantern-bench', own });
    expect(answer.status).toBe(400);
    expect(Object.values(answer.body.fields)[0]).toMatch(/There is no .* of this id/);
  });
});

describe('a kit and a job', () => {
  test('another revision changes what nobody has ordered or begun, and tells what is over', async () => {
    await sql(
      `update part_line set state = 'missing' where "from" = 'kit' and state = 'inStores'
        and job_id = (select id from job where number = $1)`,
      [(await ilse.job('Bakery van')).number],
    );
    // Two could share what three are now needed for at once.
    await sql("update stage set most_people = 2 where key = 'road'");
    const van = await ilse.job('Bakery van');
    const sister = await ilse.send('post', '/kits/wren-kit/revisions', { from: 'wren-kit-c', note: 'another heater' });
    const draft = await revisionOf('wren-kit', sister.body.id.slice(9).toUpperCase());
    const content = contentOf(draft);
    const fitted = van.parts.find(({ state, from }) => state === 'fitted' && from === 'kit')!;
    const missing = van.parts.find(({ state, from }) => state === 'missing' && from === 'kit')!;
    const lines = content.lines.filter(
      ({ componentId }) => componentId !== missing.componentId && componentId !== fitted.componentId,
    );
    const stages = content.stages.map((stage) => (stage.key === 'road' ? { ...stage, hours: 4, people: 3 } : stage));
    const changed = {
      ...content,
      lines,
      stages: [...stages, { ...stages[0]!, key: 'wash', name: 'Wash it', after: [] }],
    };
    await ilse.send('put', `/kit-revisions/${draft.id}`, { content: changed, note: '', version: draft.version });
    const take = { revisionId: draft.id, options: [], version: van.version };
    expect((await ilse.send('put', `/jobs/${van.number}/kit`, take)).status).toBe(200);
    const after = await ilse.job('Bakery van');
    expect(after.parts.map(({ id }) => id)).not.toContain(missing.id);
    expect(after.parts.map(({ id }) => id)).toContain(fitted.id);
    expect(after.stages.find(({ key }) => key === 'road')).toMatchObject({ hours: 4, people: 3, mostPeople: null });
    expect(after.stages.map(({ key }) => key)).toContain('wash');
    const done = van.stages.find(({ state }) => state === 'done')!;
    expect(after.stages.find(({ id }) => id === done.id)).toEqual(done);
    const { body: events } = await ilse.get(`/jobs/${van.number}/events`);
    expect(events[0].what).toMatch(/in place of wren-kit-c; 1 × .* left over/);
  });
  test('a draft grows out of a finished job: its parts, its stages with the hours they took, without what only it got', async () => {
    const done = await ilse.job('Hotel shuttle');
    const [first] = done.parts;
    const name = 'Shuttle kit';
    const { body: made } = await ilse.send('post', `/jobs/${done.number}/kits`, {
      name,
      onlyThis: [first!.componentId],
    });
    const { revisions } = await kitOf('shuttle-kit');
    expect(made.id).toBe('shuttle-kit-a');
    const [draft] = revisions;
    expect(draft).toMatchObject({ fromJob: done.number, changedBy: 'Ilse Marrow' });
    expect(draft!.lines.map(({ componentId }) => componentId)).not.toContain(first!.componentId);
    const worked = done.stages.find(({ state, hoursClocked }) => state === 'done' && hoursClocked > 0)!;
    const hours = Math.max(0.5, Math.round((worked.hoursClocked - worked.hoursRework) * 2) / 2);
    expect(draft!.stages.find(({ key }) => key === worked.key)!.hours).toBe(hours);
  });
});
