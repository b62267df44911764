import { and, eq, isNull } from 'drizzle-orm';
import type { Workshop } from '../contract/workshop.ts';
import { times } from '../core/money/exact.ts';
import { wishEffect } from '../core/offer/effect.ts';
import { offerFromJob } from '../core/offer/fromJob.ts';
import type { OfferBody, OfferLine } from '../core/offer/offer.ts';
import { offerSums } from '../core/offer/sums.ts';
import type { Tx } from '../server/db/connect.ts';
import { one } from '../server/db/one.ts';
import * as t from '../server/db/schema/index.ts';
import { offerGround } from '../server/offers/ground.ts';
import { addLines } from '../server/read/addLines.ts';
import { figureInputOfJob } from '../server/read/figureInput.ts';
import { workshopNow } from '../server/read/workshop.ts';
import { dayFrom } from './dayFrom.ts';

const DAY_MS = 86_400_000;

const typed = (line: Partial<OfferLine> & Pick<OfferLine, 'key' | 'kind' | 'text' | 'unitCents'>): OfferLine => ({
  ...{ group: line.kind === 'outside' ? 'outside' : 'own', componentId: null, skill: null, quantity: 1, addShare: 0 },
  ...{ taxShare: 0.23, foreign: null, estimate: null },
  ...line,
});
const hours = (key: string, text: string, skill: string, quantity: number): OfferLine =>
  typed({ key, kind: 'work', text, skill, quantity, group: 'work', unitCents: 5800 });

const sumsOf = (body: OfferBody) => {
  const { netCents, taxCents, totalCents } = offerSums(body);
  return { netCents, taxCents, totalCents };
};

interface Loading {
  readonly tx: Tx;
  readonly now: Date;
  readonly workshop: Workshop;
  readonly ilse: string;
  readonly jory: string;
}

const ago = ({ now }: Loading, days: number) => new Date(now.getTime() - days * DAY_MS);

async function jobNamed(tx: Tx, title: string) {
  return one(
    await tx
      .select({ job: t.job })
      .from(t.job)
      .innerJoin(t.vehicle, eq(t.vehicle.id, t.job.vehicleId))
      .where(eq(t.vehicle.name, title)),
    'job of the sample',
  ).job;
}

/** An offer sent so many days ago; written as people would: begun, sent, answered. */
async function offer(
  loading: Loading,
  title: string,
  number: number,
  sentAgo: number,
  more: readonly OfferLine[],
  change: Partial<OfferBody> = {},
): Promise<string> {
  const { tx, now, workshop, ilse } = loading;
  const stored = await jobNamed(tx, title);
  const day = dayFrom(now, -sentAgo);
  const made = offerFromJob(await offerGround(tx, stored, workshop, day, null));
  const body: OfferBody = { ...made, lines: [...made.lines, ...more], ...change };
  const [row] = await tx
    .insert(t.offer)
    .values({
      ...{ jobId: stored.id, number, body, currency: workshop.currency, ...sumsOf(body), byId: ilse },
      createdAt: ago(loading, sentAgo + 1),
    })
    .returning();
  const [design] = stored.chosenDesignId
    ? await tx.select().from(t.design).where(eq(t.design.id, stored.chosenDesignId))
    : [];
  await tx
    .update(t.offer)
    .set({
      ...{ state: 'sent', sentAt: ago(loading, sentAgo), designId: design?.id ?? null, version: 2 },
      ...{ designInputs: design?.inputs ?? null, kitRevisionId: stored.kitRevisionId, kitOptions: stored.kitOptions },
    })
    .where(eq(t.offer.id, row!.id));
  return row!.id;
}

async function accepted(loading: Loading, id: string, by: string, daysAgo: number, from = ''): Promise<void> {
  const { tx } = loading;
  const [row] = await tx
    .update(t.offer)
    .set({
      ...{ state: 'accepted', answeredAt: ago(loading, daysAgo), answeredBy: by, answeredFrom: from, version: 3 },
    })
    .where(eq(t.offer.id, id))
    .returning();
  if (row?.designId)
    await tx
      .update(t.design)
      .set({ frozenAt: ago(loading, daysAgo) })
      .where(and(eq(t.design.id, row.designId), isNull(t.design.frozenAt)));
}

interface Wished {
  readonly number: number;
  readonly wish: string;
  readonly askedBy: string;
  readonly askedAgo: number;
  readonly lines: readonly OfferLine[];
  readonly massKg: number;
  readonly xMm: number | null;
  /** Laid before the client so many days ago; absent: not yet. */
  readonly pricedAgo?: number;
  readonly answer?: { readonly accepted: boolean; readonly by: string; readonly daysAgo: number; readonly why: string };
}

async function wish(loading: Loading, title: string, wished: Wished): Promise<void> {
  const { tx, now, workshop, jory } = loading;
  const { number, pricedAgo, answer, askedAgo, lines, ...rest } = wished;
  const stored = await jobNamed(tx, title);
  const body: OfferBody = {
    ...{ lines, stages: [], contingencyShare: 0, roundToCents: 1, taxRule: 'line', taxShare: workshop.taxShare },
    ...{ open: false, note: '', validUntil: dayFrom(now, 24) },
  };
  const [row] = await tx
    .insert(t.addition)
    .values({
      ...{ jobId: stored.id, number, ...rest, body, currency: workshop.currency, ...sumsOf(body), byId: jory },
      createdAt: ago(loading, askedAgo),
    })
    .returning();
  if (pricedAgo === undefined) return;
  const { input } = await figureInputOfJob(tx, stored, workshop, dayFrom(now, 0));
  const effect = wishEffect(input, { lines, design: null, massKg: rest.massKg, xMm: rest.xMm });
  const at = eq(t.addition.id, row!.id);
  await tx
    .update(t.addition)
    .set({ state: 'priced', pricedAt: ago(loading, pricedAgo), effect, version: 2 })
    .where(at);
  if (!answer) return;
  const state = answer.accepted ? ('accepted' as const) : ('declined' as const);
  await tx
    .update(t.addition)
    .set({
      ...{
        state,
        answeredAt: ago(loading, answer.daysAgo),
        answeredBy: answer.by,
        answeredWhy: answer.why,
        version: 3,
      },
      answeredFrom: '192.0.2.17',
    })
    .where(at);
  if (answer.accepted)
    await addLines(
      tx,
      stored.id,
      lines.flatMap(({ componentId, quantity }) =>
        componentId ? [{ componentId, quantity, packedIn: '', from: 'added' as const }] : [],
      ),
    );
}

/** Offers of the sample: one that waits for its client, three that were agreed, with changes taken, waiting, asked and refused. */
export async function loadOffers(tx: Tx, now: Date): Promise<void> {
  const people = new Map((await tx.select().from(t.person)).map((person) => [person.signIn, person.id]));
  const workshop = one([(await workshopNow(tx))!], 'workshop');
  const loading: Loading = { tx, now, workshop, ilse: people.get('ilse')!, jory: people.get('jory')! };
  const rateDay = dayFrom(now, -9);
  const bell = { currency: 'GBP' as const, cents: 18_500, rateMillionths: 1_152_000, rateDay };
  const first = await offer(loading, 'Tour car', 1, 16, [
    typed({
      key: 'outside align',
      kind: 'outside',
      text: 'Alignment and corner weights',
      unitCents: 24_000,
      addShare: 0.1,
    }),
  ]);
  await tx
    .update(t.offer)
    .set({ state: 'withdrawn', answeredAt: ago(loading, 7), answeredWhy: 'offer 2 took its place', version: 3 })
    .where(eq(t.offer.id, first));
  await offer(
    loading,
    'Tour car',
    2,
    6,
    [
      typed({
        key: 'outside align',
        kind: 'outside',
        text: 'Alignment and corner weights',
        unitCents: 24_000,
        addShare: 0.1,
      }),
      typed({
        ...{ key: 'outside trim', kind: 'outside', text: 'Seat-back box retrimmed in the old cloth', addShare: 0.1 },
        ...{ unitCents: times(bell.cents, bell.rateMillionths / 1_000_000), foreign: bell },
      }),
    ],
    { note: 'With the seat-back box in the old cloth, as you asked.', validUntil: dayFrom(now, 24) },
  );
  const library = await offer(loading, 'Mobile library', 1, 41, [
    typed({ key: 'own ferry', kind: 'own', text: 'Ferry both ways', unitCents: 36_000 }),
  ]);
  await accepted(loading, library, 'Nessa Reeve', 38, '192.0.2.17');
  await wish(loading, 'Mobile library', {
    ...{ number: 1, wish: 'Dial faces in cream', askedBy: 'Nessa Reeve', askedAgo: 20, massKg: 0, xMm: null },
    lines: [
      typed({
        ...{ key: 'part gauge-face', kind: 'part', group: 'small', text: 'Gauge face and driver' },
        ...{ componentId: 'gauge-face', quantity: 2, unitCents: 16_000, addShare: 0.15 },
      }),
    ],
    pricedAgo: 18,
    answer: { accepted: true, by: 'Nessa Reeve', daysAgo: 17, why: '' },
  });
  await wish(loading, 'Mobile library', {
    ...{
      number: 2,
      wish: 'Mains outlet for the reading lamps',
      askedBy: 'Nessa Reeve',
      askedAgo: 8,
      massKg: 6,
      xMm: 3200,
    },
    lines: [
      typed({ key: 'own outlet', kind: 'own', text: 'Outlet with its own breaker', unitCents: 31_000 }),
      hours('work outlet', 'Work, electrical', 'electrical', 4),
    ],
    pricedAgo: 6,
  });
  await wish(loading, 'Mobile library', {
    ...{ number: 3, wish: 'Third row of seats back in', askedBy: 'the driver', askedAgo: 2, massKg: 34, xMm: 3600 },
    lines: [],
  });
  const bus = await offer(loading, 'School minibus', 1, 52, []);
  await accepted(loading, bus, 'Ann Oake', 47);
  await wish(loading, 'School minibus', {
    ...{ number: 1, wish: 'Air conditioning', askedBy: 'Ann Oake', askedAgo: 30, massKg: 41, xMm: 1400 },
    lines: [
      typed({ key: 'own cold', kind: 'own', text: 'Compressor, condenser, hoses', unitCents: 189_000 }),
      typed({
        key: 'outside fill',
        kind: 'outside',
        text: 'Filled by the licensed firm',
        unitCents: 21_000,
        addShare: 0.1,
      }),
      hours('work cold', 'Work, mechanical', 'mechanical', 9),
    ],
    pricedAgo: 28,
    answer: { accepted: false, by: 'Ann Oake', daysAgo: 25, why: 'too dear for four weeks of summer' },
  });
  const post = await offer(loading, 'Post van', 1, 70, []);
  await accepted(loading, post, 'Col Farr', 66);
  const [stored] = [await jobNamed(tx, 'Mobile library')];
  await tx.insert(t.jobCost).values({
    ...{ jobId: stored.id, text: 'Propeller shaft balanced on the mainland', cents: 14_200, day: dayFrom(now, -3) },
    ...{ byId: loading.ilse, at: ago(loading, 2) },
  });
  await tx.insert(t.clientQuestion).values({
    ...{ jobId: stored.id, text: 'Can the shelves stay in while you work?', by: 'Nessa Reeve', at: ago(loading, 1) },
  });
}
