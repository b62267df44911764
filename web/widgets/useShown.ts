import { useMemo } from 'react';
import type { Shown } from '../../wording/differences.ts';
import { useLibrary } from '../data/resources.ts';
import { useUnitSet } from '../data/session.tsx';

/** How values are shown to this person: their units, and components and bays by name. */
export function useShown(): Shown {
  const set = useUnitSet();
  const { shelves } = useLibrary();
  return useMemo(() => {
    const bays = [...(shelves?.variants.values() ?? [])].flatMap((variant) => variant.bays);
    const names = new Map(bays.map((bay) => [bay.key, bay.name]));
    for (const { key, name } of bays) if (names.get(key) !== name) names.delete(key);
    return { set, componentName: (id) => shelves?.components.get(id)?.name ?? names.get(id) ?? id };
  }, [set, shelves]);
}
