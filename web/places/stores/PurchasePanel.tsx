import { FilePdfOutlined, TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { type PurchaseSheet, purchaseAddress } from '../../../contract/purchases.ts';
import { hasRole } from '../../../contract/rights.ts';
import { isComing } from '../../../core/buying/purchase.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { dayAndTime, dayText } from '../../../wording/dates.ts';
import { arrivalText, inCurrency, PURCHASE_STATE_NAME } from '../../../wording/purchases.ts';
import { stockText } from '../../../wording/stores.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useToday, useUnitSet, useWorkshop } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { useSend } from '../../widgets/useSend.ts';
import { EndPurchase } from './EndPurchase.tsx';
import { Invoices } from './Invoices.tsx';
import { PurchaseForm } from './PurchaseForm.tsx';
import { PurchasePromises } from './PurchasePromises.tsx';
import { ReceiveForm } from './ReceiveForm.tsx';
import { ShortLine } from './ShortLine.tsx';

type Doing = 'write' | 'receive' | 'promise' | null;

/** One order with all that came of it: what was promised, what came and how, what it was invoiced at. */
export function PurchasePanel({ number }: { number: string }) {
  const { data, error } = useOfAddress(purchaseAddress.one, { purchase: number });
  const { role } = usePerson();
  const [doing, setDoing] = useState<Doing>(null);
  const [note, setNote] = useState<string | null>(null);
  const sending = useSend();
  if (error) return <Panel title="Not found">{error.message}</Panel>;
  if (!data) return <Panel title="One moment …">{null}</Panel>;
  const may = hasRole(role, purchaseAddress.send.may);
  const coming = isComing(data.state);
  return (
    <>
      <Panel title={`${data.number}, ${data.supplier}`} aside={PURCHASE_STATE_NAME[data.state]}>
        <div className="in stack">
          <p className="soft">
            {[
              data.sentOn && `sent ${dayText(data.sentOn)}`,
              data.wantedOn && `wanted by ${dayText(data.wantedOn)}`,
              data.currency !== undefined &&
                data.rateDay &&
                `one ${data.currency} was ${data.rateMillionths / 1_000_000} on ${dayText(data.rateDay)}`,
              data.byDesk &&
                data.state === 'sent' &&
                (data.takenAt ? 'their desk has it' : 'goes to their desk by itself'),
              data.endedWhy,
              data.note,
            ]
              .filter(Boolean)
              .join(' · ')}
          </p>
          <div className="row">
            {may && data.state === 'draft' && (
              <>
                <Button
                  type="primary"
                  loading={sending.busy}
                  onClick={() => void sending.go(purchaseAddress.send, { purchase: number }, { version: data.version })}
                >
                  Send it
                </Button>
                <Button onClick={() => setDoing('write')}>Change</Button>
              </>
            )}
            {coming && hasRole(role, purchaseAddress.receive.may) && (
              <Button
                type="primary"
                onClick={() => {
                  setNote(null);
                  setDoing('receive');
                }}
              >
                Count a delivery in
              </Button>
            )}
            {coming && may && <Button onClick={() => setDoing('promise')}>What they promise</Button>}
            <Button
              icon={<FilePdfOutlined />}
              href={fileUrl(purchaseAddress.paper, { purchase: number })}
              target="_blank"
            >
              Order
            </Button>
            <Button
              icon={<TableOutlined />}
              href={fileUrl(purchaseAddress.csv, { purchase: number })}
              aria-label={`Order ${number} as CSV`}
            >
              CSV
            </Button>
            {data.receipts.length > 0 && (
              <Button href={fileUrl(purchaseAddress.labels, { purchase: number })} target="_blank">
                Labels
              </Button>
            )}
            {may && (coming || data.state === 'draft') && <EndPurchase order={data} />}
          </div>
          {data.announced.map((one) => (
            <div key={one.key} className="note wait spread" data-announced={one.note}>
              <span>
                Note {one.note} is on its way{one.arrivesOn ? `, here ${dayText(one.arrivesOn)}` : ''}
              </span>
              {hasRole(role, purchaseAddress.receive.may) && coming && (
                <Button
                  size="small"
                  onClick={() => {
                    setNote(one.note);
                    setDoing('receive');
                  }}
                >
                  Count it in
                </Button>
              )}
            </div>
          ))}
          <Lines order={data} may={may} />
        </div>
      </Panel>
      {(data.receipts.length > 0 || data.said.length > 0) && <Came order={data} />}
      <Invoices order={data} />
      {doing === 'write' && <PurchaseForm stored={data} onClose={() => setDoing(null)} />}
      {doing === 'receive' && <ReceiveForm key={note} order={data} note={note} onClose={() => setDoing(null)} />}
      {doing === 'promise' && <PurchasePromises order={data} onClose={() => setDoing(null)} />}
    </>
  );
}

function Lines({ order, may }: { order: PurchaseSheet; may: boolean }) {
  const set = inCurrency(useUnitSet(), order.currency);
  const today = useToday();
  const coming = isComing(order.state);
  return (
    <DataTable
      label="Lines of the order"
      rows={order.lines}
      rowKey={({ id }) => id}
      columns={({ words, figures, actions }) => [
        words('Part', (line) => (
          <>
            <Link to={`/stores/counted/${line.componentId}`}>{line.name}</Link>
            <div className="soft small">
              {[line.partNumber, line.forJobs.length > 0 && `waited for by ${line.forJobs.join(', ')}`]
                .filter(Boolean)
                .join(' · ')}
            </div>
          </>
        )),
        figures('Ordered', (line) => stockText(line.quantity - line.dropped, line.unitSize)),
        figures('Came', (line) => (line.accepted > 0 ? stockText(line.accepted - line.returned, line.unitSize) : '')),
        words('Promised', (line) =>
          line.outstanding > 0 && line.promisedOn ? (
            <span className={coming && line.promisedOn < today ? 'stop strong' : ''}>
              {dayText(line.promisedOn)}
              {line.firstPromisedOn && line.firstPromisedOn < line.promisedOn && (
                <div className="soft small">{`first ${dayText(line.firstPromisedOn)}`}</div>
              )}
            </span>
          ) : (
            ''
          ),
        ),
        figures('Each', (line) => (
          <>
            {formatQuantity(line.priceCents, 'money', set, { digits: 2 })}
            {line.saidCents !== null && (
              <div className="stop small">{`they say ${formatQuantity(line.saidCents, 'money', set, { digits: 2 })}`}</div>
            )}
          </>
        )),
        actions('More', (line) => (may || line.accepted > 0 ? <ShortLine order={order} line={line} /> : null)),
      ]}
    />
  );
}

function Came({ order }: { order: PurchaseSheet }) {
  const { timeZone } = useWorkshop();
  return (
    <Panel title="What came, and what they said">
      <div className="in">
        {order.receipts.map((receipt) => (
          <div key={receipt.id} className="lesson" data-receipt={receipt.note}>
            <div className="spread">
              <span className="strong">{`Note ${receipt.note}`}</span>
              <span className="soft small">{`${dayAndTime(receipt.at, timeZone)}, ${receipt.by}`}</span>
            </div>
            {receipt.lines.map((line) => (
              <div key={line.lineId}>
                {`${stockText(line.good, line.unitSize)} × ${line.name}`}
                {line.findings.length > 0 && (
                  <span className="stop">{`: ${line.findings.map((one) => arrivalText(one, line.unitSize)).join(', ')}`}</span>
                )}
                {line.remark && <span className="soft">{` (${line.remark})`}</span>}
              </div>
            ))}
          </div>
        ))}
        {order.returns.map((back) => (
          <div key={back.id} className="lesson">
            {`${stockText(back.quantity, order.lines.find(({ id }) => id === back.lineId)?.unitSize ?? 1)} × ${order.lines.find(({ id }) => id === back.lineId)?.name ?? ''} back: ${back.reason}`}
            <span className="soft small">{` ${dayAndTime(back.at, timeZone)}, ${back.by}`}</span>
          </div>
        ))}
        {order.said.map((one) => (
          <div key={`${one.at} ${one.text}`} className="lesson soft small">
            {`${dayAndTime(one.at, timeZone)}: ${one.text}`}
          </div>
        ))}
      </div>
    </Panel>
  );
}
