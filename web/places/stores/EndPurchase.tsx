import { type PurchaseSheet, purchaseAddress } from '../../../contract/purchases.ts';
import { WithReason } from '../../widgets/WithReason.tsx';

/** Cancels an order of which nothing has come, with a reason. */
export const EndPurchase = ({ order }: { order: PurchaseSheet }) => (
  <WithReason
    asks="Cancel …"
    save="Cancel the order"
    address={purchaseAddress.cancel}
    params={{ purchase: order.number }}
    body={(why) => ({ why, version: order.version })}
  />
);
