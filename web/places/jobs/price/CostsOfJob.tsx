import { Button } from 'antd';
import { useState } from 'react';
import { type ActualSheet, offerAddress } from '../../../../contract/offers.ts';
import { dayText } from '../../../../wording/dates.ts';
import { money } from '../../../../wording/offers.ts';
import { inCurrency } from '../../../../wording/purchases.ts';
import { useToday, useUnitSet } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { CurrencyChoice, RateFields, useCurrencyEntry } from '../../../widgets/CurrencyFields.tsx';
import { DayInput } from '../../../widgets/DayInput.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { WithReason } from '../../../widgets/WithReason.tsx';
import { useOpenJob } from '../openJob.ts';

/** What other firms and odd things have cost, entered as their invoices come. */
export function CostsOfJob({ costs }: Pick<ActualSheet, 'costs'>) {
  const { job } = useOpenJob('job');
  const may = useMay(job, 'cost');
  const set = useUnitSet();
  const [entering, setEntering] = useState(false);
  return (
    <div className="stack">
      {costs.map((cost) => (
        <div key={cost.id} className="spread" data-cost={cost.text}>
          <span>
            {cost.text}{' '}
            <span className="soft small">
              {dayText(cost.day)}, {cost.by}
              {cost.foreign &&
                `, ${money(cost.foreign.cents, inCurrency(set, cost.foreign.currency))} at ${cost.foreign.rateMillionths / 1_000_000} of ${dayText(cost.foreign.rateDay)}`}
            </span>
          </span>
          <span className="row">
            {money(cost.cents, set)}
            {may && <DropCost id={cost.id} />}
          </span>
        </div>
      ))}
      {may &&
        (entering ? (
          <NewCost number={job.number} done={() => setEntering(false)} />
        ) : (
          <div>
            <Button size="small" onClick={() => setEntering(true)}>
              Enter an outside cost
            </Button>
          </div>
        ))}
    </div>
  );
}

function NewCost({ number, done }: { number: string; done: () => void }) {
  const today = useToday();
  const [text, setText] = useState('');
  const [cents, setCents] = useState<number | null>(null);
  const [day, setDay] = useState(today);
  const entry = useCurrencyEntry(null);
  const { currency, rateMillionths, rateDay } = entry.body;
  const foreign = entry.foreign
    ? { currency, cents: cents ?? 0, rateMillionths: rateMillionths ?? null, rateDay: rateDay ?? '' }
    : null;
  const form = useChecked(
    offerAddress.cost,
    { number },
    { text, cents: entry.foreign ? (cents === null ? null : 0) : cents, day, foreign },
  );
  return (
    <EntryForm
      save="Enter it"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={<Button onClick={done}>Leave it</Button>}
    >
      <div className="row" style={{ alignItems: 'start' }}>
        <div style={{ width: 230 }}>
          <TextField label="What it was" value={text} onChange={setText} fault={form.faults.text} />
        </div>
        <QuantityInput
          label={`Cost before tax, ${currency}`}
          kind="coefficient"
          digits={2}
          width={140}
          value={cents === null ? null : cents / 100}
          onChange={(price) => setCents(price === null ? null : Math.round(price * 100))}
          fault={form.faults.cents ?? form.faults['foreign.cents']}
        />
        <CurrencyChoice entry={entry} faults={{}} />
        <DayInput shown label="Invoice of" value={day} onChange={setDay} fault={form.faults.day} />
      </div>
      <RateFields
        entry={entry}
        faults={{
          ...(form.faults['foreign.rateMillionths'] ? { rateMillionths: form.faults['foreign.rateMillionths'] } : {}),
          ...(form.faults['foreign.rateDay'] ? { rateDay: form.faults['foreign.rateDay'] } : {}),
        }}
      />
    </EntryForm>
  );
}

const DropCost = ({ id }: { id: string }) => (
  <WithReason
    asks="Take out …"
    button={{ size: 'small' }}
    save="Take it out"
    address={offerAddress.dropCost}
    params={{ id }}
    body={(why) => ({ why })}
  />
);
