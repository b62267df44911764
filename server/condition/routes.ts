import { and, eq, isNull, sql } from 'drizzle-orm';
import { type ConditionSheet, conditionAddress } from '../../contract/condition.ts';
import { hasRole } from '../../contract/rights.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { custody, dashLine, inspection, serviceLock, settingsVersion, stage } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { instantText } from '../read/instant.ts';

const list = (entry: string, from: string, order: string) =>
  `(select coalesce(json_agg(${entry} order by ${order}), '[]'::json) from ${from})`;

const SHEET = sql.raw(`
  (select json_build_object('id', l.id, 'byId', l.by_id, 'by', p.name, 'at', ${instantText('l.at')}, 'key', l.key)
    from service_lock l join person p on p.id = l.by_id where l.job_id = j.id and l.off_at is null) as lock,
  ${list(
    `json_build_object('id', i.id, 'kind', i.kind, 'what', i.what, 'points', i.points, 'note', i.note, 'by', p.name, 'at', ${instantText('i.at')})`,
    'inspection i join person p on p.id = i.by_id where i.job_id = j.id',
    'i.at desc, i.id',
  )} as inspections,
  ${list(
    `json_build_object('id', c.id, 'holder', c.holder, 'what', c.what, 'from', ${instantText('c."from"')}, 'dueBack', ${instantText('c.due_back')},
      'list', c.list, 'by', p.name, 'backAt', ${instantText('c.back_at')}, 'backBy', (select b.name from person b where b.id = c.back_by_id),
      'backNote', c.back_note)`,
    'custody c join person p on p.id = c.by_id where c.job_id = j.id',
    'c."from" desc, c.id',
  )} as custody,
  ${list(
    `json_build_object('id', s.id, 'unit', s.unit, 'firmware', s.firmware, 'values', s.values, 'why', s.why, 'by', p.name,
      'at', ${instantText('s.at')}, 'jobNumber', (select number from job where id = s.job_id))`,
    'settings_version s join person p on p.id = s.by_id where s.vehicle_id = j.vehicle_id',
    's.at desc, s.id',
  )} as settings,
  ${list(
    `json_build_object('id', d.id, 'kind', d.kind, 'name', d.name, 'signal', d.signal, 'driver', d.driver, 'face', d.face, 'unit', d.unit,
      'points', d.points, 'tolerance', d.tolerance, 'by', p.name, 'version', d.version)`,
    'dash_line d join person p on p.id = d.by_id where d.vehicle_id = j.vehicle_id and d.dropped_at is null',
    'd.at, d.id',
  )} as dash`);

async function conditionOf(db: Db | Tx, number: string): Promise<ConditionSheet> {
  const { rows } = await db.execute<ConditionSheet & Record<string, unknown>>(
    sql`select ${SHEET} from job j where j.number = ${number}`,
  );
  return one(rows, 'job');
}

export const conditionEndpoints = [
  serve(conditionAddress.sheet, ({ db, params }) => conditionOf(db, params.number)),
  serve(conditionAddress.lock, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const [there] = await tx
        .select()
        .from(serviceLock)
        .where(and(eq(serviceLock.jobId, stored.id), isNull(serviceLock.offAt)));
      if (there) throw new RuleBroken('The service switch is locked open already.');
      const { id } = made(
        await tx
          .insert(serviceLock)
          .values({ jobId: stored.id, byId: person.id, at: now(), key: body.key })
          .returning(),
      );
      // What was confirmed live is not any more: the circuit is open.
      await tx
        .update(stage)
        .set({ hvConfirmed: false })
        .where(and(eq(stage.jobId, stored.id), eq(stage.hvConfirmed, true)));
      await log({ what: 'locked the service switch open', resource: 'stage', id, job: stored.number, after: body });
      return { id };
    }),
  ),
  serve(conditionAddress.unlock, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const seen = one(await tx.select().from(serviceLock).where(eq(serviceLock.id, params.id)), 'lock');
      const stored = await lock({ id: seen.jobId });
      const own = one(await tx.select().from(serviceLock).where(eq(serviceLock.id, params.id)), 'lock');
      if (own.offAt) throw new RuleBroken('This lock is off already.');
      const mine = own.byId === person.id;
      if (!mine && !hasRole(person.role, 'manager'))
        throw new RuleBroken('Only who locked it takes the lock off, or a manager who knows that nobody is behind it.');
      if (!mine && body.why.length < 3)
        throw new BadInput({ why: 'Say how you know that nobody works behind it any more.' });
      await tx
        .update(serviceLock)
        .set({ offById: person.id, offAt: now(), offWhy: body.why })
        .where(eq(serviceLock.id, own.id));
      const what = mine
        ? 'took the lock off the service switch'
        : `took somebody’s lock off the service switch: ${body.why}`;
      await log({ what, resource: 'stage', id: own.id, job: stored.number, after: body });
      return { id: own.id };
    }),
  ),
  serve(conditionAddress.inspect, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const { id } = made(
        await tx
          .insert(inspection)
          .values({ ...body, jobId: stored.id, byId: person.id, at: now() })
          .returning(),
      );
      const failed = Object.entries(body.points).flatMap(([key, verdict]) => (verdict === 'failed' ? [key] : []));
      if (failed.length > 0)
        await tx
          .update(stage)
          .set({ hvConfirmed: false })
          .where(and(eq(stage.jobId, stored.id), eq(stage.hvConfirmed, true)));
      const what = `looked at ${body.what}: ${failed.length > 0 ? `${failed.join(', ')} failed` : 'good'}`;
      await log({ what, resource: 'condition', id, job: stored.number, after: body });
      return { id };
    }),
  ),
  serve(conditionAddress.handOut, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const [out] = await tx
        .select()
        .from(custody)
        .where(and(eq(custody.jobId, stored.id), isNull(custody.backAt)));
      if (out) throw new RuleBroken(`${out.holder} has it. Take it back first.`);
      const from = now();
      if (body.dueBack !== null && new Date(body.dueBack) <= from)
        throw new BadInput({ dueBack: 'Due back lies behind us.' });
      const { id } = made(
        await tx
          .insert(custody)
          .values({
            ...{ jobId: stored.id, holder: body.holder, what: body.what, from, byId: person.id },
            dueBack: body.dueBack === null ? null : new Date(body.dueBack),
            list: body.list.map((what) => ({ what, back: null })),
          })
          .returning(),
      );
      await log({ what: `handed it to ${body.holder}`, resource: 'condition', id, job: stored.number, after: body });
      return { id };
    }),
  ),
  serve(conditionAddress.back, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const seen = one(await tx.select().from(custody).where(eq(custody.id, params.id)), 'handing over');
      const stored = await lock({ id: seen.jobId });
      const own = one(await tx.select().from(custody).where(eq(custody.id, params.id)), 'handing over');
      if (own.backAt) throw new RuleBroken('It is back already.');
      if (body.back.length !== own.list.length)
        throw new BadInput({ back: 'Say of each thing on the list whether it came back.' });
      const items = own.list.map(({ what }, i) => ({ what, back: body.back[i]! }));
      const lost = items.filter(({ back }) => !back).map(({ what }) => what);
      if (lost.length > 0 && body.note.length < 3)
        throw new BadInput({ note: `Say what became of ${lost.join(', ')}.` });
      await tx
        .update(custody)
        .set({ list: items, backAt: now(), backById: person.id, backNote: body.note })
        .where(eq(custody.id, own.id));
      const what = `took it back from ${own.holder}${lost.length > 0 ? `, without ${lost.join(', ')}` : ''}`;
      await log({ what, resource: 'condition', id: own.id, job: stored.number, after: body });
      return { id: own.id };
    }),
  ),
  serve(conditionAddress.set, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const { id } = made(
        await tx
          .insert(settingsVersion)
          .values({ ...body, vehicleId: stored.vehicleId, jobId: stored.id, byId: person.id, at: now() })
          .returning(),
      );
      await log({
        what: `set the ${body.unit}: ${body.why}`,
        resource: 'condition',
        id,
        job: stored.number,
        after: body,
      });
      return { id };
    }),
  ),
  serve(conditionAddress.addDash, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const { id } = made(
        await tx
          .insert(dashLine)
          .values({ ...body, vehicleId: stored.vehicleId, jobId: stored.id, byId: person.id, at: now() })
          .returning(),
      );
      await log({
        what: `put ${body.name} on the dash sheet`,
        resource: 'condition',
        id,
        job: stored.number,
        after: body,
      });
      return { id };
    }),
  ),
  serve(conditionAddress.changeDash, ({ change, params, body: { version: seen, ...body }, person }) =>
    change(async ({ tx, log, job: lock }) => {
      const before = one(await tx.select().from(dashLine).where(eq(dashLine.id, params.id)), 'line of the dash sheet');
      const stored = await lock({ id: before.jobId });
      const own = one(await tx.select().from(dashLine).where(eq(dashLine.id, params.id)), 'line of the dash sheet');
      if (own.version !== seen)
        throw new Stale((await conditionOf(tx, stored.number)).dash.find(({ id }) => id === own.id));
      if (own.droppedAt) throw new RuleBroken('This line was taken off the dash sheet.');
      const version = seen + 1;
      await tx
        .update(dashLine)
        .set({ ...body, byId: person.id, version })
        .where(eq(dashLine.id, own.id));
      await log({
        what: `changed ${body.name} on the dash sheet`,
        resource: 'condition',
        id: own.id,
        job: stored.number,
        before: own,
        after: body,
      });
      return { version };
    }),
  ),
  serve(conditionAddress.dropDash, ({ change, params, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const before = one(await tx.select().from(dashLine).where(eq(dashLine.id, params.id)), 'line of the dash sheet');
      const stored = await lock({ id: before.jobId });
      const [row] = await tx
        .update(dashLine)
        .set({ droppedAt: now() })
        .where(and(eq(dashLine.id, params.id), isNull(dashLine.droppedAt)))
        .returning();
      if (!row) throw new RuleBroken('This line was taken off already.');
      await log({ what: `took ${row.name} off the dash sheet`, resource: 'condition', id: row.id, job: stored.number });
      return { id: row.id };
    }),
  ),
];
