import { beforeAll } from 'vitest';
import type { Backups } from '../../server/backups/backups.ts';
import { openWorkshop, type Visitor } from '../api/workshop.ts';
import type { Ground } from './case.ts';

/** A backup that is still being written while the others ask. */
const slow: Backups = {
  folder: 'nowhere',
  daily: false,
  write: () => new Promise(() => {}),
  tryOut: async () => {},
  stop: async () => {},
  remove: () => {},
  find: () => null,
};

export function openGround(): Ground {
  const shop = openWorkshop({ backups: () => slow });
  const people: Visitor[] = [];
  const sql: Ground['sql'] = (text, values = []) => shop.pool().query(text, values);
  beforeAll(async () => {
    people.push(...(await Promise.all(['ilse', 'soren', 'jory'].map((name) => shop.visitor(name)))));
    await sql('update time_entry set "to" = now() where "to" is null');
  });
  const [ilse, soren, jory] = [() => people[0]!, () => people[1]!, () => people[2]!] as const;
  const van = () => ilse().job('Bakery van');
  return {
    ...{ shop, sql, ilse, soren, jory, van, pool: shop.pool },
    ownJob: async () => {
      const run = Math.random().toString(36).slice(2, 10);
      const start = { clientName: `Client ${run}`, clientContact: '', title: `Van ${run}`, variantId: 'wren-11' };
      const rest = { builtYear: 1971, chassisNumber: run, registration: '', colour: '', brief: [] };
      const { body } = await ilse().send('post', '/jobs', { ...start, ...rest });
      return (await ilse().get(`/jobs/${body.number}`)).body;
    },
    clientOf: async (job) =>
      (await ilse().get('/clients')).body.find((row: { name: string }) => row.name === job.client.name),
    onJob: async (rest, body) => {
      const job = await van();
      return { path: `/jobs/${job.number}${rest}`, body: (i) => body(job, i) };
    },
  };
}

export const TEN = Array.from({ length: 10 }, (_, i) => i);
export const newestEvent = async (sql: Ground['sql']): Promise<number> =>
  Number((await sql('select coalesce(max(id), 0) as id from event')).rows[0].id);
