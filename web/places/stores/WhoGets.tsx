import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { type AllocationChoice, type NeedSheet, needsAddress } from '../../../contract/needs.ts';
import { hasRole } from '../../../contract/rights.ts';
import { dayText } from '../../../wording/dates.ts';
import { stockText } from '../../../wording/stores.ts';
import { usePerson } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

const DAY_MS = 86_400_000;
const days = (n: number) => `${n} ${n === 1 ? 'day' : 'days'}`;

type Outcome = AllocationChoice['outcomes'][number];

/** The day a job is ready on, with how much that leaves of its promise. */
function Ready({ outcome: { readyOn, promised, lateDays } }: { outcome: Outcome }) {
  if (!readyOn) return <span className="soft">no stages yet</span>;
  const spare = promised ? Math.round((Date.parse(promised) - Date.parse(readyOn)) / DAY_MS) : null;
  return (
    <span className={lateDays > 0 ? 'stop' : 'pass'}>
      {dayText(readyOn)}
      <div className="small">
        {lateDays > 0 ? `${days(lateDays)} late` : spare !== null && spare > 0 && `${days(spare)} in hand`}
      </div>
    </span>
  );
}

/** Who gets what is there: each row one choice, each column what it does to a job. */
export function WhoGets({ sheet }: { sheet: NeedSheet }) {
  const { choices, row } = sheet;
  const { role } = usePerson();
  const may = hasRole(role, needsAddress.take.may);
  const [giving, setGiving] = useState<string | null>(null);
  const jobs = choices[0]?.outcomes ?? [];
  const given = choices.find(({ lineId }) => lineId === giving);
  return (
    <Panel title="Who gets it?" aside={`${stockText(row.onHand, row.unitSize)} there, ${choices.length} want it`}>
      <div className="in stack" style={{ overflowX: 'auto' }}>
        <DataTable
          label="Who gets it"
          rows={choices}
          rowKey={({ lineId }) => lineId}
          rowMark={(choice) => ({ 'data-choice': choice.number, className: choice.advised ? 'picked' : '' })}
          columns={({ words }) => [
            words('Give it to', (choice) => (
              <>
                <Link
                  className="in-text"
                  to={/^K/.test(choice.number) ? `/kits/orders/${choice.number}` : `/jobs/${choice.number}/parts`}
                >
                  {choice.number}
                </Link>
                <div className="soft small">
                  {choice.advised ? 'advised' : ''}
                  {choice.advised && choice.holds ? ', ' : ''}
                  {choice.holds ? 'as held now' : ''}
                </div>
                {may && !choice.holds && choices.some(({ holds }) => holds) && (
                  <Button
                    size="small"
                    type={choice.advised ? 'primary' : 'default'}
                    onClick={() => setGiving(choice.lineId)}
                    aria-label={`Give it to ${choice.number}`}
                  >
                    Take it
                  </Button>
                )}
              </>
            )),
            ...jobs.map((job, i) =>
              words(
                <>
                  {job.number}
                  <div className="soft small">
                    {job.promised ? `promised ${dayText(job.promised)}` : 'not promised'}
                  </div>
                </>,
                (choice: AllocationChoice) => <Ready outcome={choice.outcomes[i]!} />,
              ),
            ),
            words('Late in all', (choice) =>
              choice.lateInAll > 0 ? (
                <span className="stop strong">{days(choice.lateInAll)}</span>
              ) : (
                <span className="pass">none</span>
              ),
            ),
          ]}
        />
        {given && <Take sheet={sheet} to={given} done={() => setGiving(null)} />}
      </div>
    </Panel>
  );
}

function Take({ sheet, to, done }: { sheet: NeedSheet; to: AllocationChoice; done: () => void }) {
  // Of those who hold some, the one whom it hurts least.
  const late = (choice: AllocationChoice) => to.outcomes.find(({ lineId }) => lineId === choice.lineId)?.lateDays ?? 0;
  const from = sheet.choices
    .filter(({ holds, lineId }) => holds && lineId !== to.lineId)
    .sort((a, b) => late(a) - late(b))[0];
  const [why, setWhy] = useState('');
  const readyOn = (lineId: string) => to.outcomes.find((outcome) => outcome.lineId === lineId)?.readyOn ?? null;
  const form = useChecked(
    needsAddress.take,
    {},
    {
      ...{ toLineId: to.lineId, fromLineId: from?.lineId ?? '', why },
      ...{ toReadyOn: readyOn(to.lineId), fromReadyOn: from ? readyOn(from.lineId) : null },
    },
  );
  if (!from) return null;
  const before = from.outcomes.find(({ lineId }) => lineId === from.lineId)?.readyOn;
  const after = readyOn(from.lineId);
  return (
    <EntryForm
      small
      save={`Take it from ${from.number}`}
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Leave it
        </Button>
      }
    >
      <p className={late(from) > 0 ? 'stop' : ''}>
        {before && after && before !== after
          ? `${from.number} goes from ${dayText(before)} to ${dayText(after)}${late(from) > 0 ? `, ${days(late(from))} after its promise` : ''}.`
          : `${from.number} keeps its day.`}
      </p>
      {/^K/.test(to.number) && <p className="soft">It is free then for whoever counts it into the crate.</p>}
      <TextField label="Why" value={why} onChange={setWhy} fault={form.faults.why} />
    </EntryForm>
  );
}
