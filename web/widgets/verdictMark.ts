import type { Verdict } from '../../core/fit/finding.ts';
import type { Mark } from './StateMark.tsx';

/** How a verdict of Match is drawn. */
export const VERDICT_MARK: Record<Verdict, Mark> = {
  fits: 'pass',
  afterWork: 'half',
  doesNotFit: 'stop',
  measureFirst: 'waiting',
};
