import { Button } from 'antd';
import type { ReactNode } from 'react';
import type { JobSheet } from '../../../../contract/job.ts';
import type { StageRow } from '../../../../contract/stages.ts';
import { stageAddress } from '../../../../contract/stages.ts';
import { finishProblem, isAtWork, openBefore } from '../../../../core/stage/stageRules.ts';
import { clock } from '../../../../wording/dates.ts';
import { ENTRY_NAME, STAGE_STATE_NAME } from '../../../../wording/work.ts';
import { anyWaiting, useOutbox } from '../../../data/outbox/outbox.ts';
import { usePerson, useWorkshop } from '../../../data/session.tsx';
import { FilesOf } from '../../../files/FilesOf.tsx';
import { NoteLesson } from '../../../learning/NoteLesson.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { SafetyNote } from '../../../widgets/SafetyNote.tsx';
import { useAct } from '../../../widgets/useAct.ts';
import { useSend } from '../../../widgets/useSend.ts';
import { ClockButtons } from './ClockButtons.tsx';
import { StepLine } from './StepLine.tsx';

interface Props {
  readonly stage: StageRow;
  readonly job: JobSheet;
  /** Where this vehicle's mass centre will lie on the lift, for whoever has the design at hand. */
  readonly lift?: ReactNode;
}

/** The sheet of one stage: clock, cautions, steps with their limits, finish. */
export function StageSheet({ stage, job, lift }: Props) {
  const person = usePerson();
  const workshop = useWorkshop();
  const sending = useSend(false, { typed: false });
  const finishing = useAct();
  const reachable = useOutbox().held === null;
  const finish = () => {
    const version = anyWaiting(person.id) ? null : stage.version;
    void finishing.act({ act: 'finish', stageId: stage.id, version }, `finish ${stage.name}`);
  };
  const before = openBefore(stage, job.stages);
  // Somebody who is clocked on as waiting is not at the vehicle: nothing is confirmed or finished by them.
  const mine = stage.onIt.some((entry) => entry.personId === person.id && isAtWork(entry.kind));
  const unconfirmed = stage.liveHv && !stage.hvConfirmed;
  const problem = finishProblem(
    stage.steps.map((step) => ({
      done: step.reading !== null,
      outOfLimits: step.reading !== null && step.reading.verdict !== 'within',
      decided: step.reading?.reason != null,
      unsigned: step.second && step.reading !== null && step.reading.secondBy === null,
    })),
  );
  const left = stage.steps.filter((step) => step.reading === null).length;
  const over = stage.hoursClocked - stage.hours;
  return (
    <div className="stack" data-stage={stage.key} data-state={stage.state}>
      <Panel
        hv={stage.liveHv}
        title={stage.name}
        aside={
          <>
            {STAGE_STATE_NAME[stage.state]}, planned {stage.hours} h{stage.people > 1 ? `, ${stage.people} people` : ''}
            {stage.needs ? `, ${stage.needs}` : ''}
            {stage.tools.length > 0 && `, with ${stage.tools.join(' and ')}`}
          </>
        }
      >
        <div className="in stack">
          {stage.note && <p className="soft">{stage.note}</p>}
          {stage.liveHv && (stage.state !== 'done' || stage.onIt.length > 0) && <SafetyNote about="live" />}
          {stage.traits.includes('onLift') && stage.state !== 'done' && (
            <>
              <SafetyNote about="lift" />
              {lift}
            </>
          )}
          {before.length > 0 && stage.state === 'waiting' && (
            <p className="note wait">First finish {before.map((s) => s.name).join(' and ')}.</p>
          )}
          <div className="row">
            {before.length === 0 && <ClockButtons stage={stage} job={job} />}
            {stage.liveHv && mine && !stage.hvConfirmed && stage.state !== 'done' && (
              <Button
                danger
                disabled={!reachable}
                loading={sending.busy}
                onClick={() => void sending.go(stageAddress.confirmLive, { id: stage.id })}
              >
                Isolated, waited, proved dead: confirm, two people
              </Button>
            )}
            {mine && stage.state !== 'done' && (
              <Button disabled={problem !== null || unconfirmed} loading={finishing.busy} onClick={finish}>
                Finish stage
              </Button>
            )}
            <NoteLesson job={job} about="stage" aboutId={stage.id} aboutText={stage.name} />
            <span className="soft small">
              {unconfirmed && mine && !reachable
                ? 'Live work is not confirmed while the server cannot be reached: nobody would know who is there.'
                : problem === 'stopped'
                  ? 'A reading is out of limits.'
                  : problem === 'unsigned' && mine
                    ? 'A second person signs first what is marked so.'
                    : problem === null && mine && unconfirmed
                      ? 'Confirm isolation and the two people first.'
                      : left > 0 && mine
                        ? `${left} ${left === 1 ? 'step' : 'steps'} left`
                        : ''}
            </span>
          </div>
          <p className="small">
            <strong>{stage.hoursClocked.toFixed(1)} h</strong> clocked
            {stage.hoursRework > 0 && `, ${stage.hoursRework.toFixed(1)} h of it rework`}
            {over > 0 && <span className="stop">, {over.toFixed(1)} h over</span>}
            {stage.onIt.length > 0 &&
              `. On it: ${stage.onIt.map((entry) => `${entry.initials} since ${clock(entry.since, workshop.timeZone)}${entry.kind === 'work' ? '' : ` (${ENTRY_NAME[entry.kind].toLowerCase()})`}`).join(', ')}`}
            {stage.finishedBy && stage.finishedAt && `. Finished by ${stage.finishedBy}`}
          </p>
        </div>
        {stage.steps.map((step) => (
          <StepLine key={step.id} step={step} stage={stage} job={job} />
        ))}
        <div className="in" style={{ paddingTop: 10 }}>
          <FilesOf about="stage" of={stage.id} name={stage.name} />
        </div>
      </Panel>
    </div>
  );
}
