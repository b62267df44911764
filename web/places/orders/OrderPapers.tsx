import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import { ORDER_PAPERS, type OrderPaper } from '../../../core/order/order.ts';
import { dayText } from '../../../wording/dates.ts';
import { ORDER_PAPER_NAME } from '../../../wording/orders.ts';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { SafetyNote } from '../../widgets/SafetyNote.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Papers that go with the kit: which, by whom, of which day. */
export function OrderPapers({ order, may }: { order: OrderSheet; may: boolean }) {
  const lithium = order.lines.some(({ kind }) => kind === 'module');
  return (
    <Panel title="Papers that go along">
      {ORDER_PAPERS.filter((kind) => kind !== 'lithium' || lithium).map((kind) => (
        <Paper key={kind} order={order} kind={kind} may={may} />
      ))}
      {lithium && (
        <div className="in">
          <SafetyNote about="lithium" />
        </div>
      )}
    </Panel>
  );
}

function Paper({ order, kind, may }: { order: OrderSheet; kind: OrderPaper; may: boolean }) {
  const [open, setOpen] = useState(false);
  const paper = order.papers.find((one) => one.kind === kind);
  return (
    <div className="lesson" data-paper={kind}>
      {ORDER_PAPER_NAME[kind]}
      <div className="small">
        {paper ? (
          <span className="soft">
            {paper.reference}, {paper.givenBy}, {dayText(paper.day)}
          </span>
        ) : (
          <span className="wait">not in</span>
        )}{' '}
        {may && (
          <Popover
            trigger="click"
            open={open}
            onOpenChange={setOpen}
            destroyOnHidden
            content={<PutIn order={order} kind={kind} done={() => setOpen(false)} />}
          >
            <button type="button" className="link-like" aria-label={`Put in: ${ORDER_PAPER_NAME[kind]}`}>
              {paper ? 'another' : 'Put in'}
            </button>
          </Popover>
        )}
      </div>
    </div>
  );
}

function PutIn({ order, kind, done }: { order: OrderSheet; kind: OrderPaper; done: () => void }) {
  const [draft, setDraft] = useState({ reference: '', givenBy: '', day: new Date().toISOString().slice(0, 10) });
  const form = useChecked(orderAddress.paper, { order: order.number }, { kind, ...draft });
  const set = (part: Partial<typeof draft>) => setDraft((now) => ({ ...now, ...part }));
  return (
    <EntryForm
      small
      save="It is in"
      busy={form.busy}
      refusal={form.refusal}
      style={{ width: 260 }}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <TextField
        label="Number or title"
        value={draft.reference}
        onChange={(reference) => set({ reference })}
        fault={form.faults.reference}
      />
      <TextField
        label={kind === 'lithium' ? 'Given by, licensed for it' : 'Given by'}
        value={draft.givenBy}
        onChange={(givenBy) => set({ givenBy })}
        fault={form.faults.givenBy}
      />
      <DayInput shown label="Day" value={draft.day} onChange={(day) => set({ day })} fault={form.faults.day} />
    </EntryForm>
  );
}
