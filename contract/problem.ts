/** RFC 9457 problem document with the parts Dajo adds. */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  /** A sentence that says what to do. */
  readonly detail: string;
  /** Field path → sentence. */
  readonly fields?: Readonly<Record<string, string>>;
  /** On 409 of a stale version: what is stored now. */
  readonly current?: unknown;
}

export const PROBLEM_TYPES = [
  'badInput',
  'signInNeeded',
  'signInWrong',
  'tooManyTries',
  'csrf',
  'another',
  'notAllowed',
  'notFound',
  'stale',
  'conflict',
  'keyReused',
  'tooLarge',
  'badJson',
  'rule',
  'fault',
  'busy',
] as const;
export type ProblemType = (typeof PROBLEM_TYPES)[number];
