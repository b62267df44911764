import { DrizzleQueryError } from 'drizzle-orm';
import { expect, test } from 'vitest';
import { loggedError, loggedPath } from './logged.ts';

test('working words are not in a path that is logged; ids and names are', () => {
  expect(loggedPath('/fitting/Zk3vQ0a8yTq1fGh2Lw7X_-9p/file')).toBe('/fitting/…/file');
  expect(loggedPath('/calendar/Zk3vQ0a8yTq1fGh2Lw7X9p.ics')).toBe('/calendar/….ics');
  const id = '3f1c2a9e-8b7d-4c6a-9f0e-1d2c3b4a5f60';
  expect(loggedPath(`/jobs/26-014/stages/${id}`)).toBe(`/jobs/26-014/stages/${id}`);
});
test('a statement that failed is told without its parameters and without the row', () => {
  const cause = Object.assign(new Error('duplicate key value'), {
    ...{ code: '23505', table: 'person', constraint: 'person_name', detail: 'Key (name)=(Secret Name) exists.' },
  });
  const error = new DrizzleQueryError('insert into person values ($1)', ['Secret Name'], cause);
  const text = JSON.stringify(loggedError(error));
  expect(text).not.toMatch(/Secret Name/);
  expect(loggedError(error)).toMatchObject({
    message: 'a statement failed',
    cause: { code: '23505', table: 'person', constraint: 'person_name', message: 'duplicate key value' },
  });
  expect(loggedError(error).stack).toMatch(/^\s+at /);
});
