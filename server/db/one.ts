import { NotFound } from '../problems.ts';

/** The one row that was asked for, or a problem that says what is missing: "There is no such design." */
export function one<T>(rows: readonly T[], what: string): T {
  const [row] = rows;
  if (row === undefined) throw new NotFound(what);
  return row;
}

/** The one row that an insert gives back. Anything else is a fault of ours, not of who asked. */
export function made<T>(rows: readonly T[]): T {
  const [row] = rows;
  if (row === undefined || rows.length > 1) throw new Error(`an insert gave back ${rows.length} rows instead of one`);
  return row;
}
