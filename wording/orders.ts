import type { DispatchNeed } from '../core/order/dispatch.ts';
import type { DoneProblem } from '../core/order/fitting.ts';
import type { FittingProblem, OrderFitter, OrderKind, OrderPaper, OrderState } from '../core/order/order.ts';

export const ORDER_KIND_NAME: Readonly<Record<OrderKind, string>> = {
  sent: 'Kit sent out',
  sentThenHere: 'Kit sent, vehicle comes for high voltage and software',
};
export const ORDER_FITTER_NAME: Readonly<Record<OrderFitter, string>> = {
  client: 'the client',
  partner: 'a shop with an approval',
};
export const ORDER_STATE_NAME: Readonly<Record<OrderState, string>> = {
  ordered: 'to pack',
  sent: 'sent',
  signed: 'signed back',
  cancelled: 'cancelled',
};
export const ORDER_PAPER_NAME: Readonly<Record<OrderPaper, string>> = {
  lithium: 'Transport papers for lithium batteries',
  instructions: 'Drawings and instructions',
  notIncluded: 'Sheet of what is not included',
};
export const DISPATCH_NEED_NAME: Readonly<Record<DispatchNeed, string>> = {
  revision: 'Revision still stands',
  firstCount: 'Counted once, whole',
  secondCount: 'Counted again by somebody else',
  serials: 'Serial numbers written down',
  crates: 'Crates measured and weighed',
  companions: 'What its parts need is in it',
  lithium: 'Lithium has its transport papers',
  instructions: 'Drawings and instructions in',
  notIncluded: 'Sheet of what is not included in',
  loan: 'Tool on loan decided',
};

/** Why an order cannot be taken like this. */
export const fittingSentence = ({ problem, stage }: FittingProblem): string =>
  problem === 'liveByClient'
    ? `“${stage}” is live high-voltage work: a client does not do it. Let an approved shop fit the kit, or let the vehicle come here.`
    : `“${stage}” would be done here, but the vehicle never comes. Let it come for high voltage, or give the stage to the fitter.`;

/** To a fitter, why a stage cannot be called done. */
export const DONE_SENTENCE: Readonly<Record<DoneProblem, string>> = {
  notTheFitters: 'This stage is done at the workshop.',
  waits: 'Other stages come first.',
  unread: 'A reading is still missing.',
  outside: 'A reading is outside its limits: measure again, or ask the workshop.',
};

export const LITHIUM_CAUTION =
  'Lithium batteries are dangerous goods: UN 3480 alone, UN 3481 with equipment. Licensed people decide which papers and packing they need, by the rules of every country they pass through.';
export const FITTER_CAUTION =
  'High voltage kills. Work on it is for people licensed for it where they are: isolate, lock, wait, prove dead. Local rules come first.';
