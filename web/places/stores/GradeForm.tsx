import { Drawer, Upload } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { fileAddress } from '../../../contract/files.ts';
import { gradingAddress } from '../../../contract/grading.ts';
import type { NumberRow } from '../../../contract/numbers.ts';
import type { ComponentOf } from '../../../core/component/sheets.ts';
import { type CapacityTest, capacityOf, likelyTimeFactor } from '../../../core/grading/capacity.ts';
import { type Log, readLog } from '../../../core/logs/readLog.ts';
import { formatNumber } from '../../../core/quantity/format.ts';
import { CAPACITY_PROBLEM, TIME_UNIT_NAME } from '../../../wording/grading.ts';
import { LOG_PROBLEM, logNoteText } from '../../../wording/logs.ts';
import { CHART } from '../../app/theme.ts';
import { Refused, sendFile } from '../../data/client.ts';
import { useToday } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { LineChart } from '../../widgets/LineChart.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

interface Taken {
  readonly file: File;
  readonly log: Log;
}
const BIGGEST = 20_000_000;
const FACTORS = ['1', '60', '3600', '0.001'] as const;

/** A capacity test of one module: from the log of a discharge, or typed as a tester showed it. */
export function GradeForm({
  item,
  module,
  onClose,
}: {
  item: NumberRow;
  module: ComponentOf<'module'>;
  onClose: () => void;
}) {
  const today = useToday();
  const [taken, setTaken] = useState<Taken | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [toV, setToV] = useState<number | null>(module.sheet.minV);
  const [factor, setFactor] = useState<(typeof FACTORS)[number]>('1');
  const [day, setDay] = useState(today);
  const [typed, setTyped] = useState<{
    readonly ah: number | null;
    readonly mOhm: number | null;
    readonly c: number | null;
  }>({
    ah: null,
    mOhm: null,
    c: null,
  });
  const [method, setMethod] = useState('');
  // The log is kept first, so that the grading can name it.
  const [logFileId, setLogFileId] = useState<string | null>(null);
  const [kept, setKept] = useState(false);
  const read = useMemo(
    () => (taken && toV !== null ? capacityOf(taken.log, toV, Number(factor)) : null),
    [taken, toV, factor],
  );
  const test = read && typeof read === 'object' ? read : null;
  const likely = test ? likelyTimeFactor(test.capacityAh, module.sheet.capacityAh) : 1;
  const round = (value: number, digits: number) => Number(value.toFixed(digits));
  const body = {
    day,
    capacityAh: test ? round(test.capacityAh, 2) : typed.ah,
    energyWh: test ? round(test.energyWh, 1) : null,
    resistanceOhm: test
      ? test.resistanceOhm && round(test.resistanceOhm, 6)
      : typed.mOhm === null
        ? null
        : typed.mOhm / 1000,
    temperatureC: test ? test.temperatureC && round(test.temperatureC, 1) : typed.c,
    ...{ currentA: test ? round(test.currentA, 2) : null, fromV: test ? round(test.fromV, 3) : null },
    toV: test ? round(test.toV, 3) : null,
    method: test
      ? `discharge at ${formatNumber(test.currentA, 0)} A down to ${formatNumber(test.toV, 1)} V, from its log`
      : method,
    logFileId: test ? logFileId : null,
  };
  const form = useChecked(gradingAddress.add, { id: item.id }, body);
  const take = async (file: File) => {
    setFault(null);
    setTaken(null);
    setLogFileId(null);
    setKept(false);
    if (file.size > BIGGEST) return setFault('This file is too big: 20 MB at most.');
    const log = readLog(await file.text());
    if (typeof log === 'string') return setFault(LOG_PROBLEM[log]);
    setTaken({ file, log });
  };
  const finish = async () => {
    if (await form.save()) onClose();
  };
  const save = async () => {
    if (!taken || !test || logFileId !== null) return finish();
    setLogFileId(await keepLog(item.id, taken.file));
    setKept(true);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the log has been kept
  useEffect(() => {
    if (kept) void finish();
  }, [kept]);
  return (
    <Drawer open title={`Grade ${item.serial}, ${item.component}`} onClose={onClose} size={600}>
      <EntryForm save="Keep the grading" busy={form.busy} refusal={form.refusal} onSave={() => void save()}>
        <Upload.Dragger
          accept=".csv,.txt"
          showUploadList={false}
          beforeUpload={(file) => {
            void take(file);
            return false;
          }}
          aria-label="Log of the test as CSV"
        >
          Drop the log of a discharge here (time, V, A, °C), or press to choose it
        </Upload.Dragger>
        {fault && <p className="stop">{fault}</p>}
        {taken && (
          <p className="soft small">
            {[
              `${taken.file.name}, ${taken.log.rows} lines`,
              ...taken.log.notes
                .filter(({ code }) => code !== 'gaps')
                .map(({ code, count }) => logNoteText(code, count)),
            ].join('; ')}
          </p>
        )}
        <div className="row" style={{ alignItems: 'start' }}>
          <DayInput shown label="Tested on" value={day} onChange={setDay} fault={form.faults.day} />
          {taken && (
            <>
              <QuantityInput label="Ends at" kind="voltage" digits={2} width={120} value={toV} onChange={setToV} />
              <div style={{ width: 140 }}>
                <Choice
                  label="Time is in"
                  value={factor}
                  options={FACTORS.map((value) => ({ value, label: TIME_UNIT_NAME[value] }))}
                  onChange={(next) => next && setFactor(next)}
                />
              </div>
            </>
          )}
        </div>
        {typeof read === 'string' && <p className="stop">{CAPACITY_PROBLEM[read]}</p>}
        {test && likely !== 1 && (
          <p className="wait">
            {`That would be ${formatNumber(test.capacityAh, 1)} Ah of ${formatNumber(module.sheet.capacityAh, 0)}: the time is probably in ${TIME_UNIT_NAME[String(likely * Number(factor)) as keyof typeof TIME_UNIT_NAME] ?? 'another unit'}.`}
          </p>
        )}
        {test ? (
          <Found test={test} />
        ) : (
          <div className="row" style={{ alignItems: 'start' }}>
            <QuantityInput
              label="It held"
              kind="charge"
              digits={2}
              width={120}
              value={typed.ah}
              onChange={(ah) => setTyped((now) => ({ ...now, ah }))}
              fault={form.faults.capacityAh}
            />
            <QuantityInput
              label="Resistance, mΩ"
              kind="coefficient"
              mayBeEmpty
              digits={2}
              width={130}
              value={typed.mOhm}
              onChange={(mOhm) => setTyped((now) => ({ ...now, mOhm }))}
              fault={form.faults.resistanceOhm}
            />
            <QuantityInput
              label="At"
              kind="temperature"
              mayBeEmpty
              width={100}
              value={typed.c}
              onChange={(c) => setTyped((now) => ({ ...now, c }))}
              fault={form.faults.temperatureC}
            />
          </div>
        )}
        {!test && (
          <TextField label="How it was measured" value={method} onChange={setMethod} fault={form.faults.method} />
        )}
      </EntryForm>
    </Drawer>
  );
}

/** Keeps a log among the files of its module; null where it was refused: the grading then stands without it. */
async function keepLog(id: string, file: File): Promise<string | null> {
  try {
    return (await sendFile(fileAddress.add, { about: 'number', of: id, name: file.name }, file)).id;
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    return null;
  }
}

function Found({ test }: { test: CapacityTest }) {
  const series = useMemo(
    () => [
      { label: 'voltage', colour: CHART.primary, points: test.curve.map(({ ah, v }) => ({ x: ah, y: v })), width: 2 },
    ],
    [test],
  );
  const say = [
    `${formatNumber(test.capacityAh, 1)}\u202fAh`,
    `${formatNumber(test.energyWh, 0)}\u202fWh`,
    test.resistanceOhm === null
      ? 'no step of current to tell the resistance'
      : `${formatNumber(test.resistanceOhm * 1000, 2)}\u202fmΩ`,
    test.temperatureC === null ? 'temperature not logged' : `${formatNumber(test.temperatureC, 0)}\u202f°C`,
    `${formatNumber(test.currentA, 1)}\u202fA for ${formatNumber(test.durationS / 3600, 2)}\u202fh`,
  ];
  return (
    <>
      <p className="strong" data-capacity>
        {say.join(' · ')}
      </p>
      {!test.reached && (
        <p className="wait">
          The log ends before the voltage has come down so far: the module holds at least this much.
        </p>
      )}
      <LineChart
        name="Capacity test"
        say="Voltage over the charge drawn"
        series={series}
        x={{ label: 'Ah drawn', min: 0 }}
        y={{ label: 'V' }}
        height={190}
      />
    </>
  );
}
