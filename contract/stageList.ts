import Joi from 'joi';
import { MASS_MOVES } from '../core/balance/liftStages.ts';
import type { StageTemplate, StepLimit, StepTemplate } from '../core/kit/kit.ts';
import { DIFFICULTIES, STAGE_TRAITS } from '../core/kit/kit.ts';
import { type StageProblem, stageProblems } from '../core/kit/stageProblems.ts';
import { BASE_UNIT, type QuantityKind } from '../core/quantity/kinds.ts';
import { faultAt, type Mutable, number, slug, text, whole } from './fields.ts';

export const STEP_KINDS = Object.keys(BASE_UNIT) as QuantityKind[];

/** A kind of tool or instrument, as the register has it: torque wrench, insulation tester. */
export const toolKind = (label: string) => text(label, 40).lowercase().min(2);

const limit = Joi.object<StepLimit, true>({
  min: number('At least', -1e9, 1e9).allow(null).required(),
  max: number('At most', -1e9, 1e9).allow(null).required(),
  kind: Joi.string()
    .valid(...STEP_KINDS)
    .label('What is measured')
    .required(),
  source: text('Who says so', 160).allow(''),
}).label('Limit');

const step = Joi.object<StepTemplate, true>({
  text: text('Step', 160).required(),
  note: text('Note', 240).allow('').required(),
  limit: limit.allow(null).required(),
  tool: toolKind('With what').allow(null),
  second: Joi.boolean().label('Second signature'),
  bolts: whole('Bolts in turn', 3, 48).allow(null),
});

/** For these variants only, with an option, or without one. */
export const appliesWhen = Joi.object({
  variantIds: Joi.array().items(slug('Variant')).min(1).max(60).unique(),
  option: slug('Option'),
  without: slug('Option'),
})
  .allow(null)
  .label('Applies when');

const stage = Joi.object<Mutable<StageTemplate>, true>({
  key: slug('Key').required(),
  name: text('Stage', 80).required(),
  traits: Joi.array()
    .items(Joi.string().valid(...STAGE_TRAITS))
    .unique()
    .max(STAGE_TRAITS.length + MASS_MOVES.length)
    .label('What it moves')
    .required(),
  after: Joi.array().items(slug('Stage before')).unique().max(60).label('After').required(),
  hours: number('Hours', 0, 2000).required(),
  skill: text('Skill', 60).allow(''),
  people: whole('People', 1, 12).required(),
  mostPeople: whole('People who can share it', 1, 12),
  difficulty: Joi.string()
    .valid(...DIFFICULTIES)
    .label('How hard'),
  liveHv: Joi.boolean().label('Live high voltage').required(),
  tools: Joi.array().items(toolKind('Tool')).max(8).unique().label('Tools'),
  needs: text('Needs', 120).allow('').required(),
  note: text('Note', 400).allow('').required(),
  steps: Joi.array().items(step).max(80).label('Steps').required(),
  appliesWhen: appliesWhen as never,
});

const PROBLEM: Record<StageProblem['problem'], readonly [label: string, sentence: string]> = {
  sameKey: ['Key', 'is another stage’s already'],
  noSuchStage: ['After', 'names a stage that is not there'],
  circle: ['After', 'makes stages wait for each other in a circle'],
  limitsCrossed: ['At most', 'is less than at least'],
  noLimit: ['Limit', 'has neither end: give one, or let it be a step without a value'],
  fewerShare: ['People who can share it', 'are fewer than it takes'],
  pairNeeded: ['People', 'are two at least on live high voltage'],
};

/** A list of stages that a shop can work through. */
export const stagesSchema = Joi.array()
  .items(stage)
  .max(120)
  .label('Stages')
  .custom((stages: StageTemplate[], helpers) => {
    const [first] = stageProblems(stages);
    if (!first) return stages;
    const [label, sentence] = PROBLEM[first.problem];
    return faultAt(helpers, first.at, label, sentence);
  });
