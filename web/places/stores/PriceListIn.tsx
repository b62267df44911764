import { useCallback, useMemo, useState } from 'react';
import { type SupplierSheet, supplierAddress } from '../../../contract/suppliers.ts';
import { judgePrices, type PriceVerdict } from '../../../core/buying/priceList.ts';
import { priceSays, type ReadPriceList } from '../../../wording/priceList.ts';
import { useOfAddress } from '../../data/resources.ts';
import { useToday, useUnitSet } from '../../data/session.tsx';
import { CurrencyChoice, RateFields, useCurrencyEntry } from '../../widgets/CurrencyFields.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { type JudgedRow, TakeIn, useTableSource, type Verdict } from '../../widgets/TakeIn.tsx';
import { type HowToRead, useReadTable } from '../../widgets/useReadTable.ts';
import { useSend } from '../../widgets/useSend.ts';

const VERDICT: Record<PriceVerdict, Verdict> = {
  changed: 'changed',
  alike: 'alike',
  unknown: 'fault',
  fault: 'fault',
  twice: 'fault',
  manyParts: 'fault',
  otherCurrency: 'fault',
};

/** A supplier's price list: each price held against the catalogue by part number before any is taken, undone in one press. */
export function PriceListIn({ supplier, onClose }: { supplier: SupplierSheet; onClose: () => void }) {
  const { data: parts } = useOfAddress(supplierAddress.parts, { supplier: supplier.id });
  const set = useUnitSet();
  const entry = useCurrencyEntry(null);
  const [pricedOn, setPricedOn] = useState(useToday());
  const from = useTableSource();
  const sending = useSend(false, { typed: false });
  const how = useCallback<HowToRead<ReadPriceList>>((readers, text) => readers.prices(text), []);
  const table = useReadTable(from.source?.text ?? null, how);
  const { currency, rateMillionths, rateDay } = entry.body;
  const read = useMemo(() => {
    if (!table || !parts) return null;
    const rate = rateMillionths || 1_000_000;
    const rows = judgePrices(table.rows, parts, { currency, rateMillionths: rate }).map(
      (judged): JudgedRow => ({
        ...{ line: judged.row.line, name: judged.part?.name ?? judged.row.partNumber },
        ...{ verdict: VERDICT[judged.verdict], say: priceSays(judged, currency, set) },
      }),
    );
    return { rows, fault: table.fault };
  }, [table, parts, currency, rateMillionths, set]);
  const missing = entry.foreign && !(rateMillionths && rateDay);
  return (
    <TakeIn
      title={`Prices of ${supplier.name}`}
      what="prices"
      from={from}
      read={missing ? null : read}
      busy={sending.busy}
      fault={sending.faults.text ?? (missing ? 'Say the rate and its day first: a price remembers them.' : undefined)}
      onTake={(source) =>
        sending.go(
          supplierAddress.takePrices,
          { supplier: supplier.id },
          { ...source, ...entry.body, rateMillionths: rateMillionths || 1_000_000, pricedOn },
        )
      }
      onUndo={(id) => sending.go(supplierAddress.undoPrices, { id })}
      onClose={onClose}
    >
      A list (CSV) with a column “Part number” and one “Price”; “Lead days” and “Currency” are read where there are any.
      Rows are matched by the supplier’s own part number.
      <span className="row" style={{ alignItems: 'start', marginTop: 8 }}>
        <CurrencyChoice entry={entry} faults={sending.faults} />
        <RateFields entry={entry} faults={sending.faults} />
        <DayInput shown label="Prices of" value={pricedOn} onChange={setPricedOn} fault={sending.faults.pricedOn} />
      </span>
    </TakeIn>
  );
}
