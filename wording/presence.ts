import type { PresenceProblem } from '../core/stage/stageRules.ts';

/** What to do about each fault in who is present at live work. */
export const PRESENCE_SENTENCE: Record<PresenceProblem, string> = {
  nobodyAuthorised:
    'Live high-voltage work: nobody on this stage is HV authorised. An authorised person must clock on.',
  authorisationExpired:
    'Live high-voltage work: the HV authorisation of the person on this stage has run out. Another authorised person must clock on.',
  secondPersonMissing: 'Live high-voltage work takes two people. A second person must clock on.',
};
