import { Button, Popover } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { type ApprovalRow, approvalAddress } from '../../../contract/approvals.ts';
import type { ClientRow } from '../../../contract/clients.ts';
import { kitAddress } from '../../../contract/kits.ts';
import { dayNumber, formatDay } from '../../../core/quantity/format.ts';
import { useOfAddress } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** With its year: approvals run for long. */
const day = (iso: string) => formatDay(dayNumber(iso));
const today = () => new Date().toISOString().slice(0, 10);

/** Which kits this client may fit as a shop, until when. Held when an order is taken. */
export function Approvals({ client, may }: { client: ClientRow; may: boolean }) {
  const { data } = useOfAddress(approvalAddress.list, {});
  const [adding, setAdding] = useState(false);
  const own = (data ?? []).filter((one) => one.client.id === client.id);
  if (own.length === 0 && !may) return null;
  return (
    <Panel title="May fit our kits" aside="held when an order is taken">
      {own.map((approval) => (
        <Approval key={approval.id} approval={approval} may={may} />
      ))}
      <div className="in">
        {own.length === 0 && !adding && <p className="soft small">No kit: what they order, they fit for themselves.</p>}
        {may &&
          (adding ? (
            <NewApproval client={client} done={() => setAdding(false)} />
          ) : (
            <Button size="small" onClick={() => setAdding(true)}>
              Approve as a shop
            </Button>
          ))}
      </div>
    </Panel>
  );
}

function Approval({ approval, may }: { approval: ApprovalRow; may: boolean }) {
  const [open, setOpen] = useState(false);
  const { kitId, kitName, validUntil, endedOn, endedWhy, note } = approval;
  const over = endedOn !== null || validUntil < today();
  return (
    <div className="lesson" data-approval={over ? 'over' : 'stands'}>
      <Link to={`/kits/${kitId}`} className={over ? 'soft' : 'strong'}>
        {kitName}
      </Link>{' '}
      <span className={over ? 'soft small' : 'small'}>
        {endedOn
          ? `ended ${day(endedOn)}: ${endedWhy}`
          : over
            ? `ran out ${day(validUntil)}`
            : `until ${day(validUntil)}`}
        {note && `, ${note}`}
      </span>
      {may && endedOn === null && (
        <Popover
          trigger="click"
          open={open}
          onOpenChange={setOpen}
          destroyOnHidden
          content={<EndApproval approval={approval} done={() => setOpen(false)} />}
        >
          <Button type="link" size="small" aria-label={`End the approval for ${kitName}`}>
            End …
          </Button>
        </Popover>
      )}
    </div>
  );
}

function EndApproval({ approval, done }: { approval: ApprovalRow; done: () => void }) {
  const [why, setWhy] = useState('');
  const form = useChecked(approvalAddress.endApproval, { id: approval.id }, { why });
  return (
    <EntryForm
      small
      save="End it"
      busy={form.busy}
      refusal={form.refusal}
      style={{ width: 240 }}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <TextField label="Why" value={why} onChange={setWhy} fault={form.faults.why} />
    </EntryForm>
  );
}

function NewApproval({ client, done }: { client: ClientRow; done: () => void }) {
  const { data: kits } = useOfAddress(kitAddress.list, {});
  const [draft, setDraft] = useState({ kitId: '', validUntil: '', note: '' });
  const form = useChecked(approvalAddress.approve, {}, { clientId: client.id, ...draft });
  const set = (part: Partial<typeof draft>) => setDraft((now) => ({ ...now, ...part }));
  return (
    <EntryForm
      small
      save="Approve"
      busy={form.busy}
      refusal={form.refusal ?? form.faults.clientId ?? null}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <div className="fields">
        <Choice
          label="Kit"
          value={draft.kitId || null}
          options={(kits ?? []).map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(kitId) => set({ kitId: kitId ?? '' })}
          fault={form.faults.kitId}
        />
        <DayInput
          shown
          label="Until"
          value={draft.validUntil}
          onChange={(validUntil) => set({ validUntil })}
          fault={form.faults.validUntil}
        />
        <TextField
          label="Note: trained by whom, with what"
          value={draft.note}
          onChange={(note) => set({ note })}
          fault={form.faults.note}
        />
      </div>
    </EntryForm>
  );
}
