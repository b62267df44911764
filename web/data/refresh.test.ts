import { mutate } from 'swr';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { JobSheet } from '../../contract/job.ts';

/** Pieces asked for and not answered yet: the test answers them in the order it likes. */
const open: { path: string; answer: (value: unknown) => void; fail: (error: Error) => void }[] = [];
vi.mock('./client.ts', () => ({
  ask: (path: string) => new Promise((answer, fail) => open.push({ path, answer, fail })),
}));
const { refreshTouched } = await import('./refresh.ts');
const { keys, openJobs } = await import('./resources.ts');

const JOB = '26-101';
const sheet = { number: JOB, snags: [], checks: [], designs: [], version: 1 } as unknown as JobSheet;
const pause = () => new Promise((done) => setTimeout(done, 60));
async function shown(): Promise<JobSheet> {
  let now: JobSheet | undefined;
  await mutate<JobSheet>(
    keys.job(JOB),
    (kept) => {
      now = kept;
      return kept;
    },
    { revalidate: false },
  );
  return now!;
}

beforeEach(async () => {
  open.length = 0;
  openJobs.clear();
  openJobs.set(JOB, 'settled');
  await mutate(keys.job(JOB), sheet, { revalidate: false });
});

describe('pieces of a sheet come in', () => {
  test('two refreshes under way at once both land', async () => {
    const snag = refreshTouched([{ job: JOB, resource: 'snag' }]);
    await pause();
    const check = refreshTouched([{ job: JOB, resource: 'check' }]);
    await pause();
    expect(open.map((one) => one.path)).toEqual([`/jobs/${JOB}/snags`, `/jobs/${JOB}/checks`]);
    open[0]!.answer(['a snag']);
    open[1]!.answer(['a check']);
    await Promise.all([snag, check]);
    expect(await shown()).toMatchObject({ snags: ['a snag'], checks: ['a check'] });
  });
  test('an answer that was overtaken by a later asking is not put in', async () => {
    const first = refreshTouched([{ job: JOB, resource: 'snag' }]);
    await pause();
    const second = refreshTouched([{ job: JOB, resource: 'snag' }]);
    await pause();
    open[1]!.answer(['new']);
    await second;
    open[0]!.answer(['old']);
    await first;
    expect((await shown()).snags).toEqual(['new']);
  });
  test('notes of one moment ask for each piece once', async () => {
    const both = [refreshTouched([{ job: JOB, resource: 'snag' }]), refreshTouched([{ job: JOB, resource: 'snag' }])];
    await pause();
    expect(open).toHaveLength(1);
    open[0]!.answer([]);
    await Promise.all(both);
  });
  test('a plan that was made moves the day of every job that is open', async () => {
    openJobs.set('26-102', 'settled');
    await mutate(keys.job('26-102'), { ...sheet, number: '26-102' }, { revalidate: false });
    const planned = refreshTouched([{ job: null, resource: 'workPlan' }]);
    await pause();
    expect(open.map((one) => one.path).sort()).toEqual([`/jobs/${JOB}/head`, '/jobs/26-102/head']);
    for (const { path, answer } of open) answer({ planned: { readyOn: path.includes(JOB) ? '2026-12-01' : null } });
    await planned;
    expect((await shown()).planned).toEqual({ readyOn: '2026-12-01' });
  });
  test('a job that no page has open is not asked for', async () => {
    await refreshTouched([{ job: '26-999', resource: 'stage' }]);
    expect(open).toEqual([]);
  });
  test('while the whole sheet is on its way no piece is put in, which would throw it away', async () => {
    openJobs.set(JOB, 'onItsWay');
    await refreshTouched([{ job: JOB, resource: 'snag' }]);
    expect(open).toEqual([]);
  });
  test('one that cannot be had makes nobody believe that the change was not stored', async () => {
    const refreshing = refreshTouched([{ job: JOB, resource: 'snag' }]);
    await pause();
    open[0]!.fail(new Error('offline'));
    await expect(refreshing).resolves.toBeUndefined();
    expect((await shown()).snags).toEqual([]);
  });
});
