import { PlusOutlined, TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { hasRole } from '../../../contract/rights.ts';
import { type ScenarioRow, type WorkPlanSheet, workPlanAddress } from '../../../contract/workPlan.ts';
import type { StoredJobPlan } from '../../../core/plan/storedPlan.ts';
import { lateText } from '../../../wording/workPlan.ts';
import { usePerson } from '../../data/session.tsx';

interface Props {
  readonly sheet: WorkPlanSheet;
  readonly chosen: ScenarioRow | null;
  readonly onChoose: (scenario: ScenarioRow | null) => void;
  readonly onNew: () => void;
  /** Whether all are held against each other. */
  readonly compared: boolean;
  readonly onCompare: (compared: boolean) => void;
  /** Of the plan that is shown; null without one. */
  readonly jobs: readonly StoredJobPlan[] | null;
}

/** The plan as it stands and the what-ifs beside it: pressing one shows the plan it would make. */
export function WhatIfBar({ sheet, chosen, onChoose, onNew, compared, onCompare, jobs }: Props) {
  const { role } = usePerson();
  return (
    <section className="sheet what-if" aria-label="What if">
      <strong>What if</strong>
      <Button type={chosen ? 'default' : 'primary'} aria-pressed={!chosen} onClick={() => onChoose(null)}>
        as it stands
      </Button>
      {sheet.scenarios.map((one) => (
        <Button
          key={one.id}
          type={chosen?.id === one.id ? 'primary' : 'default'}
          aria-pressed={chosen?.id === one.id}
          onClick={() => onChoose(one)}
        >
          {one.name}
        </Button>
      ))}
      {hasRole(role, workPlanAddress.addScenario.may) && (
        <Button type="dashed" icon={<PlusOutlined />} onClick={onNew}>
          New what-if
        </Button>
      )}
      {sheet.scenarios.length > 0 && (
        <Button type="text" icon={<TableOutlined />} aria-pressed={compared} onClick={() => onCompare(!compared)}>
          Side by side
        </Button>
      )}
      <span className={`push ${jobs?.some(({ lateDays }) => lateDays > 0) ? 'stop strong' : 'pass'}`} data-late>
        {jobs && lateText(jobs)}
      </span>
    </section>
  );
}
