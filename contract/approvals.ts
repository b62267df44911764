import Joi from 'joi';
import { address, answers } from './address.ts';
import { isoDate, type Made, slug, text, uuid } from './fields.ts';

/** A shop that may fit a kit, until when. */
export interface ApprovalRow {
  readonly id: string;
  readonly client: { readonly id: string; readonly name: string };
  readonly kitId: string;
  readonly kitName: string;
  readonly validUntil: string;
  readonly note: string;
  readonly endedOn: string | null;
  readonly endedWhy: string | null;
  readonly by: string;
}
export interface NewApproval {
  readonly clientId: string;
  readonly kitId: string;
  readonly validUntil: string;
  readonly note: string;
}

export const approvalAddress = {
  list: address({ method: 'get', path: '/approvals', may: 'viewer', answer: answers<ApprovalRow[]>() }),
  approve: address({
    method: 'post',
    path: '/approvals',
    may: 'manager',
    body: Joi.object<NewApproval, true>({
      clientId: uuid('Shop').required(),
      kitId: slug('Kit').required(),
      validUntil: isoDate('Until').required(),
      note: text('Note', 200).allow('').required(),
    }),
    answer: answers<Made>(),
  }),
  endApproval: address({
    method: 'post',
    path: '/approvals/:id/end',
    may: 'manager',
    body: Joi.object<{ why: string }, true>({ why: text('Why', 300).min(3).required() }),
    answer: answers<Made>(),
  }),
} as const;
