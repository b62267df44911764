import type { Log } from '../logs/readLog.ts';

/** One sample of a capacity test: s, V, A as they were logged (of either sign), °C where it was. */
export interface Sample {
  readonly s: number;
  readonly v: number;
  readonly a: number;
}

export interface CapacityTest {
  readonly capacityAh: number;
  readonly energyWh: number;
  /** Inside resistance from the largest step of current; null where there is none large and quick enough. */
  readonly resistanceOhm: number | null;
  /** Mean over the test. */
  readonly temperatureC: number | null;
  /** Mean current while it was drawn, A, positive. */
  readonly currentA: number;
  readonly fromV: number;
  readonly toV: number;
  /** It ended by reaching the voltage it was to end at, not before. */
  readonly reached: boolean;
  readonly durationS: number;
  /** Where in the log the discharge lies, s. */
  readonly beginS: number;
  readonly endS: number;
  /** The discharge, evenly spaced, to be drawn: Ah drawn and V. */
  readonly curve: readonly { readonly ah: number; readonly v: number }[];
}

export type CapacityProblem =
  /** A column is missing: time, voltage or current. */
  | 'columns'
  /** No current was drawn, or for no time. */
  | 'noDischarge'
  /** More than one line in twenty goes back in time. */
  | 'timeBackwards';

/** Current below this share of the largest is none: the test has not begun, or has ended. Common practice. */
const DRAWN = 0.05;
/** A step of current tells the resistance when it is at least this share of the test's and not longer ago than this, s. */
const STEP_SHARE = 0.5;
const STEP_S = 5;
const CURVE_POINTS = 240;
/** Lines that go back in time, as a share: more than so many and nobody knows what the log shows. */
const MOST_BACKWARDS = 0.05;

/** ∫ x·y over one interval on which both run straight: exact, not only for constant ones. */
export const productArea = (dt: number, x0: number, x1: number, y0: number, y1: number): number =>
  (dt / 6) * (2 * x0 * y0 + x0 * y1 + x1 * y0 + 2 * x1 * y1);

/** ∫ x over one interval on which it runs straight. */
export const area = (dt: number, x0: number, x1: number): number => (dt / 2) * (x0 + x1);

/** A sample where the voltage has come down to the end, on the straight line between two. */
function crossing(before: Sample, after: Sample, toV: number): Sample {
  const share = (before.v - toV) / (before.v - after.v);
  return {
    s: before.s + share * (after.s - before.s),
    v: toV,
    a: before.a + share * (after.a - before.a),
  };
}

/**
 * The discharge in a log: from where current begins to be drawn to where the voltage first comes down to `toV`, between
 * samples where it does, or to where the current ends. A discharge may be logged with either sign: the sign that carries
 * more charge is it, once the voltage falls with it.
 */
function discharge(
  samples: readonly Sample[],
  toV: number,
): { readonly part: Sample[]; readonly reached: boolean } | null {
  const most = samples.reduce((top, { a }) => Math.max(top, Math.abs(a)), 0);
  if (most === 0) return null;
  const drawing = (sign: number) => {
    const runs: [number, number][] = [];
    for (const [i, { a }] of samples.entries()) {
      if (sign * a < DRAWN * most) continue;
      const last = runs.at(-1);
      if (last && last[1] === i - 1) last[1] = i;
      else runs.push([i, i]);
    }
    return runs;
  };
  const falls = ([from, to]: readonly [number, number]) => samples[from]!.v - samples[to]!.v;
  const lasts = ([from, to]: readonly [number, number]) => samples[to]!.s - samples[from]!.s;
  const runs = [1, -1].flatMap((sign) => drawing(sign).map((run) => ({ run, sign })));
  const [best] = runs.filter(({ run }) => lasts(run) > 0 && falls(run) > 0).sort((a, b) => lasts(b.run) - lasts(a.run));
  if (!best) return null;
  const {
    run: [from, to],
    sign,
  } = best;
  const part: Sample[] = [];
  for (let i = from; i <= to; i++) {
    const sample = { ...samples[i]!, a: sign * samples[i]!.a };
    const before = part.at(-1);
    if (before && sample.v <= toV) {
      part.push(before.v > toV ? crossing(before, sample, toV) : sample);
      return { part, reached: true };
    }
    part.push(sample);
  }
  return { part, reached: false };
}

/** The resistance by the largest quick step of current anywhere in the log: how much the voltage gave way to it. */
function stepResistance(samples: readonly Sample[], currentA: number): number | null {
  let best: { readonly step: number; readonly ohm: number } | null = null;
  for (let i = 1; i < samples.length; i++) {
    const [a, b] = [samples[i - 1]!, samples[i]!];
    const step = Math.abs(b.a - a.a);
    if (b.s - a.s > STEP_S || step < STEP_SHARE * currentA || (best && step <= best.step)) continue;
    const ohm = Math.abs((b.v - a.v) / (b.a - a.a));
    if (ohm > 0) best = { step, ohm };
  }
  return best?.ohm ?? null;
}

/**
 * What a module held, from the log of its discharge: charge and energy integrated between samples as straight lines (the
 * energy exactly so, as the product of two), the end found where the voltage crosses it, the resistance from the step of
 * current. Formulas: Q = ∫ I dt, E = ∫ U·I dt, R = ΔU/ΔI.
 *
 * @param toV the test ends where the voltage comes down to this
 * @param timeFactor seconds in one unit of the log's time, where its heading does not say; 1 takes it as read
 */
export function capacityOf(log: Log, toV: number, timeFactor = 1): CapacityTest | CapacityProblem {
  const { time, volts, amps, temperature } = log.columns;
  if (!time || !volts || !amps) return 'columns';
  const backwards = log.notes.find(({ code }) => code === 'repeated')?.count ?? 0;
  if (backwards > MOST_BACKWARDS * (log.rows + backwards)) return 'timeBackwards';
  const samples = Array.from(time, (s, i): Sample => ({ s: s * timeFactor, v: volts[i]!, a: amps[i]! }));
  const found = discharge(samples, toV);
  if (!found || found.part.length < 2) return 'noDischarge';
  const { part, reached } = found;
  let charge = 0;
  let energy = 0;
  const along = [0];
  for (let i = 1; i < part.length; i++) {
    const [a, b] = [part[i - 1]!, part[i]!];
    charge += area(b.s - a.s, a.a, b.a);
    energy += productArea(b.s - a.s, a.a, b.a, a.v, b.v);
    along.push(charge);
  }
  const [begin, end] = [part[0]!, part.at(-1)!];
  const durationS = end.s - begin.s;
  const currentA = charge / durationS;
  const during = temperature
    ? Array.from(temperature).filter((_, i) => samples[i]!.s >= begin.s && samples[i]!.s <= end.s)
    : [];
  return {
    capacityAh: charge / 3600,
    energyWh: energy / 3600,
    resistanceOhm: stepResistance(samples, currentA),
    temperatureC: during.length > 0 ? during.reduce((sum, t) => sum + t, 0) / during.length : null,
    ...{ currentA, fromV: begin.v, toV: end.v, reached, durationS, beginS: begin.s, endS: end.s },
    curve: resampled(part, along),
  };
}

/** The discharge at even steps of charge. */
function resampled(part: readonly Sample[], along: readonly number[]): CapacityTest['curve'] {
  const all = along.at(-1)!;
  const points = Math.min(CURVE_POINTS, part.length);
  let at = 1;
  return Array.from({ length: points }, (_, n) => {
    const wanted = (all * n) / (points - 1);
    while (at < along.length - 1 && along[at]! < wanted) at++;
    const [q0, q1] = [along[at - 1]!, along[at]!];
    const share = q1 > q0 ? (wanted - q0) / (q1 - q0) : 0;
    const v = part[at - 1]!.v + share * (part[at]!.v - part[at - 1]!.v);
    return { ah: wanted / 3600, v };
  });
}

/** A module that held less than this share of what it was sold with has been logged in other units, or is none. */
const IMPLAUSIBLE = 0.25;

/**
 * The unit of time a log seems to be in, where what it gives in seconds is far from what the module could hold: that in
 * which it comes closest.
 *
 * @returns seconds in one unit; 1 where seconds will do
 */
export function likelyTimeFactor(capacityAh: number, ratedAh: number): 1 | 60 | 3600 | 0.001 {
  const off = (factor: number) => Math.abs(Math.log((capacityAh * factor) / ratedAh));
  if (capacityAh > IMPLAUSIBLE * ratedAh && capacityAh < ratedAh / IMPLAUSIBLE) return 1;
  return ([1, 60, 3600, 0.001] as const).reduce((best, factor) => (off(factor) < off(best) ? factor : best));
}
