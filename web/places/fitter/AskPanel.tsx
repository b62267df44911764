import { useState } from 'react';
import { type FitterSheet, fitterAddress } from '../../../contract/fitting.ts';
import { dayText } from '../../../wording/dates.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Questions to the workshop; what was answered to others about the same revision stands here too. */
export function AskPanel({ token, sheet, name }: { token: string; sheet: FitterSheet; name: string }) {
  const [stageKey, setStageKey] = useState<string | null>(null);
  const [text, setText] = useState('');
  const form = useChecked(fitterAddress.ask, { token }, { stageKey, text, by: name });
  const stageName = (key: string | null) => sheet.stages.find((stage) => stage.key === key)?.name;
  return (
    <Panel title="Questions and answers">
      {sheet.questions.map((question) => (
        <div key={question.id} className="lesson" data-question={question.answer === null ? 'open' : 'answered'}>
          <div className="strong">{question.text}</div>
          <div className="soft small">
            {question.by}, {dayText(question.at.slice(0, 10))}
            {stageName(question.stageKey) && `, ${stageName(question.stageKey)}`}
          </div>
          <div>{question.answer ?? <span className="wait">not answered yet</span>}</div>
        </div>
      ))}
      <div className="in">
        <EntryForm
          save="Ask"
          busy={form.busy}
          refusal={form.refusal ?? (form.faults.by ? 'Type your name at the top first.' : null)}
          onSave={() => void form.save().then((saved) => saved && setText(''))}
        >
          <Choice
            label="About"
            mayBeEmpty
            placeholder="the whole kit"
            value={stageKey}
            options={sheet.stages.map(({ key, name: label }) => ({ value: key, label }))}
            onChange={setStageKey}
          />
          <TextField label="Your question" value={text} onChange={setText} fault={form.faults.text} />
        </EntryForm>
      </div>
    </Panel>
  );
}
