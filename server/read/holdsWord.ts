import { type SQL, sql } from 'drizzle-orm';

/** The signs that mean something else in a pattern. */
const PATTERN_SIGNS = /[\\%_]/g;

/**
 * Holds a column the word, wherever in it? Asked as a pattern, which an index of trigrams answers for words of three
 * letters and more; shorter ones are looked for in every row.
 *
 * @param column already in small letters · @param word in small letters
 */
export const holdsWord = (column: SQL, word: string): SQL =>
  sql`${column} like ${`%${word.replace(PATTERN_SIGNS, '\\$&')}%`}`;
