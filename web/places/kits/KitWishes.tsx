import { Button, Popover } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { clientAddress } from '../../../contract/clients.ts';
import { type KitSheet, type KitWish, kitAddress } from '../../../contract/kits.ts';
import { hasRole } from '../../../contract/rights.ts';
import { dayText } from '../../../wording/dates.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Clients who wait for the kit, and what was promised for later and to whom. */
export function KitWishes({ kit }: { kit: KitSheet }) {
  const { role } = usePerson();
  const may = hasRole(role, kitAddress.wish.may);
  const [adding, setAdding] = useState<KitWish['kind'] | null>(null);
  const open = kit.wishes.filter(({ endedAt }) => endedAt === null);
  return (
    <Panel title="Waiting and promised" aside={`${open.length} open`}>
      {open.map((wish) => (
        <Wish key={wish.id} wish={wish} may={may} />
      ))}
      <div className="in stack">
        {open.length === 0 && <p className="soft small">Nobody waits, nothing is promised.</p>}
        {may &&
          (adding ? (
            <NewWish kit={kit} kind={adding} done={() => setAdding(null)} />
          ) : (
            <div className="row">
              <Button size="small" onClick={() => setAdding('waiting')}>
                Put a client on the list
              </Button>
              <Button size="small" onClick={() => setAdding('promised')}>
                Note a promise
              </Button>
            </div>
          ))}
      </div>
    </Panel>
  );
}

function Wish({ wish, may }: { wish: KitWish; may: boolean }) {
  const [open, setOpen] = useState(false);
  return (
    <div className="lesson" data-wish={wish.kind}>
      <div>
        {wish.client ? (
          <Link className="in-text" to={`/clients/${wish.client.id}`}>
            {wish.client.name}
          </Link>
        ) : (
          'everybody'
        )}{' '}
        <span className="soft small">
          {wish.kind === 'waiting' ? 'waits' : 'was promised'} since {dayText(wish.at.slice(0, 10))}
        </span>
      </div>
      {wish.text && <div className="small">{wish.text}</div>}
      {may && (
        <Popover
          trigger="click"
          open={open}
          onOpenChange={setOpen}
          destroyOnHidden
          content={<EndWish wish={wish} done={() => setOpen(false)} />}
        >
          <Button
            type="link"
            size="small"
            style={{ padding: 0 }}
            aria-label={`End: ${wish.client?.name ?? 'everybody'}, ${wish.text}`}
          >
            End …
          </Button>
        </Popover>
      )}
    </div>
  );
}

function EndWish({ wish, done }: { wish: KitWish; done: () => void }) {
  const [why, setWhy] = useState('');
  const form = useChecked(kitAddress.endWish, { id: wish.id }, { why });
  return (
    <EntryForm
      small
      save="End it"
      busy={form.busy}
      refusal={form.refusal}
      style={{ width: 240 }}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <TextField label="Why: ordered, kept, given up" value={why} onChange={setWhy} fault={form.faults.why} />
    </EntryForm>
  );
}

function NewWish({ kit, kind, done }: { kit: KitSheet; kind: KitWish['kind']; done: () => void }) {
  const { data: clients } = useOfAddress(clientAddress.list, {});
  const [clientId, setClientId] = useState<string | null>(null);
  const [text, setText] = useState('');
  const form = useChecked(kitAddress.wish, { kit: kit.id }, { kind, clientId, text });
  return (
    <EntryForm
      small
      save={kind === 'waiting' ? 'Put on the list' : 'Note it'}
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <Choice
        label={kind === 'waiting' ? 'Client' : 'To whom'}
        mayBeEmpty={kind === 'promised'}
        placeholder={kind === 'promised' ? 'everybody who has the kit' : 'Choose'}
        value={clientId}
        options={(clients ?? []).filter(({ removed }) => !removed).map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setClientId}
        fault={form.faults.clientId}
      />
      <TextField
        label={kind === 'waiting' ? 'For which vehicle, with what' : 'What, and with which revision'}
        value={text}
        onChange={setText}
        fault={form.faults.text}
      />
    </EntryForm>
  );
}
