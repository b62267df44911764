import { useState } from 'react';
import { type OrderQuestion, type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import { hasRole } from '../../../contract/rights.ts';
import { dayText } from '../../../wording/dates.ts';
import { usePerson } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** What the fitter asked, and what was answered. */
export function OrderQuestions({ order }: { order: OrderSheet }) {
  const open = order.questions.filter(({ answer }) => answer === null).length;
  const stageName = (key: string | null) => order.stages.find((stage) => stage.key === key)?.name;
  return (
    <Panel title="Questions" aside={open > 0 ? <span className="wait">{open} to answer</span> : 'none open'}>
      {order.questions.map((question) => (
        <Question key={question.id} question={question} about={stageName(question.stageKey)} />
      ))}
      {order.questions.length === 0 && <p className="in soft small">Nothing was asked.</p>}
    </Panel>
  );
}

/** One question with its answer, or a field for it. */
export function Question({ question, about }: { question: OrderQuestion; about: string | undefined }) {
  const { role } = usePerson();
  const [answer, setAnswer] = useState('');
  const form = useChecked(orderAddress.answer, { id: question.id }, { answer });
  return (
    <div className="lesson" data-question={question.answer === null ? 'open' : 'answered'}>
      <div className={question.answer === null ? 'strong' : ''}>{question.text}</div>
      <div className="soft small">
        {question.by}, {dayText(question.at.slice(0, 10))}
        {about && `, ${about}`}, revision {question.revision}
      </div>
      {question.answer !== null ? (
        <div className="small">
          {question.answer} <span className="soft">({question.answeredBy})</span>
        </div>
      ) : (
        hasRole(role, orderAddress.answer.may) && (
          <EntryForm
            small
            save="Answer"
            busy={form.busy}
            refusal={form.refusal}
            onSave={() => void form.save().then((saved) => saved && setAnswer(''))}
          >
            <TextField label="Answer" value={answer} onChange={setAnswer} fault={form.faults.answer} />
          </EntryForm>
        )
      )}
    </div>
  );
}
