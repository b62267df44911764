import type { BriefLineBody } from '../contract/brief.ts';
import type { VehicleUse } from '../core/figures/slots.ts';
import type { JobState } from '../core/job/states.ts';
import finished from './finished.json' with { type: 'json' };
import jobs from './jobs.json' with { type: 'json' };

export interface DemoJob {
  readonly title: string;
  readonly client: string;
  readonly contact: string;
  readonly variantId: string;
  readonly year: number;
  readonly chassis: string;
  readonly registration: string;
  readonly colour: string;
  readonly state: JobState;
  readonly placeId: string | null;
  /** Corner weights kg: front left, front right, rear left, rear right. */
  readonly corners: readonly [number, number, number, number] | null;
  readonly use: VehicleUse;
  /** A GPX file of this folder that the client recorded. */
  readonly recordedRoute?: string;
  readonly kitRevisionId: string | null;
  readonly options: readonly string[];
  /** A second design beside the kit's, with modules changed in one bay. */
  readonly variation: { readonly name: string; readonly bay: string; readonly modules: number } | null;
  readonly chosen: boolean;
  /** Stages done; the next one is in hand when `inHand`. */
  readonly stagesDone: number;
  readonly inHand: boolean;
  readonly onIt: readonly string[];
  /** A component on order, with days from today until it is due (negative: late). */
  readonly onOrder: readonly (readonly [componentId: string, dueDays: number])[];
  readonly checksSigned: number;
  readonly promisedDays: number | null;
  readonly brief: readonly BriefLineBody[];
  readonly snags: readonly string[];
}

/** Nine jobs at every point of the work, newest first. Day counts are from today. */
export const JOBS = jobs as unknown as readonly DemoJob[];

/** Finished jobs of last year: they give the estimates their history. */
export const FINISHED = finished as readonly {
  readonly title: string;
  readonly client: string;
  readonly variantId: string;
  readonly year: number;
  readonly kitRevisionId: string;
  readonly daysAgo: number;
}[];
