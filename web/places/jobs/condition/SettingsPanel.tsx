import { Button } from 'antd';
import { useState } from 'react';
import { conditionAddress, type SettingsRow, UNITS_SET, type UnitSetUp } from '../../../../contract/condition.ts';
import type { JobSheet } from '../../../../contract/job.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { capsBroken, type SettingCap, type SettingValues, settingChanges } from '../../../../core/vehicle/condition.ts';
import { SETTINGS, settingKind } from '../../../../core/vehicle/settings.ts';
import { SETTING_NAME, UNIT_SET_NAME } from '../../../../wording/condition.ts';
import { dayAndTime } from '../../../../wording/dates.ts';
import { useUnitSet, useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { SafetyNote } from '../../../widgets/SafetyNote.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useCaps } from './useCaps.ts';

type Job = Pick<JobSheet, 'number' | 'state'>;

/** How controller, charger and management unit are set: each version kept, held against what the design allows. */
export function SettingsPanel({ job, versions }: { job: Job; versions: readonly SettingsRow[] }) {
  return (
    <>
      {UNITS_SET.map((unit) => (
        <UnitSettings key={unit} job={job} unit={unit} versions={versions.filter((one) => one.unit === unit)} />
      ))}
      <SafetyNote about="approval" />
    </>
  );
}

function UnitSettings({ job, unit, versions }: { job: Job; unit: UnitSetUp; versions: readonly SettingsRow[] }) {
  const may = useMay(job, 'register');
  const caps = useCaps();
  const { timeZone } = useWorkshop();
  const [from, setFrom] = useState<SettingsRow | 'new' | null>(null);
  const now = versions[0] ?? null;
  const broken = now ? capsBroken(now.values, caps) : [];
  return (
    <Panel
      title={UNIT_SET_NAME[unit]}
      aside={
        <span className="row">
          {now &&
            (broken.length > 0 ? (
              <span className="stop">{broken.length} beyond the design</span>
            ) : (
              withinText(now.values, caps)
            ))}
          {may && (
            <Button size="small" onClick={() => setFrom(now ?? 'new')} aria-label={`Set the ${UNIT_SET_NAME[unit]}`}>
              {now ? 'Set anew' : 'Enter how it is set'}
            </Button>
          )}
        </span>
      }
    >
      <div className="in stack">
        {from && (
          <SettingsForm
            key={from === 'new' ? 'new' : from.id}
            job={job}
            unit={unit}
            begin={from === 'new' ? null : from}
            caps={caps}
            done={() => setFrom(null)}
          />
        )}
        {!now && !from && <p className="soft">Nobody has entered how it is set.</p>}
        {now && <Values unit={unit} values={now.values} caps={caps} />}
        {now && (
          <p className="small soft">
            {now.firmware && `Firmware ${now.firmware}. `}
            {now.why}: {now.by}, {dayAndTime(now.at, timeZone)}
          </p>
        )}
        {versions.slice(1).map((version, i) => (
          <Earlier
            key={version.id}
            unit={unit}
            version={version}
            after={versions[i]!}
            onBack={may ? () => setFrom(version) : null}
          />
        ))}
      </div>
    </Panel>
  );
}

/** That nothing is beyond the design says something of those settings only that it holds. */
function withinText(values: SettingValues, caps: readonly SettingCap[]): string {
  const keys = Object.keys(values);
  const held = keys.filter((key) => caps.some((cap) => cap.key === key)).length;
  if (held === 0) return 'the design says nothing of these';
  return held === keys.length
    ? 'within what the design allows'
    : `${held} of ${keys.length} held and within the design`;
}

const shown = (unit: UnitSetUp, key: string, value: number, set: ReturnType<typeof useUnitSet>) => {
  const kind = settingKind(unit, key);
  return kind ? formatQuantity(value, kind, set) : String(value);
};

function Values({ unit, values, caps }: { unit: UnitSetUp; values: SettingValues; caps: readonly SettingCap[] }) {
  const set = useUnitSet();
  const rows = Object.entries(values);
  const broken = new Map(capsBroken(values, caps).map((cap) => [cap.key, cap]));
  return (
    <DataTable
      label={`Settings of the ${UNIT_SET_NAME[unit].toLowerCase()}`}
      rows={rows}
      rowKey={([key]) => key}
      rowMark={([key]) => ({ 'data-setting': key, className: '' })}
      empty=""
      columns={({ words, figures }) => [
        words('Setting', ([key]) => SETTING_NAME[key] ?? key),
        figures('Set to', ([key, value]) => (
          <span className={broken.has(key) ? 'stop strong' : 'strong'}>{shown(unit, key, value, set)}</span>
        )),
        words('The design', ([key]) => {
          const cap = caps.find((one) => one.key === key);
          if (!cap) return <span className="soft">says nothing</span>;
          return (
            <span className={broken.has(key) ? 'stop' : 'soft'}>
              {cap.most !== null
                ? `at most ${shown(unit, key, cap.most, set)}`
                : `at least ${shown(unit, key, cap.least!, set)}`}
            </span>
          );
        }),
      ]}
    />
  );
}

function Earlier({
  unit,
  version,
  after,
  onBack,
}: {
  unit: UnitSetUp;
  version: SettingsRow;
  after: SettingsRow;
  onBack: (() => void) | null;
}) {
  const set = useUnitSet();
  const { timeZone } = useWorkshop();
  const changes = settingChanges(version.values, after.values);
  return (
    <div className="spread" data-version={version.id}>
      <span className="small">
        {dayAndTime(version.at, timeZone)} {version.by}: {version.why}.{' '}
        <span className="soft">
          {changes.length === 0
            ? 'Nothing else was set then.'
            : changes
                .map(
                  ({ key, before, after: next }) =>
                    `${SETTING_NAME[key] ?? key} ${before === null ? 'not set' : shown(unit, key, before, set)} → ${next === null ? 'not set' : shown(unit, key, next, set)}`,
                )
                .join(' · ')}
        </span>
      </span>
      {onBack && (
        <Button size="small" onClick={onBack}>
          Back to this
        </Button>
      )}
    </div>
  );
}

function SettingsForm({
  job,
  unit,
  begin,
  caps,
  done,
}: {
  job: Job;
  unit: UnitSetUp;
  begin: SettingsRow | null;
  caps: readonly SettingCap[];
  done: () => void;
}) {
  const set = useUnitSet();
  const [values, setValues] = useState<Readonly<Record<string, number | null>>>(begin?.values ?? {});
  const [firmware, setFirmware] = useState(begin?.firmware ?? '');
  const [why, setWhy] = useState('');
  const given = Object.fromEntries(Object.entries(values).filter((pair): pair is [string, number] => pair[1] !== null));
  const broken = capsBroken(given, caps);
  const form = useChecked(conditionAddress.set, { number: job.number }, { unit, firmware, values: given, why });
  return (
    <EntryForm
      className="stack lesson"
      save="It is set so"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <div className="fields">
        {Object.entries(SETTINGS[unit]).map(([key, kind]) => (
          <QuantityInput
            key={key}
            label={SETTING_NAME[key] ?? key}
            kind={kind}
            mayBeEmpty
            value={values[key] ?? null}
            onChange={(value) => setValues((now) => ({ ...now, [key]: value }))}
            fault={form.faults[`values.${key}`]}
          />
        ))}
        <TextField label="Firmware" value={firmware} onChange={setFirmware} fault={form.faults.firmware} />
        <TextField label="Why it is set so" value={why} onChange={setWhy} fault={form.faults.why} />
      </div>
      {form.faults.values && <div className="fault">{form.faults.values}</div>}
      {broken.map(({ key, most, least }) => (
        <p key={key} className="stop small">
          {SETTING_NAME[key] ?? key}: the design allows{' '}
          {most !== null ? `at most ${shown(unit, key, most, set)}` : `at least ${shown(unit, key, least!, set)}`}. Say
          why it is set otherwise.
        </p>
      ))}
    </EntryForm>
  );
}
