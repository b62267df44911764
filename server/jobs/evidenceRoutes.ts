import { eq } from 'drizzle-orm';
import { jobAddress } from '../../contract/jobChange.ts';
import { evidenceWanted, samePaper } from '../../core/practice/evidence.ts';
import { job } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, Stale } from '../problems.ts';
import { changeJob } from './versioned.ts';

export const evidenceEndpoints = [
  serve(jobAddress.evidence, ({ change, params, body, person, workshop, today }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const wanted = evidenceWanted(stored.region ?? workshop.region, workshop.practice.evidence);
      const paper = wanted.find(({ key }) => key === body.key);
      // A paper that is no longer wanted can still be taken back.
      if (!paper && body.given) throw new BadInput({ key: 'This region wants no such paper.' });
      if (body.given && body.given.on > today) throw new BadInput({ 'given.on': 'Given on is in the future.' });
      const before = stored.evidence[body.key] ?? null;
      const after = body.given && { ...body.given, by: person.name };
      if (samePaper(before, after)) return { key: body.key };
      if (!samePaper(before, body.was)) throw new Stale(before);
      const { [body.key]: _, ...rest } = stored.evidence;
      await tx
        .update(job)
        .set({ evidence: after ? { ...rest, [body.key]: after } : rest })
        .where(eq(job.id, stored.id));
      const what = paper?.what ?? body.key;
      await log({
        what: after ? `entered “${what}”, given on ${after.on}` : `took back “${what}”`,
        resource: 'job',
        id: stored.id,
        job: stored.number,
        before,
        after,
      });
      return { key: body.key };
    }),
  ),
  serve(jobAddress.region, ({ change, params, body }) =>
    change(async (work) => {
      const { before, after } = await changeJob(work, params.number, body.version, () => ({ region: body.region }));
      await work.log({
        what: `said where it will be registered`,
        resource: 'job',
        id: after.id,
        job: after.number,
        before: before.region,
        after: after.region,
      });
      return { version: after.version };
    }),
  ),
];
