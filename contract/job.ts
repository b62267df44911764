import type { VehicleUse } from '../core/figures/slots.ts';
import type { FitWork } from '../core/fit/finding.ts';
import type { ReworkCause } from '../core/hours/entry.ts';
import type { JobState } from '../core/job/states.ts';
import type { CoverChoice } from '../core/kit/kit.ts';
import type { OfferState } from '../core/offer/offer.ts';
import type { EvidenceEntry } from '../core/practice/evidence.ts';
import type { PackedRoute } from '../core/road/packedRoute.ts';
import { A_FILE, address, answers } from './address.ts';
import type { StoredBriefLine } from './brief.ts';
import type { StoredDesign } from './design.ts';
import type { LessonRow } from './lessons.ts';
import type { PartLine } from './parts.ts';
import type { CheckResult } from './prove.ts';
import type { RegisterRow } from './register.ts';
import type { StageRow } from './stages.ts';
import type { VehicleWithClaims } from './vehicle.ts';
import type { Region } from './workshop.ts';

export interface JobRow {
  readonly number: string;
  readonly title: string;
  readonly client: string;
  readonly variantName: string;
  readonly state: JobState;
  readonly place: string | null;
  readonly promised: string | null;
  readonly stagesDone: number;
  readonly stagesAll: number;
  readonly hoursClocked: number;
  readonly hoursPlanned: number;
}

export interface VerdictDecision {
  readonly rule: string;
  readonly subject: string;
  readonly decision: 'accepted' | 'overridden' | 'takenBack';
  readonly reason: string;
  /** What was taken into the job with it. */
  readonly work: FitWork | null;
  readonly by: string;
  readonly at: string;
}

/** What the spine and the brief have to know of an offer. */
export interface OfferHead {
  readonly number: number;
  readonly state: OfferState;
  /** With tax; once it is accepted, with the accepted changes. */
  readonly totalCents: number;
  readonly sentAt: string | null;
  /** Changes that wait for the client. */
  readonly changesWaiting: number;
}

/** What a job is, without what hangs on it. */
export interface JobHead {
  readonly id: string;
  readonly number: string;
  readonly title: string;
  readonly state: JobState;
  readonly version: number;
  readonly client: { readonly id: string; readonly name: string; readonly contact: string };
  readonly use: VehicleUse;
  /** The use has a version of its own. */
  readonly useVersion: number;
  readonly chosenDesignId: string | null;
  readonly placeId: string | null;
  readonly promised: string | null;
  readonly kit: { readonly revisionId: string; readonly options: readonly string[] } | null;
  readonly cover: Readonly<Record<string, CoverChoice>>;
  /** Where the vehicle will be registered; null: where the workshop is. */
  readonly region: Region | null;
  readonly evidence: Readonly<Record<string, EvidenceEntry>>;
  /** The newest offer that was not withdrawn; null while there is none. */
  readonly offer: OfferHead | null;
  /** Person-hours that were accepted in Match beside the kit's own. */
  readonly matchHours: number;
  /** By the plan in force: the day it is ready, null where something of it cannot be planned; null: it is not planned. */
  readonly planned: { readonly readyOn: string | null } | null;
}

/** What hangs on a job, each with an address of its own (`/jobs/26-101/stages`) and asked for again by need. */
export interface JobParts {
  readonly vehicle: VehicleWithClaims;
  readonly brief: readonly StoredBriefLine[];
  readonly designs: readonly StoredDesign[];
  readonly route: PackedRoute | null;
  readonly decisions: readonly VerdictDecision[];
  readonly parts: readonly PartLine[];
  readonly stages: readonly StageRow[];
  readonly snags: readonly SnagRow[];
  readonly checks: readonly CheckResult[];
  /** Of this job. */
  readonly lessons: readonly LessonRow[];
  /** Of its vehicle, whichever job wrote it. */
  readonly register: readonly RegisterRow[];
}
export type JobPart = keyof JobParts;
export const JOB_PARTS = [
  'vehicle',
  'brief',
  'designs',
  'route',
  'decisions',
  'parts',
  'stages',
  'snags',
  'checks',
  'lessons',
  'register',
] as const satisfies readonly JobPart[];

/** One job, whole: the sheet that every step of the spine reads. */
export interface JobSheet extends JobHead, JobParts {}

/** One thing that was done to a job. */
export interface JobEvent {
  /** Grows with time. */
  readonly id: number;
  readonly at: string;
  readonly by: string;
  /** A verb phrase: "clocked on". */
  readonly what: string;
  readonly resource: string;
  readonly job: string | null;
}

export interface SnagRow {
  readonly id: string;
  readonly text: string;
  readonly by: string;
  readonly at: string;
  readonly closedBy: string | null;
  /** Why it was there, what it cost and how it was put right, as far as anybody knows. */
  readonly cause: ReworkCause | null;
  readonly costHours: number | null;
  readonly costCents: number | null;
  readonly closedHow: string;
  readonly closedAt: string | null;
}

/** Pieces of a job's sheet, each with an address of its own. */
export type JobPiece = JobPart | 'head';
export const JOB_PIECES = ['head', ...JOB_PARTS] as const satisfies readonly JobPiece[];

const piece = <P extends JobPart>(name: P) =>
  address({ method: 'get', path: `/jobs/:number/${name}`, may: 'viewer', answer: answers<JobSheet[P]>() });

/** Where the jobs, one job, and each of its pieces are read. */
export const jobsAddress = {
  list: address({ method: 'get', path: '/jobs', may: 'viewer', answer: answers<JobRow[]>() }),
  whole: address({ method: 'get', path: '/jobs/:number', may: 'viewer', answer: answers<JobSheet>() }),
  events: address({ method: 'get', path: '/jobs/:number/events', may: 'viewer', answer: answers<JobEvent[]>() }),
  eventTable: address({ method: 'get', path: '/jobs/:number/events.csv', may: 'viewer', answer: A_FILE }),
  head: address({ method: 'get', path: '/jobs/:number/head', may: 'viewer', answer: answers<JobHead>() }),
  vehicle: piece('vehicle'),
  brief: piece('brief'),
  designs: piece('designs'),
  route: piece('route'),
  decisions: piece('decisions'),
  parts: piece('parts'),
  stages: piece('stages'),
  snags: piece('snags'),
  checks: piece('checks'),
  lessons: piece('lessons'),
  register: piece('register'),
} as const;
