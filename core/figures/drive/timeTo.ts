import type { HeldBy } from '../../chain/links.ts';
import { type FigureAbout, figure, missing } from '../figure.ts';
import { roadVehicle } from '../road/roadVehicle.ts';
import { heldWords } from './held.ts';
import { type Pull, pull } from './pull.ts';
import { FIFTY_MPH_KMH, runUp, SIXTY_MPH_KMH } from './runUp.ts';

const SAMPLES = 40;

/** The link that holds the pull over the greatest part of the way from rest to a speed. */
function mostlyHeldBy(p: Pull, kmh: number): HeldBy {
  const found = new Map<string, { held: HeldBy; count: number }>();
  for (let i = 0; i < SAMPLES; i++) {
    const held = p.heldBy(((i + 0.5) / SAMPLES) * (kmh / 3.6));
    const known = found.get(held.link);
    if (known) known.count++;
    else found.set(held.link, { held, count: 1 });
  }
  return [...found.values()].reduce((most, one) => (one.count > most.count ? one : most)).held;
}

function timeTo(about: FigureAbout, kmh: number) {
  return figure({
    ...about,
    kind: 'duration',
    needs: { runUp, roadVehicle, pull },
    compute: ({ runUp: run, roadVehicle: vehicle, pull: p }) => {
      const value = run.secondsTo.get(kmh) ?? null;
      if (value === null) return missing(run.ended === 'tooLong' ? 'tooSlow' : 'neverReached');
      return {
        value,
        formula: 'm·k·dv/dt = pull(v) − tyres − air, stepped from rest',
        terms: [
          { symbol: 'm', value: vehicle.massKg, kind: 'mass' },
          { symbol: 'k, turning parts', value: vehicle.rotationFactor, kind: 'coefficient' },
          { symbol: 'pull from rest', value: p.at(0), kind: 'force' },
          { symbol: 'motor power', value: p.motor.peakPowerW, kind: 'shaftPower' },
        ],
        source: 'Newton; fourth-order steps of 0.05 s, grip with weight transfer',
        held: heldWords(mostlyHeldBy(p, kmh)),
      };
    },
  });
}

export const time0to20 = timeTo({ id: 'time0to20', name: '0 to 20 km/h', group: 'road' }, 20);
export const time0to50 = timeTo({ id: 'time0to50', name: '0 to 50 km/h', group: 'road' }, 50);
export const time0to50mph = timeTo({ id: 'time0to50mph', name: '0 to 50 mph', group: 'road' }, FIFTY_MPH_KMH);
export const time0to60mph = timeTo({ id: 'time0to60mph', name: '0 to 60 mph', group: 'road' }, SIXTY_MPH_KMH);
export const time0to100 = timeTo({ id: 'time0to100', name: '0 to 100 km/h', group: 'road' }, 100);

export const timeQuarterMile = figure({
  id: 'timeQuarterMile',
  name: 'Quarter mile from rest',
  group: 'road',
  kind: 'duration',
  needs: { runUp, roadVehicle },
  compute: ({ runUp: run, roadVehicle: vehicle }) => {
    if (!run.distance) return missing(run.ended === 'tooLong' ? 'tooSlow' : 'neverReached');
    return {
      value: run.distance.seconds,
      formula: 'the same run until 402.3 m are behind',
      terms: [
        { symbol: 'm', value: vehicle.massKg, kind: 'mass' },
        { symbol: 'speed there', value: run.distance.kmh, kind: 'speed' },
        { symbol: 'changes of gear', value: run.shifts, kind: 'count' },
      ],
      source: 'Newton; fourth-order steps of 0.05 s',
    };
  },
});
