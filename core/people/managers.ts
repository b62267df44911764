/** A person as far as it matters for who may run the workshop. */
export interface MayRun {
  readonly id: string;
  readonly role: string;
  readonly active: boolean;
  /** Has a password, and can therefore sign in. */
  readonly joined: boolean;
}

const runs = ({ role, active, joined }: Pick<MayRun, 'role' | 'active' | 'joined'>): boolean =>
  role === 'manager' && active && joined;

/**
 * Would this leave nobody who can sign in as a manager? Then it is not done: there would be no way back in.
 *
 * @param people everybody · @param changed the person as they would be afterwards
 */
export const locksOutLastManager = (people: readonly MayRun[], changed: MayRun): boolean =>
  people.some((one) => one.id === changed.id && runs(one)) &&
  !runs(changed) &&
  !people.some((one) => one.id !== changed.id && runs(one));
