import { and, asc, eq } from 'drizzle-orm';
import { resolveDesign } from '../core/design/resolve.ts';
import { createSheet } from '../core/figures/evaluate.ts';
import { USUAL_USE } from '../core/job/usualUse.ts';
import { kitParts } from '../core/kit/kit.ts';
import { judgeCheck } from '../core/prove/check.ts';
import { CHECKS } from '../core/prove/index.ts';
import { dayNumber } from '../core/quantity/format.ts';
import { seeded } from '../core/spread/seeded.ts';
import { vehicleState } from '../core/vehicle/state.ts';
import type { Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';
import { addLines } from '../server/read/addLines.ts';
import { stepValues } from '../server/read/stepValues.ts';
import { dayFrom } from './dayFrom.ts';
import { type DemoJob, FINISHED, JOBS } from './jobs.ts';
import { loadAgain } from './loadAgain.ts';
import { designOf, LIBRARY, loadDesigns, loadRoute, REVISIONS } from './loadDesigns.ts';
import { MODELS } from './models.ts';
import type { OpenStock } from './stock.ts';
import { spanBefore, type Timetable, timetable } from './timetable.ts';
import { PEOPLE } from './workshop.ts';

/** The job that has its parts list although nothing of it is built. */
const LISTED = 'Ice-cream van';
/** How long after its promise each of the finished ones went out; below nothing: before. */
const DAYS_LATE = [3, -4, 0, 6, -2, 1, -1];
/** Who does live work in the sample: one authorised, and a second person. */
const LIVE_PAIR = ['soren', 'tove'] as const;
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const VARIANTS = new Map(MODELS.flatMap((model) => model.variants).map((variant) => [variant.id, variant]));
const BLANK: DemoJob = {
  ...JOBS[0]!,
  corners: null,
  kitRevisionId: null,
  stagesDone: 99,
  state: 'handedOver',
  placeId: null,
  brief: [],
  snags: [],
  onOrder: [],
  onIt: [],
  chosen: true,
  checksSigned: 0,
};

interface Loading {
  readonly tx: Tx;
  readonly now: Date;
  readonly people: ReadonlyMap<string, string>;
  readonly random: () => number;
  readonly open: OpenStock;
  readonly when: Timetable;
}

/** All jobs of the sample, oldest number first, so that numbers rise with time. */
export async function loadJobs(tx: Tx, now: Date, open: OpenStock): Promise<void> {
  const people = new Map(
    (await tx.select({ id: t.person.id, signIn: t.person.signIn }).from(t.person)).map((p) => [p.signIn, p.id]),
  );
  const loading: Loading = { tx, now, people, random: seeded(7), open, when: timetable() };
  const year = String(now.getUTCFullYear()).slice(2);
  let running = 92;
  const next = () => `${year}-${String(++running).padStart(3, '0')}`;
  for (const [i, old] of FINISHED.entries()) {
    const { kitRevisionId, title, client, variantId } = old;
    const job: DemoJob = {
      ...BLANK,
      title,
      client,
      contact: '',
      variantId,
      year: old.year,
      chassis: `${20_000 + running * 37}`,
      kitRevisionId,
      use: USUAL_USE,
      promisedDays: -old.daysAgo - DAYS_LATE[i % DAYS_LATE.length]!,
    };
    await loadJob(loading, job, next(), old.daysAgo);
  }
  for (const job of [...JOBS].reverse()) await loadJob(loading, job, next(), job.state === 'handedOver' ? 24 : 14);
}

async function loadJob(loading: Loading, job: DemoJob, number: string, daysAgo: number): Promise<void> {
  const { tx, now, people } = loading;
  const ilse = people.get('ilse')!;
  const [client] = await tx.insert(t.client).values({ name: job.client, contact: job.contact }).returning();
  const [vehicle] = await tx
    .insert(t.vehicle)
    .values({
      clientId: client!.id,
      variantId: job.variantId,
      name: job.title,
      chassisNumber: job.chassis,
      registration: job.registration,
      builtYear: job.year,
      colour: job.colour,
    })
    .returning();
  if (job.corners) {
    const [frontLeftKg, frontRightKg, rearLeftKg, rearRightKg] = job.corners;
    await tx.insert(t.weighing).values({
      vehicleId: vehicle!.id,
      frontLeftKg,
      frontRightKg,
      rearLeftKg,
      rearRightKg,
      state: 'asReceived',
      note: 'half a tank, nobody in it',
      byId: people.get('jory')!,
      at: new Date(now.getTime() - (daysAgo + 2) * DAY_MS),
    });
  }
  const promised = job.promisedDays === null ? null : dayFrom(now, job.promisedDays);
  const [row] = await tx
    .insert(t.job)
    .values({
      number,
      vehicleId: vehicle!.id,
      state: job.state,
      placeId: job.placeId,
      promised,
      use: job.use,
      kitRevisionId: job.kitRevisionId,
      kitOptions: [...job.options],
    })
    .returning();
  const today = dayNumber(dayFrom(now, 0));
  const brief = job.brief.map((line, position) => ({
    ...line,
    amount: line.kind === 'readyBy' && line.amount !== null ? today + line.amount : line.amount,
    jobId: row!.id,
    position,
  }));
  if (brief.length > 0) await tx.insert(t.briefLine).values(brief);
  const designId = await loadDesigns(tx, row!.id, job);
  if (job.recordedRoute) await loadRoute(tx, row!.id, job.recordedRoute);
  if (job.stagesDone > 0) await loadStages(loading, row!.id, job, daysAgo);
  if (job.kitRevisionId && job.stagesDone > 0 && job.brief.length > 0)
    await loadParts(loading, row!.id, vehicle!.id, job);
  // One that is being sized has its list already: what is free is held for it, the rest is short.
  if (job.kitRevisionId && job.title === LISTED) {
    const parts = kitParts(REVISIONS.get(job.kitRevisionId)!, LIBRARY, job.variantId, job.options);
    await addLines(
      tx,
      row!.id,
      parts.map(({ component: { id }, quantity, packedIn }) => ({ componentId: id, quantity, packedIn, from: 'kit' })),
    );
  }
  if (job.checksSigned > 0 && designId) await loadChecks(loading, row!.id, job, designId);
  for (const text of job.snags) await tx.insert(t.snag).values({ jobId: row!.id, text, byId: people.get('jory')! });
  await tx
    .insert(t.event)
    .values({ personId: ilse, what: 'opened the job', resource: 'job', resourceId: row!.id, jobNumber: number });
}

async function loadStages(
  { tx, now, people, random, when }: Loading,
  jobId: string,
  job: DemoJob,
  daysAgo: number,
): Promise<void> {
  const template = REVISIONS.get(job.kitRevisionId ?? '')?.stages ?? [];
  const doneCount = Math.min(job.stagesDone, template.length);
  const hands = PEOPLE.filter((p) => p.role === 'technician').map((p) => p.signIn);
  const everyone = hands.map((signIn) => people.get(signIn)!);
  const reworks: { stageId: string; to: Date }[] = [];
  // Finished work fills working days backwards from the day the last stage was finished.
  let cursor = new Date(now.getTime() - (job.state === 'handedOver' ? daysAgo : 1) * DAY_MS);
  cursor.setUTCHours(16, 0, 0, 0);
  const spans: { from: Date; to: Date }[] = [];
  for (let i = doneCount - 1; i >= 0; i--) {
    const hours = template[i]!.hours * (0.8 + 0.5 * random());
    const share = Math.min(7.5, Math.max(0.5, hours / Math.max(1, template[i]!.people)));
    const many = Math.max(1, Math.min(2, template[i]!.people));
    const of = template[i]!.liveHv ? LIVE_PAIR.map((signIn) => people.get(signIn)!) : everyone;
    spans[i] = spanBefore(cursor, share, { of, many }, when);
    cursor = spans[i]!.from;
  }
  for (const [position, { steps, after, traits, ...own }] of template.entries()) {
    const done = position < doneCount;
    const inHand = position === doneCount && job.inHand;
    const span = spans[position];
    const first = own.liveHv ? 'soren' : hands[Math.floor(random() * hands.length)]!;
    const able = (own.liveHv ? LIVE_PAIR : [first, 'ravi', ...hands]).map((signIn) => people.get(signIn)!);
    const crew = span ? [...new Set(when.free(able, span.from, span.to))].slice(0, own.people > 1 ? 2 : 1) : [];
    const lead = crew[0] ?? people.get(first)!;
    for (const id of crew) when.take(id, span!.from, span!.to);
    const started = span?.from ?? (inHand ? new Date(now.getTime() - 2.4 * HOUR_MS) : null);
    const [row] = await tx
      .insert(t.stage)
      .values({
        ...own,
        after: [...after],
        traits: [...traits],
        tools: [...(own.tools ?? [])],
        jobId,
        position,
        state: done ? 'done' : inHand ? 'inHand' : 'waiting',
        startedAt: started,
        finishedAt: done ? span!.to : null,
        finishedById: done ? lead : null,
      })
      .returning();
    const stepRows = await tx
      .insert(t.step)
      .values(steps.map((own, i) => ({ ...stepValues(own), stageId: row!.id, position: i })))
      .returning();
    if (done && span) {
      await tx.insert(t.reading).values(
        stepRows.map((s) => ({
          stepId: s.id,
          value: goodValue(s.limitMin, s.limitMax, random),
          verdict: 'within' as const,
          byId: lead,
          at: span.to,
        })),
      );
      if (random() < 0.12) reworks.push({ stageId: row!.id, to: span.to });
      await tx.insert(t.timeEntry).values(
        crew.map((personId) => ({
          personId,
          stageId: row!.id,
          kind: 'work' as const,
          cause: null,
          from: span.from,
          to: span.to,
        })),
      );
    }
    if (inHand) {
      const since = new Date(now.getTime() - (1.2 + random()) * HOUR_MS);
      for (const signIn of job.onIt)
        await tx.insert(t.timeEntry).values({
          personId: people.get(signIn)!,
          stageId: row!.id,
          kind: 'work',
          cause: null,
          from: since,
          to: null,
        });
    }
  }
  await loadAgain(tx, now, when, everyone, reworks);
}

/** A reading inside its limits, as a person would have written it. */
function goodValue(min: number | null, max: number | null, random: () => number): number {
  if (min === null && max === null) return 1;
  if (min !== null && max !== null) return Math.round(min + (max - min) * (0.3 + 0.4 * random()));
  if (min !== null) return Math.round(min * (1.2 + 0.5 * random()));
  const limit = max ?? 0;
  return limit < 0 ? Math.round(limit * 1.4) : Math.round(limit * (0.4 + 0.4 * random()) * 100) / 100;
}

async function loadParts(
  { tx, now, people, open }: Loading,
  jobId: string,
  vehicleId: string,
  job: DemoJob,
): Promise<void> {
  const revision = REVISIONS.get(job.kitRevisionId!)!;
  const stages = await tx.select().from(t.stage).where(eq(t.stage.jobId, jobId)).orderBy(asc(t.stage.position));
  const done = stages.filter((s) => s.state === 'done').length / Math.max(1, stages.length);
  const parts = kitParts(revision, LIBRARY, job.variantId, job.options);
  for (const [i, { component, quantity, packedIn }] of parts.entries()) {
    const due = job.onOrder.find(([id]) => id === component.id);
    const fitted = !due && i / parts.length < done - 0.15;
    const isFitted = fitted || job.state === 'handedOver';
    const [line] = await tx
      .insert(t.partLine)
      .values({
        ...{ jobId, componentId: component.id, quantity, from: 'kit', packedIn },
        state: due ? 'ordered' : isFitted ? 'fitted' : 'inStores',
        due: due ? dayFrom(now, due[1]) : null,
        fittedById: isFitted ? people.get('jory')! : null,
        fittedAt: isFitted ? new Date(now.getTime() - 2 * DAY_MS) : null,
      })
      .returning();
    if (due) continue;
    // What a line holds in stores stands on the shelf, beside the free stock of the sample; what is fitted is in its vehicle.
    await open({
      ...{ componentId: component.id, kind: component.kind, quantity },
      to: isFitted ? { kind: 'vehicle', of: vehicleId } : 'bin',
      partLineId: line!.id,
      at: new Date(now.getTime() - (isFitted ? 2 : 30) * DAY_MS),
    });
  }
}

async function loadChecks({ tx, now, people }: Loading, jobId: string, job: DemoJob, designId: string): Promise<void> {
  const variant = VARIANTS.get(job.variantId)!;
  const inputs = designOf(job)!;
  const [weighing] = await tx
    .select()
    .from(t.weighing)
    .innerJoin(t.job, eq(t.job.vehicleId, t.weighing.vehicleId))
    .where(and(eq(t.job.id, jobId)));
  const weighed = weighing ? { ...weighing.weighing, by: '', at: '' } : null;
  const work = {
    labourHours: null,
    rateCents: 0,
    todayDay: 0,
    latestPartDay: null,
    remainingHours: null,
    hoursPerDay: 13,
  };
  const sheet = createSheet(
    resolveDesign({
      design: inputs,
      library: LIBRARY,
      vehicle: vehicleState(variant, {}, weighed),
      use: job.use,
      newHoles: null,
      work,
    }),
  );
  for (const [i, check] of CHECKS.slice(0, job.checksSigned).entries()) {
    const limit = check.limit(sheet);
    if (!limit) continue;
    const value = check.kind === null ? 1 : signedValue(limit.min, limit.max);
    const { verdict } = judgeCheck(check, value, sheet);
    if (verdict === 'noLimit') continue;
    await tx.insert(t.checkResult).values({
      jobId,
      checkId: check.id,
      value,
      verdict,
      limitMin: limit.min,
      limitMax: limit.max,
      limitSource: limit.source,
      designId,
      designName: 'A',
      designVersion: 1,
      byId: people.get('soren')!,
      at: new Date(now.getTime() - (30 - i) * HOUR_MS),
    });
  }
}

function signedValue(min: number | null, max: number | null): number {
  if (min !== null && max !== null) return (min + max) / 2;
  return min !== null ? min * 1.25 : (max ?? 0) * 0.7;
}
