import Joi from 'joi';
import { LESSON_ABOUT, type LessonAbout, type LessonState } from '../core/kit/lessons.ts';
import { address, answers } from './address.ts';
import { type Made, number, quantity, slug, text, type Versioned, version } from './fields.ts';

/** What to do otherwise next time, and what became of it. */
export interface LessonRow {
  readonly id: string;
  readonly jobNumber: string;
  readonly about: LessonAbout;
  readonly aboutText: string;
  readonly text: string;
  readonly costHours: number | null;
  readonly costCents: number | null;
  readonly kitId: string | null;
  readonly by: string;
  readonly at: string;
  readonly state: LessonState;
  readonly revisionId: string | null;
  readonly why: string;
  readonly settledBy: string | null;
  readonly settledAt: string | null;
  readonly version: number;
}

export interface NewLesson {
  readonly about: LessonAbout;
  readonly aboutId: string;
  readonly aboutText: string;
  readonly text: string;
  readonly costHours: number | null;
  readonly costCents: number | null;
}
const lessonSchema = Joi.object<NewLesson, true>({
  about: Joi.string()
    .valid(...LESSON_ABOUT)
    .label('About')
    .required(),
  aboutId: text('About', 160).allow('').required(),
  aboutText: text('About', 200).allow('').required(),
  text: text('What to change next time', 400).min(3).required(),
  costHours: quantity('Hours it cost', 'hours', 0, 10_000).allow(null).required(),
  costCents: number('Money it cost', 0, 1_000_000_000).integer().allow(null).meta({ quantity: 'money' }).required(),
});

export interface SettleLesson {
  readonly to: Exclude<LessonState, 'waiting'>;
  /** The draft it was taken into. */
  readonly revisionId: string | null;
  readonly why: string;
  readonly version: number;
}

export const lessonAddress = {
  note: address({
    method: 'post',
    path: '/jobs/:number/lessons',
    act: 'lesson',
    body: lessonSchema,
    answer: answers<Made>(),
  }),
  ofKit: address({ method: 'get', path: '/kits/:kit/lessons', may: 'viewer', answer: answers<LessonRow[]>() }),
  settle: address({
    method: 'post',
    path: '/lessons/:id/settle',
    may: 'manager',
    body: Joi.object<SettleLesson, true>({
      to: Joi.string().valid('taken', 'left', 'aside').label('What becomes of it').required(),
      revisionId: slug('Draft').allow(null).required(),
      why: text('Why', 300).allow('').required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
} as const;
