import { offerAddress } from '../../../../contract/offers.ts';
import { WithReason } from '../../../widgets/WithReason.tsx';

interface Props {
  readonly row: { readonly id: string; readonly version: number };
}

/** Takes an offer back, with a reason: it stays to be read. */
export const EndOffer = ({ row }: Props) => (
  <WithReason
    asks="Withdraw …"
    save="Withdraw it"
    address={offerAddress.withdraw}
    params={{ id: row.id }}
    body={(why) => ({ why, version: row.version })}
  />
);
/** Takes a change back, as an offer is. */
export const EndChange = ({ row }: Props) => (
  <WithReason
    asks="Withdraw …"
    button={{ size: 'small' }}
    save="Withdraw it"
    address={offerAddress.withdrawWish}
    params={{ id: row.id }}
    body={(why) => ({ why, version: row.version })}
  />
);
