import { eq } from 'drizzle-orm';
import { type SettingName, workshopAddress } from '../../contract/workshop.ts';
import { one } from '../db/one.ts';
import { workshop } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { Stale } from '../problems.ts';
import { workshopNow } from '../read/workshop.ts';

export const workshopEndpoints = [
  serve(workshopAddress.change, ({ change, body }) =>
    change(async ({ tx, log }) => {
      const stored = one(await tx.select().from(workshop).for('no key update'), 'workshop');
      if (stored.version !== body.version) throw new Stale(await workshopNow(tx));
      const { version: _, ...settings } = body;
      const names = Object.keys(settings) as SettingName[];
      const differs = (name: SettingName) => JSON.stringify(settings[name]) !== JSON.stringify(stored[name]);
      const own = names.filter((name) => stored.own.includes(name) || differs(name));
      const version = stored.version + 1;
      await tx
        .update(workshop)
        .set({ ...settings, own, version })
        .where(eq(workshop.id, 1));
      const changed = names.filter(differs);
      await log({
        what: `set ${changed.join(', ') || 'nothing new'}`,
        resource: 'workshop',
        id: '1',
        before: Object.fromEntries(changed.map((name) => [name, stored[name]])),
        after: Object.fromEntries(changed.map((name) => [name, settings[name]])),
      });
      return { version };
    }),
  ),
];
