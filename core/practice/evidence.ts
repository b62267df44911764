/** A paper that a region wants before a vehicle goes back on its roads. Local rules decide; the list is the workshop's. */
export interface Evidence {
  readonly key: string;
  readonly what: string;
  /** Who gives it: an engineer, the registration office, the insurer. */
  readonly giver: string;
}

/** That a paper has been given for one vehicle. */
export interface EvidenceEntry {
  /** ISO day. */
  readonly on: string;
  /** Its number, or where it lies. */
  readonly mark: string;
  /** Who entered it. */
  readonly by: string;
}

/** What a region wants, by the workshop's list. */
export const evidenceWanted = (
  region: string,
  evidence: Readonly<Record<string, readonly Evidence[]>> | undefined,
): readonly Evidence[] => evidence?.[region] ?? [];

/** What is still wanted, in the order of the list. */
export const evidenceMissing = (
  wanted: readonly Evidence[],
  given: Readonly<Record<string, EvidenceEntry>>,
): Evidence[] => wanted.filter(({ key }) => !Object.hasOwn(given, key));

/** Is this still the paper that a person saw when they entered it anew? Who entered it makes no difference. */
export const samePaper = (a: EvidenceEntry | null, b: EvidenceEntry | null): boolean =>
  a?.on === b?.on && a?.mark === b?.mark;
