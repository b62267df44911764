import type { PlanFacts } from '../plan/facts.ts';
import type { StoredPlan } from '../plan/storedPlan.ts';

/** What speaks against moving a vehicle into a bay. */
export type MoveConflict =
  /** The stage it is at, or comes to next, needs what the bay does not have. */
  | { readonly kind: 'lacks'; readonly stage: string; readonly what: 'lift' | 'alignment' }
  /** Somebody is at work on it where it stands. */
  | { readonly kind: 'onIt'; readonly people: readonly string[]; readonly stage: string }
  /** The plan has another vehicle in that bay, from then on. */
  | { readonly kind: 'planned'; readonly job: string; readonly title: string; readonly from: string }
  /** The plan has it somewhere else. */
  | { readonly kind: 'elsewhere'; readonly placeId: string; readonly from: string };

/**
 * What speaks against moving a vehicle into a place, by the plan in force and by who is on it; nothing for one that is not
 * planned, or where it only goes aside. Times are local ones of the workshop.
 */
export function moveConflicts(
  facts: PlanFacts,
  plan: StoredPlan | null,
  number: string,
  placeId: string,
): MoveConflict[] {
  const job = facts.jobs.find((one) => one.number === number);
  const place = facts.places.find(({ id }) => id === placeId);
  if (!job) return [];
  const found: MoveConflict[] = [];
  const here = job.stages.filter(({ onIt, traits, firm }) => onIt.length > 0 && !traits.includes('beside') && !firm);
  for (const { onIt, name } of here) {
    const people = onIt.map((id) => facts.people.find((one) => one.id === id)?.initials ?? '?');
    found.push({ kind: 'onIt', people, stage: name });
  }
  if (!place) return found;
  const own = (plan?.stages ?? [])
    .filter((one) => one.job === number && one.placeId !== null)
    .toSorted((a, b) => (a.from < b.from ? -1 : 1));
  const stageOf = (id: string) => job.stages.find((one) => one.id === id);
  const next = own[0] && stageOf(own[0].id);
  if (next?.traits.includes('onLift') && !place.lift) found.push({ kind: 'lacks', stage: next.name, what: 'lift' });
  if (next?.traits.includes('onAlignment') && !place.alignment)
    found.push({ kind: 'lacks', stage: next.name, what: 'alignment' });
  // The other is in the way only while this one has something to do here, or nobody knows where it has.
  const leaves = own.find((one) => one.placeId !== placeId)?.from ?? null;
  const other = (plan?.stages ?? [])
    .filter((one) => one.job !== number && one.placeId === placeId && (leaves === null || one.from < leaves))
    .toSorted((a, b) => (a.from < b.from ? -1 : 1))[0];
  const title = other && facts.jobs.find((one) => one.number === other.job)?.title;
  if (other) found.push({ kind: 'planned', job: other.job, title: title ?? '', from: other.from });
  const first = own[0];
  if (first?.placeId && first.placeId !== placeId && first.placeId !== job.standsIn)
    found.push({ kind: 'elsewhere', placeId: first.placeId, from: first.from });
  return found;
}
