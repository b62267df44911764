import { createHash } from 'node:crypto';
import { ProblemError } from '../problems.ts';

/** Only the hash is kept: who reads the database cannot open the page. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Has a word the form of one? What has not is looked up nowhere. */
export const isWord = (token: string): boolean => /^[A-Za-z0-9_-]{32}$/.test(token);

export const linkGone = () =>
  new ProblemError('notFound', 'This page has been closed or has run out. Ask the workshop for a new link.');

/** How often the last use of a link is written down: not at every look. */
export const USED_EVERY_MS = 60_000;
