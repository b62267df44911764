import { and, eq, isNull, sql } from 'drizzle-orm';
import { failedInspections } from '../../core/vehicle/condition.ts';
import type { Tx } from '../db/connect.ts';
import { inspection, person, serviceLock } from '../db/schema/index.ts';
import { RuleBroken } from '../problems.ts';

/**
 * What stands against live work on a vehicle whoever is there: its service switch locked open, since somebody works behind
 * it, and a connector or box that failed its inspection and has not been looked at again (trade §4).
 */
export async function holdLive(tx: Tx, jobId: string): Promise<void> {
  const [lock] = await tx
    .select({ by: person.name })
    .from(serviceLock)
    .innerJoin(person, eq(person.id, serviceLock.byId))
    .where(and(eq(serviceLock.jobId, jobId), isNull(serviceLock.offAt)));
  if (lock)
    throw new RuleBroken(
      `The service switch is locked open by ${lock.by}: somebody works behind it. They take their lock off first.`,
    );
  const looks = await tx
    .select({
      ...{ kind: inspection.kind, what: inspection.what, points: inspection.points },
      at: sql<string>`to_char(${inspection.at}, 'YYYYMMDDHH24MISSUS')`,
    })
    .from(inspection)
    .where(eq(inspection.jobId, jobId));
  const [failed] = failedInspections(looks);
  if (failed)
    throw new RuleBroken(
      `The arrival inspection of ${failed.what} failed. Put it right and look at it again before anything is live.`,
    );
}
