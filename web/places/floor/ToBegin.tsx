import { Button } from 'antd';
import { Link } from 'react-router';
import type { FloorData } from '../../../contract/floor.ts';
import { planAddress } from '../../../contract/plan.ts';
import { hasRole } from '../../../contract/rights.ts';
import { type Shelves, useJobs } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';

interface Props {
  readonly floor: FloorData;
  readonly shelves: Shelves;
  readonly onPlan: () => void;
}

/** What is still missing to open the first job, each with its action; gone with the first job. */
export function ToBegin({ floor, shelves, onPlan }: Props) {
  const { data: jobs } = useJobs();
  const { role } = usePerson();
  if (!jobs || jobs.length > 0 || !hasRole(role, planAddress.change.may)) return null;
  const lines = [
    {
      done: floor.places.some(({ kind }) => kind === 'bay'),
      say: 'A bay for vehicles to stand in',
      act: (
        <Button size="small" onClick={onPlan}>
          Draw the building
        </Button>
      ),
    },
    {
      done: floor.people.filter(({ role: one }) => one === 'technician').length > 0,
      say: 'Somebody who works on them',
      act: <Link to="/people">Add people</Link>,
    },
    {
      done: shelves.data.components.some(({ kind }) => kind === 'drive'),
      say: 'A drive, modules and what goes with them',
      act: <Link to="/components/drive">Add components</Link>,
    },
    {
      done: shelves.data.models.length > 0,
      say: 'A vehicle model',
      act: <Link to="/models">Make a model</Link>,
    },
  ];
  if (lines.every(({ done }) => done))
    return (
      <Panel title="The first job">
        <p className="in">
          Everything is there. <Link to="/jobs/new">Open the first job</Link>
        </p>
      </Panel>
    );
  return (
    <Panel title="To open the first job">
      <div className="in stack">
        {lines
          .filter(({ done }) => !done)
          .map(({ say, act }) => (
            <div key={say} className="to-begin">
              <StateMark mark="waiting" />
              <span>{say}</span>
              {act}
            </div>
          ))}
      </div>
    </Panel>
  );
}
