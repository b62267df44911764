import Joi from 'joi';
import type { StageTemplate } from '../core/kit/kit.ts';
import { address, answers, type BodySize } from './address.ts';
import { type Made, type Mutable, text, type Versioned, version, versionSchema } from './fields.ts';
import { stagesSchema } from './stageList.ts';

/** A list of stages that kits and jobs are begun from. */
export interface StageTemplateRow {
  readonly id: string;
  readonly name: string;
  readonly stages: readonly StageTemplate[];
  /** From the starter catalogues that ship with Dajo. */
  readonly lent: boolean;
  readonly version: number;
}

export interface NewStageTemplate {
  readonly name: string;
  readonly stages: readonly StageTemplate[];
}
const body = { name: text('Name of the template', 80).min(2).required(), stages: stagesSchema.required() as never };
const STAGES_SIZE: BodySize = { bytes: 500_000, bounds: { values: 20_000, depth: 12, text: 4000 } };

export const stageTemplateAddress = {
  list: address({ method: 'get', path: '/stage-templates', may: 'viewer', answer: answers<StageTemplateRow[]>() }),
  add: address({
    method: 'post',
    path: '/stage-templates',
    may: 'manager',
    body: Joi.object<Mutable<NewStageTemplate>, true>(body),
    size: STAGES_SIZE,
    answer: answers<Made>(),
  }),
  change: address({
    method: 'put',
    path: '/stage-templates/:id',
    may: 'manager',
    body: Joi.object<Mutable<NewStageTemplate> & { version: number }, true>({ ...body, version }),
    size: STAGES_SIZE,
    answer: answers<Versioned>(),
  }),
  /** Dropped by ending it; what was made from it stays. */
  drop: address({
    method: 'post',
    path: '/stage-templates/:id/drop',
    may: 'manager',
    body: versionSchema,
    answer: answers<Versioned>(),
  }),
} as const;
