import { coverOf } from '../cover.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Vacuum for the brakes and pressure for the steering came from the engine: something else has to give them. */
export const helpLost: FitRule = {
  id: 'helpLost',
  judge: ({ vehicle, parts, cover, library }): Finding[] => {
    const { brakeServo, steering } = vehicle.variant;
    const lines = coverOf(parts, cover, library);
    const lost = [
      ...(brakeServo === 'engineVacuum' ? ([['assistBrakes', 'brake servo, by engine vacuum']] as const) : []),
      ...(steering === 'enginePump' ? ([['assistSteering', 'power steering, by the engine’s pump']] as const) : []),
    ];
    return lost.map(([name, what]): Finding => {
      const line = lines.find((one) => one.function === name)!;
      // Kept from the vehicle, it has nothing that moves it; not needed is not for brakes and steering that had help.
      const good = line.by === 'kit' || line.by === 'made' || line.by === 'local' || line.by === 'client';
      return {
        rule: 'helpLost',
        subject: what,
        verdict: good ? 'fits' : 'doesNotFit',
        left: { value: good ? line.what : 'nothing in its place', kind: null, source: 'sheet' },
        right: { value: what, kind: null, source: 'library' },
        margin: null,
        unmeasured: [],
        work: null,
      };
    });
  },
};
