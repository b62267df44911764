import type { ConditionSheet } from '../../contract/condition.ts';
import type { Case, Ground } from './case.ts';

/** What is written about the condition of a vehicle, fired ten times at once. */
export function conditionCases({ sql, van, jory }: Ground): Record<string, Case> {
  const sheet = async (): Promise<ConditionSheet> => (await jory().get(`/jobs/${(await van()).number}/condition`)).body;
  const onVan = async (rest: string) => `/jobs/${(await van()).number}${rest}`;
  const dial = (i: number) => ({
    ...{ kind: 'dial', name: `Dial ${i}`, signal: '', driver: '', face: '', unit: '', points: [], tolerance: 0.05 },
  });
  const someDial = async () => {
    const { id } = (await jory().send('post', await onVan('/dash'), dial(0))).body;
    return id as string;
  };
  const none = async () => {
    const { rows } = await sql("select id from person where sign_in = 'jory'");
    await sql('update service_lock set off_at = now(), off_by_id = $1 where off_at is null', [rows[0].id]);
    await sql('update custody set back_at = now(), back_by_id = $1 where back_at is null', [rows[0].id]);
  };
  return {
    'post /jobs/:number/service-lock': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await none();
        return { path: await onVan('/service-lock'), body: (i) => ({ key: `hook ${i}` }) };
      },
    },
    'post /service-locks/:id/off': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await none();
        const { id } = (await jory().send('post', await onVan('/service-lock'), { key: '' })).body;
        return { path: `/service-locks/${id}/off`, body: (i) => ({ why: `nobody is there ${i}` }) };
      },
    },
    'post /jobs/:number/inspections': {
      same: 'all',
      different: 'all',
      prepare: async () => ({
        path: await onVan('/inspections'),
        body: (i) => ({ kind: 'connector', what: `X${i}`, points: { pin: 'good' }, note: '' }),
      }),
    },
    'post /jobs/:number/custody': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await none();
        return {
          path: await onVan('/custody'),
          body: (i) => ({ holder: `Firm ${i}`, what: '', dueBack: null, list: ['keys'] }),
        };
      },
    },
    'post /custody/:id/back': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await none();
        const body = { holder: 'Quay Paint', what: '', dueBack: null, list: ['keys'] };
        const { id } = (await jory().send('post', await onVan('/custody'), body)).body;
        return { path: `/custody/${id}/back`, body: (i) => ({ back: [true], note: `note ${i}` }) };
      },
    },
    'post /jobs/:number/settings': {
      same: 'all',
      different: 'all',
      prepare: async () => ({
        path: await onVan('/settings'),
        body: (i) => ({ unit: 'charger', firmware: '', values: { endV: 350 + i }, why: `try ${i}` }),
      }),
    },
    'post /jobs/:number/dash': {
      same: 'all',
      different: 'all',
      prepare: async () => ({ path: await onVan('/dash'), body: dial }),
    },
    'put /dash/:id': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const id = await someDial();
        const { version } = (await sheet()).dash.find((one) => one.id === id)!;
        return { path: `/dash/${id}`, body: (i) => ({ ...dial(i), version }) };
      },
    },
    'post /dash/:id/drop': {
      same: 'one',
      different: 'one',
      prepare: async () => ({ path: `/dash/${await someDial()}/drop`, body: () => ({}) }),
    },
  };
}
