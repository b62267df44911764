import { Button, Switch, Typography } from 'antd';
import { useState } from 'react';
import { type ClientAccess, clientAccessAddress } from '../../../../contract/clientPage.ts';
import { fileAddress } from '../../../../contract/files.ts';
import { hasRole } from '../../../../contract/rights.ts';
import { dayNumber, formatDay } from '../../../../core/quantity/format.ts';
import { dayAndTime, dayText } from '../../../../wording/dates.ts';
import { fileUrl } from '../../../data/client.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { usePerson, useSession, useWorkshop } from '../../../data/session.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { newToken, secretLink } from '../../../widgets/secretLink.ts';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';

/** How long a client's page stays open, days. */
const OPEN_DAYS = 120;

/** The client's page: a link nobody can guess, shown once, closed in one press; what was asked on it; what it shows of pictures. */
export function ClientAccessPanel() {
  const { job } = useOpenJob('job');
  const { role } = usePerson();
  const { houses } = useSession();
  const { timeZone } = useWorkshop();
  const { data } = useOfAddress(clientAccessAddress.look, { number: job.number });
  const sending = useSend(false, { typed: false });
  const [token, setToken] = useState<string | null>(null);
  if (!data) return null;
  const may = hasRole(role, clientAccessAddress.open.may);
  const open = async () => {
    const fresh = newToken();
    const made = await sending.go(clientAccessAddress.open, { number: job.number }, { token: fresh, days: OPEN_DAYS });
    if (made) setToken(fresh);
  };
  return (
    <Panel title="The client’s page" aside={data.link ? 'open' : 'closed'}>
      <div className="in stack">
        <div className="spread">
          {data.link ? (
            <span className="small">
              Open until {formatDay(dayNumber(data.link.until))}, by {data.link.by};{' '}
              {data.link.lastUsedAt
                ? `last looked at ${dayAndTime(data.link.lastUsedAt, timeZone)}`
                : 'not looked at yet'}
            </span>
          ) : (
            <span className="soft small">
              A page without an account: how far it is, what was agreed, offers and changes to accept, questions,
              released pictures. Nothing else of the workshop.
            </span>
          )}
          {may && (
            <span className="row" style={{ flexWrap: 'nowrap' }}>
              <Button size="small" loading={sending.busy} onClick={() => void open()}>
                {data.link ? 'New link, closing this one' : 'Open a page'}
              </Button>
              {data.link && (
                <Button
                  size="small"
                  danger
                  onClick={() => {
                    setToken(null);
                    void sending.go(clientAccessAddress.close, { number: job.number });
                  }}
                >
                  Close it
                </Button>
              )}
            </span>
          )}
        </div>
        {token && data.link && (
          <div className="note" data-client-link>
            <p>Give this link to the client. It is not shown again.</p>
            <Typography.Text copyable code style={{ wordBreak: 'break-all' }}>
              {secretLink('client', token, houses?.here ?? null)}
            </Typography.Text>
          </div>
        )}
        {data.questions.map((question) => (
          <Question key={question.id} question={question} />
        ))}
        <Pictures access={data} />
      </div>
    </Panel>
  );
}

function Question({ question }: { question: ClientAccess['questions'][number] }) {
  const [answer, setAnswer] = useState('');
  const form = useChecked(clientAccessAddress.answer, { id: question.id }, { answer });
  return (
    <div className="lesson" data-question={question.answer === null ? 'open' : 'answered'}>
      <div className="strong">{question.text}</div>
      <div className="soft small">
        {question.by}, {dayText(question.at.slice(0, 10))}
      </div>
      {question.answer !== null ? (
        <div>
          {question.answer} <span className="soft small">{question.answeredBy}</span>
        </div>
      ) : (
        <EntryForm small save="Answer" busy={form.busy} refusal={form.refusal} onSave={() => void form.save()}>
          <TextField label="Answer" hideLabel value={answer} onChange={setAnswer} fault={form.faults.answer} />
        </EntryForm>
      )}
    </div>
  );
}

function Pictures({ access: { pictures } }: { access: ClientAccess }) {
  const { job } = useOpenJob('job');
  const { role } = usePerson();
  const sending = useSend(false, { typed: false });
  if (pictures.length === 0)
    return <p className="soft small">No pictures of this job yet: those taken of it can be released here.</p>;
  return (
    <div className="files">
      {pictures.map(({ id, name, caption, released }) => (
        <figure key={id} data-released={String(released)}>
          <img src={fileUrl(fileAddress.small, { id })} alt={caption || name} />
          <figcaption>
            <span className="small">{released ? 'shown' : 'not shown'}</span>
            {hasRole(role, clientAccessAddress.release.may) && (
              <Switch
                size="small"
                checked={released}
                aria-label={`Show ${caption || name} to the client`}
                onChange={(next) =>
                  void sending.go(clientAccessAddress.release, { number: job.number }, { fileId: id, released: next })
                }
              />
            )}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}
