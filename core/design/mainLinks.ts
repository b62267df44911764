import { type Component, type ComponentOf, componentAs } from '../component/sheets.ts';

/** What carries the traction current, and the fuses that do not. */
export interface MainLinks {
  readonly contactorBox: ComponentOf<'contactorBox'> | null;
  readonly cable: ComponentOf<'cable'> | null;
  readonly fuse: ComponentOf<'fuse'> | null;
  readonly branchFuses: readonly ComponentOf<'fuse'>[];
}

/**
 * Of several of a kind the largest carries the traction current: smaller ones feed charger, converter and heater. In what
 * order somebody named them says nothing.
 */
export function mainLinks(components: readonly Component[]): MainLinks {
  const largest = <K extends 'contactorBox' | 'cable' | 'fuse'>(kind: K, size: (part: ComponentOf<K>) => number) =>
    components
      .map((component) => componentAs(component, kind))
      .filter((part): part is ComponentOf<K> => part !== null)
      .sort((a, b) => size(b) - size(a));
  const [fuse = null, ...branchFuses] = largest('fuse', ({ sheet }) => sheet.ratedA);
  return {
    contactorBox: largest('contactorBox', ({ sheet }) => sheet.continuousA)[0] ?? null,
    cable: largest('cable', ({ sheet }) => sheet.sectionMm2)[0] ?? null,
    fuse,
    branchFuses,
  };
}
