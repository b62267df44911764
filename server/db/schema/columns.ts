import { sql } from 'drizzle-orm';
import { bigint, date, timestamp } from 'drizzle-orm/pg-core';

/** A moment. */
export const at = (name: string) => timestamp(name, { withTimezone: true });
/** A day without an hour, as ISO text. */
export const day = (name: string) => date(name, { mode: 'string' });
/** Whole minor units of money; below zero where money comes back. */
export const cents = (name: string) => bigint(name, { mode: 'number' });
/** The words that a CHECK allows. */
export const oneOf = (words: readonly string[]) => sql.raw(words.map((word) => `'${word}'`).join(', '));
