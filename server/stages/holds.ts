import { and, eq, inArray, ne, sql } from 'drizzle-orm';
import type { ClockOn } from '../../contract/stages.ts';
import { isAtWork } from '../../core/stage/stageRules.ts';
import { missingKinds } from '../../core/toolbox/tool.ts';
import type { Tx } from '../db/connect.ts';
import { job, lesson, stage, tool } from '../db/schema/index.ts';
import { RuleBroken } from '../problems.ts';

/** Work that takes a tool waits for one as it waits for a part; whoever only waits does not need it. */
export async function holdTools(tx: Tx, kinds: readonly string[], kind: ClockOn['kind'], day: string): Promise<void> {
  if (kinds.length === 0 || !isAtWork(kind)) return;
  const tools = await tx
    .select()
    .from(tool)
    .where(inArray(tool.kind, [...kinds]));
  const missing = missingKinds(kinds, tools, day);
  if (missing.length > 0)
    throw new RuleBroken(
      `There is no ${missing.join(' and no ')} that may be used today: none is to be had in calibration. See Tools in Stores.`,
    );
}

/**
 * A sister's stage is begun when the first of its kind is over and each of its lessons is taken in or set aside (trade
 * §7.5); whoever waits may say so on the clock. What has begun goes on. The plan holds the same: see `firstOfKind`.
 */
export async function holdSister(tx: Tx, followsId: string | null, kind: ClockOn['kind']): Promise<void> {
  if (followsId === null || !isAtWork(kind)) return;
  const [first] = await tx
    .select({
      number: job.number,
      open: sql<number>`(select count(*)::int from ${stage} where ${and(eq(stage.jobId, job.id), ne(stage.state, 'done'))})`,
      over: sql<boolean>`${job.state} in ('handedOver', 'cancelled')`,
      lessons: sql<number>`(select count(*)::int from ${lesson} where ${and(eq(lesson.jobId, job.id), eq(lesson.state, 'waiting'))})`,
    })
    .from(job)
    .where(eq(job.id, followsId));
  if (!first) return;
  const lets = `A manager can let it stand by itself, in Plan of this job.`;
  if (first.open > 0 && !first.over)
    throw new RuleBroken(`This job follows ${first.number}, the first of its kind, which is still worked on. ${lets}`);
  if (first.lessons > 0)
    throw new RuleBroken(
      `${first.lessons} ${first.lessons === 1 ? 'lesson' : 'lessons'} of ${first.number}, the first of its kind, ${first.lessons === 1 ? 'waits' : 'wait'} to be taken into the kit or set aside. ${lets}`,
    );
}
