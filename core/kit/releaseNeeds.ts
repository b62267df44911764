import type { Library } from '../design/resolve.ts';
import type { Verdict } from '../fit/finding.ts';
import type { KitContent } from './kit.ts';
import { doubled } from './overlap.ts';
import { stageProblems } from './stageProblems.ts';

const RELEASE_NEEDS = ['lines', 'cover', 'fitsOne', 'torqueSources', 'stages', 'secondReader'] as const;
export type ReleaseNeed = (typeof RELEASE_NEEDS)[number];

export interface NeedState {
  readonly need: ReleaseNeed;
  readonly met: boolean;
  /** What stands against it: functions, steps, components, by the names people know. */
  readonly missing: readonly string[];
}

export interface ReleaseGround {
  readonly content: KitContent;
  readonly library: Library;
  /** Functions nobody covers, on any variant the kit is made for, with any one option or none. */
  readonly gaps: readonly string[];
  /** What the rules say of each variant of the library. */
  readonly verdicts: readonly { readonly variant: string; readonly verdict: Verdict }[];
  /** Who read the draft as it is now and agreed, and who changed it last. */
  readonly readBy: string | null;
  readonly changedBy: string | null;
}

/** Kinds of limit that may not stand in a released kit without somebody who says so. */
const NEEDS_SOURCE = new Set(['torque', 'length']);

/** Steps that hold a torque or a clearance nobody has given a source for, as "stage: step". */
export const unsourced = ({ stages }: Pick<KitContent, 'stages'>): string[] =>
  stages.flatMap(({ name, steps }) =>
    steps
      .filter(({ limit }) => limit && NEEDS_SOURCE.has(limit.kind) && !limit.source?.trim())
      .map(({ text }) => `${name}: ${text}`),
  );

/** Everything that must be so before a draft is released, met or not, and what is missing. */
export function releaseNeeds(ground: ReleaseGround): NeedState[] {
  const { content, library, gaps, verdicts, readBy, changedBy } = ground;
  const name = (id: string) => library.get(id)?.name ?? id;
  const missing: Record<ReleaseNeed, readonly string[]> = {
    lines: [
      ...(content.lines.length === 0 ? ['no line yet'] : []),
      ...content.lines.filter(({ componentId }) => !library.has(componentId)).map(({ componentId }) => componentId),
      ...doubled(content.lines).map(([, at]) => `${name(content.lines[at]!.componentId)}, counted twice`),
    ],
    cover: gaps,
    fitsOne: verdicts.some(({ verdict }) => verdict !== 'doesNotFit') ? [] : verdicts.map(({ variant }) => variant),
    torqueSources: unsourced(content),
    stages: [
      ...(content.stages.length === 0 ? ['no stage yet'] : []),
      ...stageProblems(content.stages).map(({ at }) => content.stages[Number(at.split('.')[0])]?.name ?? at),
    ],
    secondReader:
      readBy === null
        ? ['nobody has read it as it is now']
        : readBy === changedBy
          ? ['read only by whoever changed it last']
          : [],
  };
  return RELEASE_NEEDS.map((need) => {
    const met = missing[need].length === 0 && !(need === 'fitsOne' && verdicts.length === 0);
    return { need, met, missing: missing[need] };
  });
}
