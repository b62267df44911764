import Joi from 'joi';
import type { StageTemplate } from '../core/kit/kit.ts';
import type { FitterReading, FitterStageDone } from '../core/order/fitting.ts';
import type { FittedBy } from '../core/order/order.ts';
import { A_FILE, address, answers } from './address.ts';
import { number, slug, text, whole } from './fields.ts';
import type { OrderQuestion, OrderSheet } from './orders.ts';

/** What a fitter sees, and nothing else of the workshop. */
export interface FitterSheet {
  readonly workshop: string;
  readonly number: string;
  readonly kitName: string;
  readonly revision: string;
  readonly revisionState: OrderSheet['revisionState'];
  readonly withdrawnWhy: string | null;
  readonly variantName: string;
  readonly vehicle: string;
  readonly client: string;
  readonly options: readonly string[];
  readonly exclusions: readonly string[];
  readonly sentAt: string | null;
  readonly fittedBy: FittedBy;
  readonly stages: readonly StageTemplate[];
  readonly done: readonly FitterStageDone[];
  readonly readings: readonly FitterReading[];
  readonly questions: readonly Omit<OrderQuestion, 'orderNumber'>[];
  readonly files: readonly {
    readonly id: string;
    readonly name: string;
    readonly caption: string;
    readonly picture: boolean;
  }[];
  readonly sign: { readonly by: string; readonly at: string; readonly remark: string } | null;
}

const who = text('Your name', 80).min(2).required();
/** What a fitter sends: by the word of the link alone, so `may` is nobody's. */
export const fitterAddress = {
  look: address({ method: 'get', path: '/fitting/:token', may: 'viewer', answer: answers<FitterSheet>() }),
  file: address({ method: 'get', path: '/fitting/:token/files/:id', may: 'viewer', answer: A_FILE }),
  reading: address({
    method: 'post',
    path: '/fitting/:token/readings',
    may: 'viewer',
    body: Joi.object<{ stageKey: string; step: number; value: number; instrument: string; by: string }, true>({
      stageKey: slug('Stage').required(),
      step: whole('Step', 0, 100).required(),
      value: number('Reading', -1e9, 1e9).required(),
      instrument: text('Instrument', 80).allow('').required(),
      by: who,
    }),
    answer: answers<FitterSheet>(),
  }),
  done: address({
    method: 'post',
    path: '/fitting/:token/stages',
    may: 'viewer',
    body: Joi.object<{ stageKey: string; hours: number | null; by: string }, true>({
      stageKey: slug('Stage').required(),
      hours: number('Hours it took', 0, 2000).allow(null).required(),
      by: who,
    }),
    answer: answers<FitterSheet>(),
  }),
  ask: address({
    method: 'post',
    path: '/fitting/:token/questions',
    may: 'viewer',
    body: Joi.object<{ stageKey: string | null; text: string; by: string }, true>({
      stageKey: slug('Stage').allow(null).required(),
      text: text('Question', 1000).min(3).required(),
      by: who,
    }),
    answer: answers<FitterSheet>(),
  }),
  sign: address({
    method: 'post',
    path: '/fitting/:token/sign',
    may: 'viewer',
    body: Joi.object<{ by: string; remark: string }, true>({
      by: who,
      remark: text('Remark', 600).allow('').required(),
    }),
    answer: answers<FitterSheet>(),
  }),
} as const;
