import { useMemo } from 'react';
import type { PartLine } from '../../../../contract/parts.ts';
import { workPlanAddress } from '../../../../contract/workPlan.ts';
import { plannedBegins } from '../../../../core/plan/begins.ts';
import { USUAL_CALENDAR } from '../../../../core/practice/workingDays.ts';
import { dayNumber, formatDay } from '../../../../core/quantity/format.ts';
import { type NeededDay, neededDays } from '../../../../core/stores/neededDay.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useWorkshop } from '../../../data/session.tsx';
import { useOpenJob } from '../openJob.ts';

const UNKNOWN: NeededDay = { day: null, basis: 'none', stage: null };

/** From which day the job needs a component, by the plan, else by the stage that wants it and the promised day; the same reckoning as Needs. */
export function useNeededDays(): (componentId: string) => NeededDay {
  const { job, sheet, shelves } = useOpenJob('job', 'sheet', 'shelves');
  const { hoursPerDay } = useWorkshop();
  const { calendar } = sheet.slots.work;
  const { data } = useOfAddress(workPlanAddress.sheet, {});
  const plan = data?.plan ?? null;
  return useMemo(() => {
    const ids = new Map(job.stages.map(({ key, id }) => [key, id]));
    const of = neededDays(
      {
        promisedDay: job.promised === null ? null : dayNumber(job.promised),
        stages: job.stages.map(({ key, after, hours, state }) => ({ key, after, hours, done: state === 'done' })),
      },
      hoursPerDay,
      calendar ?? USUAL_CALENDAR,
      plannedBegins(plan)(job.number, ids),
    );
    return (componentId) => {
      const part = shelves.components.get(componentId);
      return part ? of(part.kind) : UNKNOWN;
    };
  }, [job.promised, job.number, job.stages, plan, hoursPerDay, calendar, shelves]);
}

/** The day a line is needed from, and the stage that wants it; in red where it comes later. */
export function NeededFrom({ line, needed }: { line: PartLine; needed: NeededDay }) {
  const { job } = useOpenJob('job');
  if (line.state === 'fitted') return null;
  if (needed.day === null) return <span className="soft small">no day promised</span>;
  const late = line.due !== null && line.state === 'ordered' && dayNumber(line.due) > needed.day;
  const stage = job.stages.find(({ key }) => key === needed.stage)?.name;
  return (
    <span className={late ? 'stop' : ''} data-needed={needed.day} title={stage && `for ${stage}`}>
      {formatDay(needed.day)}
    </span>
  );
}
