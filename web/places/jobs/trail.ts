/** Values that can be gone back to and forth to, and the run of changes that is under way (a drag). */
export interface Steps<V> {
  readonly back: readonly V[];
  readonly forth: readonly V[];
  readonly run: string | null;
}

/** This many changes can be taken back. */
export const DEEP = 100;

export const NO_STEPS: Steps<never> = { back: [], forth: [], run: null };

/** A change was made from `before`. Changes of the same run one after another count as one; what lay ahead is gone. */
export function stepped<V>({ back: past, run: going }: Steps<V>, before: V, run?: string): Steps<V> {
  const goesOn = run !== undefined && run === going;
  return { back: goesOn ? past : [...past, before].slice(-DEEP), forth: [], run: run ?? null };
}

interface Moved<V> {
  readonly value: V;
  readonly steps: Steps<V>;
}

/** One step back from `now`; null where there is none. */
export function back<V>(steps: Steps<V>, now: V): Moved<V> | null {
  const value = steps.back.at(-1);
  if (value === undefined) return null;
  return { value, steps: { back: steps.back.slice(0, -1), forth: [...steps.forth, now], run: null } };
}

/** One step forth from `now`; null where there is none. */
export function forth<V>(steps: Steps<V>, now: V): Moved<V> | null {
  const value = steps.forth.at(-1);
  if (value === undefined) return null;
  return { value, steps: { back: [...steps.back, now], forth: steps.forth.slice(0, -1), run: null } };
}
