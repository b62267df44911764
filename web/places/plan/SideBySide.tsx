import type { ScenarioRow, WorkPlanSheet } from '../../../contract/workPlan.ts';
import { overtimeHours } from '../../../core/plan/overtime.ts';
import type { PlanChange } from '../../../core/plan/planChange.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { dayText } from '../../../wording/dates.ts';
import { useUnitSet, useWorkshop } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { useCompared } from './useCompared.ts';

interface Compared {
  readonly scenario: ScenarioRow | null;
  readonly changes: readonly PlanChange[];
  /** Null while it is worked out. */
  readonly plan: StoredPlan | null;
}

interface Props {
  readonly sheet: WorkPlanSheet;
  readonly onChoose: (scenario: ScenarioRow | null) => void;
}

/** The plan as it stands and every what-if, held against each other: who is late, by how much, what it asks for. */
export function SideBySide({ sheet, onChoose }: Props) {
  const { facts, plan, scenarios } = sheet;
  const set = useUnitSet();
  const { practice, rateCents } = useWorkshop();
  const plans = useCompared(sheet);
  const rows: Compared[] = [
    { scenario: null, changes: [], plan },
    ...scenarios.map((scenario) => ({ scenario, changes: scenario.changes, plan: plans.get(scenario.id) ?? null })),
  ];
  const overtime = (row: Compared) => (row.plan ? overtimeHours(facts, row.changes, row.plan) : 0);
  const late = ({ plan: of }: Compared) => of?.jobs.filter(({ lateDays }) => lateDays > 0) ?? [];
  return (
    <Panel title="What-ifs side by side">
      <div className="in">
        <DataTable
          label="What-ifs side by side"
          rows={rows}
          rowKey={({ scenario }) => scenario?.id ?? 'now'}
          rowMark={({ scenario }) => ({ 'data-compared': scenario?.name ?? 'as it stands' })}
          columns={({ words, figures }) => [
            words('What if', ({ scenario }) => (
              <button type="button" className="link-like" onClick={() => onChoose(scenario)}>
                {scenario?.name ?? 'as it stands'}
              </button>
            )),
            words('Late', (row) =>
              row.plan === null ? (
                <span className="soft">working it out …</span>
              ) : late(row).length === 0 ? (
                <span className="pass">{`all ${row.plan.jobs.length} in time`}</span>
              ) : (
                <span className="stop">
                  {late(row)
                    .map(({ number, lateDays }) => `${number} by ${lateDays} ${lateDays === 1 ? 'day' : 'days'}`)
                    .join(', ')}
                </span>
              ),
            ),
            figures('Days in all', (row) => late(row).reduce((sum, { lateDays }) => sum + lateDays, 0), { width: 84 }),
            figures('Cannot be planned', ({ plan: of }) => of?.impossible.length || '–', { width: 120 }),
            figures('The last is ready', ({ plan: of }) => lastReady(of), { width: 110 }),
            figures('Overtime', (row) => (overtime(row) > 0 ? formatQuantity(overtime(row), 'hours', set) : '–'), {
              width: 90,
            }),
            figures(
              'What that costs',
              (row) =>
                overtime(row) > 0
                  ? formatQuantity(Math.round(overtime(row) * (practice.hourCostCents ?? rateCents)), 'money', set)
                  : '–',
              { width: 110 },
            ),
          ]}
        />
      </div>
    </Panel>
  );
}

function lastReady(plan: StoredPlan | null): string {
  const last = plan?.jobs.reduce((latest, { to }) => (to > latest ? to : latest), '');
  return last ? dayText(last.slice(0, 10)) : '–';
}
