import type { JobHead } from '../../../../contract/job.ts';
import type { Workshop } from '../../../../contract/workshop.ts';
import { type Evidence, evidenceWanted } from '../../../../core/practice/evidence.ts';

/** Papers that the region of this job wants, by the workshop's list. */
export const evidenceOfJob = ({ region }: Pick<JobHead, 'region'>, workshop: Workshop): readonly Evidence[] =>
  evidenceWanted(region ?? workshop.region, workshop.practice.evidence);
