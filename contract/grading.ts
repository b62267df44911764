import Joi from 'joi';
import { A_FILE, address, answers } from './address.ts';
import { isoDate, type Made, type Mutable, number, text, uuid, version } from './fields.ts';

/** A capacity test of one module, from its log or as it was read off a tester. */
export interface GradingBody {
  readonly day: string;
  readonly capacityAh: number;
  readonly energyWh: number | null;
  readonly resistanceOhm: number | null;
  readonly temperatureC: number | null;
  readonly currentA: number | null;
  readonly fromV: number | null;
  readonly toV: number | null;
  readonly method: string;
  /** Its log among the files of the number. */
  readonly logFileId: string | null;
}
const optional = (label: string, min: number, max: number) => number(label, min, max).allow(null).required();
const gradingSchema = Joi.object<GradingBody, true>({
  day: isoDate('Day').required(),
  capacityAh: Joi.number().greater(0).max(10_000).label('Capacity').required(),
  energyWh: optional('Energy', 0, 1_000_000),
  resistanceOhm: Joi.number().greater(0).max(10).label('Resistance').allow(null).required(),
  temperatureC: optional('Temperature', -60, 120),
  currentA: optional('Current', 0, 10_000),
  fromV: optional('From', 0, 2000),
  toV: optional('Down to', 0, 2000),
  method: text('Method', 200).min(3).required(),
  logFileId: uuid('Log').allow(null).required(),
});

/** Graded modules are held for a line of a job, in place of whatever it held. */
export interface HoldBody {
  readonly lineId: string;
  readonly serialIds: readonly string[];
  /** Of the line. */
  readonly version: number;
}
const holdSchema = Joi.object<Mutable<HoldBody>, true>({
  lineId: uuid('Line').required(),
  serialIds: Joi.array().items(uuid('Number')).min(1).max(1000).unique().label('Modules').required(),
  version,
});

/** A line of a job that wants modules. */
export interface ModuleLine {
  readonly lineId: string;
  readonly jobNumber: string;
  readonly jobTitle: string;
  readonly componentId: string;
  readonly component: string;
  readonly quantity: number;
  readonly state: string;
  readonly version: number;
}

export const gradingAddress = {
  add: address({
    method: 'post',
    path: '/stores/numbers/:id/gradings',
    may: 'technician',
    body: gradingSchema,
    answer: answers<Made>(),
  }),
  table: address({ method: 'get', path: '/stores/gradings.csv', may: 'viewer', answer: A_FILE }),
  /** Lines that modules can be held for. */
  lines: address({ method: 'get', path: '/stores/module-lines', may: 'viewer', answer: answers<ModuleLine[]>() }),
  hold: address({
    method: 'post',
    path: '/stores/hold',
    may: 'technician',
    body: holdSchema,
    answer: answers<{ readonly held: number }>(),
  }),
} as const;
