import { Button } from 'antd';
import { useState } from 'react';
import { type InvoiceRow, type PurchaseSheet, purchaseAddress } from '../../../contract/purchases.ts';
import { hasRole } from '../../../contract/rights.ts';
import type { InvoiceFinding } from '../../../core/buying/purchase.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { dayText } from '../../../wording/dates.ts';
import { inCurrency } from '../../../wording/purchases.ts';
import { stockText } from '../../../wording/stores.ts';
import { fileUrl } from '../../data/client.ts';
import { usePerson, useUnitSet } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { TableFile } from '../../widgets/TableFile.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { NewInvoice } from './NewInvoice.tsx';

/** What does not match, in a sentence. */
function findingText(finding: InvoiceFinding, order: PurchaseSheet, set: UnitSet): string {
  const money = (cents: number) => formatQuantity(cents, 'money', set, { digits: 2 });
  if (finding.finding === 'sum')
    return `its lines and tax come to ${money(finding.counted)}, it says ${money(finding.said)}`;
  const line = order.lines.find(({ id }) => id === finding.lineId);
  if (!line || finding.finding === 'unknownLine') return 'it has a line that was not ordered';
  if (finding.finding === 'price')
    return `${line.name}: ordered at ${money(finding.ordered)}, invoiced at ${money(finding.invoiced)}`;
  return `${line.name}: ${stockText(finding.by, line.unitSize)} more than came and were kept`;
}

/** Invoices held against order and receipts: agreed, or refused with a reason. */
export function Invoices({ order }: { order: PurchaseSheet }) {
  const { role } = usePerson();
  const set = inCurrency(useUnitSet(), order.currency);
  const [adding, setAdding] = useState(false);
  const may = hasRole(role, purchaseAddress.settle.may);
  if (order.state === 'draft' || order.state === 'cancelled') return null;
  return (
    <Panel
      title="Invoices"
      aside={
        <span className="row">
          <TableFile href={fileUrl(purchaseAddress.invoiceTable, {})} what="Invoices of all orders" />
          {may && (
            <Button size="small" onClick={() => setAdding(true)}>
              Enter one
            </Button>
          )}
        </span>
      }
    >
      <div className="in stack">
        {order.invoices.length === 0 && !adding && <p className="soft">None yet.</p>}
        {order.invoices.map((invoice) => (
          <div key={invoice.id} className="lesson" data-invoice={invoice.number}>
            <div className="spread">
              <span className="row">
                <StateMark
                  mark={invoice.state === 'agreed' ? 'pass' : invoice.findings.length > 0 ? 'stop' : 'waiting'}
                  label={invoice.state}
                />
                <span className="strong">{invoice.number}</span>
                <span className="soft">{dayText(invoice.day)}</span>
              </span>
              <span className="strong">{formatQuantity(invoice.totalCents, 'money', set, { digits: 2 })}</span>
            </div>
            {invoice.findings.map((finding) => (
              <div key={JSON.stringify(finding)} className={invoice.state === 'open' ? 'stop' : 'soft'}>
                {findingText(finding, order, set)}
              </div>
            ))}
            {invoice.findings.length === 0 && <div className="soft small">as ordered and received</div>}
            {invoice.state !== 'open' && (
              <div className="soft small">
                {`${invoice.state === 'agreed' ? 'agreed' : 'refused'} by ${invoice.settledBy}${invoice.why ? `: ${invoice.why}` : ''}`}
              </div>
            )}
            {may && invoice.state === 'open' && <Settle invoice={invoice} />}
          </div>
        ))}
        {adding && <NewInvoice order={order} done={() => setAdding(false)} />}
      </div>
    </Panel>
  );
}

function Settle({ invoice }: { invoice: InvoiceRow }) {
  const [why, setWhy] = useState('');
  const body = { why, version: invoice.version };
  const agree = useChecked(purchaseAddress.settle, { id: invoice.id }, { ...body, agreed: true });
  const refuse = useChecked(purchaseAddress.settle, { id: invoice.id }, { ...body, agreed: false });
  return (
    <EntryForm
      small
      save="Agree"
      busy={agree.busy}
      refusal={agree.refusal ?? refuse.refusal}
      onSave={() => {
        refuse.clear();
        void agree.save();
      }}
      beside={
        <Button
          size="small"
          loading={refuse.busy}
          onClick={() => {
            agree.clear();
            void refuse.save();
          }}
        >
          Refuse
        </Button>
      }
    >
      <TextField label="Why" value={why} onChange={setWhy} fault={agree.faults.why ?? refuse.faults.why} />
    </EntryForm>
  );
}
