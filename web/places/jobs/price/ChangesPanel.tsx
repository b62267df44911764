import { TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { type AdditionRow, offerAddress, type PriceSheet } from '../../../../contract/offers.ts';
import { toCsv } from '../../../../wording/csv.ts';
import { dayText } from '../../../../wording/dates.ts';
import { ADDITION_STATE_NAME, effectTexts, moneyChange } from '../../../../wording/offers.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../../widgets/StateMark.tsx';
import { saveFile } from '../../../widgets/saveFile.ts';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';
import { AnswerChange } from './AnswerOffer.tsx';
import { ChangeEditor } from './ChangeEditor.tsx';
import { EndChange } from './EndOffer.tsx';
import { NewWish } from './NewWish.tsx';

const MARK: Record<AdditionRow['state'], Mark> = {
  asked: 'open',
  priced: 'waiting',
  accepted: 'pass',
  declined: 'stop',
  withdrawn: 'stop',
};

const day = (iso: string) => dayText(iso.slice(0, 10));

/** Who said what, when. */
function says({ state, askedBy, createdAt, pricedAt, answered }: AdditionRow): string {
  const asked = `asked ${askedBy ? `by ${askedBy} ` : ''}${day(createdAt)}`;
  if (state === 'asked') return `${asked}; ${ADDITION_STATE_NAME.asked}`;
  if (state === 'priced') return `${asked}; waits for the client since ${day(pricedAt!)}`;
  if (answered)
    return `${ADDITION_STATE_NAME[state]} ${day(answered.at)} by ${answered.by}${answered.onPage ? ', on their page' : ''}${answered.why ? `: ${answered.why}` : ''}`;
  return `${asked}; ${ADDITION_STATE_NAME[state]}`;
}

/** Less far, or later: what a client would rather not have. */
const worse = ({ rangeKm, days }: NonNullable<AdditionRow['effect']>, what: string): boolean =>
  what === 'range' ? rangeKm !== null && Math.round(rangeKm) < 0 : what === 'days' && days !== null && days > 0;

const saveChanges = (number: string, rows: readonly AdditionRow[]) =>
  saveFile(
    `${number}-changes.csv`,
    new Blob(
      [
        toCsv(
          [
            'change',
            'wish',
            'asked by',
            'state',
            'before tax',
            'to pay',
            'currency',
            'hours',
            'range km',
            'mass kg',
            'days',
            'answered by',
            'why',
          ],
          rows.map(({ effect, answered, ...row }) => [
            ...[row.number, row.wish, row.askedBy, ADDITION_STATE_NAME[row.state]],
            ...[row.netCents / 100, row.totalCents / 100, row.currency],
            ...[effect?.hours, effect?.rangeKm, effect?.massKg, effect?.days, answered?.by, answered?.why],
          ]),
        ),
      ],
      { type: 'text/csv;charset=utf-8' },
    ),
  );

/** Wishes since it was agreed, each priced as an addition before it is built: what it costs, and what it does to the figures. */
export function ChangesPanel({ sheet }: { sheet: PriceSheet }) {
  const { job } = useOpenJob('job');
  const set = useUnitSet();
  const may = useMay(job, 'offer');
  const mayWish = useMay(job, 'wish');
  const sending = useSend();
  const [editing, setEditing] = useState<string | null>(null);
  const [wishing, setWishing] = useState(false);
  const edited = sheet.additions.find(({ id, state }) => id === editing && state === 'asked');
  return (
    <Panel
      title={
        <>
          Changes since it was agreed <span className="soft small">each priced before it is built</span>
        </>
      }
      aside={
        <span className="row">
          {sheet.additions.length > 0 && (
            <Button
              size="small"
              icon={<TableOutlined />}
              aria-label="Changes as CSV"
              onClick={() => saveChanges(job.number, sheet.additions)}
            >
              CSV
            </Button>
          )}
          {mayWish && (
            <Button size="small" onClick={() => setWishing(true)}>
              Note a wish
            </Button>
          )}
        </span>
      }
    >
      <div className="in stack">
        {sheet.additions.length === 0 ? (
          <p className="soft">
            Nothing was wished since. What is wished now is priced here, and built when the client has accepted it.
          </p>
        ) : (
          <DataTable
            label="Changes since it was agreed"
            className="close"
            rows={sheet.additions}
            rowKey={({ id }) => id}
            rowMark={({ number, state }) => ({ 'data-change': String(number), 'data-state': state })}
            columns={({ words, figures, actions }) => [
              words('Wish', (row) => (
                <span className="row" style={{ flexWrap: 'nowrap', alignItems: 'start' }}>
                  <StateMark mark={MARK[row.state]} label={ADDITION_STATE_NAME[row.state]} />
                  <span>
                    <strong>{row.wish}</strong>
                    <div className="soft small">{says(row)}</div>
                  </span>
                </span>
              )),
              figures('Price', (row) => (row.body.lines.length > 0 ? moneyChange(row.totalCents, set) : '–'), {
                width: 96,
              }),
              ...(['hours', 'range', 'mass', 'days'] as const).map((what) =>
                figures(
                  { hours: 'Hours', range: 'Range', mass: 'Mass', days: 'Ready' }[what],
                  ({ effect }) =>
                    effect ? (
                      <span className={worse(effect, what) ? 'stop' : ''}>{effectTexts(effect, set)[what]}</span>
                    ) : (
                      '–'
                    ),
                  { width: 62 },
                ),
              ),
              actions('What to do', (row) =>
                may ? (
                  <span className="row" style={{ justifyContent: 'flex-end', gap: 4, flexWrap: 'nowrap' }}>
                    {row.state === 'asked' && (
                      <>
                        <Button size="small" onClick={() => setEditing(row.id)}>
                          {row.body.lines.length > 0 ? 'Change' : 'Price it'}
                        </Button>
                        {row.body.lines.length > 0 && (
                          <Button
                            size="small"
                            type="primary"
                            loading={sending.busy}
                            onClick={() =>
                              void sending.go(offerAddress.priceWish, { id: row.id }, { version: row.version })
                            }
                          >
                            Lay before the client
                          </Button>
                        )}
                      </>
                    )}
                    {row.state === 'priced' && <AnswerChange row={row} />}
                    {(row.state === 'asked' || row.state === 'priced') && <EndChange row={row} />}
                  </span>
                ) : null,
              ),
            ]}
          />
        )}
        {edited && <ChangeEditor key={edited.id} row={edited} onClose={() => setEditing(null)} />}
        {wishing && <NewWish onClose={() => setWishing(false)} onMade={setEditing} />}
      </div>
    </Panel>
  );
}
