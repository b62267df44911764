import Joi from 'joi';
import { JOB_STATES, type JobState } from '../core/job/states.ts';
import { COVER_WAYS, type CoverChoice } from '../core/kit/kit.ts';
import type { EvidenceEntry } from '../core/practice/evidence.ts';
import { judgeChassisNumber } from '../core/vehicle/chassisNumber.ts';
import { address, answers } from './address.ts';
import { type BriefLineBody, briefLineSchema } from './brief.ts';
import { coverKey } from './coverKey.ts';
import type { Made, Versioned } from './fields.ts';
import { componentId, faultAt, isoDate, type Mutable, slug, text, uuid, version, whole } from './fields.ts';
import type { VerdictDecision } from './job.ts';
import { REGIONS, type Region } from './workshop.ts';
export interface NewJob {
  /** A client that is known already; its name and contact are then left as they are. */
  readonly clientId?: string | null;
  /** A vehicle that has been here before, with its client: a further job of it. */
  readonly vehicleId?: string | null;
  readonly clientName: string;
  readonly clientContact: string;
  readonly title: string;
  readonly variantId: string;
  readonly builtYear: number;
  readonly chassisNumber: string;
  readonly registration: string;
  readonly colour: string;
  readonly brief: readonly BriefLineBody[];
}

/** What is wrong with a chassis number, to follow the field's name; verdicts not listed are fine. */
const CHASSIS_SENTENCE: Record<string, string> = {
  tooShortFor1981: 'has 17 characters from 1981 on: count again, or correct the year',
  forbiddenLetters: 'of 17 characters has no I, O or Q, and only letters and digits',
  empty: 'is needed: it is how the vehicle is known',
};

const newJobSchema = Joi.object<Mutable<NewJob>, true>({
  clientId: uuid('Client').allow(null).default(null),
  vehicleId: uuid('Vehicle').allow(null).default(null),
  clientName: text('Client', 120).required(),
  clientContact: text('Contact', 200).allow('').required(),
  title: text('What it is', 80).required(),
  variantId: slug('Model').required(),
  builtYear: whole('Year built', 1900, 2100).required(),
  chassisNumber: text('Chassis number', 40).allow('').required(),
  registration: text('Registration', 20).allow('').required(),
  colour: text('Colour', 40).allow('').required(),
  brief: Joi.array().items(briefLineSchema).max(40).label('Brief').required(),
}).custom((body: Mutable<NewJob>, helpers) => {
  // What is known of a vehicle is put right with the vehicle.
  if (body.vehicleId) return body;
  const sentence = CHASSIS_SENTENCE[judgeChassisNumber(body.chassisNumber, body.builtYear)];
  return sentence ? faultAt(helpers, 'chassisNumber', 'Chassis number', sentence) : body;
});

export interface KitChoice {
  readonly revisionId: string | null;
  readonly options: readonly string[];
  readonly version: number;
}
const kitChoiceSchema = Joi.object<Mutable<KitChoice>, true>({
  revisionId: slug('Kit revision').allow(null).required(),
  options: Joi.array().items(slug('Option')).max(20).label('Options').required(),
  version,
});

/** A gap closed by a part of the catalogue: it goes on the parts list, and covers the function. */
export interface CoverPartBody {
  readonly function: string;
  readonly componentId: string;
  readonly was: CoverChoice | null;
}

export interface CoverBody {
  readonly function: string;
  readonly way: CoverChoice['way'] | null;
  readonly why: string;
  /** The job's choice for this function that the person saw; null for none. */
  readonly was: CoverChoice | null;
}
const coverBefore = Joi.object<CoverChoice, true>({
  way: Joi.string()
    .valid(...COVER_WAYS)
    .required(),
  why: text('Why', 200).allow('').required(),
})
  .allow(null)
  .label('Choice before')
  .required();
const coverPartSchema = Joi.object<CoverPartBody, true>({
  function: coverKey.label('Function').required(),
  componentId: componentId('Component').required(),
  was: coverBefore,
});
const coverSchema = Joi.object<CoverBody, true>({
  function: coverKey.label('Function').required(),
  way: Joi.string()
    .valid(...COVER_WAYS)
    .allow(null)
    .label('How it is covered')
    .required(),
  why: text('Why', 200).allow('').required(),
  was: coverBefore,
}).custom((body: CoverBody, helpers) =>
  body.way === 'notNeeded' && body.why === ''
    ? faultAt(helpers, 'why', 'Why', 'is needed: say why it is not needed')
    : body,
);

export interface DecisionBody {
  readonly rule: string;
  readonly subject: string;
  readonly decision: VerdictDecision['decision'];
  readonly reason: string;
}
const decisionSchema = Joi.object<DecisionBody, true>({
  rule: text('Rule', 40).required(),
  subject: text('Subject', 160).required(),
  decision: Joi.string().valid('accepted', 'overridden', 'takenBack').label('Decision').required(),
  reason: text('Reason', 300).allow('').required(),
}).custom((body: DecisionBody, helpers) =>
  // What is accepted says itself why; who goes against a rule says it.
  body.decision === 'overridden' && body.reason.length < 3
    ? faultAt(helpers, 'reason', 'Reason', 'is needed: why it is taken all the same')
    : body,
);

/** Where the vehicle stands and when it is promised. */
export interface PlaceBody {
  readonly placeId: string | null;
  readonly promised: string | null;
  readonly version: number;
}
const placeSchema = Joi.object<PlaceBody, true>({
  placeId: slug('Place').allow(null).required(),
  promised: isoDate('Promised day').allow(null).required(),
  version,
});

export interface ChooseBody {
  readonly designId: string;
  readonly version: number;
}
const chooseSchema = Joi.object<ChooseBody, true>({ designId: uuid('Design').required(), version });

export interface StateChange {
  readonly state: JobState;
  readonly reason: string;
  readonly version: number;
}
const stateSchema = Joi.object<StateChange, true>({
  state: Joi.string()
    .valid(...JOB_STATES)
    .label('State')
    .required(),
  reason: text('Reason', 300).allow('').required(),
  version,
});

export interface EvidenceBody {
  /** Which of the papers that the region wants. */
  readonly key: string;
  /** Null takes it back. */
  readonly given: Omit<EvidenceEntry, 'by'> | null;
  /** What the person saw; null for none. */
  readonly was: EvidenceEntry | null;
}
const paper = { on: isoDate('Given on').required(), mark: text('Number, or where it lies', 200).allow('').required() };
const evidenceSchema = Joi.object<EvidenceBody, true>({
  key: slug('Paper').required(),
  given: Joi.object<Omit<EvidenceEntry, 'by'>, true>(paper).allow(null).label('Paper').required(),
  was: Joi.object<EvidenceEntry, true>({ ...paper, by: text('By', 120).required() })
    .allow(null)
    .label('Paper before')
    .required(),
});

export interface RegionBody {
  readonly region: Region | null;
  readonly version: number;
}
const regionSchema = Joi.object<RegionBody, true>({
  region: Joi.string()
    .valid(...REGIONS)
    .allow(null)
    .label('Region')
    .required(),
  version,
});

export interface NewKitOfJob {
  readonly name: string;
  /** Components that this vehicle got and the kit does not have. */
  readonly onlyThis: readonly string[];
}

export const jobAddress = {
  evidence: address({
    method: 'put',
    path: '/jobs/:number/evidence',
    act: 'evidence',
    body: evidenceSchema,
    answer: answers<{ readonly key: string }>(),
  }),
  region: address({
    method: 'put',
    path: '/jobs/:number/region',
    act: 'evidence',
    body: regionSchema,
    answer: answers<Versioned>(),
  }),
  state: address({
    method: 'put',
    path: '/jobs/:number/state',
    act: 'state',
    body: stateSchema,
    answer: answers<Versioned>(),
  }),
  open: address({
    method: 'post',
    path: '/jobs',
    may: 'manager',
    body: newJobSchema,
    answer: answers<{ readonly number: string }>(),
  }),
  move: address({
    method: 'put',
    path: '/jobs/:number/place',
    act: 'move',
    body: placeSchema,
    answer: answers<Versioned>(),
  }),
  makeKit: address({
    method: 'post',
    path: '/jobs/:number/kits',
    act: 'kit',
    body: Joi.object<NewKitOfJob, true>({
      name: text('Name of the kit', 60).min(2).required(),
      onlyThis: Joi.array()
        .items(componentId('Component'))
        .max(500)
        .label('What only this vehicle got')
        .required() as never,
    }),
    answer: answers<Made>(),
  }),
  chooseKit: address({
    method: 'put',
    path: '/jobs/:number/kit',
    act: 'kit',
    body: kitChoiceSchema,
    answer: answers<Versioned>(),
  }),
  chooseDesign: address({
    method: 'put',
    path: '/jobs/:number/chosen-design',
    act: 'chooseDesign',
    body: chooseSchema,
    answer: answers<Versioned>(),
  }),
  coverByPart: address({
    method: 'post',
    path: '/jobs/:number/cover/part',
    act: 'cover',
    body: coverPartSchema,
    answer: answers<{ readonly function: string }>(),
  }),
  settleCover: address({
    method: 'put',
    path: '/jobs/:number/cover',
    act: 'cover',
    body: coverSchema,
    answer: answers<{ readonly function: string }>(),
  }),
  decide: address({
    method: 'post',
    path: '/jobs/:number/decisions',
    act: 'decide',
    body: decisionSchema,
    answer: answers<{ readonly rule: string }>(),
  }),
} as const;
