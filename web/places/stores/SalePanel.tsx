import { FilePdfOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { hasRole } from '../../../contract/rights.ts';
import { type SaleRow, saleAddress } from '../../../contract/sales.ts';
import type { OfferBody } from '../../../core/offer/offer.ts';
import { offerSums } from '../../../core/offer/sums.ts';
import { wantsSerials } from '../../../core/order/order.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { money, percent, SALE_STATE_NAME, short } from '../../../wording/offers.ts';
import { inCurrency } from '../../../wording/purchases.ts';
import { fileUrl } from '../../data/client.ts';
import { useDraft } from '../../data/draft.ts';
import { useLibrary } from '../../data/resources.ts';
import { usePerson, useUnitSet, useWorkshop } from '../../data/session.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { LinesEditor } from '../../widgets/offer/LinesEditor.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { WithReason } from '../../widgets/WithReason.tsx';

/** One sale: what it comes to, written until it is sold; parts go out of their bins when it is. */
export function SalePanel({ sale }: { sale: SaleRow }) {
  const { role } = usePerson();
  const { timeZone } = useWorkshop();
  const [writing, setWriting] = useState(sale.body.lines.length === 0);
  const may = hasRole(role, saleAddress.change.may) && sale.state === 'draft';
  return (
    <Panel
      title={`${sale.number}, ${sale.client}`}
      aside={sale.soldAt ? `sold ${dayAndTime(sale.soldAt, timeZone)}` : SALE_STATE_NAME[sale.state]}
    >
      <div className="in stack" data-sale-panel={sale.state}>
        {may && writing ? (
          <Writing sale={sale} onClose={() => setWriting(false)} />
        ) : (
          <>
            <Lines sale={sale} />
            {sale.endedWhy && <p className="soft">{sale.endedWhy}</p>}
            <div className="row">
              {may && sale.body.lines.length > 0 && <Selling sale={sale} />}
              {may && <Button onClick={() => setWriting(true)}>Change</Button>}
              <Button
                icon={<FilePdfOutlined />}
                href={fileUrl(saleAddress.paper, { sale: sale.number })}
                target="_blank"
              >
                Paper
              </Button>
              {may && <GiveUp sale={sale} />}
            </div>
          </>
        )}
      </div>
    </Panel>
  );
}

function Lines({ sale }: { sale: SaleRow }) {
  const set = inCurrency(useUnitSet(), sale.currency);
  const sums = useMemo(() => offerSums(sale.body), [sale.body]);
  const row = (key: string, text: string, cents: number, strong = false) => (
    <div key={key} className="figure">
      <span>{strong ? <strong>{text}</strong> : text}</span>
      <span className="num">{strong ? <strong>{money(cents, set)}</strong> : money(cents, set)}</span>
    </div>
  );
  if (sale.body.lines.length === 0) return <p className="soft">Nothing in it yet.</p>;
  return (
    <div>
      {sale.body.lines.map((line, i) =>
        row(
          line.key,
          line.quantity === 1 ? line.text : `${line.text}, ${short(line.quantity)}`,
          sums.lines[i]!.netCents,
        ),
      )}
      {row('net', 'Before tax', sums.netCents)}
      {sums.rates.map(({ taxShare, taxCents }) => row(`tax ${taxShare}`, `Tax ${percent(taxShare)}`, taxCents))}
      {row('total', 'To pay', sums.totalCents, true)}
    </div>
  );
}

function Writing({ sale, onClose }: { sale: SaleRow; onClose: () => void }) {
  const set = inCurrency(useUnitSet(), sale.currency);
  const [draft, setDraft] = useDraft<{ body: OfferBody; version: number }>(`sale ${sale.id}`);
  const body = draft?.body ?? sale.body;
  const version = draft?.version ?? sale.version;
  const params = { sale: sale.number };
  const form = useChecked(saleAddress.change, params, { body, version });
  const sums = useMemo(() => offerSums(body), [body]);
  const close = () => {
    setDraft(null);
    onClose();
  };
  return (
    <EntryForm
      save="Keep it so"
      busy={form.busy}
      refusal={form.refusal}
      className="stack narrow-lines"
      onSave={() => void form.save().then((saved) => saved && close())}
      beside={
        <>
          <Button onClick={close}>Leave it as it was</Button>
          <span className="soft" data-sum>
            <strong>{money(sums.totalCents, set)}</strong> to pay
          </span>
        </>
      }
    >
      <LinesEditor
        lines={body.lines}
        taxShare={body.taxShare}
        onChange={(lines) => setDraft({ body: { ...body, lines }, version })}
        faults={form.faults}
        at="body.lines"
      />
      <Conflict
        of={saleAddress.change}
        params={params}
        sending={form.sending}
        theirs={(now: SaleRow) => ({ body: now.body, version: now.version })}
        done={close}
      />
    </EntryForm>
  );
}

/** Sells it: what carries numbers says which go. */
function Selling({ sale }: { sale: SaleRow }) {
  const { shelves } = useLibrary();
  const [serials, setSerials] = useState<Readonly<Record<string, readonly string[]>>>({});
  const numbered = sale.body.lines.flatMap(({ componentId, text }) => {
    const part = componentId === null ? undefined : shelves?.components.get(componentId);
    return part && wantsSerials(part.kind) ? [{ id: part.id, text }] : [];
  });
  const form = useChecked(
    saleAddress.sell,
    { sale: sale.number },
    {
      serials: numbered.flatMap(({ id }) =>
        (serials[id] ?? []).length > 0 ? [{ componentId: id, serials: serials[id]! }] : [],
      ),
      version: sale.version,
    },
  );
  return (
    <EntryForm save="Sell it" busy={form.busy} refusal={form.refusal} onSave={() => void form.save()}>
      {numbered.map(({ id, text }) => (
        <NumbersInput
          key={id}
          label={`Numbers of ${text}`}
          value={serials[id] ?? []}
          onChange={(next) => setSerials((now) => ({ ...now, [id]: next }))}
          fault={form.faults.serials}
        />
      ))}
    </EntryForm>
  );
}

const GiveUp = ({ sale }: { sale: SaleRow }) => (
  <WithReason
    asks="Give it up …"
    save="Give it up"
    address={saleAddress.cancel}
    params={{ sale: sale.number }}
    body={(why) => ({ why, version: sale.version })}
  />
);
