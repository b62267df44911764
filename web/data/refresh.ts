import { mutate } from 'swr';
import { pathOf } from '../../contract/address.ts';
import { type EventResource, PIECES_OF, type Touched } from '../../contract/changes.ts';
import { type JobPiece, type JobSheet, jobsAddress } from '../../contract/job.ts';
import { ask } from './client.ts';
import { keys, openJobs, withTodaysDesigns } from './resources.ts';

/** Notes of one moment are taken together. */
const GATHER_MS = 25;

/** The same object where nothing changed, so that what reads it is left alone. */
function keepSame<T>(before: T, after: T): T {
  return JSON.stringify(before) === JSON.stringify(after) ? before : after;
}

/** Puts a piece into a sheet; fields that say the same stay the objects they were. */
export function withPiece(sheet: JobSheet, piece: JobPiece, value: unknown): JobSheet {
  const fields = withTodaysDesigns(piece === 'head' ? (value as Partial<JobSheet>) : { [piece]: value });
  const kept = Object.entries(fields).map(([name, after]) => [name, keepSame(sheet[name as keyof JobSheet], after)]);
  const next = { ...sheet, ...(Object.fromEntries(kept) as Partial<JobSheet>) };
  return Object.entries(next).every(([name, field]) => sheet[name as keyof JobSheet] === field) ? sheet : next;
}

/** The newest asking for each piece of each job: an answer that was overtaken by a later one is not put in. */
const asked = new Map<string, number>();
let askings = 0;

/**
 * Asks for pieces of a job again and puts them into its sheet, if a page has it open. While the whole sheet is on its way
 * (at first, or after a cut) it is asked for again whole: a piece put in meanwhile would make it be thrown away.
 */
async function refreshPieces(job: string, pieces: ReadonlySet<JobPiece>): Promise<void> {
  if (!openJobs.has(job)) return;
  const mine = ++askings;
  for (const piece of pieces) asked.set(`${job} ${piece}`, mine);
  const whole = () => openJobs.get(job) !== 'settled';
  if (whole()) {
    await mutate(keys.job(job));
    return;
  }
  const fresh = await Promise.all(
    [...pieces].map(async (piece) => [piece, await ask<unknown>(pathOf(jobsAddress[piece], { number: job }))] as const),
  );
  if (whole()) {
    await mutate(keys.job(job));
    return;
  }
  const newest = fresh.filter(([piece]) => asked.get(`${job} ${piece}`) === mine);
  // Put in at one stroke: of two that wait for each other, the first would be dropped.
  await mutate<JobSheet>(
    keys.job(job),
    (sheet) => sheet && newest.reduce((grown, [piece, value]) => withPiece(grown, piece, value), sheet),
    { revalidate: false },
  );
}

/** What the library tells of: parts lines hold stock. */
const OF_LIBRARY: ReadonlySet<EventResource> = new Set([
  'parts',
  'component',
  'variant',
  'kit',
  'order',
  'stock',
  'sale',
]);

const waiting = new Map<string, Set<JobPiece>>();
let gathering: Promise<void> | null = null;

/**
 * Refreshes what these things touch; resolves when it is there, or could not be had: what was stored is stored, whether or
 * not it can be shown at once. Lists follow without being waited for.
 */
export async function refreshTouched(touched: readonly Touched[]): Promise<void> {
  for (const { job, resource } of touched) {
    // A client's name stands on every job of theirs, a plan gives each its day; which those are the note does not say.
    const all = resource === 'client' || resource === 'workPlan';
    const of = job !== null ? [job] : all ? [...openJobs.keys()] : [];
    for (const number of of) waiting.set(number, new Set([...(waiting.get(number) ?? []), ...PIECES_OF[resource]]));
    if (resource === 'workshop') void mutate('/session').catch(() => {});
    if (resource === 'person') void mutate(keys.people).catch(() => {});
    if (OF_LIBRARY.has(resource)) void mutate(keys.library).catch(() => {});
  }
  void mutate(keys.jobs).catch(() => {});
  // Histories that are open follow.
  void mutate(
    (key) =>
      typeof key === 'string' &&
      /\/(events|history|price|actual|client-page|fabrication|series|condition)$|\/files(\/|$)|^\/(clients|vehicles|variants|catalogue|components|kits|stage-templates|orders|approvals|stores|purchases|suppliers|offer-rounds|sales|own-vehicles|work-plan|absences|my\/(clock|calendars)|hours|tools)/.test(
        key,
      ),
  ).catch(() => {});
  gathering ??= new Promise<void>((done) => setTimeout(done, GATHER_MS)).then(async () => {
    gathering = null;
    const all = [...waiting];
    waiting.clear();
    // The Floor and the own clock first: the top bar and its key go by them, and they must not lag behind a stage.
    await Promise.all([keys.floor, keys.clock].map((key) => mutate(key).catch(() => {})));
    // A sheet whose pieces cannot be had now is asked for whole when the page looks again.
    await Promise.all(all.map(([job, pieces]) => refreshPieces(job, pieces).catch(() => void mutate(keys.job(job)))));
  });
  await gathering;
}

/** Everything a page has is asked for again: notes may have been missed. */
export const refreshAll = (): Promise<unknown> =>
  mutate((key) => typeof key === 'string' && key !== '/session').catch(() => {});

export const isResource = (name: string): name is EventResource => name in PIECES_OF;
