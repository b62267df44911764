import type { Entry } from './figure.ts';

/** What an entry costs with everything it needs, each counted once, as the entries state it (most state nothing: 1). */
export function costOf(entry: Entry<unknown>): number {
  const seen = new Set<string>();
  const cost = (one: Entry<unknown>): number => {
    if (seen.has(one.id)) return 0;
    seen.add(one.id);
    const needed = [...Object.values(one.needs), ...Object.values(one.maybe)] as Entry<unknown>[];
    return (one.cost ?? 1) + needed.reduce((sum, need) => sum + cost(need), 0);
  };
  return cost(entry);
}
