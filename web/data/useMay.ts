import { hasRole, LEAST_ROLE } from '../../contract/rights.ts';
import { type JobAction, type JobState, jobRefusal } from '../../core/job/states.ts';
import { usePerson } from './session.tsx';

/** May this person do this to a job in this state? By the same tables as the server, so nobody has to try first. */
export function useMay(job: { readonly state: JobState }, action: JobAction): boolean {
  const { role } = usePerson();
  return hasRole(role, LEAST_ROLE[action]) && jobRefusal(job.state, action) === null;
}
