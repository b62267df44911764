import type { Library } from '../design/resolve.ts';
import { coverOf } from '../fit/cover.ts';
import { fitKit } from '../fit/fitKit.ts';
import { USUAL_USE } from '../job/usualUse.ts';
import type { Practice } from '../practice/practice.ts';
import { newestOnly } from '../vehicle/revisions.ts';
import { vehicleState } from '../vehicle/state.ts';
import type { Variant } from '../vehicle/variant.ts';
import { type KitRevision, kitParts } from './kit.ts';
import { type NeedState, releaseNeeds } from './releaseNeeds.ts';

export interface ReleaseInput {
  readonly revision: KitRevision;
  readonly library: Library;
  /** Variants of the library; those of the kit's model are what it must fit. */
  readonly variants: readonly Variant[];
  readonly rates: { readonly rateCents: number; readonly hoursPerDay: number; readonly practice?: Partial<Practice> };
  readonly readBy: string | null;
  readonly changedBy: string | null;
}

/**
 * Holds a draft against every variant of its model as the library has it: what each rule says, and which functions nobody
 * covers with none or any one of its options.
 */
export function judgeRelease({ revision, library, variants, rates, readBy, changedBy }: ReleaseInput): NeedState[] {
  const own = newestOnly(variants.filter(({ modelName }) => modelName === revision.modelName));
  const choices = [[], ...revision.options.map(({ id }) => [id])];
  const gaps = new Set<string>();
  for (const variant of own)
    for (const options of choices)
      for (const line of coverOf(kitParts(revision, library, variant.id, options), revision.cover, library))
        if (line.by === 'gap') gaps.add(line.name ?? line.function);
  const verdicts = own.map((variant) => {
    const report = fitKit({
      revision,
      options: [],
      library,
      vehicle: vehicleState(variant, {}, null),
      use: USUAL_USE,
      work: {
        rateCents: rates.rateCents,
        hoursPerDay: rates.hoursPerDay,
        todayDay: 0,
        latestPartDay: null,
        remainingHours: null,
      },
      cover: {},
      brief: [],
    });
    return { variant: variant.name, verdict: report.verdict };
  });
  return releaseNeeds({ content: revision, library, gaps: [...gaps], verdicts, readBy, changedBy });
}
