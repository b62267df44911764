import { Button } from 'antd';
import { useState } from 'react';
import { hasRole } from '../../../contract/rights.ts';
import { type OfferRound, type OfferRow, supplierAddress } from '../../../contract/suppliers.ts';
import { atEqualCover } from '../../../core/buying/equalCover.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { dayText } from '../../../wording/dates.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useToday, useUnitSet } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TableFile } from '../../widgets/TableFile.tsx';
import { NewOffer } from './NewOffer.tsx';
import { NewRound } from './NewRound.tsx';

/** Offers for the same list of things, compared at equal cover. */
export function OfferRounds() {
  const { data } = useOfAddress(supplierAddress.rounds, {});
  const { role } = usePerson();
  const may = hasRole(role, supplierAddress.addRound.may);
  const [asking, setAsking] = useState(false);
  return (
    <Panel
      title="Offers at equal cover"
      aside={
        <span className="row">
          {(data ?? []).length > 0 && <TableFile href={fileUrl(supplierAddress.roundTable, {})} what="Offers" />}
          {may && (
            <Button size="small" onClick={() => setAsking(true)}>
              Ask for offers
            </Button>
          )}
        </span>
      }
    >
      <div className="in stack">
        {asking && <NewRound done={() => setAsking(false)} />}
        {data?.length === 0 && !asking && (
          <p className="soft">
            None yet. List what is wanted, then note each offer with what is in it: what an offer leaves out is added at
            its own price.
          </p>
        )}
        {(data ?? []).map((round) => (
          <Round key={round.id} round={round} may={may} />
        ))}
      </div>
    </Panel>
  );
}

function Round({ round, may }: { round: OfferRound; may: boolean }) {
  const set = useUnitSet();
  const today = useToday();
  const [adding, setAdding] = useState(false);
  const money = (cents: number) => formatQuantity(cents, 'money', set, { digits: 2 });
  const nameOf = (id: string) => round.wanted.find(({ componentId }) => componentId === id)?.name ?? id;
  const compared = atEqualCover(
    round.offers.map((offer) => ({ ...offer, priceCents: offer.ownCents })),
    round.wanted.map(({ componentId, aloneCents, leadDays }) => ({
      ...{ key: componentId, alonePriceCents: aloneCents, aloneDays: leadDays },
    })),
  );
  const rowOf = (id: string): OfferRow => round.offers.find((offer) => offer.id === id)!;
  return (
    <section className="lesson" data-round={round.name}>
      <div className="spread">
        <span>
          <span className="strong">{round.name}</span>
          <span className="soft small">
            {` ${round.wanted.map(({ name, quantity }) => `${quantity} × ${name}`).join(', ')}`}
          </span>
        </span>
        {may && !round.closed && (
          <Button size="small" onClick={() => setAdding(!adding)}>
            Note an offer
          </Button>
        )}
      </div>
      {adding && <NewOffer round={round} done={() => setAdding(false)} />}
      <DataTable
        label={`Offers for ${round.name}`}
        rows={compared}
        rowKey={({ offer }) => offer.id}
        rowMark={({ offer }, i) => ({ 'data-offer': offer.supplier, className: i === 0 ? 'picked' : '' })}
        empty="No offer yet."
        columns={({ words, figures }) => [
          words('Offer of', ({ offer }) => {
            const { validUntil, note } = rowOf(offer.id);
            return (
              <>
                {offer.supplier}
                <div className={validUntil && validUntil < today ? 'stop small' : 'soft small'}>
                  {[validUntil && `stands until ${dayText(validUntil)}`, note].filter(Boolean).join(' · ')}
                </div>
              </>
            );
          }),
          figures('Offered', ({ offer }) => money(offer.priceCents)),
          words('Leaves out', ({ missing }) =>
            missing.length > 0 ? <span className="wait">{missing.map(nameOf).join(', ')}</span> : 'nothing',
          ),
          figures('To complete', ({ completingCents }) =>
            completingCents === null ? (
              <span className="stop">no price</span>
            ) : completingCents > 0 ? (
              money(completingCents)
            ) : (
              ''
            ),
          ),
          figures('At equal cover', ({ totalCents }) => (
            <span className="strong">{totalCents === null ? '?' : money(totalCents)}</span>
          )),
          figures('Days', ({ totalDays }) => totalDays ?? '?'),
        ]}
      />
    </section>
  );
}
