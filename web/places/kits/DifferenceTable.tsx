import { useState } from 'react';
import type { KitRevisionRow } from '../../../contract/kits.ts';
import { kitDifference, type LineDifference, type StageDifference } from '../../../core/kit/difference.ts';
import type { KitBox, KitContent } from '../../../core/kit/kit.ts';
import { formatHours, formatQuantity } from '../../../core/quantity/format.ts';
import { newestOf } from '../../../core/vehicle/revisions.ts';
import { FUNCTION_NAME, WAY_NAME } from '../../../wording/fit.ts';
import { whenText } from '../../../wording/kits.ts';
import type { Shelves } from '../../data/resources.ts';
import { useUnitSet } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';

interface Props {
  readonly content: KitContent;
  readonly revision: KitRevisionRow;
  readonly others: readonly KitRevisionRow[];
  readonly shelves: Shelves;
}

interface Row {
  readonly what: string;
  readonly before: string;
  readonly after: string;
  readonly kind: string;
}

const STAGE_FIELD: Readonly<Record<string, string>> = {
  name: 'name',
  hours: 'hours',
  people: 'people',
  skill: 'skill',
  after: 'what comes before',
  steps: 'steps',
  note: 'note',
  needs: 'needs',
  liveHv: 'live work',
  traits: 'what it moves',
  appliesWhen: 'when it applies',
};

/** What this revision has otherwise than another one of the kit, or than the kit it is a sister of, line by line. */
export function DifferenceTable({ content, revision, others, shelves }: Props) {
  const set = useUnitSet();
  const sister =
    revision.basedOn && !others.some(({ id }) => id === revision.basedOn)
      ? shelves.kits.get(revision.basedOn)
      : undefined;
  const choices = [
    ...others.map(({ id, revision: letter }) => ({ value: id, label: letter })),
    ...(sister ? [{ value: sister.id, label: `${sister.kitName} ${sister.revision}` }] : []),
  ];
  const [beside, setBeside] = useState<string | null>(
    choices.find(({ value }) => value === revision.basedOn)?.value ?? choices[0]?.value ?? null,
  );
  const before = others.find(({ id }) => id === beside) ?? (sister?.id === beside ? sister : undefined);
  if (!before) return <p className="soft">There is no other revision to lay it beside.</p>;
  const difference = kitDifference(before, content);
  const component = (id: string) => shelves.components.get(id)?.name ?? id;
  const option = (id: string) => [...content.options, ...before.options].find((one) => one.id === id)?.name ?? id;
  // Conditions go by the first revision's id.
  const variant = (id: string) => newestOf(shelves.data.models, id)?.name ?? id;
  const pieces = (side: LineDifference['before']) =>
    side ? `${side.quantity}${side.packedIn && `, ${side.packedIn}`}` : '0';
  const boxes = (list: unknown) =>
    (list as readonly KitBox[]).map(({ bay, modules }) => `${bay} ${modules}`).join(', ') || 'none';
  const setting = (what: string, value: unknown): string => {
    if (what === 'boxes') return boxes(value);
    if (value === null) return 'none';
    return what === 'torqueCapNm' ? formatQuantity(value as number, 'torque', set) : String(value);
  };
  const SETTING: Readonly<Record<string, string>> = {
    boxes: 'Boxes',
    strings: 'Strings',
    torqueCapNm: 'Torque cap',
    gear: 'Gear',
  };
  const stage = (one: StageDifference, side: 'before' | 'after'): string => {
    const now = one[side];
    if (!now) return 'not there';
    if (one.fields.length === 0) return formatHours(now.hours);
    return one.fields.includes('hours') ? formatHours(now.hours) : 'as in the other';
  };
  const rows: Row[] = [
    ...difference.lines.map((line) => ({
      kind: 'line',
      what: [component(line.componentId), whenText(line.appliesWhen, variant, option)].filter(Boolean).join('; '),
      before: pieces(line.before),
      after: pieces(line.after),
    })),
    ...difference.settings.map(({ what, before: a, after: b }) => ({
      kind: 'setting',
      what: SETTING[what] ?? what,
      before: setting(what, a),
      after: setting(what, b),
    })),
    ...difference.cover.map((one) => ({
      kind: 'cover',
      what: FUNCTION_NAME[one.function as keyof typeof FUNCTION_NAME] ?? one.function,
      before: one.before ? `${WAY_NAME[one.before.way]} ${one.before.why}` : 'not said',
      after: one.after ? `${WAY_NAME[one.after.way]} ${one.after.why}` : 'not said',
    })),
    ...difference.options.added.map((name) => ({
      kind: 'option',
      what: `Option ${optionName(name)}`,
      before: '',
      after: 'new',
    })),
    ...difference.options.dropped.map((name) => ({
      kind: 'option',
      what: `Option ${optionName(name)}`,
      before: 'there',
      after: 'gone',
    })),
    ...difference.exclusions.added.map((name) => ({ kind: 'never', what: name, before: '', after: 'never included' })),
    ...difference.exclusions.dropped.map((name) => ({
      kind: 'never',
      what: name,
      before: 'never included',
      after: '',
    })),
    ...difference.stages.map((one) => ({
      kind: 'stage',
      what: `Stage ${one.name}${one.fields.length > 0 ? `: ${one.fields.map((field) => STAGE_FIELD[field] ?? field).join(', ')}` : ''}`,
      before: stage(one, 'before'),
      after: one.fields.length > 0 && !one.fields.includes('hours') ? 'changed' : stage(one, 'after'),
    })),
    ...(difference.stageOrder ? [{ kind: 'stage', what: 'Order of the stages', before: '', after: 'changed' }] : []),
  ];
  return (
    <div className="stack">
      <div style={{ width: 240 }}>
        <Choice label="Laid beside" value={beside} options={choices} onChange={setBeside} />
      </div>
      {rows.length === 0 ? (
        <p className="soft">They are alike.</p>
      ) : (
        <DataTable
          label="Difference of two revisions"
          rows={rows}
          rowMark={({ kind }) => ({ 'data-difference': kind })}
          columns={({ words }) => [
            words('What', ({ what }) => what),
            words(
              before.revision === revision.revision ? `${before.kitName} ${before.revision}` : before.revision,
              (row) => row.before,
            ),
            words(revision.revision, (row) => <strong>{row.after}</strong>),
          ]}
        />
      )}
    </div>
  );
}

/** Options are told apart by name and key; people read the name. */
const optionName = (said: string) => said.replace(/ \S+$/, '');
