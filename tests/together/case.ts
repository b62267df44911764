import type pg from 'pg';
import type { ClientRow } from '../../contract/clients.ts';
import type { JobSheet } from '../../contract/job.ts';
import type { Visitor, Workshop } from '../api/workshop.ts';

/** How many of ten may succeed, and how many events they leave. */
export type Outcome =
  /** One changes it; the others are told why they do not. */
  | 'one'
  /** Each adds something of its own. */
  | 'all'
  /** All are answered well, and it was done once. */
  | 'once';

export interface Case {
  readonly same: Outcome;
  readonly different: Outcome;
  /** How many events each that was done leaves, where it touches more than one job. @default 1 */
  readonly events?: number;
  /** Puts things as they must be before each volley, and gives address and the i-th body. */
  readonly prepare: () => Promise<{ path: string; body: (i: number) => object; who?: Visitor }>;
}

/** A workshop and three people in it; what the cases of addresses stand on. */
export interface Ground {
  readonly shop: Workshop;
  readonly pool: () => pg.Pool;
  readonly sql: (text: string, values?: unknown[]) => Promise<pg.QueryResult>;
  readonly ilse: () => Visitor;
  readonly soren: () => Visitor;
  readonly jory: () => Visitor;
  /** The job most is done to. */
  readonly van: () => Promise<JobSheet>;
  /** A job of a client and a vehicle of its own. */
  readonly ownJob: () => Promise<JobSheet>;
  readonly clientOf: (job: JobSheet) => Promise<ClientRow>;
  readonly onJob: (
    rest: string,
    body: (job: JobSheet, i: number) => object,
  ) => Promise<{ path: string; body: (i: number) => object }>;
}
