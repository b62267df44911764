import type { ClientRow } from '../../contract/clients.ts';
import type { JobSheet } from '../../contract/job.ts';
import type { KitSheet } from '../../contract/kits.ts';
import type { Case, Ground } from './case.ts';
// Every address that changes something is fired ten times at the same moment: with the same body under one key, with
// the same body under ten keys, and with ten bodies. What was answered 200 must be in the log, once; what changes one
// thing from a known version must change it once. An address without a case here fails the test.

/** What is done to kits: revisions, wishes, files. */
export function kitCases({ sql, ilse, jory }: Ground): Record<string, Case> {
  /** A draft that could be released, but for its second reader: as the released revision, changed last by Soren. */
  async function ownDraft(): Promise<{ id: string; version: number; content: object }> {
    const { body } = await ilse().send('post', '/kits/wren-kit/revisions', { from: 'wren-kit-c', note: '' });
    await sql("update kit_revision set changed_by_id = (select id from person where sign_in = 'soren') where id = $1", [
      body.id,
    ]);
    const kit: KitSheet = (await ilse().get('/kits/wren-kit')).body;
    const { id, version, ...own } = kit.revisions.find((one) => one.id === body.id)!;
    const { lines, options, layout, torqueCapNm, gear, cover, exclusions, stages } = own;
    return { id, version, content: { lines, options, layout, torqueCapNm, gear, cover, exclusions, stages } };
  }
  /** A job of a client and a vehicle of its own. */
  async function ownJob(): Promise<JobSheet> {
    const run = Math.random().toString(36).slice(2, 10);
    const start = { clientName: `Client ${run}`, clientContact: '', title: `Van ${run}`, variantId: 'wren-11' };
    const rest = { builtYear: 1971, chassisNumber: run, registration: '', colour: '', brief: [] };
    const { body } = await ilse().send('post', '/jobs', { ...start, ...rest });
    return (await ilse().get(`/jobs/${body.number}`)).body;
  }
  const clientOf = async (job: JobSheet): Promise<ClientRow> =>
    (await ilse().get('/clients')).body.find((row: ClientRow) => row.name === job.client.name);

  return {
    'post /kits': {
      // A name is there once.
      same: 'one',
      different: 'all',
      prepare: async () => {
        const run = Math.random().toString(36).slice(2, 9);
        const rest = { variantId: 'wren-11', from: 'wren-kit-c' };
        return { path: '/kits', body: (i) => ({ name: `Kit ${run} ${i}`, ...rest }) };
      },
    },
    'post /kits/file': {
      same: 'one',
      different: 'all',
      prepare: async () => {
        const file = JSON.parse((await ilse().get('/kit-revisions/wren-kit-c/file.json')).text);
        const own = Object.fromEntries(file.components.map(({ id }: { id: string }) => [id, id]));
        const run = Math.random().toString(36).slice(2, 9);
        return { path: '/kits/file', body: (i) => ({ file, name: `Kit ${run} ${i}`, variantId: 'wren-11', own }) };
      },
    },
    'put /kits/:kit': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { name, version } = (await ilse().get('/kits/lantern-kit')).body;
        return { path: '/kits/lantern-kit', body: (i) => ({ name, developmentCents: 1000 + i, version }) };
      },
    },
    'post /kits/:kit/revisions': {
      same: 'all',
      different: 'all',
      prepare: async () => ({
        path: '/kits/wren-kit/revisions',
        body: (i) => ({ from: 'wren-kit-c', note: `draft ${i}` }),
      }),
    },
    'put /kit-revisions/:revision': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const draft = await ownDraft();
        return {
          path: `/kit-revisions/${draft.id}`,
          body: (i) => ({ content: draft.content, note: `changed ${i}`, version: draft.version }),
        };
      },
    },
    'post /kit-revisions/:revision/read': {
      same: 'once',
      different: 'once',
      prepare: async () => {
        const { id, version } = await ownDraft();
        return { path: `/kit-revisions/${id}/read`, who: jory(), body: () => ({ version }) };
      },
    },
    'post /kit-revisions/:revision/release': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { id, version } = await ownDraft();
        await jory().send('post', `/kit-revisions/${id}/read`, { version });
        return { path: `/kit-revisions/${id}/release`, body: () => ({ version }) };
      },
    },
    'post /kit-revisions/:revision/withdraw': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { id } = await ownDraft();
        return { path: `/kit-revisions/${id}/withdraw`, body: (i) => ({ why: `reason ${i}` }) };
      },
    },
    'post /kits/:kit/wishes': {
      // A client waits once.
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { id } = await clientOf(await ownJob());
        return {
          path: '/kits/wren-kit/wishes',
          body: (i) => ({ kind: 'waiting', clientId: id, text: `wish ${i}` }),
        };
      },
    },
    'post /kit-wishes/:id/end': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const wish = { kind: 'promised', clientId: null, text: 'a bracket' };
        const { body } = await ilse().send('post', '/kits/wren-kit/wishes', wish);
        return { path: `/kit-wishes/${body.id}/end`, body: (i) => ({ why: `reason ${i}` }) };
      },
    },
  };
}
