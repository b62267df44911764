import { lpSum } from '../milp/solver.ts';
import { type Filling, type LayoutAim, type LayoutTask, overlap } from './task.ts';

/** What one of each is worth against the others: a kilogram off the aim, a metre of cable, a box. Common practice. */
export const WEIGHTS: Readonly<Record<LayoutAim, { readonly kg: number; readonly m: number; readonly box: number }>> = {
  weight: { kg: 1, m: 0.1, box: 0.5 },
  cable: { kg: 0.005, m: 1, box: 0.05 },
  boxes: { kg: 0.002, m: 0.02, box: 1 },
};

/** A layout that is not to be found again: fillings by their place in the list. */
export type Found = readonly number[];

const sum = (terms: readonly (readonly [number, string])[]) => lpSum(terms) || '+ 0 d';

/**
 * The mixed-integer programme of a layout, as CPLEX LP text. For each filling i a choice zi of 0 or 1, and ti, its moment
 * about the front axle line, kg·m: between zi·m·from and zi·m·to, so that where the box stands along its bay is decided
 * with it and stays linear. d is how many kilograms the front axle is off its aim; lo and hi are the ends of the cable's
 * loop along the vehicle, m.
 *
 * - each bay once at most, one that must be used once; two bays that share room, one of them at most
 * - all modules placed; both axles within their ratings laden, all of it within the gross mass
 * - front = M − Σt ÷ wheelbase (moments about the front axle line), and d no less than front − aim·M, either way
 *
 * @param task what is to be placed · @param fillings from `fillingsOf` · @param found layouts to leave out
 * @returns LP text; variables z0…, t0…, d, lo, hi
 */
export function layoutModel(task: LayoutTask, fillings: readonly Filling[], found: readonly Found[]): string {
  const { wheelbaseMm, unladen, laden, aimShare, bays, hubXMm } = task;
  const wb = wheelbaseMm / 1000;
  const hub = hubXMm / 1000;
  const each = (of: (filling: Filling, i: number) => number, name = 'z') =>
    fillings.map((filling, i) => [of(filling, i), `${name}${i}`] as const);
  const weights = WEIGHTS[task.aim];
  const mass = each(({ massKg }) => massKg);
  const moment = each(() => 1 / wb, 't');
  const minus = (terms: readonly (readonly [number, string])[]) => terms.map(([f, name]) => [-f, name] as const);
  const rows: string[] = [];
  const row = (text: string) => rows.push(`c${rows.length}: ${text}`);
  for (const [at, { use, bay }] of bays.entries()) {
    const own = each((filling) => (filling.bay === at ? 1 : 0)).filter(([f]) => f === 1);
    if (use === 'must') row(`${own.length > 0 ? sum(own) : '+ 0 d'} = 1`);
    else if (own.length > 1) row(`${sum(own)} <= 1`);
    for (const [other, { bay: next }] of bays.entries())
      if (other > at && overlap(bay, next)) {
        const both = each((filling) => (filling.bay === at || filling.bay === other ? 1 : 0)).filter(([f]) => f === 1);
        if (both.length > 0) row(`${sum(both)} <= 1`);
      }
  }
  row(`${sum(each(({ modules }) => modules))} = ${task.modules}`);
  for (const [i, { massKg, fromXMm, toXMm }] of fillings.entries()) {
    row(
      `${sum([
        [1, `t${i}`],
        [(-massKg * fromXMm) / 1000, `z${i}`],
      ])} >= 0`,
    );
    row(
      `${sum([
        [1, `t${i}`],
        [(-massKg * toXMm) / 1000, `z${i}`],
      ])} <= 0`,
    );
  }
  // Front of the rest, and of the boxes: m − t ÷ wheelbase.
  const frontOf = ({ massKg, momentKgMm }: typeof unladen) => massKg - momentKgMm / wheelbaseMm;
  row(`${sum([...mass, ...minus(moment)])} <= ${task.frontRatingKg - frontOf(laden)}`);
  row(`${sum(moment)} <= ${task.rearRatingKg - laden.momentKgMm / wheelbaseMm}`);
  row(`${sum(mass)} <= ${task.grossKg - laden.massKg}`);
  const off = frontOf(unladen) - aimShare * unladen.massKg;
  const boxesOff = [...each(({ massKg }) => (1 - aimShare) * massKg), ...minus(moment)];
  row(`${sum([[1, 'd'], ...minus(boxesOff)])} >= ${off}`);
  row(`${sum([[1, 'd'], ...boxesOff])} >= ${-off}`);
  for (const [i, { bay }] of fillings.entries()) {
    const x = bays[bay]!.bay.xMm / 1000;
    if (x > hub)
      row(
        `${sum([
          [1, 'hi'],
          [hub - x, `z${i}`],
        ])} >= ${hub}`,
      );
    if (x < hub)
      row(
        `${sum([
          [1, 'lo'],
          [hub - x, `z${i}`],
        ])} <= ${hub}`,
      );
  }
  for (const layout of found) row(`${sum(layout.map((i) => [1, `z${i}`] as const))} <= ${layout.length - 1}`);
  return [
    'Minimize',
    ` obj: ${sum([[weights.kg, 'd'], [2 * weights.m, 'hi'], [-2 * weights.m, 'lo'], ...each(() => weights.box)])}`,
    'Subject To',
    ...rows.map((text) => ` ${text}`),
    'Bounds',
    ' d >= 0',
    ` ${hub} <= hi <= 100`,
    ` -100 <= lo <= ${hub}`,
    ...fillings.map((_, i) => ` -inf <= t${i} <= +inf`),
    'Binary',
    ` ${fillings.map((_, i) => `z${i}`).join(' ')}`,
    'End',
    '',
  ].join('\n');
}
