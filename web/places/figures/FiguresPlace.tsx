import { Segmented } from 'antd';
import { useState } from 'react';
import { type ShopSheet, shopAddress } from '../../../contract/shop.ts';
import { workPlanAddress } from '../../../contract/workPlan.ts';
import { byCause, byKind, daysLate, summaryOf, throughput } from '../../../core/shop/shopFigures.ts';
import { dayText } from '../../../wording/dates.ts';
import { ENTRY_NAME } from '../../../wording/work.ts';
import { CHART } from '../../app/theme.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { LineChart } from '../../widgets/LineChart.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { StackedBars } from '../../widgets/StackedBars.tsx';
import { TableFile } from '../../widgets/TableFile.tsx';
import { Causes } from './Causes.tsx';
import { JobsDone } from './JobsDone.tsx';
import { LoadBars } from './LoadBars.tsx';
import { Tellers } from './Tellers.tsx';

const STRETCHES = [
  { value: '3', label: '3 months' },
  { value: '6', label: '6 months' },
  { value: '12', label: 'a year' },
  { value: '24', label: 'two years' },
];
const MONTH = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const monthText = (month: string) => `${MONTH[Number(month.slice(5)) - 1]} ${month.slice(2, 4)}`;

/** How the shop is doing: what went out and when, and where time and money went that need not. */
export default function FiguresPlace() {
  const [months, setMonths] = useState('6');
  const { data, error } = useOfAddress(shopAddress.sheet, { months });
  return (
    <div className="page stack">
      <div className="spread" style={{ alignItems: 'center' }}>
        <span className="row" style={{ gap: 20 }}>
          <h1>Figures</h1>
          <Segmented aria-label="Over" value={months} options={STRETCHES} onChange={setMonths} />
        </span>
        <span className="row">
          <span className="soft small">jobs</span>
          <TableFile href={fileUrl(shopAddress.jobs, { months })} what="Jobs handed over" />
          <span className="soft small">hours</span>
          <TableFile href={fileUrl(shopAddress.hours, { months })} what="Hours by month" />
        </span>
      </div>
      {error && <p className="stop">{error.message}</p>}
      {data && <Shown data={data} />}
    </div>
  );
}

function Shown({ data }: { data: ShopSheet }) {
  const { months, hours, done, hourCostCents } = data;
  const { data: plan } = useOfAddress(workPlanAddress.sheet, {});
  const out = throughput(done, months);
  const labels = months.map(monthText);
  const late = done.flatMap((job) => {
    const days = daysLate(job);
    return days === null ? [] : [{ x: Date.parse(job.doneOn) / 86_400_000, y: days }];
  });
  const accuracy = done
    .filter(({ plannedHours, tookHours }) => plannedHours > 0 && tookHours > 0)
    .map((job) => ({ x: Date.parse(job.doneOn) / 86_400_000, y: (job.tookHours / job.plannedHours) * 100 }));
  const day = (value: number) => dayText(new Date(value * 86_400_000).toISOString().slice(0, 10));
  return (
    <>
      <Tellers summary={summaryOf(done, hours)} hours={hours} hourCostCents={hourCostCents} />
      <div className="figures-grid">
        <Panel title="Handed over" aside="by whether the promise was kept">
          <div className="in">
            <StackedBars
              name="handed-over"
              say="Jobs handed over month by month, by whether they kept their promise"
              bars={labels}
              parts={[
                { label: 'in time', colour: CHART.primary, values: out.map(({ inTime }) => inTime) },
                { label: 'late', colour: CHART.wait, values: out.map((one) => one.late) },
                { label: 'not promised', colour: CHART.tint, values: out.map(({ notPromised }) => notPromised) },
              ]}
              unit="jobs"
              whole
              height={60 + 26 * months.length}
            />
          </div>
        </Panel>
        <Panel title="Hours by kind" aside="what was not work on the first go stands out">
          <div className="in">
            <StackedBars
              name="hours-by-kind"
              say="Hours month by month by what they were for"
              bars={labels}
              parts={[
                { label: ENTRY_NAME.work, colour: CHART.primary, values: byKind(hours, months, 'work') },
                { label: ENTRY_NAME.learning, colour: CHART.tint, values: byKind(hours, months, 'learning') },
                { label: ENTRY_NAME.rework, colour: CHART.tan, values: byKind(hours, months, 'rework') },
                { label: ENTRY_NAME.waiting, colour: CHART.wait, values: byKind(hours, months, 'waiting') },
              ]}
              unit="h"
              height={60 + 26 * months.length}
            />
          </div>
        </Panel>
        <Causes
          title="Rework by cause"
          causes={byCause(hours, 'rework', hourCostCents)}
          none="No rework was clocked."
        />
        <Causes
          title="Waiting by cause"
          causes={byCause(hours, 'waiting', hourCostCents)}
          none="Nobody clocked waiting."
        />
        <Panel title="Estimates against hours taken" aside="each dot a vehicle; 100 % is as planned">
          <div className="in">
            {accuracy.length === 0 ? (
              <p className="soft">No vehicle was handed over in this time.</p>
            ) : (
              <LineChart
                name="estimate-accuracy"
                say="Hours taken as a share of hours planned, vehicle by vehicle"
                series={[
                  {
                    label: 'hours taken of hours planned',
                    points: accuracy,
                    colour: CHART.primary,
                    dots: true,
                    radius: 5,
                  },
                ]}
                x={{ label: 'handed over', tick: day }}
                y={{ label: '%', min: Math.min(60, ...accuracy.map(({ y }) => y - 10)) }}
                height={230}
              />
            )}
          </div>
        </Panel>
        <Panel title="Days late" aside="below nothing: early">
          <div className="in">
            {late.length < 2 ? (
              <p className="soft">
                {late.length === 0 ? 'Nothing' : 'One job only'} that was promised was handed over in this time: there
                is nothing to draw.
              </p>
            ) : (
              <LineChart
                name="days-late"
                say="Days after its promise each job was handed over"
                series={[{ label: 'days late', points: late, colour: CHART.wait, dots: true, radius: 5 }]}
                x={{ label: 'handed over', tick: day }}
                y={{ label: 'days' }}
                height={230}
              />
            )}
          </div>
        </Panel>
        {plan?.plan && <LoadBars facts={plan.facts} plan={plan.plan} />}
      </div>
      <JobsDone done={done} />
    </>
  );
}
