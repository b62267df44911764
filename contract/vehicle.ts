import Joi from 'joi';
import { LOG_FINDING_IDS, type LogFinding } from '../core/logs/findings.ts';
import { SOURCES, type Sourced } from '../core/quantity/sourced.ts';
import type { Weighing } from '../core/vehicle/state.ts';
import { VEHICLE_FIGURE_IDS, VEHICLE_FIGURES, type VehicleFigureId } from '../core/vehicle/vehicleFigures.ts';
import { address, answers } from './address.ts';
import type { Made, Mutable } from './fields.ts';
import { faultAt, number, text } from './fields.ts';

/** What somebody says of a figure that is not, or not yet, the one used. */
export interface VehicleClaim {
  readonly id: string;
  readonly figure: VehicleFigureId;
  readonly value: number;
  readonly source: Sourced['source'];
  /** Who or what says so. */
  readonly says: string;
  /** Why it is not used; null while nobody has decided. */
  readonly whyNot: string | null;
  readonly by: string;
  readonly at: string;
}

export interface VehicleInfo {
  readonly id: string;
  readonly name: string;
  readonly variantId: string;
  readonly chassisNumber: string;
  readonly registration: string;
  readonly builtYear: number;
  readonly colour: string;
  readonly weighings: readonly (Weighing & { readonly id: string; readonly note: string })[];
  readonly measured: Partial<Record<VehicleFigureId, Sourced>>;
}

/** What a log showed, kept beside what was predicted. */
export interface KeptFinding extends LogFinding {
  readonly id: string;
  /** Name of the log's file. */
  readonly log: string;
  readonly by: string;
  readonly at: string;
}

/** A vehicle with what is said of it and what its logs showed. */
export interface VehicleWithClaims extends VehicleInfo {
  readonly claims: readonly VehicleClaim[];
  readonly findings: readonly KeptFinding[];
}

export interface WeighingBody {
  readonly frontLeftKg: number;
  readonly frontRightKg: number;
  readonly rearLeftKg: number;
  readonly rearRightKg: number;
  readonly state: 'asReceived' | 'stripped';
  readonly note: string;
}
const corner = (label: string) => number(label, -100_000, 100_000).required();
/** Impossible masses are named by the rule `weighingProblems`, which knows the ratings. */
const weighingSchema = Joi.object<WeighingBody, true>({
  frontLeftKg: corner('Front left'),
  frontRightKg: corner('Front right'),
  rearLeftKg: corner('Rear left'),
  rearRightKg: corner('Rear right'),
  state: Joi.string().valid('asReceived', 'stripped').label('State').required(),
  note: text('Note', 300).allow('').required(),
});

export interface VehicleFigureBody {
  readonly figure: VehicleFigureId;
  readonly value: number;
  readonly source: Sourced['source'];
  /** Instant of the vehicle's own figure that the person saw; null when it had none. */
  readonly since: string | null;
}
/** Spans in base units that a road vehicle of this trade can have. */
export const SPAN: Record<(typeof VEHICLE_FIGURES)[VehicleFigureId], readonly [number, number]> = {
  mass: [1, 40_000],
  length: [1, 20_000],
  area: [0.3, 12],
  coefficient: [0.003, 1.5],
};
const withinSpan = <B extends { figure: VehicleFigureId; value: number }>(body: B, helpers: Joi.CustomHelpers<B>) => {
  const [least, most] = SPAN[VEHICLE_FIGURES[body.figure]];
  if (body.value >= least && body.value <= most) return body;
  return faultAt(helpers, 'value', 'Value', `cannot be: it must lie between ${least} and ${most}`);
};
const figure = Joi.string()
  .valid(...VEHICLE_FIGURE_IDS)
  .label('Figure');
const source = Joi.string()
  .valid(...SOURCES)
  .label('Source');
const since = Joi.string().isoDate().max(40).raw().allow(null).label('Since');
export const vehicleFigureSchema = Joi.object<VehicleFigureBody, true>({
  figure: figure.required(),
  value: Joi.number().label('Value').required(),
  source: source.required(),
  since: since.required(),
}).custom(withinSpan);

export interface VehicleClaimBody {
  readonly figure: VehicleFigureId;
  readonly value: number;
  readonly source: Sourced['source'];
  readonly says: string;
}
const vehicleClaimSchema = Joi.object<VehicleClaimBody, true>({
  figure: figure.required(),
  value: Joi.number().label('Value').required(),
  source: source.required(),
  says: text('Who says so', 200).required(),
}).custom(withinSpan);

export interface ClaimDecision {
  /** Use what is claimed in place of what is used; else it is set aside. */
  readonly use: boolean;
  /** Why the other one is not used. */
  readonly why: string;
  /** Instant of the vehicle's own figure that the person saw; null when it had none. */
  readonly since: string | null;
  /** Instant of the claim as the person saw it: somebody else may have decided meanwhile. */
  readonly seen: string;
}
const claimDecisionSchema = Joi.object<ClaimDecision, true>({
  use: Joi.boolean().label('Use it').required(),
  why: text('Reason', 300).required(),
  since: since.required(),
  seen: Joi.string().isoDate().max(40).raw().label('Seen').required(),
});

export interface LogFindingsBody {
  readonly log: string;
  readonly findings: readonly LogFinding[];
}
const finite = (label: string) => number(label, -1e9, 1e9);
const finding = Joi.object<LogFinding, true>({
  figure: Joi.string()
    .valid(...LOG_FINDING_IDS)
    .label('Figure')
    .required(),
  predicted: finite('Predicted').allow(null).required(),
  measured: finite('Measured').required(),
  error: number('Error', 0, 1e9).allow(null).required(),
});
const logFindingsSchema = Joi.object<Mutable<LogFindingsBody>, true>({
  log: text('Log', 200).required(),
  findings: Joi.array().items(finding).min(1).max(6).unique('figure').label('Findings').required(),
});

export const vehicleAddress = {
  weigh: address({
    method: 'post',
    path: '/jobs/:number/weighings',
    act: 'weigh',
    body: weighingSchema,
    answer: answers<Made>(),
  }),
  measure: address({
    method: 'put',
    path: '/jobs/:number/vehicle-figures',
    act: 'measure',
    body: vehicleFigureSchema,
    answer: answers<{ readonly figure: string }>(),
  }),
  claim: address({
    method: 'post',
    path: '/jobs/:number/vehicle-claims',
    act: 'measure',
    body: vehicleClaimSchema,
    answer: answers<Made>(),
  }),
  keepFindings: address({
    method: 'post',
    path: '/jobs/:number/log-findings',
    act: 'measure',
    body: logFindingsSchema,
    answer: answers<{ readonly kept: number }>(),
  }),
  settleClaim: address({
    method: 'post',
    path: '/jobs/:number/vehicle-claims/:id/settle',
    act: 'measure',
    body: claimDecisionSchema,
    answer: answers<{ readonly figure: string }>(),
  }),
} as const;
