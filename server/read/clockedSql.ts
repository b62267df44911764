import { LONGEST_H } from '../../core/hours/entry.ts';

/**
 * When hours end for a sum, SQL over an entry's alias: on the clock they run until now, one that was left running for the
 * longest anybody works in one go (see `clockedTo`).
 */
export const clockEnd = (alias: string, now = 'now()'): string =>
  `coalesce(${alias}."to", least(${now}, ${alias}."from" + interval '${LONGEST_H} hours'))`;

/** Seconds of an entry by this moment, SQL over its alias. */
export const clockedSeconds = (alias: string, now?: string): string =>
  `extract(epoch from ${clockEnd(alias, now)} - ${alias}."from")`;
