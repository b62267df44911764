import type { StoredDesign } from '../../contract/design.ts';
import type { JobSheet } from '../../contract/job.ts';
import type { ResolveInput } from '../../core/design/resolve.ts';
import type { Print } from './paper.ts';

/** What the press can make. Plain data only: it crosses to another thread. */
export type PressOrder =
  | { readonly paper: 'signOff'; readonly job: JobSheet; readonly print: Print }
  | {
      readonly paper: 'design';
      readonly job: Pick<JobSheet, 'number' | 'title' | 'client' | 'brief'>;
      readonly design: Pick<StoredDesign, 'name' | 'version' | 'frozenAt'>;
      readonly input: ResolveInput;
      readonly print: Print;
    };
