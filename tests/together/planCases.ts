import type { EstimateSheet } from '../../contract/estimates.ts';
import type { SeriesSheet } from '../../contract/series.ts';
import type { WorkPlanSheet } from '../../contract/workPlan.ts';
import { inDays } from '../day.ts';
import type { Case, Ground } from './case.ts';

/** Everything that is done about the plan, fired ten times at once. */
export function planCases({ sql, ilse, van }: Ground): Record<string, Case> {
  const sheet = async () => (await ilse().get('/work-plan')).body as WorkPlanSheet;
  const personId = async () => (await sql("select id from person where sign_in = 'mabel'")).rows[0].id as string;
  const priority = async (i: number) => ({
    ...{ kind: 'priority', job: (await van()).number, priority: i % 2 ? 'rush' : 'usual' },
  });
  const scenario = async () => {
    await sql('update scenario set ended_at = now(), ended = $1 where ended_at is null', ['thrownAway']);
    const body = { name: 'A rush', changes: [await priority(1)] };
    return (await ilse().send('post', '/scenarios', body)).body.id as string;
  };
  return {
    'post /my/calendars': {
      // A new address closes the one before; the same one again is the same.
      same: 'once',
      different: 'all',
      prepare: async () => {
        const run = crypto.randomUUID().replace(/-/g, '').slice(0, 28);
        return {
          path: '/my/calendars',
          body: (i) => ({ about: 'person', token: `${run}${String(i).padStart(4, '0')}` }),
        };
      },
    },
    'post /my/calendars/:id/close': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const token = crypto.randomUUID().replace(/-/g, '');
        const { id } = (await ilse().send('post', '/my/calendars', { about: 'promises', token })).body;
        return { path: `/my/calendars/${id}/close`, body: () => ({}) };
      },
    },
    'post /people/:id/absences/many': {
      // Days that are there are not entered again, and nobody is told off for it.
      same: 'once',
      different: 'all',
      prepare: async () => {
        const id = await personId();
        await sql('update absence set dropped_at = now() where person_id = $1', [id]);
        const day = (i: number) => `2027-06-${String(1 + (i % 28)).padStart(2, '0')}`;
        return {
          path: `/people/${id}/absences/many`,
          body: (i) => ({ days: [{ from: day(i), to: day(i), why: '' }] }),
        };
      },
    },
    'post /kits/:kit/estimates': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        // What was adopted before is kept for ever: another stage each time.
        const { rows } = (await ilse().get('/kits/wren-kit/estimates')).body as EstimateSheet;
        const row = rows.find(
          ({ learnt, standing, moves, variantId }) =>
            variantId === null && learnt && Math.abs(learnt.hours - standing) > 0.05 && moves.length === 0,
        )!;
        return {
          path: '/kits/wren-kit/estimates',
          body: () => ({ key: row.key, variantId: null, standing: row.standing, hours: row.learnt!.hours }),
        };
      },
    },
    'put /jobs/:number/series': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { number } = await van();
        const { version, choices } = (await ilse().get(`/jobs/${number}/series`)).body as SeriesSheet;
        return {
          path: `/jobs/${number}/series`,
          body: (i) => ({ first: choices[i % choices.length]!.number, version }),
        };
      },
    },
    'post /work-plan': {
      same: 'once',
      different: 'once',
      prepare: async () => {
        await sql('delete from work_plan');
        return { path: '/work-plan', body: () => ({}) };
      },
    },
    'post /work-plan/changes': {
      same: 'one',
      different: 'one',
      // The job it is about, and the plan.
      events: 2,
      prepare: async () => {
        const { planId } = await sheet();
        const changes = [await priority(0), await priority(1)];
        return { path: '/work-plan/changes', body: (i) => ({ changes: [changes[i % 2]], planId }) };
      },
    },
    'post /work-plan/undo': {
      same: 'one',
      different: 'one',
      // The job it is about, and the plan.
      events: 2,
      prepare: async () => {
        const before = await sheet();
        await ilse().send('post', '/work-plan/changes', { changes: [await priority(1)], planId: before.planId });
        const { planId, lastHand } = await sheet();
        return { path: '/work-plan/undo', body: () => ({ handId: lastHand!.id, planId }) };
      },
    },
    'post /scenarios': {
      same: 'all',
      different: 'all',
      prepare: async () => {
        await sql('update scenario set ended_at = now(), ended = $1 where ended_at is null', ['thrownAway']);
        const changes = [await priority(1)];
        return { path: '/scenarios', body: (i) => ({ name: `What if ${i}`, changes }) };
      },
    },
    'post /scenarios/:id/throw-away': {
      same: 'one',
      different: 'one',
      prepare: async () => ({ path: `/scenarios/${await scenario()}/throw-away`, body: () => ({ version: 1 }) }),
    },
    'post /scenarios/:id/adopt': {
      same: 'one',
      different: 'one',
      events: 2,
      prepare: async () => {
        const id = await scenario();
        const { planId } = await sheet();
        return { path: `/scenarios/${id}/adopt`, body: () => ({ version: 1, planId }) };
      },
    },
    'post /people/:id/absences': {
      same: 'all',
      different: 'all',
      prepare: async () => ({
        path: `/people/${await personId()}/absences`,
        body: (i) => ({ from: inDays(66 + (i % 9)), to: inDays(85), why: `leave ${i}` }),
      }),
    },
    'post /absences/:id/drop': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const body = { from: inDays(94), to: inDays(98), why: '' };
        const { id } = (await ilse().send('post', `/people/${await personId()}/absences`, body)).body;
        return { path: `/absences/${id}/drop`, body: () => ({}) };
      },
    },
  };
}
