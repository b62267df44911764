import { useState } from 'react';
import { CURRENCIES, CURRENCY_IDS, type Currency } from '../../core/quantity/currency.ts';
import { useWorkshop } from '../data/session.tsx';
import { Choice } from './Choice.tsx';
import { DayInput } from './DayInput.tsx';
import { QuantityInput } from './QuantityInput.tsx';

const MILLION = 1_000_000;

interface Stored {
  readonly currency: Currency;
  readonly rateMillionths: number;
  readonly rateDay: string | null;
}

/** The currency of prices as it is being entered, with the rate of another than the workshop's own and the day of it. */
export function useCurrencyEntry(stored: Stored | null) {
  const { currency: own } = useWorkshop();
  const [currency, setCurrency] = useState<Currency>(stored?.currency ?? own);
  // Of the workshop's own currency no rate is known: another's would begin as one for one.
  const known = stored && stored.currency !== own ? stored : null;
  const [rate, setRate] = useState<number | null>(known ? known.rateMillionths / MILLION : null);
  const [rateDay, setRateDay] = useState(known?.rateDay ?? '');
  const foreign = currency !== own;
  return {
    ...{ own, foreign, currency, setCurrency, rate, setRate, rateDay, setRateDay },
    /** What is sent of it. */
    body: {
      currency,
      rateMillionths: foreign ? rate && Math.round(rate * MILLION) : MILLION,
      rateDay: foreign ? rateDay || null : null,
    },
  };
}

interface Props {
  readonly entry: ReturnType<typeof useCurrencyEntry>;
  readonly faults: Readonly<Record<string, string>>;
}

export const CurrencyChoice = ({ entry, faults }: Props) => (
  <div style={{ width: 150 }}>
    <Choice
      label="Currency"
      value={entry.currency}
      options={CURRENCY_IDS.map((id) => ({ value: id, label: CURRENCIES[id].name }))}
      onChange={(next) => next && entry.setCurrency(next)}
      fault={faults.currency}
    />
  </div>
);

/** The rate and its day; nothing where prices are in the workshop's own currency. */
export const RateFields = ({ entry, faults }: Props) =>
  entry.foreign ? (
    <div className="row" style={{ alignItems: 'start' }}>
      <QuantityInput
        label={`One ${entry.currency} in ${entry.own}`}
        kind="coefficient"
        digits={6}
        width={150}
        value={entry.rate}
        onChange={entry.setRate}
        fault={faults.rateMillionths}
      />
      <DayInput shown label="Rate of" value={entry.rateDay} onChange={entry.setRateDay} fault={faults.rateDay} />
    </div>
  ) : null;
