import type { Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';
import { dayFrom } from './dayFrom.ts';

/** The tools and instruments of the sample: one is out to be calibrated, one runs out soon, one somebody has with them. */
export async function loadTools(tx: Tx, now: Date): Promise<void> {
  const people = new Map((await tx.select().from(t.person)).map((one) => [one.signIn, one.id]));
  const tool = (kind: string, name: string, number: string, days: number | null, more: object = {}) => ({
    ...{ kind, name, number, calibrated: days !== null, calibratedUntil: days === null ? null : dayFrom(now, days) },
    ...{ kept: 'tool crib', paper: days === null ? '' : `certificate ${number}` },
    ...more,
  });
  await tx.insert(t.tool).values([
    tool('corner scales', 'Corner scales', 'CS-1', 140, { kept: 'beside bay 1' }),
    tool('hv crimp tool', 'HV crimp tool, 16 to 95 mm²', 'HC-1', 160, {
      ...{ heldById: people.get('soren')!, heldAt: new Date(now.getTime() - 5 * 3_600_000) },
    }),
    tool('hv crimp tool', 'HV crimp tool, hand', 'HC-2', -12),
    tool('insulation tester', 'Insulation tester 1 kV', 'IT-1', 21, { kept: 'high-voltage room' }),
    tool('torque wrench', 'Torque wrench 20 to 100 N·m', 'TW-1', 95),
    tool('torque wrench', 'Torque wrench 60 to 300 N·m', 'TW-2', 95, { outWhy: 'at the calibrator’s until Friday' }),
    tool('micro-ohmmeter', 'Micro-ohmmeter', 'MO-1', 160, { kept: 'high-voltage room' }),
    tool('engine crane', 'Engine crane 1 t', '', null, { kept: 'outside bay 3' }),
  ]);
}
