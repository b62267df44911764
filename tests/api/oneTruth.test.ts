import { spawnSync } from 'node:child_process';
import { beforeAll, describe, expect, test } from 'vitest';
import type { DesignFile } from '../../contract/design.ts';
import type { FloorData } from '../../contract/floor.ts';
import type { JobRow, JobSheet } from '../../contract/job.ts';
import type { LibraryData } from '../../contract/library.ts';
import { resolveDesign } from '../../core/design/resolve.ts';
import { createSheet, type FigureSheet } from '../../core/figures/evaluate.ts';
import { FIGURE_IDS, FIGURES, type FigureId } from '../../core/figures/index.ts';
import { jobFigureInput } from '../../core/job/jobFigures.ts';
import { CHECKS } from '../../core/prove/index.ts';
import { formatHours, formatQuantity } from '../../core/quantity/format.ts';
import type { UnitSet } from '../../core/quantity/units.ts';
import { unpackRoute } from '../../core/road/packedRoute.ts';
import { vehicleState } from '../../core/vehicle/state.ts';
import { judgeFloorJob } from '../../web/places/floor/judgeFloor.ts';
import { onHand, putOnHand } from './stock.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

// The page, the Floor, the server's file and the paper must say the same of every job, also after it was changed.
const shop = openWorkshop();
let ilse: Visitor;
let library: LibraryData;
let rates = { rateCents: 0, hoursPerDay: 0 };
const RUNS = 3;

beforeAll(async () => {
  ilse = await shop.visitor('ilse');
  library = (await ilse.get('/library')).body as LibraryData;
  rates = (await ilse.get('/session')).body.workshop;
});

const shelves = () => ({
  data: library,
  components: new Map(library.components.map((part) => [part.id, part])),
  free: new Map(library.components.map((part) => [part.id, part.free])),
  variants: new Map(library.variants.map((variant) => [variant.id, variant])),
  kits: new Map(library.kits.map((kit) => [kit.id, kit])),
});

/** The figures as the page works them out, from what it is sent. */
function pageSheet(job: JobSheet, inputs: JobSheet['designs'][number]['inputs'] | null, today: string): FigureSheet {
  const { components, free, variants, kits } = shelves();
  const revision = job.kit && kits.get(job.kit.revisionId);
  return createSheet(
    resolveDesign(
      jobFigureInput(
        {
          library: components,
          free,
          vehicle: vehicleState(
            variants.get(job.vehicle.variantId)!,
            job.vehicle.measured,
            job.vehicle.weighings[0] ?? null,
          ),
          use: job.use,
          brief: job.brief,
          route: job.route && unpackRoute(job.route),
          facts: {
            kit: revision && job.kit ? { revision, options: job.kit.options, variantId: job.vehicle.variantId } : null,
            stages: job.stages,
            parts: job.parts,
            rates,
            matchHours: job.matchHours,
            planned: job.planned,
            today,
          },
          register: job.register,
        },
        inputs,
      ),
    ),
  );
}

const valuesOf = (sheet: FigureSheet): Partial<Record<FigureId, number>> =>
  Object.fromEntries(
    FIGURE_IDS.flatMap((id) => {
      const { value } = sheet.get(FIGURES[id]);
      return value === null ? [] : [[id, Number(value.toPrecision(10))]];
    }),
  );

/** The words of a PDF in reading order, spaces of all kinds made plain. */
async function paperText(path: string, who = ilse): Promise<string> {
  const answer = await who
    .get(path)
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = [];
      res.on('data', (part: Buffer) => parts.push(part));
      res.on('end', () => done(null, Buffer.concat(parts)));
    });
  expect(answer.status).toBe(200);
  const { stdout } = spawnSync('pdftotext', ['-layout', '-', '-'], { input: answer.body as Buffer, encoding: 'utf8' });
  return stdout.replace(/[\u00a0\u202f]/g, ' ').replace(/ +/g, ' ');
}

async function expectOneTruth(job: JobSheet): Promise<void> {
  const today = (await ilse.get('/floor')).body.now.slice(0, 10);
  for (const design of job.designs) {
    const page = valuesOf(pageSheet(job, design.inputs, today));
    const file = JSON.parse((await ilse.get(`/designs/${design.id}/design.json`)).text) as DesignFile;
    expect(file.figures, `${job.title}, design ${design.name}`).toEqual(page);
  }
  const floor = (await ilse.get('/floor')).body as FloorData;
  const onFloor = floor.jobs.find((one) => one.number === job.number);
  if (!onFloor) return;
  const judged = judgeFloorJob(onFloor, shelves(), today, rates)!;
  const chosen = job.designs.find((one) => one.id === job.chosenDesignId);
  const page = valuesOf(pageSheet(job, chosen?.inputs ?? null, today));
  // The Floor is not sent a recording that no line of the brief asks for.
  const withoutRoute = (values: object) =>
    Object.fromEntries(
      Object.entries(values).filter(
        ([id]) => onFloor.route !== null || !/Route|Current|Heat|Flow|Rise|main|cable|fuse|heat|seats/i.test(id),
      ),
    );
  expect(withoutRoute(valuesOf(judged.sheet)), `${job.title} on the Floor`).toEqual(withoutRoute(page));
}

describe('page, Floor and server give the same figures', () => {
  test('for every job of the sample', async () => {
    const rows = (await ilse.get('/jobs')).body as JobRow[];
    expect(rows.length).toBeGreaterThan(8);
    for (const { number } of rows) await expectOneTruth((await ilse.get(`/jobs/${number}`)).body as JobSheet);
  });
  test('after random changes of design, use, vehicle, kit and stock', async () => {
    let seed = 7;
    const random = () => {
      seed = (seed * 48_271) % 2_147_483_647;
      return seed / 2_147_483_647;
    };
    for (let run = 0; run < RUNS; run++) {
      for (const title of ['Bakery van', 'Ice-cream van', 'Tour car']) {
        const job = await ilse.job(title);
        const design = job.designs[0]!;
        const inputs = {
          ...design.inputs,
          usableShare: 0.7 + random() / 4,
          torqueCapNm: Math.round(60 + random() * 100),
        };
        await ilse.send('put', `/designs/${design.id}`, { name: design.name, inputs, version: design.version });
        const use = { ...job.use, payloadKg: Math.round(random() * 400), ambientC: Math.round(random() * 30) };
        await ilse.send('put', `/jobs/${job.number}/use`, { use, version: job.useVersion });
        await ilse.send('put', `/jobs/${job.number}/vehicle-figures`, {
          figure: 'dragCoefficient',
          value: 0.35 + random() / 5,
          source: 'measured',
          since: job.vehicle.measured.dragCoefficient?.at ?? null,
        });
        await putOnHand(shop.pool(), 'module-n6', (await onHand(shop.pool(), 'module-n6')) + 1);
        library = (await ilse.get('/library')).body as LibraryData;
        await expectOneTruth(await ilse.job(title));
      }
    }
  });
});

describe('a paper says what the page says', () => {
  test.each(['metric', 'uk', 'us'] as UnitSet[])('figures of a design, in %s units', async (set) => {
    const petra = await shop.visitor('petra');
    await petra.send('put', '/preferences', { unitSet: set });
    const job = await ilse.job('Ice-cream van');
    const design = job.designs.find((one) => one.id === job.chosenDesignId)!;
    const today = (await ilse.get('/floor')).body.now.slice(0, 10);
    const sheet = pageSheet(job, design.inputs, today);
    const text = (await paperText(`/designs/${design.id}/sheet.pdf`, petra)).replace(/\s+/g, ' ');
    for (const id of ['packEnergy', 'topSpeed', 'rangeConstant', 'chargeTime', 'newHoles'] as const) {
      const { value, kind, group } = { ...sheet.get(FIGURES[id]), group: FIGURES[id].group };
      if (value === null || !kind || group === null) continue;
      const shown = kind === 'hours' ? formatHours(value) : formatQuantity(value, kind, set);
      expect(text, id).toContain(shown.replace(/[\u00a0\u202f]/g, ' '));
    }
    expect(text).not.toMatch(/NaN|undefined|\[object/);
    expect(text).toContain('High voltage kills');
  });
  test('a design of a job with a kit knows its holes, price and date on paper too', async () => {
    const job = await ilse.job('Bakery van');
    const text = await paperText(`/designs/${job.chosenDesignId}/sheet.pdf`);
    expect(text).toMatch(/Reversible: no new holes\s+0\s+met/);
    expect(text).toMatch(/Price ceiling\s+€ \d/);
    expect(text).toMatch(/Parts and labour\s+€ \d/);
  });
  test('limits in British units have their ends the right way round, and heads are repeated', async () => {
    const petra = await shop.visitor('petra');
    await petra.send('put', '/preferences', { unitSet: 'uk' });
    const job = await petra.job('Fire tender');
    const check = CHECKS.find((one) => one.kind === 'consumption')!;
    const soren = await shop.visitor('soren');
    const signed = await soren.send('post', `/jobs/${job.number}/checks`, { checkId: check.id, value: 180, note: '' });
    expect(signed.status, signed.body.detail).toBe(200);
    const text = await paperText(`/jobs/${job.number}/sign-off.pdf`, petra);
    expect(text).toContain(`Sign-off sheet ${job.number}, Fire tender`);
    expect(text).toMatch(/at least \d+\.\d mi\/kWh/);
    expect(text).not.toMatch(/at most \d+\.\d mi\/kWh/);
    expect(text.match(/Check Value Limit Signed/g)!.length).toBeGreaterThan(3);
    expect(text).toMatch(/page 1 of \d/);
    await petra.send('put', '/preferences', { unitSet: 'metric' });
    expect(await paperText(`/jobs/${job.number}/sign-off.pdf`, petra)).toMatch(/at most \d+\.\d kWh\/100 km/);
  });
  test('names of people and places are printed whole, whatever letters they have', async () => {
    await shop
      .pool()
      .query(
        "update client set name = 'Łódź Čeština Őrség Ελλάδα Київ' where id = (select client_id from vehicle where name = 'Fire tender')",
      );
    const job = await ilse.job('Fire tender');
    expect(await paperText(`/jobs/${job.number}/sign-off.pdf`)).toContain('Łódź Čeština Őrség Ελλάδα Київ');
  });
});
