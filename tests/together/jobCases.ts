import { expect } from 'vitest';
import type { StageRow } from '../../contract/stages.ts';
import { CHECKS } from '../../core/prove/index.ts';
import { dropLines } from '../api/stock.ts';
import type { Visitor } from '../api/workshop.ts';
import { inDays } from '../day.ts';
import type { Case, Ground } from './case.ts';

/** What is done to a job: its brief, designs, parts, stages, checks, lessons. */
export function jobCases({ pool, sql, van, onJob, ilse, soren, jory }: Ground): Record<string, Case> {
  /** A stage nobody is on, in hand, with nothing before it. */
  async function openStage(live: boolean): Promise<StageRow> {
    const stage = (await van()).stages.find((one) => one.liveHv === live && (live || one.steps.some((s) => s.limit)))!;
    await sql('update time_entry set "to" = now() where "to" is null');
    await sql("update stage set after = '{}', state = 'waiting', hv_confirmed = false where id = $1", [stage.id]);
    await sql('delete from reading where step_id in (select id from step where stage_id = $1)', [stage.id]);
    await sql('update step set second = false, tool = null where stage_id = $1', [stage.id]);
    return (await van()).stages.find((one) => one.id === stage.id)!;
  }
  /** An hour of Jory's this morning, by itself. */
  async function someHours(): Promise<{ id: number; stageId: string; from: Date }> {
    const [{ id: personId }] = (await sql("select id from person where sign_in = 'jory'")).rows;
    await sql('delete from time_entry where person_id = $1', [personId]);
    const stageId = (await openStage(false)).id;
    const { rows } = await sql(
      `insert into time_entry (person_id, stage_id, kind, "from", "to")
       values ($1, $2, 'work', now() - interval '4 hours', now() - interval '3 hours') returning id, "from"`,
      [personId, stageId],
    );
    return { id: Number(rows[0].id), stageId, from: rows[0].from };
  }
  const lessonOf = (i: number) => ({
    ...{ about: 'job', aboutId: '', aboutText: 'the whole', text: `lesson ${i}`, costHours: null, costCents: null },
  });
  const registerEntryOf = (i: number) => ({
    ...{ kind: 'bracket', what: `bracket ${i}`, place: 'bulkhead', agreedBy: '', undo: 'two nuts', goes: null },
  });
  const work = { kind: 'work', cause: null };
  const on = async (who: Visitor, stage: StageRow) => {
    const answer = await who.send('post', `/stages/${stage.id}/clock-on`, work);
    expect(answer.status, answer.body.detail).toBe(200);
  };
  const line = { kind: 'free', firm: false, amount: null, school: null, tolerance: null, text: 'a hook', done: false };

  return {
    'post /my/forgotten': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await sql('update time_entry set "to" = greatest("from", now()) where "to" is null');
        await sql(
          `delete from time_entry where "from" < now() - interval '1 day' and "to" > now() - interval '3 days'`,
        );
        const personId = (await sql("select id from person where sign_in = 'jory'")).rows[0].id;
        const stage = await openStage(false);
        await sql('delete from time_entry where person_id = $1', [personId]);
        const { rows } = await sql(
          `insert into time_entry (person_id, stage_id, kind, "from") values ($1, $2, 'work', now() - interval '14 hours') returning id, "from"`,
          [personId, stage.id],
        );
        const to = (i: number) => new Date(rows[0].from.getTime() + (20 + i) * 60_000).toISOString();
        return { path: '/my/forgotten', who: jory(), body: (i) => ({ entryId: Number(rows[0].id), to: to(i) }) };
      },
    },
    'post /hours': {
      // The same hours are there once; others beside them are others.
      same: 'one',
      different: 'all',
      prepare: async () => {
        const [{ id: personId }] = (await sql("select id from person where sign_in = 'jory'")).rows;
        await sql('delete from time_entry where person_id = $1', [personId]);
        const stageId = (await openStage(false)).id;
        const at = (minutes: number) => new Date(Date.now() - 5 * 3_600_000 + minutes * 60_000).toISOString();
        const began = [...Array(12).keys()].map((i) => [at(i * 20), at(i * 20 + 15)] as const);
        return {
          path: '/hours',
          body: (i) => ({
            ...{ personId, stageId, kind: 'work', cause: null, why: `late ${i}` },
            ...{ from: began[i]![0], to: began[i]![1] },
          }),
        };
      },
    },
    'put /hours/:entry': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { id, stageId, from } = await someHours();
        const to = (i: number) => new Date(from.getTime() + (30 + i) * 60_000).toISOString();
        return {
          path: `/hours/${id}`,
          body: (i) => ({
            ...{ stageId, kind: 'work', cause: null, from: from.toISOString(), to: to(i) },
            ...{ why: `was ${i} longer`, version: 1 },
          }),
        };
      },
    },
    'post /hours/:entry/strike': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { id } = await someHours();
        return { path: `/hours/${id}/strike`, body: (i) => ({ why: `never was ${i}`, version: 1 }) };
      },
    },
    'post /steps/:id/second': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const stage = await openStage(false);
        const [{ id: personId }] = (await sql("select id from person where sign_in = 'jory'")).rows;
        const step = stage.steps[0]!.id;
        await sql('update step set second = true where id = $1', [step]);
        await sql("insert into reading (step_id, value, verdict, by_id) values ($1, 1, 'within', $2)", [
          step,
          personId,
        ]);
        return { path: `/steps/${step}/second`, body: () => ({}) };
      },
    },
    'put /preferences': {
      same: 'once',
      different: 'once',
      prepare: async () => ({
        path: '/preferences',
        body: (i) => ({ unitSet: ['metric', 'uk', 'us'][i % 3] }),
      }),
    },
    'post /jobs': {
      same: 'all',
      different: 'all',
      prepare: async () => ({
        path: '/jobs',
        body: (i) => ({
          clientName: `Client ${i}`,
          clientContact: '',
          title: `Van ${i}`,
          variantId: 'wren-11',
          builtYear: 1972,
          chassisNumber: `T${i}`,
          registration: '',
          colour: '',
          brief: [],
        }),
      }),
    },
    'put /jobs/:number/use': {
      same: 'one',
      different: 'one',
      prepare: () => onJob('/use', (job, i) => ({ use: { ...job.use, payloadKg: 100 + i }, version: job.useVersion })),
    },
    'put /jobs/:number/place': {
      same: 'one',
      different: 'one',
      prepare: () =>
        onJob('/place', (job, i) => ({ placeId: null, promised: `2027-03-${10 + i}`, version: job.version })),
    },
    'put /jobs/:number/kit': {
      same: 'one',
      different: 'one',
      prepare: () =>
        onJob('/kit', (job, i) => ({
          revisionId: i % 2 ? null : (job.kit?.revisionId ?? null),
          options: [],
          version: job.version,
        })),
    },
    'put /jobs/:number/chosen-design': {
      same: 'one',
      different: 'one',
      prepare: () => onJob('/chosen-design', (job) => ({ designId: job.designs[0]!.id, version: job.version })),
    },
    'put /jobs/:number/evidence': {
      same: 'once',
      different: 'one',
      prepare: async () => {
        await sql("update job set evidence = '{}', region = 'eu' where number = $1", [(await van()).number]);
        const lists = { evidence: { eu: [{ key: 'insurer', what: 'Insurer has been told', giver: '' }] } };
        await sql('update workshop set practice = practice || $1::jsonb', [JSON.stringify(lists)]);
        return onJob('/evidence', (_, i) => ({
          key: 'insurer',
          given: { on: inDays(-326), mark: `paper ${i}` },
          was: null,
        }));
      },
    },
    'put /jobs/:number/region': {
      same: 'one',
      different: 'one',
      prepare: () => onJob('/region', (job, i) => ({ region: i % 2 ? 'uk' : 'us', version: job.version })),
    },
    'post /jobs/:number/cover/part': {
      same: 'once',
      different: 'one',
      prepare: async () => {
        await sql("update job set cover = '{}' where number = $1", [(await van()).number]);
        const columns = `supplier_id, mass_kg, length_mm, width_mm, height_mm, price_cents, lead_days, covers,
          high_voltage, sheet`;
        await sql(`insert into component (id, kind, name, ${columns}) select 'heater-of-' || n, kind, name || n, ${columns} from component,
          generate_series(0, 9) n where id = 'heater-12' on conflict do nothing`);
        return onJob('/cover/part', (_, i) => ({ function: 'heatCabin', componentId: `heater-of-${i}`, was: null }));
      },
    },
    'put /jobs/:number/cover': {
      same: 'once',
      different: 'one',
      prepare: async () => {
        await sql("update job set cover = '{}' where number = $1", [(await van()).number]);
        return onJob('/cover', (_, i) => ({ function: 'chargeDc', way: 'client', why: `brings ${i}`, was: null }));
      },
    },
    'post /jobs/:number/decisions': {
      same: 'once',
      different: 'all',
      prepare: async () => {
        await sql('delete from verdict_decision');
        return onJob('/decisions', (_, i) => ({
          rule: 'bayMass',
          subject: 'rear',
          decision: 'accepted',
          reason: `seen by ${i}`,
        }));
      },
    },
    'post /jobs/:number/brief': {
      same: 'all',
      different: 'all',
      prepare: () => onJob('/brief', (_, i) => ({ ...line, text: `hook ${i}` })),
    },
    'put /brief/:id': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { brief } = await van();
        const own = brief.find((one) => one.kind === 'free')!;
        return { path: `/brief/${own.id}`, body: (i) => ({ ...line, text: `hooks ${i}`, version: own.version }) };
      },
    },
    'delete /brief/:id': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { body } = await ilse().send('post', `/jobs/${(await van()).number}/brief`, line);
        return { path: `/brief/${body.id}`, body: () => ({ version: 1 }) };
      },
    },
    'post /jobs/:number/weighings': {
      same: 'all',
      different: 'all',
      prepare: () =>
        onJob('/weighings', (_, i) => ({
          frontLeftKg: 230 + i,
          frontRightKg: 230,
          rearLeftKg: 230,
          rearRightKg: 230,
          state: 'asReceived',
          note: '',
        })),
    },
    'put /jobs/:number/vehicle-figures': {
      same: 'one',
      different: 'one',
      prepare: () =>
        onJob('/vehicle-figures', (job, i) => ({
          figure: 'dragCoefficient',
          value: 0.4 + i / 100,
          source: 'measured',
          since: job.vehicle.measured.dragCoefficient?.at ?? null,
        })),
    },
    'post /jobs/:number/vehicle-claims': {
      same: 'all',
      different: 'all',
      prepare: () =>
        onJob('/vehicle-claims', (_, i) => ({
          figure: 'wheelbase',
          value: 2100 + i,
          source: 'drawing',
          says: `handbook ${i}`,
        })),
    },
    'post /jobs/:number/log-findings': {
      same: 'all',
      different: 'all',
      prepare: () =>
        onJob('/log-findings', (_, i) => ({
          log: `road ${i}.csv`,
          findings: [{ figure: 'consumption', predicted: 190, measured: 180 + i, error: null }],
        })),
    },
    'post /jobs/:number/vehicle-claims/:id/settle': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const job = await van();
        const claim = { figure: 'track', value: 1300, source: 'drawing', says: 'the plate' };
        const { body } = await ilse().send('post', `/jobs/${job.number}/vehicle-claims`, claim);
        const { vehicle } = await van();
        const { at } = vehicle.claims.find((one) => one.id === body.id)!;
        return {
          path: `/jobs/${job.number}/vehicle-claims/${body.id}/settle`,
          body: (i) => ({
            use: i % 2 === 0,
            why: `reason ${i}`,
            since: vehicle.measured.track?.at ?? null,
            seen: at,
          }),
        };
      },
    },
    'put /jobs/:number/route': {
      same: 'one',
      different: 'one',
      prepare: () =>
        onJob('/route', (job, i) => ({
          route: {
            name: `Round ${i}`,
            speedCms: [0, 500, 1000],
            gradeE4: [0, 10, 0],
            startM: 3,
            distanceM: 10,
            climbM: 0,
            track: [],
            notes: [],
          },
          version: job.version,
        })),
    },
    'post /jobs/:number/designs': {
      same: 'all',
      different: 'all',
      prepare: () => onJob('/designs', (job, i) => ({ name: `Try ${i}`, inputs: job.designs[0]!.inputs })),
    },
    'put /designs/:id': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const design = (await van()).designs.findLast((one) => one.frozenAt === null)!;
        const body = (i: number) => ({ name: `Named ${i}`, inputs: design.inputs, version: design.version });
        return { path: `/designs/${design.id}`, body };
      },
    },
    'put /designs/:id/sold': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const design = (await van()).designs.findLast((one) => one.frozenAt === null)!;
        return { path: `/designs/${design.id}/sold`, body: () => ({ version: design.version }) };
      },
    },
    'post /jobs/:number/designs/import': {
      same: 'all',
      different: 'all',
      prepare: () =>
        onJob('/designs/import', (job, i) => ({
          format: 'workshop-design',
          formatVersion: 1,
          name: `File ${i}`,
          variant: '',
          inputs: job.designs[0]!.inputs,
        })),
    },
    'post /jobs/:number/parts/fill': {
      same: 'once',
      different: 'once',
      prepare: async () => {
        await dropLines(pool(), 'job_id = (select id from job where number = $1)', [(await van()).number]);
        return onJob('/parts/fill', () => ({}));
      },
    },
    'post /jobs/:number/parts': {
      same: 'all',
      different: 'all',
      prepare: () => onJob('/parts', (_, i) => ({ componentId: 'hv-label-set', quantity: 1 + i })),
    },
    'put /parts/:id': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const part = (await van()).parts.find((one) => one.state !== 'fitted')!;
        const body = (i: number) => ({
          state: 'ordered',
          due: `2027-04-${10 + i}`,
          version: part.version,
        });
        return { path: `/parts/${part.id}`, body };
      },
    },
    'post /jobs/:number/stages/from-kit': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { number } = await ilse().job('Tour car');
        await sql(
          'delete from step where stage_id in (select s.id from stage s join job j on j.id = s.job_id where number = $1)',
          [number],
        );
        await sql('delete from stage where job_id = (select id from job where number = $1)', [number]);
        return { path: `/jobs/${number}/stages/from-kit`, body: () => ({}) };
      },
    },
    'post /stages/:id/clock-on': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const stage = await openStage(false);
        return {
          path: `/stages/${stage.id}/clock-on`,
          who: jory(),
          body: (i) => (i % 2 ? work : { kind: 'learning', cause: null }),
        };
      },
    },
    'post /clock-off': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await on(jory(), await openStage(false));
        return { path: '/clock-off', who: jory(), body: () => ({}) };
      },
    },
    'post /stages/:id/confirm-live': {
      same: 'once',
      different: 'once',
      prepare: async () => {
        const stage = await openStage(true);
        await on(soren(), stage);
        await on(jory(), stage);
        return { path: `/stages/${stage.id}/confirm-live`, who: soren(), body: () => ({}) };
      },
    },
    'post /steps/:id/readings': {
      same: 'all',
      different: 'all',
      prepare: async () => {
        const stage = await openStage(false);
        await on(jory(), stage);
        const step = stage.steps.find((one) => one.limit)!;
        const inside = step.limit!.min ?? step.limit!.max ?? 0;
        return { path: `/steps/${step.id}/readings`, who: jory(), body: (i) => ({ value: inside + i }) };
      },
    },
    'post /steps/:id/decision': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const stage = await openStage(false);
        await on(jory(), stage);
        const step = stage.steps.find((one) => one.limit)!;
        await jory().send('post', `/steps/${step.id}/readings`, { value: -1e6 });
        return { path: `/steps/${step.id}/decision`, body: (i) => ({ reason: `looked at by ${i}` }) };
      },
    },
    'post /stages/:id/finish': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const stage = await openStage(false);
        await on(jory(), stage);
        for (const step of stage.steps) {
          const value = step.limit ? (step.limit.min ?? step.limit.max ?? 0) : 1;
          await jory().send('post', `/steps/${step.id}/readings`, { value });
        }
        const { version } = (await van()).stages.find((one) => one.id === stage.id)!;
        return { path: `/stages/${stage.id}/finish`, who: jory(), body: () => ({ version }) };
      },
    },
    'post /jobs/:number/snags': {
      same: 'all',
      different: 'all',
      prepare: () => onJob('/snags', (_, i) => ({ text: `rattle ${i}` })),
    },
    'post /snags/:id/close': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { number } = await van();
        const { body } = await ilse().send('post', `/jobs/${number}/snags`, { text: 'squeak' });
        return { path: `/snags/${body.id}/close`, body: () => ({}) };
      },
    },
    'put /jobs/:number/state': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await sql(
          "update job set state = 'building' where vehicle_id = (select id from vehicle where name = 'Bakery van')",
        );
        return onJob('/state', ({ version }, i) => ({ state: 'waitingForPart', reason: `part ${i}`, version }));
      },
    },
    'post /stage-templates': {
      same: 'one',
      different: 'all',
      prepare: async () => {
        const run = Math.random().toString(36).slice(2, 9);
        return { path: '/stage-templates', body: (i) => ({ name: `List ${run} ${i}`, stages: [] }) };
      },
    },
    'put /stage-templates/:id': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const name = `List ${Math.random().toString(36).slice(2, 9)}`;
        const { body } = await ilse().send('post', '/stage-templates', { name, stages: [] });
        return { path: `/stage-templates/${body.id}`, body: (i) => ({ name: `${name} ${i}`, stages: [], version: 1 }) };
      },
    },
    'post /stage-templates/:id/drop': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const name = `List ${Math.random().toString(36).slice(2, 9)}`;
        const { body } = await ilse().send('post', '/stage-templates', { name, stages: [] });
        return { path: `/stage-templates/${body.id}/drop`, body: () => ({ version: 1 }) };
      },
    },
    'post /jobs/:number/lessons': {
      same: 'all',
      different: 'all',
      prepare: () => onJob('/lessons', (_, i) => lessonOf(i)),
    },
    'post /lessons/:id/settle': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { body } = await ilse().send('post', `/jobs/${(await van()).number}/lessons`, lessonOf(0));
        return {
          path: `/lessons/${body.id}/settle`,
          body: (i) => ({ to: 'left', revisionId: null, why: `reason ${i}`, version: 1 }),
        };
      },
    },
    'post /jobs/:number/register': {
      same: 'all',
      different: 'all',
      prepare: () => onJob('/register', (_, i) => registerEntryOf(i)),
    },
    'post /register/:id/undone': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { number } = await van();
        const { body } = await ilse().send('post', `/jobs/${number}/register`, registerEntryOf(0));
        return { path: `/register/${body.id}/undone`, body: (i) => ({ how: `way ${i}`, version: 1 }) };
      },
    },
    'post /jobs/:number/checks': {
      same: 'all',
      different: 'all',
      prepare: () => {
        const check = CHECKS.find((one) => one.kind === null && !one.liveHv)!;
        return onJob('/checks', (_, i) => ({ checkId: check.id, value: 1, note: `look ${i}` }));
      },
    },
  };
}
