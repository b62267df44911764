import Joi from 'joi';
import type { JobState } from '../core/job/states.ts';
import type { Sourced } from '../core/quantity/sourced.ts';
import type { Weighing } from '../core/vehicle/state.ts';
import type { VehicleFigureId } from '../core/vehicle/vehicleFigures.ts';
import { A_FILE, address, answers } from './address.ts';
import { type Made, slug, text, uuid, type Versioned, version, versionSchema, whole } from './fields.ts';
import type { JobEvent } from './job.ts';

export interface ClientRow {
  readonly id: string;
  readonly name: string;
  readonly contact: string;
  readonly vehicles: number;
  readonly jobs: number;
  /** Jobs that are still worked on. */
  readonly open: number;
  /** Its data was removed. */
  readonly removed: boolean;
  readonly version: number;
}

export interface VehicleRow {
  readonly id: string;
  readonly name: string;
  readonly variantId: string;
  readonly variantName: string;
  readonly chassisNumber: string;
  readonly registration: string;
  readonly builtYear: number;
  readonly colour: string;
  readonly clientId: string;
  readonly client: string;
  readonly jobs: readonly VehicleJob[];
  readonly version: number;
}

/** What is known of one vehicle beyond its model. */
export interface VehicleKnown {
  readonly id: string;
  readonly measured: Partial<Record<VehicleFigureId, Sourced>>;
  /** The newest; null: never weighed. */
  readonly weighing: Weighing | null;
}

/** A job of a vehicle, in a line. */
export interface VehicleJob {
  readonly number: string;
  readonly state: JobState;
  readonly promised: string | null;
  readonly openedAt: string;
  readonly hoursClocked: number;
}

export interface ClientBody {
  readonly name: string;
  readonly contact: string;
  readonly version: number;
}
export interface VehicleBody {
  readonly name: string;
  readonly clientId: string;
  readonly variantId: string;
  readonly chassisNumber: string;
  readonly registration: string;
  readonly builtYear: number;
  readonly colour: string;
  readonly version: number;
}
/** The one that stays, and both as they were seen. */
export interface Merge {
  readonly into: string;
  readonly version: number;
  readonly intoVersion: number;
}
const mergeSchema = Joi.object<Merge, true>({
  into: uuid('The one that stays').required(),
  version,
  intoVersion: whole('Version of the other', 1, 2_000_000_000).required(),
});

export const clientAddress = {
  list: address({ method: 'get', path: '/clients', may: 'viewer', answer: answers<ClientRow[]>() }),
  change: address({
    method: 'put',
    path: '/clients/:id',
    may: 'manager',
    body: Joi.object<ClientBody, true>({
      name: text('Client', 120).required(),
      contact: text('Contact', 200).allow('').required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
  merge: address({
    method: 'post',
    path: '/clients/:id/merge',
    may: 'manager',
    body: mergeSchema,
    answer: answers<Made>(),
  }),
  data: address({ method: 'get', path: '/clients/:id/data.json', may: 'manager', answer: A_FILE }),
  remove: address({
    method: 'post',
    path: '/clients/:id/remove',
    may: 'manager',
    body: versionSchema,
    answer: answers<{ readonly places: number }>(),
  }),
} as const;

export const vehiclesAddress = {
  list: address({ method: 'get', path: '/vehicles', may: 'viewer', answer: answers<VehicleRow[]>() }),
  /** What has been measured on each vehicle, where anything has. */
  figures: address({ method: 'get', path: '/vehicles/figures', may: 'viewer', answer: answers<VehicleKnown[]>() }),
  events: address({ method: 'get', path: '/vehicles/:id/events', may: 'viewer', answer: answers<JobEvent[]>() }),
  eventTable: address({ method: 'get', path: '/vehicles/:id/events.csv', may: 'viewer', answer: A_FILE }),
  change: address({
    method: 'put',
    path: '/vehicles/:id',
    may: 'manager',
    body: Joi.object<VehicleBody, true>({
      name: text('What it is called', 80).min(2).required(),
      clientId: uuid('Client').required(),
      variantId: slug('Model').required(),
      chassisNumber: text('Chassis number', 40).allow('').required(),
      registration: text('Registration', 20).allow('').required(),
      builtYear: whole('Year built', 1880, 2100).required(),
      colour: text('Colour', 40).allow('').required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
  merge: address({
    method: 'post',
    path: '/vehicles/:id/merge',
    may: 'manager',
    body: mergeSchema,
    answer: answers<Made>(),
  }),
} as const;
