import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { gradingAddress, type ModuleLine } from '../../../contract/grading.ts';
import type { NumberRow } from '../../../contract/numbers.ts';
import { hasRole } from '../../../contract/rights.ts';
import type { ComponentOf } from '../../../core/component/sheets.ts';
import { asDelivered, type Strings, type StringTask } from '../../../core/grading/strings.ts';
import { formatNumber, formatQuantity } from '../../../core/quantity/format.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { CHART } from '../../app/theme.ts';
import { usePerson, useUnitSet } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { Columns } from '../../widgets/Columns.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { SafetyNote } from '../../widgets/SafetyNote.tsx';
import { useSend } from '../../widgets/useSend.ts';
import { useStrings } from './useStrings.ts';

interface Props {
  readonly module: ComponentOf<'module'>;
  readonly rows: readonly NumberRow[];
  readonly lines: readonly ModuleLine[];
}

/** Strings formed of what is graded: the weakest as strong as can be, strings alike, and what each choice costs. */
export function StringsPanel({ module, rows, lines: all }: Props) {
  const lines = all.filter(({ componentId }) => componentId === module.id);
  const set = useUnitSet();
  const [lineId, setLineId] = useState<string | null>(lines[0]?.lineId ?? null);
  const line = lines.find((one) => one.lineId === lineId) ?? null;
  const [strings, setStrings] = useState<number | null>(1);
  const [typed, setTyped] = useState<number | null>(8);
  const [without, setWithout] = useState<readonly string[]>([]);
  const perString = line ? (strings ? line.quantity / strings : null) : typed;
  const usable = rows.filter(
    (row) =>
      row.graded !== null &&
      row.pack === null &&
      !row.beingRefurbished &&
      (row.forJob === null || row.forJob === line?.jobNumber),
  );
  const known = usable.filter(({ serial }) => !without.includes(serial));
  const whole = perString !== null && Number.isInteger(perString) && perString > 0 && strings !== null && strings > 0;
  const task: StringTask | null = whole
    ? {
        // In the order they came.
        modules: known
          .toSorted((a, b) => (a.serial < b.serial ? -1 : 1))
          .map(({ id, graded }) => ({ id, capacityAh: graded!.capacityAh })),
        ...{ strings, perString, moduleV: module.sheet.nominalV },
      }
    : null;
  const { found, running } = useStrings(task);
  const plain = useMemo(() => (task ? asDelivered(task) : null), [task]);
  const need = whole ? strings * perString : 0;
  return (
    <Panel
      title="Strings from what is graded"
      aside={whole ? `${strings} × ${perString} of ${known.length} modules` : undefined}
    >
      <div className="in stack">
        <div className="row" style={{ alignItems: 'start' }}>
          <div style={{ width: 230 }}>
            <Choice
              label="For"
              mayBeEmpty
              placeholder="no job yet"
              value={lineId}
              options={lines.map((one) => ({
                value: one.lineId,
                label: `${one.jobNumber} ${one.jobTitle}, ${one.quantity}`,
              }))}
              onChange={setLineId}
            />
          </div>
          <QuantityInput
            label="Strings side by side"
            kind="count"
            digits={0}
            width={140}
            value={strings}
            onChange={setStrings}
          />
          {!line && (
            <QuantityInput
              label="Modules in each"
              kind="count"
              digits={0}
              width={120}
              value={typed}
              onChange={setTyped}
            />
          )}
        </div>
        <NumbersInput
          label="Left out"
          onlyKnown
          value={without}
          onChange={setWithout}
          known={usable.map((row) => ({ value: row.serial, label: `${row.serial}, ${row.graded!.capacityAh} Ah` }))}
        />
        {!whole && <p className="wait">The modules do not divide evenly into so many strings.</p>}
        {whole && known.length < need && (
          <p className="wait">{`${need} graded modules are needed; ${known.length} can be had. Grade more, or release what is held.`}</p>
        )}
        {task && found && (
          <Result
            set={set}
            rows={rows}
            found={found}
            plain={plain}
            running={running}
            line={line && found.strings.flat().length === line.quantity ? line : null}
          />
        )}
        <SafetyNote about="modules" />
      </div>
    </Panel>
  );
}

const COLOURS = [CHART.parts[4]!, CHART.parts[1]!, CHART.parts[2]!, CHART.parts[3]!];

interface ResultProps {
  readonly set: UnitSet;
  readonly rows: readonly NumberRow[];
  readonly found: Strings;
  readonly plain: Strings | null;
  readonly running: boolean;
  readonly line: ModuleLine | null;
}

function Result({ set, rows, found, plain, running, line }: ResultProps) {
  const { role } = usePerson();
  const sending = useSend();
  const columns = useMemo(() => {
    const of = new Map(rows.map((row) => [row.id, row]));
    return found.strings
      .flatMap((ids, k) =>
        ids.map((id) => ({
          label: of.get(id)?.serial ?? '',
          value: of.get(id)?.graded?.capacityAh ?? 0,
          colour: COLOURS[k % COLOURS.length]!,
          group: `string ${k + 1}`,
        })),
      )
      .sort((a, b) => b.value - a.value);
  }, [found, rows]);
  const charge = (ah: number) => formatQuantity(ah, 'charge', set, { digits: 1 });
  const energy = (wh: number) => formatQuantity(wh, 'energy', set, { digits: 2 });
  const cost = plain ? found.usableWh - plain.usableWh : 0;
  const hold = () =>
    line &&
    void sending.go(
      gradingAddress.hold,
      {},
      {
        ...{ lineId: line.lineId, serialIds: found.strings.flat(), version: line.version },
      },
    );
  return (
    <>
      <Columns
        name="Strings"
        say={`Capacity of each chosen module, the strongest first, in ${found.strings.length} strings`}
        columns={columns}
        unit="Ah"
        height={170}
      />
      <p>
        <span className="strong">{`weakest module ${charge(found.weakestAh)}`}</span>
        {found.strings.length > 1 && `; strings ${charge(found.apartAh)} apart`}
        {` · usable ${energy(found.usableWh)} `}
        <span className="soft">
          {found.proved
            ? 'the best there is, proved'
            : running
              ? 'looking whether there is a better one …'
              : `no other is closer by more than ${formatNumber(found.boundAh, 1)}\u202fAh`}
          {plain && cost > 0.5
            ? `; in the order they came it would be ${energy(plain.usableWh)}, ${energy(cost)} less`
            : ''}
        </span>
      </p>
      {line && hasRole(role, gradingAddress.hold.may) && (
        <div>
          <Button type="primary" loading={sending.busy} onClick={hold}>
            {`Hold these for ${line.jobNumber}`}
          </Button>
        </div>
      )}
    </>
  );
}
