/** What a candidate is judged by: more range is better, the rest the less the better. */
export interface Objectives {
  readonly rangeKm: number;
  readonly priceCents: number;
  /** Distance of the front share from its aim, as a share. */
  readonly shift: number;
  readonly leadDays: number;
}

/** a is at least as good as b in everything and better in something. */
export function dominates(a: Objectives, b: Objectives): boolean {
  const notWorse =
    a.rangeKm >= b.rangeKm && a.priceCents <= b.priceCents && a.shift <= b.shift && a.leadDays <= b.leadDays;
  return (
    notWorse && (a.rangeKm > b.rangeKm || a.priceCents < b.priceCents || a.shift < b.shift || a.leadDays < b.leadDays)
  );
}

const same = (a: Objectives, b: Objectives) =>
  a.rangeKm === b.rangeKm && a.priceCents === b.priceCents && a.shift === b.shift && a.leadDays === b.leadDays;

/**
 * Candidates that no other beats in everything. Of several with the very same figures the first offered stays.
 * Offering costs a comparison with each member.
 */
export function createFront<C extends { readonly objectives: Objectives }>(): {
  /** Takes the candidate in, throwing out what it beats; false when a member beats or equals it. */
  offer(candidate: C): boolean;
  members(): readonly C[];
} {
  let members: C[] = [];
  return {
    offer(candidate) {
      for (const member of members) {
        if (dominates(member.objectives, candidate.objectives) || same(member.objectives, candidate.objectives))
          return false;
      }
      members = members.filter((member) => !dominates(candidate.objectives, member.objectives));
      members.push(candidate);
      return true;
    },
    members: () => members,
  };
}
