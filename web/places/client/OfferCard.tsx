import { FilePdfOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { type ClientOffer, clientPageAddress } from '../../../contract/clientPage.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { dayText } from '../../../wording/dates.ts';
import { OFFER_STATE_NAME } from '../../../wording/offers.ts';
import { inCurrency } from '../../../wording/purchases.ts';
import { fileUrl } from '../../data/client.ts';
import { Fold } from '../../widgets/Fold.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { AnswerForm } from './AnswerForm.tsx';
import { AnsweredLine, SumOf } from './SumOf.tsx';

interface Props {
  readonly token: string;
  readonly offer: ClientOffer;
  readonly set: UnitSet;
  readonly name: string;
}

/** An offer as its client reads it: what it comes to, until when it stands, and his answer. */
export function OfferCard({ token, offer, set: own, name }: Props) {
  const set = inCurrency(own, offer.currency);
  const open = offer.state === 'sent' && !offer.over;
  return (
    <Panel
      title={`Offer ${offer.number}`}
      aside={offer.over ? 'has run out' : open ? 'waits for you' : OFFER_STATE_NAME[offer.state]}
    >
      <div className="in stack" data-client-offer={offer.number} data-state={offer.state}>
        {offer.note && <p>{offer.note}</p>}
        {open ? (
          <SumOf of={offer} set={set} />
        ) : (
          <Fold title="What it comes to">
            <SumOf of={offer} set={set} />
          </Fold>
        )}
        <div className="spread">
          <span className="soft small">
            sent {dayText(offer.sentAt.slice(0, 10))}
            {offer.state === 'sent' && `, stands until ${dayText(offer.validUntil)}`}
          </span>
          <Button
            size="small"
            icon={<FilePdfOutlined />}
            href={fileUrl(clientPageAddress.paper, { token, id: offer.id })}
            target="_blank"
          >
            As a paper
          </Button>
        </div>
        {offer.over && <p>It stood until {dayText(offer.validUntil)}. Ask for it to be sent anew.</p>}
        <AnsweredLine answered={offer.answered} state={offer.state} />
        {open && (
          <AnswerForm
            address={clientPageAddress.offer}
            token={token}
            id={offer.id}
            totalCents={offer.totalCents}
            name={name}
            accept="Accept this offer"
            says="What is agreed with it stays as it is. What you wish later is priced as a change, and built when you accept it."
          />
        )}
      </div>
    </Panel>
  );
}
