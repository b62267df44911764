import { useMemo } from 'react';
import { offerDifference } from '../../../../core/offer/difference.ts';
import type { OfferBody } from '../../../../core/offer/offer.ts';
import { offerSums } from '../../../../core/offer/sums.ts';
import { GROUP_NAME, money, moneyChange, percent, short } from '../../../../wording/offers.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';

/** Every line of an offer with what it costs and is sold for, and what it was in the offer before. */
export function OfferLines({ body, before }: { body: OfferBody; before: OfferBody | null }) {
  const set = useUnitSet();
  const rows = useMemo(() => {
    const sums = offerSums(body);
    const since = before && new Map(offerDifference(before, body).lines.map((line) => [line.key, line.cents]));
    return body.lines.map((line, i) => ({ line, sum: sums.lines[i]!, since: since && (since.get(line.key) ?? 0) }));
  }, [body, before]);
  return (
    <DataTable
      label="Each line"
      className="close"
      rows={rows}
      rowKey={({ line }) => line.key}
      rowMark={({ line }) => ({ 'data-line': line.key })}
      columns={({ words, figures }) => [
        words(<span className="hidden-label">What</span>, ({ line }) => (
          <>
            {line.text} <span className="soft small">{GROUP_NAME[line.group].toLowerCase()}</span>
          </>
        )),
        figures('So many', ({ line }) => short(line.quantity), {
          width: 62,
        }),
        figures('Each', ({ line }) => money(line.unitCents, set), { width: 92 }),
        figures('Added', ({ line }) => (line.addShare ? percent(line.addShare) : ''), {
          width: 52,
        }),
        figures('Offered', ({ sum }) => money(sum.netCents, set), { width: 100 }),
        ...(before ? [figures('Since', ({ since }) => (since ? moneyChange(since, set) : ''), { width: 100 })] : []),
      ]}
    />
  );
}
