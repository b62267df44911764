import { type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import { WithReason } from '../../widgets/WithReason.tsx';

/** Cancels an order that has not left, with a reason. */
export const CancelOrder = ({ order }: { order: OrderSheet }) => (
  <WithReason
    asks="Cancel the order …"
    button={{ size: 'small' }}
    save="Cancel it"
    address={orderAddress.cancel}
    params={{ order: order.number }}
    body={(why) => ({ why, version: order.version })}
  />
);
