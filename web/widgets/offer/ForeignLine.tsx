import { Button } from 'antd';
import { useState } from 'react';
import { converted } from '../../../core/money/exact.ts';
import type { OfferLine } from '../../../core/offer/offer.ts';
import { CurrencyChoice, RateFields, useCurrencyEntry } from '../CurrencyFields.tsx';
import { QuantityInput } from '../QuantityInput.tsx';

interface Props {
  readonly line: OfferLine;
  readonly faults: Readonly<Record<string, string>>;
  readonly onChange: (part: Partial<OfferLine>) => void;
  readonly onClose: () => void;
}

/** A price that was asked in another currency, with the rate and its day: what it is in the own one follows from them. */
export function ForeignLine({ line, onChange, onClose }: Props) {
  const entry = useCurrencyEntry(line.foreign);
  const [cents, setCents] = useState<number | null>(line.foreign?.cents ?? null);
  const { currency, rateMillionths, rateDay } = entry.body;
  const whole = entry.foreign && cents !== null && rateMillionths && rateDay;
  const take = () => {
    if (!entry.foreign) onChange({ foreign: null });
    if (whole)
      onChange({ foreign: { currency, cents, rateMillionths, rateDay }, unitCents: converted(cents, rateMillionths) });
    onClose();
  };
  return (
    <div className="row foreign" style={{ alignItems: 'end' }}>
      <CurrencyChoice entry={entry} faults={{}} />
      {entry.foreign && (
        <QuantityInput
          label={`Each, ${currency}`}
          kind="coefficient"
          digits={2}
          width={110}
          value={cents === null ? null : cents / 100}
          onChange={(price) => setCents(price === null ? null : Math.round(price * 100))}
        />
      )}
      <RateFields entry={entry} faults={{}} />
      <Button disabled={entry.foreign && !whole} onClick={take}>
        Take it
      </Button>
    </div>
  );
}
