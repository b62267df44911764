import { eq } from 'drizzle-orm';
import { lessonAddress } from '../../contract/lessons.ts';
import { type LessonRefusal, lessonRefusal } from '../../core/kit/lessons.ts';
import { made, one } from '../db/one.ts';
import { job, kitRevision, lesson } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { lessonsOfKit } from '../read/lessons.ts';

const SENTENCE: Record<LessonRefusal, string> = {
  noDraft: 'Choose a draft of the kit: a lesson is taken into one that is not released yet.',
  notWaiting: 'This lesson was settled already.',
  whyNeeded: 'Why is needed.',
  otherKit: 'This draft is of another kit than the lesson.',
};

export const lessonEndpoints = [
  serve(lessonAddress.ofKit, ({ db, params }) => lessonsOfKit(db, params.kit)),
  serve(lessonAddress.note, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const [carried] = stored.kitRevisionId
        ? await tx.select().from(kitRevision).where(eq(kitRevision.id, stored.kitRevisionId))
        : [];
      const row = made(
        await tx
          .insert(lesson)
          .values({ ...body, jobId: stored.id, kitId: carried?.kitId ?? null, byId: person.id, at: now() })
          .returning(),
      );
      await log({ what: 'noted a lesson', resource: 'lesson', id: row.id, job: stored.number, after: body });
      return { id: row.id };
    }),
  ),
  serve(lessonAddress.settle, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const stored = one(await tx.select().from(lesson).where(eq(lesson.id, params.id)).for('update'), 'lesson');
      if (stored.version !== body.version) {
        const { kitId } = stored;
        throw new Stale(kitId ? (await lessonsOfKit(tx, kitId)).find((row) => row.id === stored.id) : stored);
      }
      // The draft is held until the end: it cannot be released between the asking and the doing.
      const [draft] = body.revisionId
        ? await tx.select().from(kitRevision).where(eq(kitRevision.id, body.revisionId)).for('share')
        : [];
      const refusal = lessonRefusal(stored, body.to, draft ?? null, body.why);
      if (refusal === 'whyNeeded') throw new BadInput({ why: SENTENCE.whyNeeded });
      if (refusal === 'noDraft' || refusal === 'otherKit') throw new BadInput({ revisionId: SENTENCE[refusal] });
      if (refusal) throw new RuleBroken(SENTENCE[refusal]);
      const version = stored.version + 1;
      await tx
        .update(lesson)
        .set({
          ...{ state: body.to, why: body.why, version, settledById: person.id, settledAt: now() },
          revisionId: body.to === 'taken' ? body.revisionId : null,
        })
        .where(eq(lesson.id, stored.id));
      const [own] = await tx.select({ number: job.number }).from(job).where(eq(job.id, stored.jobId));
      await log({
        what: body.to === 'taken' ? `took a lesson into ${draft!.revision}` : `settled a lesson: ${body.why}`,
        resource: 'lesson',
        id: stored.id,
        job: own?.number ?? null,
        before: { state: stored.state },
        after: body,
      });
      return { version };
    }),
  ),
];
