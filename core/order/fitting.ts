import type { StageTemplate, StepLimit } from '../kit/kit.ts';
import { judgeReading, type ReadingVerdict } from '../stage/limit.ts';
import type { FittedBy, StageBy } from './order.ts';

export interface FitterReading {
  readonly id: string;
  readonly stageKey: string;
  readonly step: number;
  readonly value: number;
  readonly instrument: string;
  readonly by: string;
  readonly at: string;
  /** Why it may stand although it is outside its limits; null where nobody said so. */
  readonly allowedWhy: string | null;
  readonly allowedBy: string | null;
}
export interface FitterStageDone {
  readonly stageKey: string;
  readonly by: string;
  readonly at: string;
  readonly hours: number | null;
}

export interface FitterStep {
  readonly step: number;
  readonly text: string;
  readonly note: string;
  readonly limit: StepLimit | null;
  /** The newest one. */
  readonly reading: FitterReading | null;
  readonly verdict: ReadingVerdict | null;
}
export type FitterStageState = 'done' | 'ready' | 'waits';
export interface FitterStage {
  readonly stage: StageTemplate;
  readonly by: StageBy;
  readonly state: FitterStageState;
  /** What must be done first, by name. */
  readonly waitsFor: readonly string[];
  readonly done: FitterStageDone | null;
  readonly steps: readonly FitterStep[];
  /** Steps that stop it: not read yet, or read outside their limits with nobody who lets it stand. */
  readonly unread: readonly FitterStep[];
  readonly outside: readonly FitterStep[];
}

/** Stages of a sent kit with what its fitter has done and read; by the stages' own order, what waits after what it waits for. */
export function fitterStages(
  stages: readonly StageTemplate[],
  fittedBy: FittedBy,
  done: readonly FitterStageDone[],
  readings: readonly FitterReading[],
): FitterStage[] {
  const isDone = new Set(done.map(({ stageKey }) => stageKey));
  const named = new Map(stages.map(({ key, name }) => [key, name]));
  return stages.map((stage): FitterStage => {
    const steps = stage.steps.map(({ text, note, limit }, step): FitterStep => {
      const reading =
        readings
          .filter((one) => one.stageKey === stage.key && one.step === step)
          .toSorted((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0))[0] ?? null;
      return {
        step,
        text,
        note,
        limit,
        reading,
        verdict: reading && limit ? judgeReading(reading.value, limit) : null,
      };
    });
    const waitsFor = stage.after.filter((key) => named.has(key) && !isDone.has(key)).map((key) => named.get(key)!);
    const own = done.find(({ stageKey }) => stageKey === stage.key) ?? null;
    return {
      ...{ stage, by: fittedBy[stage.key] ?? 'fitter', done: own, waitsFor, steps },
      state: own ? 'done' : waitsFor.length > 0 ? 'waits' : 'ready',
      unread: steps.filter(({ limit, reading }) => limit !== null && reading === null),
      outside: steps.filter(
        ({ verdict, reading }) => verdict !== null && verdict !== 'within' && reading?.allowedWhy === null,
      ),
    };
  });
}

/** Why a stage cannot be called done, in the fitter's order of doing; empty where it can. */
export type DoneProblem = 'notTheFitters' | 'waits' | 'unread' | 'outside';
export const doneProblems = ({ by, waitsFor, unread, outside }: FitterStage): DoneProblem[] => [
  ...(by === 'fitter' ? [] : ['notTheFitters' as const]),
  ...(waitsFor.length > 0 ? ['waits' as const] : []),
  ...(unread.length > 0 ? ['unread' as const] : []),
  ...(outside.length > 0 ? ['outside' as const] : []),
];

/** Stages of the fitter that are not done yet, by name: the sheet is signed when there are none. */
export const leftToFit = (stages: readonly FitterStage[]): string[] =>
  stages.filter(({ by, state }) => by === 'fitter' && state !== 'done').map(({ stage }) => stage.name);

/** Hours of the fitter's stages, planned, and as far as they said what it took. */
export function fitterHours(stages: readonly FitterStage[]): { readonly planned: number; readonly taken: number } {
  const own = stages.filter(({ by }) => by === 'fitter');
  return {
    planned: own.reduce((sum, { stage }) => sum + stage.hours, 0),
    taken: own.reduce((sum, { done }) => sum + (done?.hours ?? 0), 0),
  };
}
