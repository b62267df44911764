import type { Assumption } from '../core/design/assumptions.ts';
import { formatQuantity } from '../core/quantity/format.ts';
import type { QuantityKind } from '../core/quantity/kinds.ts';
import type { UnitSet } from '../core/quantity/units.ts';
import type { RouteNoteCode } from '../core/road/cleanTrack.ts';

const CURVE = {
  notRising: 'its speeds do not rise from point to point: they were sorted, and a repeated speed kept once',
  negativeTorque: 'it has negative torques: they were taken as none',
  tooShort: 'it has fewer than two points: the sheet’s peak torque and power stand in',
} as const;

const ROUTE: Record<RouteNoteCode, (count: number) => string> = {
  badPositions: (n) => `${n} points lie off the globe and were left out`,
  duplicates: (n) => `${n} points repeat the one before and were left out`,
  jumps: (n) => `${n} points jump faster than any vehicle and were left out`,
  noElevation: () => 'it has no heights: taken as level, so hills cost nothing here',
  elevationGaps: (n) => `${n} points have no height: bridged in a straight line`,
  noTimes: () => 'it has no times: driven under the speed limits given, gently',
  timesOutOfOrder: (n) => `${n} points run backwards in time and were left out`,
  timeGaps: (n) => `${n} gaps without points: bridged at a steady speed`,
  parked: (n) => `${n} stops of over five minutes: taken as parked and switched off`,
};

/** What is wrong or was put right, and what was assumed, in one sentence; `grave` when it cannot work so. */
export function assumptionText(found: Assumption, set: UnitSet): { readonly text: string; readonly grave: boolean } {
  const q = (value: number, kind: QuantityKind) => formatQuantity(value, kind, set);
  switch (found.code) {
    case 'curve':
      return { text: `Torque curve: ${found.faults.map((fault) => CURVE[fault]).join('; ')}.`, grave: false };
    case 'efficiency':
      return {
        text: `Efficiency of ${q(found.given, 'share')} cannot be: ${q(found.taken, 'share')} was taken.`,
        grave: false,
      };
    case 'efficiencyMap':
      return {
        text: `The efficiency map has ${found.entries} values that no machine reaches: they were held to 20–99 %.`,
        grave: false,
      };
    case 'reduction':
      return {
        text: `A reduction must be above zero: the drive’s own ${q(found.taken, 'ratio')} was taken.`,
        grave: false,
      };
    case 'massCentre':
      return {
        text: `The mass centre lies ${found.xMm <= 0 ? 'ahead of the front axle' : 'behind the rear axle'} (${q(found.xMm, 'length')} on a wheelbase of ${q(found.wheelbaseMm, 'length')}): one axle would lift. Check masses and places.`,
        grave: true,
      };
    case 'sag':
      return {
        text: `${found.component} needs ${q(found.minV, 'voltage')}, and the empty pack under full load gives ${q(found.volts, 'voltage')}. More modules in series, or a lower power cap.`,
        grave: true,
      };
    case 'over':
      return {
        text: `${found.component} stands ${q(found.maxV, 'voltage')}, and the full pack has ${q(found.volts, 'voltage')}. Fewer modules in series.`,
        grave: true,
      };
    case 'trailer':
      return {
        text:
          found.mayKg === null
            ? `Nobody has stated what this vehicle may tow: a trailer of ${q(found.kg, 'mass')} is taken as asked.`
            : `${found.what === 'mass' ? 'The trailer' : 'The load on the tow ball'} is ${q(found.kg, 'mass')}, and the vehicle may ${found.what === 'mass' ? 'tow' : 'bear'} ${q(found.mayKg, 'mass')}.`,
        grave: found.mayKg !== null,
      };
    case 'trailerHeavier':
      return {
        text: `The trailer (${q(found.kg, 'mass')}) is heavier than the vehicle (${q(found.vehicleKg, 'mass')}): it would push the vehicle about. Ask a licensed tester before it is promised.`,
        grave: true,
      };
    case 'separatePrecharge':
      return {
        text: `${found.component} precharges itself up to ${q(found.maxV, 'voltage')}, and the full pack has ${q(found.volts, 'voltage')}: a separate precharge circuit is needed.`,
        grave: true,
      };
    case 'measureFirst':
      return {
        text: `The ${found.part} is known only as good for ${q(found.watts, 'shaftPower')}: power says nothing of torque until a speed is stated. Measure it first; it limits nothing here.`,
        grave: false,
      };
    case 'lowVoltage':
      return {
        text: `${found.component} is for ${q(found.volts, 'voltage')}, and the vehicle has ${q(found.systemV, 'voltage')}.`,
        grave: true,
      };
    case 'heaterOver':
      return {
        text: `${found.component} is a plain resistance: the full pack drives it to ${q(found.watts, 'watts')}, and it is rated ${q(found.ratedW, 'watts')}.`,
        grave: true,
      };
    case 'plainHeater':
      return {
        text: `${found.component} is a plain resistance: it needs a cut-out that proves the fan runs.`,
        grave: false,
      };
    case 'fuseOverCable':
      return {
        text: `${found.fuse} is rated ${q(found.ratedA, 'current')}, and its cable carries ${q(found.carriesA, 'current')}: the cable would burn first.`,
        grave: true,
      };
    case 'dcLowVoltage':
      return {
        text: `Rapid charging posts usually do not start below 150 V, and this pack has ${q(found.volts, 'voltage')}: ask before it is promised.`,
        grave: false,
      };
    case 'temperature':
      return {
        text: `${q(found.ambientC, 'temperature')} is outside what the curves know: batteries and tyres were taken at ${q(found.takenC, 'temperature')}.`,
        grave: false,
      };
    case 'weakest':
      return {
        text: `The ${found.box} box is the weakest of the string: ${q(found.idleWh, 'energy')} in the others lie idle.`,
        grave: false,
      };
    case 'tooWeakOnUse':
      return { text: `The drive is too weak for ${found.seconds} s of the use.`, grave: false };
    case 'route':
      return { text: `Recorded route: ${ROUTE[found.note.code](found.note.count)}.`, grave: false };
  }
}
