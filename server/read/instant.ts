import { type SQL, sql } from 'drizzle-orm';

/** A moment of the database as JSON has it: `2026-03-04T05:06:07.089Z`. Takes the column's text, never what a client sent. */
export const instantText = (column: string): string =>
  `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;
export const instant = (column: string): SQL => sql.raw(instantText(column));
