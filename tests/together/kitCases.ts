import type { KitSheet } from '../../contract/kits.ts';
import type { Case, Ground } from './case.ts';

/** What is done to kits: revisions, wishes, files. */
export function kitCases({ sql, ilse, jory, ownJob, clientOf }: Ground): Record<string, Case> {
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
