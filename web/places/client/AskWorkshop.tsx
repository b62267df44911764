import { useState } from 'react';
import { type ClientSheet, clientPageAddress } from '../../../contract/clientPage.ts';
import { dayText } from '../../../wording/dates.ts';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

interface Props {
  readonly token: string;
  readonly sheet: ClientSheet;
  readonly name: string;
  readonly setName: (name: string) => void;
  /** The name is asked for here, since nothing above asks for it. */
  readonly asksName: boolean;
}

/** Questions to the workshop, and what it answered. */
export function AskWorkshop({ token, sheet, name, setName, asksName }: Props) {
  const [text, setText] = useState('');
  const form = useChecked(clientPageAddress.ask, { token }, { text, by: name });
  return (
    <Panel title="Questions">
      {sheet.questions.map((question) => (
        <div key={question.id} className="lesson" data-question={question.answer === null ? 'open' : 'answered'}>
          <div className="strong">{question.text}</div>
          <div className="soft small">
            {question.by}, {dayText(question.at.slice(0, 10))}
          </div>
          <div>{question.answer ?? <span className="wait">not answered yet</span>}</div>
        </div>
      ))}
      <div className="in">
        <EntryForm
          save="Ask"
          busy={form.busy}
          refusal={form.refusal ?? (!asksName && form.faults.by ? 'Type your name at the top first.' : null)}
          onSave={() => void form.save().then((saved) => saved && setText(''))}
        >
          {asksName && (
            <TextField label="Your name" value={name} onChange={setName} fault={form.faults.by} autoComplete="name" />
          )}
          <TextField label="Your question" value={text} onChange={setText} fault={form.faults.text} />
        </EntryForm>
      </div>
    </Panel>
  );
}
