import { InboxOutlined } from '@ant-design/icons';
import { Button, Upload } from 'antd';
import { useState } from 'react';
import { calendarAddress, MOST_AWAY } from '../../../contract/calendars.ts';
import { dayText } from '../../../wording/dates.ts';
import { dayAfter } from '../../../wording/zoneDays.ts';
import { useToday } from '../../data/session.tsx';
import { useSend } from '../../widgets/useSend.ts';

interface Away {
  readonly from: string;
  readonly to: string;
  readonly why: string;
}

/** Days that follow each other under one name are one time away. */
export function spansOf(days: readonly { readonly day: string; readonly name: string }[]): Away[] {
  const spans: Away[] = [];
  for (const { day, name } of days) {
    const last = spans.at(-1);
    if (last && last.why === name && dayAfter(last.to) === day) spans[spans.length - 1] = { ...last, to: day };
    else spans.push({ from: day, to: day, why: name });
  }
  return spans;
}

/** Leave out of a calendar file: read here, looked over, then taken in. */
export function AwayFromFile({ personId }: { personId: string }) {
  const today = useToday();
  const sending = useSend(true, { typed: false });
  const [found, setFound] = useState<{ name: string; spans: readonly Away[] } | null>(null);
  const [said, setSaid] = useState<{ text: string; fault: boolean } | null>(null);
  const read = async (file: File) => {
    setSaid(null);
    setFound(null);
    const { readCalendar } = await import('../../widgets/readCalendar.ts');
    const days = readCalendar(await file.text(), today);
    if (days === null) {
      setSaid({ text: `${file.name} is no calendar: a file that ends in .ics is wanted.`, fault: true });
      return;
    }
    const spans = spansOf(days);
    if (spans.length === 0) {
      setSaid({ text: `${file.name} has no whole days from today on; entries with hours are left out.`, fault: true });
      return;
    }
    if (spans.length > MOST_AWAY) {
      setSaid({
        text: `${file.name} has ${spans.length} times away; ${MOST_AWAY} at most are taken in at once. Take out a shorter stretch of the calendar.`,
        fault: true,
      });
      return;
    }
    setFound({ name: file.name, spans });
  };
  const take = async () => {
    if (!found) return;
    const answer = await sending.go(
      calendarAddress.away,
      { id: personId },
      { days: found.spans.map(({ from, to, why }) => ({ from, to, why: why.slice(0, 120) })) },
    );
    if (!answer) return;
    const left = found.spans.length - answer.added;
    setSaid({
      text: `${answer.added} taken in${left > 0 ? `; ${left} ${left === 1 ? 'was' : 'were'} there already` : ''}.`,
      fault: false,
    });
    setFound(null);
  };
  return (
    <div className="stack" data-away-file>
      <Upload
        accept=".ics,text/calendar"
        showUploadList={false}
        beforeUpload={(file) => {
          void read(file);
          return false;
        }}
      >
        <Button size="small" icon={<InboxOutlined />}>
          From a calendar file
        </Button>
      </Upload>
      {said && <p className={said.fault ? 'fault' : 'small'}>{said.text}</p>}
      {found && (
        <div className="stack">
          <p className="small">
            {found.name}: {found.spans.length} {found.spans.length === 1 ? 'time' : 'times'} away.{' '}
            {found.spans
              .slice(0, 6)
              .map(({ from, to, why }) =>
                `${from === to ? dayText(from) : `${dayText(from)} to ${dayText(to)}`} ${why}`.trim(),
              )
              .join(' · ')}
            {found.spans.length > 6 && ` · and ${found.spans.length - 6} more`}
          </p>
          <div className="row">
            <Button size="small" type="primary" loading={sending.busy} onClick={() => void take()}>
              Take them in
            </Button>
            <Button size="small" onClick={() => setFound(null)}>
              Leave them
            </Button>
          </div>
          {sending.problem && <p className="fault">{sending.problem.detail}</p>}
        </div>
      )}
    </div>
  );
}
