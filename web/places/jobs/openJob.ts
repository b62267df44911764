import {
  type Context,
  createContext,
  createElement,
  type ReactNode,
  type RefObject,
  use,
  useLayoutEffect,
  useRef,
} from 'react';
import type { StoredDesign } from '../../../contract/design.ts';
import type { JobSheet } from '../../../contract/job.ts';
import type { LineJudgement } from '../../../core/brief/judgeLine.ts';
import type { DesignInputs } from '../../../core/design/inputs.ts';
import type { FigureSheet } from '../../../core/figures/evaluate.ts';
import type { Slots, VehicleUse } from '../../../core/figures/slots.ts';
import type { FitReport } from '../../../core/fit/fitKit.ts';
import type { KitRevision } from '../../../core/kit/kit.ts';
import type { Route } from '../../../core/road/route.ts';
import type { VehicleState } from '../../../core/vehicle/state.ts';
import type { Shelves } from '../../data/resources.ts';

/** Everything the steps of one job read: the stored sheet, the library, drafts, and the figures of both. */
export interface OpenJob {
  readonly job: JobSheet;
  readonly shelves: Shelves;
  readonly vehicle: VehicleState;
  readonly today: string;
  readonly kit: KitRevision | null;
  /** The design looked at; null while the job has none. */
  readonly stored: StoredDesign | null;
  readonly inputs: DesignInputs;
  readonly use: VehicleUse;
  readonly designDirty: boolean;
  readonly useDirty: boolean;
  /** Version the design draft was begun from; a newer one on the server means a merge. */
  readonly draftVersion: number | null;
  /** Version the draft of the use was begun from. */
  readonly useDraftVersion: number | null;
  readonly pickDesign: (id: string) => void;
  /**
   * Changes the draft; null drops it. Changes with the same `run` one after another (a drag) count as one for undo.
   */
  readonly setInputs: (inputs: DesignInputs | null, run?: string) => void;
  /** Steps back and forth through the changes of this visit; null where there is nothing to step to. */
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
  readonly route: Route | null;
  readonly setUse: (use: VehicleUse | null) => void;
  readonly sheet: FigureSheet;
  readonly lines: readonly LineJudgement[];
  /** The same as stored, to show what a draft changes. */
  readonly savedLines: readonly LineJudgement[];
  readonly slotsOf: (inputs: DesignInputs) => Slots;
  readonly fitOf: (revision: KitRevision, options: readonly string[]) => FitReport;
}

const NAMES = Object.keys({
  job: true,
  shelves: true,
  vehicle: true,
  today: true,
  kit: true,
  stored: true,
  inputs: true,
  use: true,
  designDirty: true,
  useDirty: true,
  draftVersion: true,
  useDraftVersion: true,
  pickDesign: true,
  setInputs: true,
  undo: true,
  redo: true,
  route: true,
  setUse: true,
  sheet: true,
  lines: true,
  savedLines: true,
  slotsOf: true,
  fitOf: true,
} satisfies Record<keyof OpenJob, true>) as (keyof OpenJob)[];

/** One context for each thing, so that what reads one is left alone when another changes. */
const CONTEXTS = Object.fromEntries(NAMES.map((name) => [name, createContext<unknown>(undefined)])) as unknown as {
  readonly [K in keyof OpenJob]-?: Context<OpenJob[K] | undefined>;
};
const NowContext = createContext<RefObject<OpenJob> | null>(null);

/** Lays an open job before everything below. */
export function OpenJobProvider({ open, children }: { open: OpenJob; children: ReactNode }) {
  const now = useRef(open);
  useLayoutEffect(() => {
    now.current = open;
  });
  return createElement(
    NowContext,
    { value: now },
    NAMES.reduce<ReactNode>(
      (inner, name) => createElement(CONTEXTS[name] as Context<unknown>, { value: open[name] }, inner),
      children,
    ),
  );
}

/** The named things of the open job; whoever asks is drawn again when one of these changes, and only then. */
export function useOpenJob<K extends keyof OpenJob>(...names: readonly K[]): Pick<OpenJob, K> {
  if (!use(NowContext)) throw new Error('no job above this');
  return Object.fromEntries(names.map((name) => [name, use(CONTEXTS[name] as Context<unknown>)])) as Pick<OpenJob, K>;
}

/** The open job as it is when something is pressed, for whoever need not be drawn again when it changes. */
export function useOpenJobNow(): RefObject<OpenJob> {
  const now = use(NowContext);
  if (!now) throw new Error('no job above this');
  return now;
}
