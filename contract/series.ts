import Joi from 'joi';
import type { FirstOfKind } from '../core/job/sister.ts';
import type { LessonState } from '../core/kit/lessons.ts';
import { address, answers } from './address.ts';
import { text, type Versioned, version } from './fields.ts';

/** A job and those like it: the first of its kind, whose lessons hold the others (trade §7.5). */
export interface SeriesSheet {
  readonly first:
    | ({
        readonly number: string;
        readonly title: string;
        /** Where its lessons are settled; null: it has no kit. */
        readonly kitId: string | null;
        readonly lessons: readonly { readonly id: string; readonly text: string; readonly state: LessonState }[];
      } & Omit<FirstOfKind, 'lessons'>)
    | null;
  readonly sisters: readonly { readonly number: string; readonly title: string }[];
  /** Jobs that could be its first: of the same model, and none that waits for this one. */
  readonly choices: readonly { readonly number: string; readonly title: string }[];
  /** Of the job. */
  readonly version: number;
}

export interface SeriesBody {
  readonly first: string | null;
  readonly version: number;
}

export const seriesAddress = {
  sheet: address({ method: 'get', path: '/jobs/:number/series', may: 'viewer', answer: answers<SeriesSheet>() }),
  follow: address({
    method: 'put',
    path: '/jobs/:number/series',
    act: 'move',
    body: Joi.object<SeriesBody, true>({
      first: text('First of its kind', 20)
        .pattern(/^\d{2}-\d{3,5}$/, { name: 'is not the number of a job' })
        .allow(null)
        .required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
} as const;
