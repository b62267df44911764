import { cooledBy } from '../cooling/air.ts';
import { loadedVoltage } from './loadedVoltage.ts';

/** One run at full throttle (or a share of it) as the pack sees it. */
export interface PackRun {
  readonly seconds: number;
  readonly energyWh: number;
  /** Heat in the pack, J: I²·R over the run. */
  readonly heatJ: number;
}

/**
 * Energy and heat of a run from its speeds, by trapezoids: battery power = pull(v)·v ÷ η, current at the voltage that it
 * leaves, heat I²·R (trade §5.18). `speeds` are a step apart, m/s.
 */
export function packRun(
  speeds: readonly number[],
  stepS: number,
  batteryW: (speedMs: number) => number,
  pack: { readonly openV: number; readonly ohm: number },
): PackRun {
  let energyJ = 0;
  let heatJ = 0;
  const at = (v: number) => {
    const watts = batteryW(v);
    const { amps } = loadedVoltage(pack.openV, pack.ohm, watts);
    return { watts, heat: amps * amps * pack.ohm };
  };
  for (let i = 1; i < speeds.length; i++) {
    const [a, b] = [at(speeds[i - 1]!), at(speeds[i]!)];
    energyJ += ((a.watts + b.watts) / 2) * stepS;
    heatJ += ((a.heat + b.heat) / 2) * stepS;
  }
  return { seconds: Math.max(0, speeds.length - 1) * stepS, energyWh: energyJ / 3600, heatJ };
}

export interface RunSeries {
  /** Runs in a row before the pack is too hot for another, or its energy used. */
  readonly runs: number;
  readonly endedBy: 'energy' | 'heat';
  /** Temperature after each run, °C. */
  readonly after: readonly number[];
}

/** Runs are counted no further than this. */
const MOST = 200;

/** Runs in a row with a rest between them: each warms the pack by its heat, each rest cools it by the air that flows. */
export function runSeries(
  run: Pick<PackRun, 'energyWh' | 'heatJ'>,
  pack: { readonly usableWh: number; readonly heatJPerK: number; readonly startC: number; readonly highestC: number },
  rest: { readonly seconds: number; readonly airM3h: number; readonly airC: number },
): RunSeries {
  const after: number[] = [];
  let c = pack.startC;
  const possible = run.energyWh > 0 ? Math.min(MOST, Math.floor(pack.usableWh / run.energyWh + 1e-9)) : MOST;
  for (let n = 0; n < possible; n++) {
    const hot = c + run.heatJ / pack.heatJPerK;
    if (hot > pack.highestC) return { runs: n, endedBy: 'heat', after };
    after.push(hot);
    c = cooledBy(rest.airM3h, hot, rest.airC, pack.heatJPerK, rest.seconds);
  }
  return { runs: possible, endedBy: 'energy', after };
}
