import { MailOutlined, PoweroffOutlined } from '@ant-design/icons';
import { Button, Drawer } from 'antd';
import { useState } from 'react';
import { type PersonChange, type PersonRow, peopleAddress } from '../../../contract/people.ts';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { newToken } from '../../widgets/secretLink.ts';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { useSend } from '../../widgets/useSend.ts';
import { Authorisations } from './Authorisations.tsx';
import { DaysAway } from './DaysAway.tsx';
import { type InvitationLink, LinkOnce } from './LinkOnce.tsx';
import { PersonFields } from './PersonFields.tsx';

const bodyOf = ({ name, signIn, role, skills, initials, dayHours, rateCents, version }: PersonRow): PersonChange => ({
  name,
  signIn,
  role,
  skills,
  initials,
  dayHours,
  rateCents,
  version,
});

/** One person: what they are and do, their authorisations, and how they come in. */
export function PersonDrawer({ row, onClose }: { row: PersonRow; onClose: () => void }) {
  const [draft, setDraft] = useState(() => bodyOf(row));
  const [link, setLink] = useState<InvitationLink | null>(null);
  const form = useChecked(peopleAddress.change, { id: row.id }, draft);
  const other = useSend(false, { typed: false });
  const set = (change: Partial<PersonChange>) => setDraft((now) => ({ ...now, ...change }));
  const invite = async () => {
    const token = newToken();
    const made = await other.go(peopleAddress.invite, { id: row.id }, { token });
    if (made) setLink({ ...made, token });
  };
  const activate = () =>
    other.go(peopleAddress.activate, { id: row.id }, { active: !row.active, version: row.version });
  return (
    <Drawer open title={row.name} onClose={onClose} size={560}>
      <div className="stack">
        <EntryForm
          save="Save"
          busy={form.busy}
          refusal={form.refusal}
          onSave={() => void form.save().then((saved) => saved && onClose())}
        >
          <PersonFields value={draft} onChange={set} faults={form.faults} />
          <div className="fields">
            <TextField
              label="Initials"
              value={draft.initials}
              onChange={(initials) => set({ initials })}
              fault={form.faults.initials}
            />
            <QuantityInput
              label="Own working day"
              kind="hours"
              value={draft.dayHours}
              mayBeEmpty
              onChange={(dayHours) => set({ dayHours })}
              fault={form.faults.dayHours}
            />
            <QuantityInput
              label="Own rate an hour"
              kind="money"
              value={draft.rateCents}
              mayBeEmpty
              onChange={(rateCents) => set({ rateCents: rateCents === null ? null : Math.round(rateCents) })}
              fault={form.faults.rateCents}
            />
          </div>
        </EntryForm>
        <Conflict
          of={peopleAddress.change}
          params={{ id: row.id }}
          sending={form.sending}
          theirs={(now: PersonRow) => bodyOf(now)}
          done={onClose}
        />
        <Authorisations row={row} />
        <DaysAway row={row} />
        <h3>Coming in</h3>
        {link && <LinkOnce link={link} name={row.name} />}
        <div className="row">
          {row.active && (
            <Button icon={<MailOutlined />} loading={other.busy} onClick={() => void invite()}>
              {row.joined ? 'A link for a new password' : 'Invite again'}
            </Button>
          )}
          <Button icon={<PoweroffOutlined />} danger={row.active} loading={other.busy} onClick={() => void activate()}>
            {row.active ? 'Switch off' : 'Take back'}
          </Button>
        </div>
        <p className="soft small">
          Somebody who is switched off cannot sign in; what they did and signed stays. A new link ends their sessions
          once it is used.
        </p>
      </div>
    </Drawer>
  );
}
