import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { type OfferRow, offerAddress, type PriceSheet } from '../../../../contract/offers.ts';
import { offerDifference } from '../../../../core/offer/difference.ts';
import { offerDoubts } from '../../../../core/offer/doubts.ts';
import { offerSums } from '../../../../core/offer/sums.ts';
import { formatNumber, formatQuantity } from '../../../../core/quantity/format.ts';
import { dayText } from '../../../../wording/dates.ts';
import {
  doubtText,
  foldedRows,
  hoursText,
  money,
  moneyChange,
  percent,
  TAX_RULE_NAME,
} from '../../../../wording/offers.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';
import { AnswerOffer } from './AnswerOffer.tsx';
import { EndOffer } from './EndOffer.tsx';
import { OfferLines } from './OfferLines.tsx';
import type { OfferShown } from './offerShown.ts';

interface Props {
  readonly sheet: PriceSheet;
  readonly shown: OfferShown | null;
  readonly before: OfferRow | null;
  readonly onEdit: () => void;
  readonly onMade: (id: string | null) => void;
}

interface Row {
  readonly key: string;
  readonly text: string;
  readonly cost: number | null;
  readonly added: number | null;
  readonly net: number;
  readonly since: number | null;
  readonly strong?: boolean;
}

/** What an offer comes to, against the ceiling and since the last one; what is hard to believe in it; and what is done with it. */
export function OfferPanel({ sheet, shown, before, onEdit, onMade }: Props) {
  const { job } = useOpenJob('job');
  const set = useUnitSet();
  const [lines, setLines] = useState(false);
  const rows = useMemo(() => (shown ? rowsOf(shown, before, set) : []), [shown, before, set]);
  if (!shown)
    return (
      <Panel title="What it comes to">
        <p className="in soft">
          Nothing to price yet. Take a kit in Match or choose a design in Size: parts and hours come from them.
        </p>
      </Panel>
    );
  const { row, body } = shown;
  return (
    <Panel
      title="What it comes to"
      aside={
        <Button size="small" type="text" aria-expanded={lines} onClick={() => setLines(!lines)}>
          {lines ? 'Folded' : `Each of ${body.lines.length} lines`}
        </Button>
      }
    >
      <div className="in stack" data-offer={row?.number ?? 'fresh'} data-state={row?.state ?? 'fresh'}>
        {lines ? (
          <OfferLines body={body} before={before?.body ?? null} />
        ) : (
          <DataTable
            label="What it comes to"
            className="close"
            rows={rows}
            rowKey={({ key }) => key}
            rowMark={({ key }) => ({ 'data-row': key })}
            columns={({ words, figures }) => [
              words(<span className="hidden-label">What</span>, ({ text, strong }) =>
                strong ? <strong>{text}</strong> : text,
              ),
              figures('Cost', ({ cost }) => (cost === null ? '' : formatQuantity(cost, 'money', set)), { width: 66 }),
              figures('Added', ({ added }) => (added === null ? '' : `${formatNumber(added * 100, 0)} %`), {
                width: 52,
              }),
              figures('Offered', ({ net, strong }) => (strong ? <strong>{money(net, set)}</strong> : money(net, set)), {
                width: 100,
              }),
              ...(before
                ? [
                    figures(
                      `Since offer ${before.number}`,
                      ({ since, strong }) =>
                        since === null || (since === 0 && !strong) ? '' : moneyChange(since, set),
                      { width: 104 },
                    ),
                  ]
                : []),
            ]}
          />
        )}
        <OfferSays sheet={sheet} shown={shown} />
        <OfferDoing job={job} shown={shown} onEdit={onEdit} onMade={onMade} />
      </div>
    </Panel>
  );
}

function rowsOf({ body }: OfferShown, before: OfferRow | null, set: ReturnType<typeof useUnitSet>): Row[] {
  const sums = offerSums(body);
  const old = before && new Map(foldedRows(before, offerSums(before.body), set).map((row) => [row.key, row]));
  const change = before && offerDifference(before.body, body);
  const folded = foldedRows({ body }, sums, set).map(
    (row): Row => ({
      ...{ key: row.key, text: row.text, cost: row.costCents, added: row.addShare, net: row.netCents },
      since: old && row.netCents - (old.get(row.key)?.netCents ?? 0),
    }),
  );
  const now = new Set(folded.map(({ key }) => key));
  const gone = [...(old?.values() ?? [])]
    .filter(({ key }) => !now.has(key))
    .map(
      (row): Row => ({
        ...{ key: row.key, text: `${row.text}: not in it any more`, cost: null, added: null, net: 0 },
        since: -row.netCents,
      }),
    );
  const sum = (key: string, text: string, net: number, since: number | null, more: Partial<Row> = {}): Row => ({
    ...{ key, text, net, since, cost: null, added: null },
    ...more,
  });
  return [
    ...folded,
    ...gone,
    sum('net', 'Before tax', sums.netCents, change?.netCents ?? null, { strong: true, cost: sums.costCents }),
    ...sums.rates.map(({ taxShare, taxCents }, i) =>
      sum(
        `tax ${taxShare}`,
        `Tax ${percent(taxShare)}, ${TAX_RULE_NAME[body.taxRule]}`,
        taxCents,
        i === 0 && sums.rates.length === 1 ? (change?.taxCents ?? null) : null,
      ),
    ),
    sum('total', 'To pay', sums.totalCents, change?.totalCents ?? null, { strong: true }),
  ];
}

/** What it rests on, until when it stands, and what is hard to believe. */
function OfferSays({ sheet, shown }: { sheet: PriceSheet; shown: OfferShown }) {
  const { shelves } = useOpenJob('shelves');
  const set = useUnitSet();
  const { body, row } = shown;
  const doubts = useMemo(
    () =>
      row && row.state !== 'draft' && row.state !== 'sent'
        ? []
        : offerDoubts(body, { ...sheet.ground, paidCents: new Map(Object.entries(sheet.ground.paidCents)) }),
    [body, row, sheet.ground],
  );
  const nameOf = (key: string) => {
    const line = body.lines.find((one) => one.key === key);
    return line?.text || shelves.components.get(key.replace('part ', ''))?.name || 'A line';
  };
  const foreign = body.lines.filter((line) => line.foreign !== null);
  return (
    <div className="stack" style={{ gap: 4 }}>
      <p className="soft small">
        {[
          sheet.hours && `Hours: ${hoursText(sheet.hours)}`,
          row?.state !== 'accepted' && `stands until ${dayText(body.validUntil)}`,
          row?.designName && `design ${row.designName}`,
          row?.kitName && row.kitName,
          foreign.length > 0 &&
            `${foreign.length} ${foreign.length === 1 ? 'price' : 'prices'} by the rate of ${dayText(foreign[0]!.foreign!.rateDay)}`,
          body.open ? 'the client sees each line' : 'the client sees what groups come to',
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
      {row?.answered && (
        <p className="small" data-answered>
          {row.state === 'accepted' ? 'Accepted' : 'Declined'} by <strong>{row.answered.by}</strong> on{' '}
          {dayText(row.answered.at.slice(0, 10))}
          {row.answered.onPage ? ', on their page' : ', written down here'}
          {row.answered.why && `: ${row.answered.why}`}
        </p>
      )}
      {doubts.map((doubt) => (
        <div
          key={JSON.stringify(doubt)}
          className="row small"
          style={{ flexWrap: 'nowrap', alignItems: 'start' }}
          data-doubt={doubt.doubt}
        >
          <StateMark mark={doubt.doubt === 'overCeiling' && doubt.firm ? 'stop' : 'waiting'} label="look at this" />
          <span>{doubtText(doubt, set, nameOf)}</span>
        </div>
      ))}
    </div>
  );
}

/** What can be done with it as it stands. */
function OfferDoing({
  job,
  shown: { row },
  onEdit,
  onMade,
}: {
  job: ReturnType<typeof useOpenJob<'job'>>['job'];
  shown: OfferShown;
  onEdit: () => void;
  onMade: (id: string | null) => void;
}) {
  const may = useMay(job, 'offer');
  const sending = useSend();
  if (!may) return null;
  if (!row)
    return (
      <div className="row">
        <Button
          type="primary"
          loading={sending.busy}
          onClick={() =>
            void sending.go(offerAddress.make, { number: job.number }).then((made) => made && onMade(made.id))
          }
        >
          Write this offer
        </Button>
      </div>
    );
  const { id, version, state } = row;
  return (
    <div className="row">
      {state === 'draft' && (
        <>
          <Button
            type="primary"
            loading={sending.busy}
            onClick={() => void sending.go(offerAddress.send, { id }, { version })}
          >
            Send it
          </Button>
          <Button onClick={onEdit}>Change</Button>
          <Button loading={sending.busy} onClick={() => void sending.go(offerAddress.refresh, { id }, { version })}>
            Take today’s parts and hours
          </Button>
        </>
      )}
      {state === 'sent' && <AnswerOffer row={row} />}
      {(state === 'draft' || state === 'sent') && <EndOffer row={row} />}
      {sending.problem?.fields && <span className="fault">{sending.problem.detail}</span>}
    </div>
  );
}
