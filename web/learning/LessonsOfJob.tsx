import { Link } from 'react-router';
import { fileAddress } from '../../contract/files.ts';
import type { JobSheet } from '../../contract/job.ts';
import { formatHours, formatQuantity } from '../../core/quantity/format.ts';
import { dayAndTime } from '../../wording/dates.ts';
import { LESSON_STATE_NAME } from '../../wording/kits.ts';
import { useOfAddress } from '../data/resources.ts';
import { useUnitSet, useWorkshop } from '../data/session.tsx';
import { FilesOf } from '../files/FilesOf.tsx';
import { Panel } from '../widgets/Panel.tsx';
import { StateMark } from '../widgets/StateMark.tsx';
import { NoteLesson } from './NoteLesson.tsx';

/** What was learnt on this vehicle, and what became of it at the kit. */
export function LessonsOfJob({ job }: { job: JobSheet }) {
  const set = useUnitSet();
  const { timeZone } = useWorkshop();
  const { data: files } = useOfAddress(fileAddress.ofJob, { number: job.number });
  return (
    <Panel
      title="Lessons"
      aside={<NoteLesson job={job} about="job" aboutId={job.id} aboutText={`${job.number} as a whole`} />}
    >
      {job.lessons.length === 0 && (
        <p className="in soft small">
          None yet. A lesson is noted here, at a stage, a snag, a reading, a finding or a check, and waits at the kit
          for its next revision.
        </p>
      )}
      {job.lessons.map((lesson) => {
        const cost = [
          lesson.costHours !== null && formatHours(lesson.costHours),
          lesson.costCents !== null && formatQuantity(lesson.costCents, 'money', set),
        ].filter(Boolean);
        const over = lesson.state === 'taken' || lesson.state === 'left';
        return (
          <div key={lesson.id} className="step" data-lesson={lesson.state}>
            <StateMark mark={over ? 'done' : lesson.state === 'aside' ? 'waiting' : 'open'} />
            <div>
              {lesson.text}
              <div className="soft small">
                {lesson.aboutText}; {lesson.by}, {dayAndTime(lesson.at, timeZone)}
                {cost.length > 0 && `; cost ${cost.join(' and ')}`}
              </div>
              <div className="small">
                {lesson.kitId === null ? (
                  'the job has no kit: it stays here'
                ) : (
                  <Link to={`/kits/${lesson.kitId}`}>
                    {LESSON_STATE_NAME[lesson.state]} at the kit{lesson.why && `: ${lesson.why}`}
                  </Link>
                )}
              </div>
              {files && <FilesOf about="lesson" of={lesson.id} list={files} name={lesson.text} />}
            </div>
          </div>
        );
      })}
    </Panel>
  );
}
