import type { Solver } from '../milp/solver.ts';
import type { Arrangement } from '../pack/arrange.ts';
import { type Found, layoutModel } from './model.ts';
import { type Filling, fillingsOf, type LayoutTask } from './task.ts';

export interface LayoutBox {
  readonly bay: string;
  readonly modules: number;
  /** From the middle of the bay, rearwards, mm. */
  readonly shiftMm: number;
  readonly how: Arrangement;
  readonly massKg: number;
}
export interface Layout {
  readonly boxes: readonly LayoutBox[];
  readonly objective: number;
  /** Front share, unladen, and how many kilograms the front axle is off its aim. */
  readonly frontShare: number;
  readonly offKg: number;
  readonly frontLadenKg: number;
  readonly rearLadenKg: number;
  /** There and back along the vehicle, m. */
  readonly cableM: number;
  readonly optimal: boolean;
  readonly gap: number;
}

/** Figures of chosen fillings where their boxes stand; by plain moments, without the solver. */
export function layoutOf(
  task: LayoutTask,
  chosen: readonly { readonly filling: Filling; readonly xMm: number }[],
): Omit<Layout, 'objective' | 'optimal' | 'gap'> {
  const { unladen, laden, wheelbaseMm, aimShare, bays, hubXMm } = task;
  const massKg = chosen.reduce((total, { filling }) => total + filling.massKg, 0);
  const moment = chosen.reduce((total, { filling, xMm }) => total + filling.massKg * xMm, 0);
  const rear = (unladen.momentKgMm + moment) / wheelbaseMm;
  const all = unladen.massKg + massKg;
  const rearLadenKg = (laden.momentKgMm + moment) / wheelbaseMm;
  const places = [hubXMm, ...chosen.map(({ filling }) => bays[filling.bay]!.bay.xMm)];
  return {
    boxes: chosen.map(({ filling, xMm }) => ({
      bay: bays[filling.bay]!.bay.key,
      modules: filling.modules,
      shiftMm: xMm - bays[filling.bay]!.bay.xMm,
      how: filling.how,
      massKg: filling.massKg,
    })),
    frontShare: (all - rear) / all,
    offKg: Math.abs(all - rear - aimShare * all),
    frontLadenKg: laden.massKg + massKg - rearLadenKg,
    rearLadenKg,
    cableM: (2 * (Math.max(...places) - Math.min(...places))) / 1000,
  };
}

/** Where nothing can be placed: which of these stands in the way. */
export type NoLayout = 'noRoom' | 'noLayout' | 'outOfTime';

/**
 * The best few layouts, best first, one after another: each is told as soon as it is found. Each is proved the best of
 * what was left, or says how much better another could be at most.
 *
 * @param solve a solver, given the programme and its time in seconds
 * @param most how many layouts · @param limitS time for each
 * @returns why there is none, where there is none
 */
export function* layouts(
  task: LayoutTask,
  solve: Solver,
  { most = 4, limitS = 5 }: { most?: number; limitS?: number } = {},
): Generator<Layout, NoLayout | null> {
  const fillings = fillingsOf(task);
  const room = task.bays.reduce(
    (total, _, at) => total + Math.max(0, ...fillings.filter(({ bay }) => bay === at).map(({ modules }) => modules)),
    0,
  );
  if (room < task.modules) return 'noRoom';
  const found: Found[] = [];
  while (found.length < most) {
    const solved = solve(layoutModel(task, fillings, found), limitS);
    if (solved.state === 'none' || solved.state === 'stopped')
      return found.length > 0 ? null : solved.state === 'none' ? 'noLayout' : 'outOfTime';
    const chosen = fillings.flatMap((filling, i) => {
      if (solved.value(`z${i}`) < 0.5) return [];
      // What the solver rounds must not leave the bay.
      const xMm = (1000 * solved.value(`t${i}`)) / filling.massKg;
      return [{ i, filling, xMm: Math.min(filling.toXMm, Math.max(filling.fromXMm, xMm)) }];
    });
    found.push(chosen.map(({ i }) => i));
    yield {
      ...layoutOf(task, chosen),
      objective: solved.objective,
      optimal: solved.state === 'optimal',
      gap: solved.gap,
    };
  }
  return null;
}
