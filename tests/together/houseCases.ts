import { createHash } from 'node:crypto';
import Papa from 'papaparse';
import type { VehicleRow } from '../../contract/clients.ts';
import type { JobSheet } from '../../contract/job.ts';
import type { LibraryData } from '../../contract/library.ts';
import type { PersonRow } from '../../contract/people.ts';
import type { ToolRow } from '../../contract/tools.ts';
import { newestOf } from '../../core/vehicle/revisions.ts';
import { startVariant } from '../../core/vehicle/startVariant.ts';
import { variantFile } from '../../wording/variantTable.ts';
import { inDays } from '../day.ts';
import type { Case, Ground } from './case.ts';

/** What is done to the house: components, models, clients, vehicles, people, the floor. */
export function houseCases({ shop, sql, van, onJob, ilse, ownJob, clientOf }: Ground): Record<string, Case> {
  /** A file of one model that nobody has yet. */
  const modelFile = (name: string): string =>
    JSON.stringify(variantFile([{ ...startVariant('van'), makerName: 'Quay', modelName: 'Carrier', name }]));
  const vehicleOf = async (job: JobSheet): Promise<VehicleRow> =>
    (await ilse().get('/vehicles')).body.find((row: VehicleRow) => row.id === job.vehicle.id);
  /** A table of the first fuse under another name. */
  async function fuseTable(): Promise<(name: string) => string> {
    const [head = [], first = []] = Papa.parse<string[]>(
      (await ilse().get('/components/fuse/table.csv')).text.trim(),
    ).data;
    return (name) => Papa.unparse([head, ['', name, ...first.slice(2)]]);
  }
  const someTool = async (): Promise<ToolRow> =>
    (await ilse().get('/tools')).body.find(({ outWhy }: ToolRow) => outWhy === null);
  const personRow = async (name: string): Promise<PersonRow> =>
    (await ilse().get('/people')).body.find((row: PersonRow) => row.name === name);
  /** 32 signs of a run and a number. */
  const tokenOf = (run: string, i: number) =>
    createHash('sha256').update(`${run} ${i}`).digest('base64url').slice(0, 32);

  return {
    'post /components': {
      // A name is there once.
      same: 'one',
      different: 'all',
      prepare: async () => {
        const volley = crypto.randomUUID().slice(0, 8);
        return {
          path: '/components',
          body: (i) => ({
            kind: 'cable',
            name: `Cable ${volley} ${i}`,
            supplier: `Works ${volley}`,
            massKg: 3,
            lengthMm: 10_000,
            widthMm: 20,
            heightMm: 20,
            priceCents: 9_000,
            leadDays: 3,
            covers: [],
            highVoltage: true,
            sheet: { sectionMm2: 35, outsideMm: 14, continuousA: 180 },
          }),
        };
      },
    },
    'post /tools': {
      // One of a kind carries a number.
      same: 'one',
      different: 'all',
      prepare: async () => {
        const volley = crypto.randomUUID().slice(0, 8);
        const body = { kind: 'gauge', name: 'Gauge', calibrated: false, calibratedUntil: null, paper: '', kept: '' };
        return { path: '/tools', body: (i) => ({ ...body, number: `${volley}-${i}` }) };
      },
    },
    'put /tools/:id': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { id, kind, name, number, calibrated, calibratedUntil, paper, version } = await someTool();
        const body = { kind, name, number, calibrated, calibratedUntil, paper, version };
        return { path: `/tools/${id}`, body: (i) => ({ ...body, kept: `shelf ${i}` }) };
      },
    },
    'post /tools/:id/hold': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { id, version } = await someTool();
        return { path: `/tools/${id}/hold`, body: () => ({ taken: true, version }) };
      },
    },
    'post /tools/:id/out': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await sql('update tool set out_why = null');
        const { id, version } = await someTool();
        return { path: `/tools/${id}/out`, body: (i) => ({ why: `broken ${i}`, version }) };
      },
    },
    'put /workshop': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { own: _, ...now } = (await ilse().get('/session')).body.workshop;
        return { path: '/workshop', body: (i) => ({ ...now, rateCents: 6000 + i }) };
      },
    },
    'put /components/:component': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const library: LibraryData = (await ilse().get('/library')).body;
        const { id, free: _, lent, version, ...component } = library.components.find((one) => one.kind === 'fuse')!;
        return {
          path: `/components/${id}`,
          body: (i) => ({ component: { ...component, priceCents: 5000 + i }, version }),
        };
      },
    },
    'post /files/about/:about/:of/named/:name': {
      same: 'all',
      different: 'all',
      prepare: async () => ({
        path: `/files/about/vehicle/${(await van()).vehicle.id}/named/note`,
        body: (i) => Buffer.from(`note ${i}`),
      }),
    },
    'put /files/:id': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const of = (await van()).vehicle.id;
        const { body } = await ilse().send('post', `/files/about/vehicle/${of}/named/note`, Buffer.from('a note'));
        return {
          path: `/files/${body.id}`,
          body: (i) => ({ caption: `seen ${i}`, dropped: false, lay: null, version: 1 }),
        };
      },
    },
    'post /basics': {
      same: 'once',
      different: 'once',
      prepare: async () => {
        await sql('delete from component where lent');
        await sql('delete from stage_template');
        return { path: '/basics', body: () => ({ what: ['cables', 'stages'] }) };
      },
    },
    'post /components/:kind/table': {
      same: 'once',
      different: 'all',
      prepare: async () => {
        const run = Math.random().toString(36).slice(2);
        const table = await fuseTable();
        return { path: '/components/fuse/table', body: (i) => ({ text: table(`Fuse ${run} ${i}`), name: 'list.csv' }) };
      },
    },
    'post /components/taken-in/:id/undo': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const text = (await fuseTable())(`Fuse ${Math.random()}`);
        const { body } = await ilse().send('post', '/components/fuse/table', { text, name: 'list.csv' });
        return { path: `/components/taken-in/${body.id}/undo`, body: () => ({}) };
      },
    },
    'put /clients/:id': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { id, version, contact } = await clientOf(await ownJob());
        return { path: `/clients/${id}`, body: (i) => ({ name: `Client ${i}`, contact, version }) };
      },
    },
    'post /clients/:id/merge': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const [gone, stays] = [await clientOf(await ownJob()), await clientOf(await ownJob())];
        const body = { into: stays.id, version: gone.version, intoVersion: stays.version };
        return { path: `/clients/${gone.id}/merge`, body: () => body };
      },
    },
    'post /clients/:id/remove': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const job = await ownJob();
        await sql("update job set state = 'cancelled' where number = $1", [job.number]);
        const { id, version } = await clientOf(job);
        return { path: `/clients/${id}/remove`, body: () => ({ version }) };
      },
    },
    'put /vehicles/:id': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { client: _, variantName: __, jobs: ___, ...row } = await vehicleOf(await ownJob());
        const { id, ...body } = row;
        return { path: `/vehicles/${id}`, body: (i) => ({ ...body, colour: `grey ${i}` }) };
      },
    },
    'post /vehicles/:id/merge': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const [gone, stays] = [await vehicleOf(await ownJob()), await vehicleOf(await ownJob())];
        const body = { into: stays.id, version: gone.version, intoVersion: stays.version };
        return { path: `/vehicles/${gone.id}/merge`, body: () => body };
      },
    },
    'post /backups': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await sql('update backup_run set ended_at = now() where ended_at is null');
        return { path: '/backups', body: () => ({}) };
      },
    },
    'post /jobs/:number/kits': {
      same: 'one',
      different: 'all',
      prepare: async () => {
        const run = Math.random().toString(36).slice(2);
        return onJob('/kits', (_, i) => ({ name: `Kit ${run} ${i}`, onlyThis: [] }));
      },
    },
    'post /variants': {
      same: 'one',
      different: 'all',
      prepare: async () => {
        const run = Math.random().toString(36).slice(2);
        const start = { ...startVariant('van'), makerName: 'Quay', modelName: 'Carrier' };
        return { path: '/variants', body: (i) => ({ ...start, name: `${run} ${i}` }) };
      },
    },
    'put /variants/:variant': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const library: LibraryData = (await ilse().get('/library')).body;
        const { id, version = 1, ...variant } = newestOf(library.variants, (await van()).vehicle.variantId)!;
        return {
          path: `/variants/${id}`,
          body: (i) => ({ variant: { ...variant, yearTo: variant.yearTo + i }, version }),
        };
      },
    },
    'post /models/table': {
      same: 'once',
      different: 'all',
      prepare: async () => {
        const run = Math.random().toString(36).slice(2);
        return { path: '/models/table', body: (i) => ({ text: modelFile(`${run} ${i}`), name: 'models.json' }) };
      },
    },
    'post /models/taken-in/:id/undo': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const text = modelFile(`Undone ${Math.random()}`);
        const { body } = await ilse().send('post', '/models/table', { text, name: 'models.json' });
        return { path: `/models/taken-in/${body.id}/undo`, body: () => ({}) };
      },
    },
    'put /jobs/:number/vehicle-variant': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const was = (await van()).vehicle.variantId;
        const library: LibraryData = (await ilse().get('/library')).body;
        const { id, version = 1, ...variant } = newestOf(library.variants, was)!;
        // Two revisions on: the first of them may still be free to be changed in place.
        const changed = { variant: { ...variant, yearTo: variant.yearTo + 1 }, version };
        const { body } = await ilse().send('put', `/variants/${id}`, changed);
        return onJob('/vehicle-variant', () => ({ variantId: body.id, was }));
      },
    },
    'put /floor/plan': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { building, places } = (await ilse().get('/floor')).body;
        const { version, ...walls } = building;
        return { path: '/floor/plan', body: (i) => ({ building: { ...walls, lengthM: 30 + i }, places, version }) };
      },
    },
    'post /people': {
      same: 'one',
      different: 'all',
      prepare: async () => {
        const name = `new${Math.random().toString(36).slice(2)}`;
        return {
          path: '/people',
          body: (i) => ({ name, signIn: `${name}${i}`, role: 'technician', skills: [], token: tokenOf(name, i) }),
        };
      },
    },
    'put /people/:id': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { active: _, joined, invitedUntil, authorisations, id, ...body } = await personRow('Odo Finch');
        return { path: `/people/${id}`, body: (i) => ({ ...body, skills: [`skill ${i}`] }) };
      },
    },
    'put /people/:id/active': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { id, active, version } = await personRow('Ravi Dunmore');
        return { path: `/people/${id}/active`, body: () => ({ active: !active, version }) };
      },
    },
    'post /people/:id/invitations': {
      same: 'all',
      different: 'all',
      prepare: async () => {
        const { id } = await personRow('Odo Finch');
        const run = Math.random().toString(36);
        return { path: `/people/${id}/invitations`, body: (i) => ({ token: tokenOf(run, i) }) };
      },
    },
    'post /people/:id/authorisations': {
      same: 'all',
      different: 'all',
      prepare: async () => {
        const { id } = await personRow('Odo Finch');
        const days = { validFrom: inDays(-330), validUntil: inDays(1496) };
        return {
          path: `/people/${id}/authorisations`,
          body: (i) => ({ ...days, givenBy: 'a school', paper: `no. ${i}` }),
        };
      },
    },
    'post /authorisations/:id/end': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { id } = await personRow('Odo Finch');
        const days = { validFrom: inDays(-330), validUntil: inDays(1496) };
        const path = `/people/${id}/authorisations`;
        const { body } = await ilse().send('post', path, { ...days, givenBy: 'a school', paper: 'x' });
        return { path: `/authorisations/${body.id}/end`, body: (i) => ({ why: `reason ${i}` }) };
      },
    },
    'put /my/password': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await sql(
          "update person set password_hash = (select password_hash from person where sign_in = 'ilse') where sign_in = 'petra'",
        );
        // Those who came after the change guessed wrong: that is counted, and not of this one.
        await sql('delete from sign_in_try');
        const petra = await shop.visitor('petra');
        const now = 'quay-and-copper';
        return { path: '/my/password', who: petra, body: (i) => ({ now, next: `another word ${i}` }) };
      },
    },
    'delete /my/sessions': {
      same: 'all',
      different: 'all',
      prepare: async () => {
        await sql(
          "update person set password_hash = (select password_hash from person where sign_in = 'ilse') where sign_in = 'petra'",
        );
        return { path: '/my/sessions', who: await shop.visitor('petra'), body: () => ({}) };
      },
    },
  };
}
