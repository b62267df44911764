import { useMemo } from 'react';
import type { WorkOutside } from '../../../core/figures/slots.ts';
import { practiceOf } from '../../../core/practice/practice.ts';
import { useWorkshop } from '../../data/session.tsx';

/** What a kit's price is worked out with where no job stands behind it. */
export function useKitWork(): Omit<WorkOutside, 'labourHours'> {
  const { rateCents, hoursPerDay, taxShare, practice } = useWorkshop();
  return useMemo(() => {
    const { marginShare, contingencyShare, roundToCents, ratesBySkill } = practiceOf(practice);
    return {
      rateCents,
      ratesBySkill,
      hoursPerDay,
      todayDay: 0,
      latestPartDay: null,
      remainingHours: null,
      sale: { marginShare, contingencyShare, roundToCents, taxShare },
    };
  }, [rateCents, hoursPerDay, taxShare, practice]);
}
