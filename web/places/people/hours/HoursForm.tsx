import { useState } from 'react';
import { type HoursRow, hoursAddress } from '../../../../contract/hours.ts';
import { stageAddress } from '../../../../contract/stages.ts';
import { CAUSES } from '../../../../core/hours/entry.ts';
import { ENTRY_KINDS, type EntryKind } from '../../../../core/stage/stageRules.ts';
import { dayOf } from '../../../../wording/dates.ts';
import { ENTRY_NAME, REWORK_NAME, WAITING_NAME } from '../../../../wording/work.ts';
import { hoursInto, localInstant } from '../../../../wording/zoneDays.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useToday, useWorkshop } from '../../../data/session.tsx';
import { Choice } from '../../../widgets/Choice.tsx';
import { DayInput } from '../../../widgets/DayInput.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { TimeInput } from '../../../widgets/TimeInput.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';

interface Props {
  readonly personId: string;
  /** What is put right; null: hours that were not clocked. */
  readonly row: HoursRow | null;
  readonly day: string;
  readonly done: () => void;
}

const CAUSE_NAME: Readonly<Record<string, string>> = { ...REWORK_NAME, ...WAITING_NAME };
const DAY_H = 24;

/** Hours entered late, or put right, with the reason that stays to be read. */
export function HoursForm({ personId, row, day: monday, done }: Props) {
  const { timeZone, dayStartH } = useWorkshop();
  const today = useToday();
  const { data: jobs } = useOfAddress(stageAddress.toChoose, {});
  const [draft, setDraft] = useState(() => ({
    day: row ? dayOf(row.from, timeZone) : monday > today ? today : monday,
    fromH: row ? hoursInto(row.from, timeZone) : dayStartH,
    toH: row?.to ? hoursInto(row.to, timeZone) : dayStartH + 1,
    stageId: row?.stageId ?? null,
    kind: (row?.kind ?? 'work') as EntryKind,
    cause: row?.cause ?? null,
    why: '',
  }));
  const set = (change: Partial<typeof draft>) => setDraft((now) => ({ ...now, ...change }));
  const onClock = row !== null && row.to === null;
  const at = (hours: number) => {
    const minutes = Math.round(hours * 60);
    const time = `${String(Math.floor(minutes / 60) % DAY_H).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
    return draft.day ? new Date(localInstant(draft.day, time, timeZone)).toISOString() : '';
  };
  // What was not touched stays to the second.
  const kept = row && draft.day === dayOf(row.from, timeZone);
  const from = kept && draft.fromH === hoursInto(row.from, timeZone) ? row.from : at(draft.fromH);
  const overnight = draft.toH <= draft.fromH ? 86_400_000 : 0;
  const to = onClock
    ? null
    : kept && row.to && draft.toH === hoursInto(row.to, timeZone)
      ? row.to
      : at(draft.toH) && new Date(Date.parse(at(draft.toH)) + overnight).toISOString();
  const { kind, cause, why } = draft;
  const stageId = draft.stageId ?? '';
  const late = useChecked(hoursAddress.add, {}, { personId, stageId, kind, cause, from, to: to ?? '', why });
  const right = useChecked(
    hoursAddress.correct,
    { entry: String(row?.id ?? 0) },
    { stageId, kind, cause, from, to, why, version: row?.version ?? 1 },
  );
  const form = row ? right : late;
  const causes = CAUSES[kind] ?? [];
  return (
    <EntryForm
      className="stack lesson"
      save={row ? 'Correct' : 'Enter hours'}
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <div className="fields">
        <DayInput shown label="Day" value={draft.day} onChange={(day) => set({ day })} />
        <TimeInput
          label="From"
          value={draft.fromH}
          onChange={(fromH) => set({ fromH })}
          fault={form.faults.from}
          stepMin={1}
        />
        {!onClock && (
          <TimeInput label="To" value={draft.toH} onChange={(toH) => set({ toH })} fault={form.faults.to} stepMin={1} />
        )}
        <Choice
          label="Stage"
          value={draft.stageId}
          options={(jobs ?? []).map((one) => ({ value: one.id, label: `${one.jobNumber} ${one.name}` }))}
          onChange={(next) => set({ stageId: next })}
          fault={form.faults.stageId}
          disabled={onClock}
        />
        <Choice
          label="What for"
          value={kind}
          options={ENTRY_KINDS.map((value) => ({ value, label: ENTRY_NAME[value] }))}
          onChange={(next) => set({ kind: next ?? 'work', cause: null })}
          fault={form.faults.kind}
        />
        {causes.length > 0 && (
          <Choice
            label="Cause"
            value={cause}
            options={causes.map((value) => ({ value, label: CAUSE_NAME[value] ?? value }))}
            onChange={(next) => set({ cause: next })}
            fault={form.faults.cause}
          />
        )}
        <TextField
          label="Why it is entered now"
          value={why}
          onChange={(next) => set({ why: next })}
          fault={form.faults.why}
        />
      </div>
      {overnight > 0 && !onClock && <p className="soft small">Until the next morning.</p>}
      {form.problem?.type === '/problems/stale' && (
        <p className="fault">Somebody has put these hours right meanwhile. Look at them again.</p>
      )}
    </EntryForm>
  );
}
