import type { CoverChoice, KitContent, KitLine, StageTemplate } from './kit.ts';

/** One line of the difference between two revisions: what it is, and what each has. Null: not there. */
export interface LineDifference {
  readonly componentId: string;
  readonly appliesWhen: KitLine['appliesWhen'];
  readonly before: Pick<KitLine, 'quantity' | 'packedIn'> | null;
  readonly after: Pick<KitLine, 'quantity' | 'packedIn'> | null;
}

export interface StageDifference {
  readonly key: string;
  readonly name: string;
  readonly before: StageTemplate | null;
  readonly after: StageTemplate | null;
  /** Fields that differ, where both have the stage. */
  readonly fields: readonly (keyof StageTemplate)[];
}

export interface KitDifference {
  readonly lines: readonly LineDifference[];
  readonly options: { readonly added: readonly string[]; readonly dropped: readonly string[] };
  /** Boxes, strings, cap, gear: name, before and after as they are stored. */
  readonly settings: readonly {
    readonly what: 'boxes' | 'strings' | 'torqueCapNm' | 'gear';
    readonly before: unknown;
    readonly after: unknown;
  }[];
  readonly cover: readonly {
    readonly function: string;
    readonly before: CoverChoice | null;
    readonly after: CoverChoice | null;
  }[];
  readonly exclusions: { readonly added: readonly string[]; readonly dropped: readonly string[] };
  readonly stages: readonly StageDifference[];
  /** Stages that both have come in another order. */
  readonly stageOrder: boolean;
}

/** A text that is the same for the same thing, whatever order its keys are in. */
const text = (value: unknown): string =>
  JSON.stringify(value, (_, part) =>
    part && typeof part === 'object' && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  ) ?? 'null';

const sameLine = (line: KitLine): string => `${line.componentId} ${text(line.appliesWhen)}`;

const setDifference = (before: readonly string[], after: readonly string[]) => ({
  added: after.filter((one) => !before.includes(one)),
  dropped: before.filter((one) => !after.includes(one)),
});

/**
 * What is different between two revisions of a kit, or between a kit and its sister, line by line. A line is known by its
 * component and when it applies; several alike are matched in their order.
 */
export function kitDifference(before: KitContent, after: KitContent): KitDifference {
  const waiting = new Map<string, KitLine[]>();
  for (const line of before.lines) waiting.set(sameLine(line), [...(waiting.get(sameLine(line)) ?? []), line]);
  const lines: LineDifference[] = [];
  for (const line of after.lines) {
    const old = waiting.get(sameLine(line))?.shift() ?? null;
    if (old && old.quantity === line.quantity && old.packedIn === line.packedIn) continue;
    lines.push({ componentId: line.componentId, appliesWhen: line.appliesWhen, before: old, after: line });
  }
  const gone = new Set([...waiting.values()].flat());
  for (const line of before.lines)
    if (gone.has(line))
      lines.push({ componentId: line.componentId, appliesWhen: line.appliesWhen, before: line, after: null });
  const settings = (
    [
      ['boxes', before.layout.boxes, after.layout.boxes],
      ['strings', before.layout.strings, after.layout.strings],
      ['torqueCapNm', before.torqueCapNm, after.torqueCapNm],
      ['gear', before.gear, after.gear],
    ] as const
  )
    .filter(([, a, b]) => text(a) !== text(b))
    .map(([what, a, b]) => ({ what, before: a, after: b }));
  const functions = [...new Set([...Object.keys(before.cover), ...Object.keys(after.cover)])];
  const name = ({ id, name: said }: { id: string; name: string }) => `${said} ${id}`;
  return {
    lines,
    options: setDifference(before.options.map(name), after.options.map(name)),
    settings,
    cover: functions
      .map((one) => ({ function: one, before: before.cover[one] ?? null, after: after.cover[one] ?? null }))
      .filter((one) => text(one.before) !== text(one.after)),
    exclusions: setDifference(before.exclusions, after.exclusions),
    ...stageDifference(before.stages, after.stages),
  };
}

function stageDifference(before: readonly StageTemplate[], after: readonly StageTemplate[]) {
  const old = new Map(before.map((stage) => [stage.key, stage]));
  const fresh = new Map(after.map((stage) => [stage.key, stage]));
  const stages: StageDifference[] = [];
  for (const stage of after) {
    const was = old.get(stage.key) ?? null;
    const fields = was
      ? ([...new Set([...Object.keys(was), ...Object.keys(stage)])] as (keyof StageTemplate)[]).filter(
          (field) => text(was[field]) !== text(stage[field]),
        )
      : [];
    if (!was || fields.length > 0) stages.push({ key: stage.key, name: stage.name, before: was, after: stage, fields });
  }
  for (const stage of before)
    if (!fresh.has(stage.key))
      stages.push({ key: stage.key, name: stage.name, before: stage, after: null, fields: [] });
  const common = (list: readonly StageTemplate[], other: ReadonlyMap<string, unknown>) =>
    list.filter(({ key }) => other.has(key)).map(({ key }) => key);
  return { stages, stageOrder: text(common(before, fresh)) !== text(common(after, old)) };
}

/** How many things differ: what a list of revisions says in one figure. */
export const countDifferences = (difference: KitDifference): number =>
  difference.lines.length +
  difference.options.added.length +
  difference.options.dropped.length +
  difference.settings.length +
  difference.cover.length +
  difference.exclusions.added.length +
  difference.exclusions.dropped.length +
  difference.stages.length +
  (difference.stageOrder ? 1 : 0);
