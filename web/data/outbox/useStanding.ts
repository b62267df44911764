import { useMemo } from 'react';
import type { StageRow } from '../../../contract/stages.ts';
import { standsAs } from '../../../core/bench/standsAs.ts';
import { usePerson } from '../session.tsx';
import { waitingOf } from './deliver.ts';
import { useOutbox } from './outbox.ts';

/** Stages of a job as they stand with what this person has done and the server has not heard of yet. */
export function useStanding(stages: readonly StageRow[]): readonly StageRow[] {
  const { acts } = useOutbox();
  const { id: personId, initials, name } = usePerson();
  return useMemo(
    () => standsAs(stages, waitingOf(acts, personId), { personId, initials, name }),
    [stages, acts, personId, initials, name],
  );
}
