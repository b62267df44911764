import { dayNumber } from '../quantity/format.ts';
import type { PlannedBegin } from '../stores/neededDay.ts';
import { momentOf, type StoredPlan } from './storedPlan.ts';

/** The days on which stages begin by a plan, by the job's number and the ids of its stages by their keys. */
export function plannedBegins(
  plan: StoredPlan | null,
): (number: string, idOf: ReadonlyMap<string, string>) => (stage: string) => PlannedBegin | null {
  const begins = new Map(
    (plan?.stages ?? []).map(({ id, from, wanted }) => [
      id,
      { day: momentOf(from).day, wantedDay: wanted ? dayNumber(wanted) : null },
    ]),
  );
  // Stages that are in the kit only are planned by the number of the job and their key.
  return (number, idOf) => (stage) => begins.get(idOf.get(stage) ?? `${number} ${stage}`) ?? null;
}
