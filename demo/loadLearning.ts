import { eq } from 'drizzle-orm';
import { bespokeStages } from '../core/kit/bespokeStages.ts';
import { boltInStages } from '../core/kit/usualStages.ts';
import type { Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';

const DAY_MS = 86_400_000;

/** What was learnt on the vans, what was changed on vehicles, who waits for a kit; and the lists stages are begun from. */
export async function loadLearning(tx: Tx, now: Date): Promise<void> {
  const people = new Map((await tx.select().from(t.person)).map((one) => [one.signIn, one.id]));
  const [ilse, jory] = [people.get('ilse')!, people.get('jory')!];
  const jobs = await tx
    .select({ id: t.job.id, vehicleId: t.vehicle.id, clientId: t.vehicle.clientId, title: t.vehicle.name })
    .from(t.job)
    .innerJoin(t.vehicle, eq(t.vehicle.id, t.job.vehicleId));
  const of = (title: string) => jobs.find((job) => job.title === title)!;
  const ago = (days: number) => new Date(now.getTime() - days * DAY_MS);
  // The next of the vans is held by what the first one teaches.
  await tx
    .update(t.job)
    .set({ followsId: of('Bakery van').id })
    .where(eq(t.job.id, of('Ice-cream van').id));
  const lesson = (title: string, text: string, more: Partial<typeof t.lesson.$inferInsert> = {}) => ({
    ...{ jobId: of(title).id, about: 'stage' as const, text, kitId: 'wren-kit', byId: jory, at: ago(9) },
    ...more,
  });
  await tx.insert(t.lesson).values([
    lesson('Bakery van', 'Move the inlet 40 mm inwards: the flap touches the plug', {
      ...{ aboutText: 'Fit connectors, label, clamp', costHours: 2.5 },
    }),
    lesson('Bakery van', 'Heater contactor was not in crate 3', {
      ...{ about: 'snag', aboutText: 'waited for a contactor', costHours: 4, at: ago(6) },
    }),
    lesson('Fish van', 'Rear pair: start the bolts only when the cradle is within 5 mm', {
      ...{ aboutText: 'Rear box and drive in', costHours: 1.5, at: ago(60), state: 'taken', revisionId: 'wren-kit-d' },
      ...{ settledById: ilse, settledAt: ago(20) },
    }),
    lesson('Fish van', 'Front box label hidden by the hose', {
      ...{ about: 'check', aboutText: 'Labels', at: ago(58), state: 'left', why: 'the hose is tied back now' },
      ...{ settledById: ilse, settledAt: ago(20) },
    }),
    lesson('Hotel shuttle', 'Cradle wants a second person for the first two bolts', {
      ...{ kitId: 'fourteen-kit', aboutText: 'Rear box and drive in', costHours: 1 },
    }),
  ]);
  const entry = (title: string, more: Omit<typeof t.registerEntry.$inferInsert, 'jobId' | 'vehicleId' | 'byId'>) => ({
    ...{ jobId: of(title).id, vehicleId: of(title).vehicleId, byId: jory, at: ago(10) },
    ...more,
  });
  await tx.insert(t.registerEntry).values([
    entry('Bakery van', {
      ...{ kind: 'partOut', what: 'Engine and gearbox', place: 'engine bay', undo: 'back on its three mounts' },
      ...{ goes: 'shelf', agreedBy: '' },
    }),
    entry('Bakery van', {
      ...{
        kind: 'partOut',
        what: 'Fuel tank and filler neck',
        place: 'under the rear floor',
        undo: 'four bolts, straps kept',
      },
      ...{ goes: 'client', agreedBy: '' },
    }),
    entry('Bakery van', {
      ...{
        kind: 'rehoused',
        what: 'Horn',
        place: 'from the radiator panel to the left wing',
        undo: 'one bolt, wire coiled',
      },
    }),
    entry('Bakery van', {
      ...{ kind: 'bracket', what: 'Charger bracket', place: 'bulkhead, on two existing studs', undo: 'two nuts' },
    }),
  ]);
  await tx.insert(t.kitWish).values([
    {
      kitId: 'wren-kit',
      kind: 'waiting',
      clientId: of('Ice-cream van').clientId,
      text: '1.3, wants the boot',
      byId: ilse,
      at: ago(30),
    },
    {
      kitId: 'wren-kit',
      kind: 'waiting',
      clientId: of('Fish van').clientId,
      text: 'a second van',
      byId: ilse,
      at: ago(12),
    },
    {
      ...{ kitId: 'wren-kit', kind: 'promised', clientId: of('Flower van').clientId, byId: ilse, at: ago(40) },
      text: 'new inlet bracket, free of charge, with revision D',
    },
  ]);
  await tx.insert(t.stageTemplate).values([
    {
      name: 'Bolt-in kit, two technicians',
      stages: boltInStages({ cradleNm: null, boxNm: null, rearBox: true, liquid: true, size: 1, fullV: 400 }),
      lent: true,
    },
    { name: 'What a bespoke job adds', stages: bespokeStages(), lent: true },
  ]);
}
