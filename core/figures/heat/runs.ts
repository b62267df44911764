import { airWarming } from '../../cooling/air.ts';
import { BATTERY_HIGHEST_C, MODULE_J_PER_KGK } from '../../cooling/coolant.ts';
import { accelerate, SAMPLE_S } from '../../drive/accelerate.ts';
import { type PackRun, packRun, type RunSeries, runSeries } from '../../pack/runs.ts';
import { chainPeak } from '../drive/chain.ts';
import { pull } from '../drive/pull.ts';
import { type Entry, type FigureAbout, figure, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import { packUsable } from '../pack/packUsable.ts';
import { roadVehicle } from '../road/roadVehicle.ts';

interface Runs {
  readonly run: PackRun;
  readonly series: RunSeries;
  readonly heatJPerK: number;
}

function runsAt(id: string, share: number): Entry<Runs> {
  return interim({
    id,
    cost: 30,
    needs: { pull, roadVehicle, chainPeak, packFacts, packUsable },
    reads: ['use', 'pack', 'drive'],
    compute: ({ pull: p, roadVehicle: vehicle, chainPeak: chain, packFacts: facts, packUsable: usableWh }, slots) => {
      const { use, pack, drive } = slots;
      const { runs } = use;
      if (!runs) return missing('noRuns');
      const { efficiency } = p.engaged.way;
      const eta = chain.ask.motor.efficiency;
      const mostW = chain.full.shaftW * share * efficiency;
      const held = (at: (v: number) => number) => (v: number) => Math.min(at(v), v > 0 ? mostW / v : at(v));
      const at = held(p.engaged.at);
      const { speeds, distance } = accelerate(vehicle, at, [], {
        upper: p.upper.map((gear) => held(gear.at)),
        shiftTimeS: drive.shiftTimeS,
        distanceM: runs.distanceM,
      });
      if (!distance) return missing('neverReached');
      const best = held(p.at);
      const run = packRun(speeds, SAMPLE_S, (v) => (best(v) * v) / (efficiency * eta) + use.auxiliaryW, {
        openV: facts.nominalV,
        ohm: facts.resistanceOhm,
      });
      const massKg = pack.boxes.reduce((sum, box) => sum + box.modules * (box.module?.massKg ?? 0), 0);
      const heatJPerK = massKg * MODULE_J_PER_KGK;
      const series = runSeries(
        run,
        { usableWh, heatJPerK, startC: use.ambientC, highestC: BATTERY_HIGHEST_C },
        { seconds: runs.restS, airM3h: runs.airM3h, airC: use.ambientC },
      );
      return interimAnswer({ run, series, heatJPerK }, 'full throttle over the distance');
    },
  });
}
export const fullRuns = runsAt('fullRuns', 1);
const halfRuns = runsAt('halfRuns', 0.5);

const SOURCE = 'the same run as the times; I²·R; modules 0.95 kJ/kgK, air leaves at their temperature: common practice';

export const runEnergy = figure({
  id: 'runEnergy',
  name: 'Energy of a run',
  group: 'runs',
  kind: 'energy',
  needs: { fullRuns },
  compute: ({ fullRuns: { run } }) => ({
    value: run.energyWh,
    formula: '∫ pull·v ÷ η dt + accessories, at full throttle over the distance',
    terms: [{ symbol: 'time', value: run.seconds, kind: 'duration' }],
    source: SOURCE,
  }),
});

export const runRise = figure({
  id: 'runRise',
  name: 'Pack warms in a run',
  group: 'runs',
  kind: 'warming',
  needs: { fullRuns },
  compute: ({ fullRuns: { run, heatJPerK } }) => ({
    value: run.heatJ / heatJPerK,
    formula: 'ΔT = ∫ I²·R dt ÷ (m·c)',
    terms: [{ symbol: 'heat', value: run.heatJ / 3600, kind: 'energy' }],
    source: SOURCE,
  }),
});

/** How much the air warms that carries a run's heat away as it arises. */
export const runAir = figure({
  id: 'runAir',
  name: 'Air through the pack warms by',
  group: 'runs',
  kind: 'warming',
  needs: { fullRuns },
  reads: ['use'],
  compute: ({ fullRuns: { run } }, { use }) => {
    const heatW = run.heatJ / run.seconds;
    const airM3h = use.runs?.airM3h ?? 0;
    if (!(airM3h > 0)) return missing('noAirFlow');
    return {
      value: airWarming(heatW, airM3h),
      formula: 'ΔT = P ÷ (ρ·V̇·c_p), with the mean heat of a run',
      terms: [
        { symbol: 'P', value: heatW, kind: 'watts' },
        { symbol: 'V̇', value: airM3h, kind: 'airFlow' },
      ],
      source: 'heat balance; air 1.2 kg/m³ and 1.006 kJ/kgK, from memory',
    };
  },
});

function inARow(about: FigureAbout, of: Entry<Runs>) {
  return figure({
    ...about,
    kind: 'count',
    needs: { of },
    reads: ['use'],
    compute: ({ of: { run, series } }, { use }) => ({
      value: series.runs,
      formula:
        series.endedBy === 'heat'
          ? `runs with the rest between them until the pack would pass ${BATTERY_HIGHEST_C} °C: then it must cool`
          : 'usable energy ÷ energy of a run: the charge ends first',
      terms: [
        { symbol: 'energy of a run', value: run.energyWh, kind: 'energy' },
        { symbol: 'time', value: run.seconds, kind: 'duration' },
        { symbol: 'rest', value: use.runs?.restS ?? 0, kind: 'duration' },
        ...series.after
          .slice(0, 4)
          .map((c, i) => ({ symbol: `after run ${i + 1}`, value: c, kind: 'temperature' as const })),
      ],
      source: SOURCE,
    }),
  });
}
export const runsFull = inARow({ id: 'runsFull', name: 'Runs in a row, full power', group: 'runs' }, fullRuns);
export const runsHalf = inARow({ id: 'runsHalf', name: 'Runs in a row, half power', group: 'runs' }, halfRuns);
