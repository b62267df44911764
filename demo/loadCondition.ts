import { eq } from 'drizzle-orm';
import type { Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';

const DAY_MS = 86_400_000;

/** What was found on vehicles, who has one of them, how one is set and what its old dials show. */
export async function loadCondition(tx: Tx, now: Date): Promise<void> {
  const people = new Map((await tx.select().from(t.person)).map((one) => [one.signIn, one.id]));
  const [jory, soren] = [people.get('jory')!, people.get('soren')!];
  const jobs = await tx
    .select({ id: t.job.id, vehicleId: t.job.vehicleId, title: t.vehicle.name })
    .from(t.job)
    .innerJoin(t.vehicle, eq(t.vehicle.id, t.job.vehicleId));
  const of = (title: string) => jobs.find((job) => job.title === title)!;
  const ago = (days: number) => new Date(now.getTime() - days * DAY_MS);
  const bus = of('School minibus');
  const look = (what: string, days: number, points: Record<string, 'good' | 'failed' | null>, note = '') => ({
    ...{ jobId: bus.id, kind: 'connector' as const, what, points, note, byId: soren, at: ago(days) },
  });
  await tx.insert(t.inspection).values([
    look('X3 heater', 12, { pin: 'good', wire: 'good', crimp: 'failed', seal: 'good' }, 'crimp pulled off by hand'),
    look('X3 heater', 9, { crimp: 'good' }, 'crimped anew with HC-1, pulled'),
    look('X7 inlet', 12, { pin: 'good', wire: 'good', crimp: 'good', seal: 'good' }),
    {
      ...look('Rear box', 12, { torque: 'good', seal: 'good' }),
      kind: 'box',
    },
  ]);
  await tx.insert(t.custody).values({
    ...{ jobId: bus.id, holder: 'Quay Cooling', what: 'air conditioning in and filled', from: ago(2), byId: jory },
    dueBack: new Date(now.getTime() + 2 * DAY_MS),
    list: ['keys', 'registration papers', 'pipe drawing'].map((what) => ({ what, back: null })),
  });
  const tender = of('Fire tender');
  const set = (days: number, values: Record<string, number>, why: string) => ({
    ...{ vehicleId: tender.vehicleId, jobId: tender.id, unit: 'controller' as const, firmware: '3.2', values, why },
    ...{ byId: soren, at: ago(days) },
  });
  await tx
    .insert(t.settingsVersion)
    .values([
      set(6, { maxTorqueNm: 90, maxBatteryA: 150, emptyV: 290 }, 'gentle, for the first turn of the wheels'),
      set(
        3,
        { maxTorqueNm: 150, maxBatteryA: 200, regenPowerW: 15_000, emptyV: 290 },
        'after the road test, as the design has it',
      ),
    ]);
  const van = of('Bakery van');
  const dial = (name: string, signal: string, unit: string, shown: readonly number[]) => ({
    ...{
      vehicleId: van.vehicleId,
      jobId: van.id,
      kind: 'dial' as const,
      name,
      signal,
      unit,
      driver: 'gauge driver',
      face: 'as it was',
    },
    ...{ points: shown.map((one, i) => ({ signal: i * 25, shown: one })), byId: jory, at: ago(1) },
  });
  await tx.insert(t.dashLine).values([
    dial('Fuel gauge', 'state of charge', '%', [1, 26, 49, 74, 99]),
    dial('Water temperature', 'coolant of the drive', '°C', [2, 27, 52]),
    {
      ...dial('Charge lamp', 'low-voltage charging', '', []),
      ...{ kind: 'lamp' as const, driver: 'converter, open collector', face: 'red' },
    },
  ]);
}
