import { Button, Drawer } from 'antd';
import { useState } from 'react';
import { type NewPerson, peopleAddress } from '../../../contract/people.ts';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { newToken } from '../../widgets/secretLink.ts';
import { useChecked } from '../../widgets/useChecked.ts';
import { type InvitationLink, LinkOnce } from './LinkOnce.tsx';
import { PersonFields } from './PersonFields.tsx';

const START: NewPerson = { name: '', signIn: '', role: 'technician', skills: [] };

/** Adds a person and gives the link by which they join. */
export function NewPersonForm({ onClose }: { onClose: () => void }) {
  const [draft, setDraft] = useState(START);
  const [token] = useState(newToken);
  const [link, setLink] = useState<InvitationLink | null>(null);
  const form = useChecked(peopleAddress.add, {}, { ...draft, token });
  return (
    <Drawer open title="Add somebody" onClose={onClose} size={520}>
      {link ? (
        <div className="stack">
          <LinkOnce link={link} name={draft.name} />
          <div>
            <Button onClick={onClose}>Done</Button>
          </div>
        </div>
      ) : (
        <EntryForm
          save="Add and invite"
          busy={form.busy}
          refusal={form.refusal}
          onSave={() => void form.save().then((made) => made && setLink({ ...made, token }))}
        >
          <PersonFields
            value={draft}
            onChange={(change) => setDraft((now) => ({ ...now, ...change }))}
            faults={form.faults}
          />
        </EntryForm>
      )}
    </Drawer>
  );
}
