import { Button, Popover, Segmented } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { KitSheet } from '../../../contract/kits.ts';
import { type LessonRow, lessonAddress, type SettleLesson } from '../../../contract/lessons.ts';
import { hasRole } from '../../../contract/rights.ts';
import { formatHours, formatQuantity } from '../../../core/quantity/format.ts';
import { LESSON_STATE_NAME } from '../../../wording/kits.ts';
import { usePerson, useUnitSet } from '../../data/session.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** What was learnt on vehicles that carry the kit: what waits is taken into a draft, left, or set aside. */
export function KitLessons({ lessons, kit }: { lessons: readonly LessonRow[]; kit: KitSheet }) {
  const [all, setAll] = useState(false);
  const open = lessons.filter(({ state }) => state === 'waiting' || state === 'aside');
  const shown = all ? lessons : open;
  return (
    <Panel
      title="Lessons"
      aside={
        lessons.length > open.length ? (
          <Segmented
            size="small"
            aria-label="Which lessons"
            value={all ? 'all' : 'open'}
            options={[
              { value: 'open', label: `waiting ${open.length}` },
              { value: 'all', label: `all ${lessons.length}` },
            ]}
            onChange={(which) => setAll(which === 'all')}
          />
        ) : (
          `${open.length} waiting`
        )
      }
    >
      {shown.length === 0 && <p className="in soft small">Nothing waits. Lessons are noted on the jobs, in Build.</p>}
      {shown.map((lesson) => (
        <Lesson key={lesson.id} lesson={lesson} kit={kit} />
      ))}
    </Panel>
  );
}

function Lesson({ lesson, kit }: { lesson: LessonRow; kit: KitSheet }) {
  const { role } = usePerson();
  const set = useUnitSet();
  const may = hasRole(role, lessonAddress.settle.may);
  const [open, setOpen] = useState(false);
  const cost = [
    lesson.costHours !== null && formatHours(lesson.costHours),
    lesson.costCents !== null && formatQuantity(lesson.costCents, 'money', set),
  ].filter(Boolean);
  const into = kit.revisions.find(({ id }) => id === lesson.revisionId);
  const settled = lesson.state === 'taken' || lesson.state === 'left';
  return (
    <div className="lesson" data-lesson={lesson.state}>
      <div className={settled ? '' : 'strong'}>{lesson.text}</div>
      <div className="soft small">
        <Link className="in-text" to={`/jobs/${lesson.jobNumber}/build`}>
          {lesson.jobNumber}
        </Link>
        {lesson.aboutText && `, ${lesson.aboutText}`}, {lesson.by}
        {cost.length > 0 && `; cost ${cost.join(' and ')}`}
      </div>
      <div className="small">
        {lesson.state !== 'waiting' && (
          <>
            {LESSON_STATE_NAME[lesson.state]}
            {into && ` by ${into.revision}`}
            {lesson.why && `: ${lesson.why}`}{' '}
          </>
        )}
        {may && !settled && (
          <Popover
            trigger="click"
            open={open}
            onOpenChange={setOpen}
            title="What becomes of it"
            destroyOnHidden
            content={<Settle lesson={lesson} kit={kit} done={() => setOpen(false)} />}
          >
            <Button type="link" size="small" style={{ padding: 0 }} aria-label={`Settle: ${lesson.text}`}>
              Settle …
            </Button>
          </Popover>
        )}
      </div>
    </div>
  );
}

function Settle({ lesson, kit, done }: { lesson: LessonRow; kit: KitSheet; done: () => void }) {
  const drafts = kit.revisions.filter(({ state }) => state === 'draft');
  const [to, setTo] = useState<SettleLesson['to']>(drafts.length > 0 ? 'taken' : 'left');
  const [why, setWhy] = useState('');
  const body = { to, why, revisionId: to === 'taken' ? (drafts[0]?.id ?? null) : null, version: lesson.version };
  const form = useChecked(lessonAddress.settle, { id: lesson.id }, body);
  return (
    <div style={{ width: 300 }}>
      <EntryForm
        small
        save="Settle it"
        busy={form.busy}
        refusal={form.refusal ?? form.faults.revisionId ?? null}
        onSave={() => void form.save().then((saved) => saved && done())}
      >
        <Segmented
          aria-label="What becomes of it"
          value={to}
          options={[
            {
              value: 'taken',
              label: drafts[0] ? `take into ${drafts[0].revision}` : 'take in',
              disabled: drafts.length === 0,
            },
            { value: 'left', label: 'leave' },
            { value: 'aside', label: 'set aside' },
          ]}
          onChange={(next) => setTo(next as SettleLesson['to'])}
        />
        {drafts.length === 0 && <p className="soft small">Begin a new revision to take it into.</p>}
        <TextField
          label={to === 'taken' ? 'How it was taken in, if there is more to say' : 'Why'}
          value={why}
          onChange={setWhy}
          fault={form.faults.why}
        />
      </EntryForm>
      <Conflict
        of={lessonAddress.settle}
        params={{ id: lesson.id }}
        sending={form.sending}
        theirs={(now: LessonRow) => ({
          to: now.state === 'waiting' ? to : now.state,
          why: now.why,
          revisionId: now.revisionId,
          version: now.version,
        })}
        done={done}
      />
    </div>
  );
}
