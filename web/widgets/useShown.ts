import { useMemo } from 'react';
import type { Shown } from '../../wording/differences.ts';
import { useLibrary } from '../data/resources.ts';
import { useUnitSet } from '../data/session.tsx';

/** How values are shown to this person: their units, and components by name. */
export function useShown(): Shown {
  const set = useUnitSet();
  const { shelves } = useLibrary();
  return useMemo(() => ({ set, componentName: (id) => shelves?.components.get(id)?.name ?? id }), [set, shelves]);
}
