import Joi from 'joi';
import type { JobState } from '../core/job/states.ts';
import {
  COVER_WAYS,
  type CoverChoice,
  type KitBox,
  type KitContent,
  type KitLine,
  type KitOption,
  type KitRevision,
} from '../core/kit/kit.ts';
import { doubled } from '../core/kit/overlap.ts';
import type { OrderState } from '../core/order/order.ts';
import { address, answers, type BodySize } from './address.ts';
import { coverKey } from './coverKey.ts';
import { hold } from './design.ts';
import {
  componentId,
  faultAt,
  type Made,
  type Mutable,
  number,
  quantity,
  slug,
  text,
  uuid,
  type Versioned,
  version,
  versionSchema,
  whole,
} from './fields.ts';
import { appliesWhen, stagesSchema } from './stageList.ts';

/** A kit in a line of the list. */
export interface KitRow {
  readonly id: string;
  readonly name: string;
  readonly modelId: string;
  readonly modelName: string;
  /** Newest released revision and newest draft, by letter. */
  readonly released: string | null;
  readonly draft: string | null;
  readonly jobs: number;
  readonly openJobs: number;
  /** Kits that were ordered to be sent out. */
  readonly orders: number;
  readonly waiting: number;
  readonly lessons: number;
}

/** A job that carries a revision. */
export interface CarryingJob {
  readonly number: string;
  readonly title: string;
  readonly client: string;
  readonly state: JobState;
  readonly options: readonly string[];
  readonly vehicleId: string;
}

/** An order of a kit that goes out with a revision. */
export interface CarryingOrder {
  readonly number: string;
  readonly client: string;
  readonly state: OrderState;
  readonly options: readonly string[];
}

export interface KitRevisionRow extends KitRevision {
  readonly version: number;
  /** What this revision is for, in a line. */
  readonly note: string;
  /** The revision it was begun from: of this kit, or of another for a sister. */
  readonly basedOn: string | null;
  readonly fromJob: string | null;
  readonly changedBy: string | null;
  readonly changedAt: string;
  /** Who read it as it is now and agreed; null once it changed again. */
  readonly readBy: string | null;
  readonly releasedBy: string | null;
  readonly releasedAt: string | null;
  readonly withdrawnBy: string | null;
  readonly withdrawnAt: string | null;
  readonly withdrawnWhy: string | null;
  readonly jobs: readonly CarryingJob[];
  readonly orders: readonly CarryingOrder[];
}

export const KIT_WISH_KINDS = ['waiting', 'promised'] as const;
/** Somebody who waits for a kit, or something that was promised for later. */
export interface KitWish {
  readonly id: string;
  readonly kind: (typeof KIT_WISH_KINDS)[number];
  readonly client: { readonly id: string; readonly name: string } | null;
  readonly text: string;
  readonly by: string;
  readonly at: string;
  readonly endedAt: string | null;
  readonly endedWhy: string | null;
}

/** One kit, whole. */
export interface KitSheet {
  readonly id: string;
  readonly name: string;
  readonly modelId: string;
  readonly modelName: string;
  readonly developmentCents: number;
  readonly version: number;
  /** Newest first. */
  readonly revisions: readonly KitRevisionRow[];
  readonly wishes: readonly KitWish[];
}

const MOST_LINES = 500;
const box = Joi.object<KitBox, true>({
  bay: text('Bay', 60).required(),
  modules: whole('Modules', 1, 400).required(),
  shiftMm: quantity('Moved rearwards', 'length', -2000, 2000),
  shiftYMm: quantity('Moved to the right', 'length', -1000, 1000),
  shiftZMm: quantity('Raised', 'length', -500, 500),
  hold: hold.allow(null),
  appliesWhen: appliesWhen as never,
});
const line = Joi.object<Mutable<KitLine>, true>({
  componentId: componentId('Component').required(),
  quantity: whole('Quantity', 1, 10_000).required(),
  packedIn: text('Crate', 40).allow('').required(),
  appliesWhen: appliesWhen.required() as never,
});
const cover = Joi.object<CoverChoice, true>({
  way: Joi.string()
    .valid(...COVER_WAYS)
    .required(),
  why: text('Why', 200).allow('').required(),
});

/** What a draft is changed to, whole. */
export const kitContentSchema = Joi.object<Mutable<KitContent>, true>({
  lines: Joi.array()
    .items(line)
    .max(MOST_LINES)
    .label('Lines')
    .messages({ 'array.max': `A kit has ${MOST_LINES} lines at most: put small parts together into one set.` })
    .required(),
  options: Joi.array()
    .items(Joi.object<KitOption, true>({ id: slug('Key').required(), name: text('Option', 60).required() }))
    .max(20)
    .unique('id')
    .label('Options')
    .required(),
  layout: Joi.object<Mutable<KitContent['layout']>, true>({
    boxes: Joi.array().items(box).max(24).label('Boxes').required(),
    strings: whole('Strings', 1, 20).required(),
  }).required(),
  torqueCapNm: quantity('Torque cap', 'torque', 1, 5000).allow(null).required(),
  gear: whole('Gear', 1, 12).allow(null).required(),
  cover: Joi.object().pattern(coverKey, cover).label('Cover').required() as never,
  exclusions: Joi.array().items(text('Never included', 120)).max(60).label('Never included').required(),
  stages: stagesSchema.required() as never,
}).custom((content: KitContent, helpers) => {
  const known = new Set(content.options.map(({ id }) => id));
  const whens = [
    ...content.lines.map((one, i) => [`lines.${i}`, one.appliesWhen] as const),
    ...content.layout.boxes.map((one, i) => [`layout.boxes.${i}`, one.appliesWhen ?? null] as const),
    ...content.stages.map((one, i) => [`stages.${i}`, one.appliesWhen ?? null] as const),
  ];
  for (const [at, one] of whens)
    for (const field of ['option', 'without'] as const)
      if (one?.[field] && !known.has(one[field]))
        return faultAt(helpers, `${at}.appliesWhen.${field}`, 'Applies when', 'names an option the kit has not');
  const [twice] = doubled(
    content.layout.boxes.map((one) => ({ componentId: one.bay, appliesWhen: one.appliesWhen ?? null })),
  );
  if (twice) return faultAt(helpers, `layout.boxes.${twice[1]}.bay`, 'Bay', 'would hold two boxes at once');
  return content;
});

export interface KitDraftBody {
  readonly content: KitContent;
  readonly note: string;
  readonly version: number;
}
const note = text('What it is for', 200).allow('');
const draftSchema = Joi.object<Mutable<KitDraftBody>, true>({
  content: kitContentSchema.required(),
  note: note.required(),
  version,
});
/** Kits are long: sixty lines and twenty stages with their steps. */
const KIT_SIZE: BodySize = { bytes: 1_000_000, bounds: { values: 40_000, depth: 14, text: 4000 } };

export interface NewKit {
  readonly name: string;
  /** Any variant of the model it is for. */
  readonly variantId: string;
  /** A revision it starts from, of a sister kit; null: empty. */
  readonly from: string | null;
}
const kitName = text('Name of the kit', 60).min(2).required();

export interface KitChange {
  readonly name: string;
  readonly developmentCents: number;
  readonly version: number;
}

export interface WithdrawBody {
  readonly why: string;
}
export interface NewWish {
  readonly kind: KitWish['kind'];
  readonly clientId: string | null;
  readonly text: string;
}

export const kitAddress = {
  list: address({ method: 'get', path: '/kits', may: 'viewer', answer: answers<KitRow[]>() }),
  whole: address({ method: 'get', path: '/kits/:kit', may: 'viewer', answer: answers<KitSheet>() }),
  add: address({
    method: 'post',
    path: '/kits',
    may: 'manager',
    body: Joi.object<NewKit, true>({
      name: kitName,
      variantId: slug('Model').required(),
      from: slug('Kit to start from').allow(null).required(),
    }),
    answer: answers<{ readonly kit: string; readonly revision: string }>(),
  }),
  change: address({
    method: 'put',
    path: '/kits/:kit',
    may: 'manager',
    body: Joi.object<KitChange, true>({
      name: kitName,
      developmentCents: number('Development cost', 0, 1_000_000_000).integer().required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
  addRevision: address({
    method: 'post',
    path: '/kits/:kit/revisions',
    may: 'manager',
    body: Joi.object<{ from: string; note: string }, true>({
      from: slug('Revision').required(),
      note: note.required(),
    }),
    answer: answers<Made>(),
  }),
  changeDraft: address({
    method: 'put',
    path: '/kit-revisions/:revision',
    may: 'manager',
    body: draftSchema,
    size: KIT_SIZE,
    answer: answers<Versioned>(),
  }),
  read: address({
    method: 'post',
    path: '/kit-revisions/:revision/read',
    may: 'technician',
    body: versionSchema,
    answer: answers<Versioned>(),
  }),
  release: address({
    method: 'post',
    path: '/kit-revisions/:revision/release',
    may: 'manager',
    body: versionSchema,
    answer: answers<Versioned>(),
  }),
  withdraw: address({
    method: 'post',
    path: '/kit-revisions/:revision/withdraw',
    may: 'manager',
    body: Joi.object<WithdrawBody, true>({ why: text('Why', 300).min(3).required() }),
    answer: answers<Versioned>(),
  }),
  wish: address({
    method: 'post',
    path: '/kits/:kit/wishes',
    may: 'manager',
    body: Joi.object<NewWish, true>({
      kind: Joi.string()
        .valid(...KIT_WISH_KINDS)
        .label('Kind')
        .required(),
      clientId: uuid('Client').allow(null).required(),
      text: text('What', 300).allow('').required(),
    }).custom((wish: NewWish, helpers) =>
      wish.kind === 'promised' && wish.text === ''
        ? faultAt(helpers, 'text', 'What', 'is needed: what was promised')
        : wish.kind === 'waiting' && wish.clientId === null
          ? faultAt(helpers, 'clientId', 'Client', 'is needed: who waits')
          : wish,
    ),
    answer: answers<Made>(),
  }),
  endWish: address({
    method: 'post',
    path: '/kit-wishes/:id/end',
    may: 'manager',
    body: Joi.object<WithdrawBody, true>({ why: text('Why', 300).min(3).required() }),
    answer: answers<Made>(),
  }),
} as const;
