import { Segmented } from 'antd';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import { hasRole } from '../../../contract/rights.ts';
import { dayText } from '../../../wording/dates.ts';
import { ORDER_KIND_NAME, ORDER_STATE_NAME } from '../../../wording/orders.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { FilesOf } from '../../files/FilesOf.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { BeforeItLeaves } from './BeforeItLeaves.tsx';
import { Crates } from './Crates.tsx';
import { FitterLink } from './FitterLink.tsx';
import { FittingProgress } from './FittingProgress.tsx';
import { HowItLeft } from './HowItLeft.tsx';
import { OrderPapers } from './OrderPapers.tsx';
import { OrderQuestions } from './OrderQuestions.tsx';
import { OrderTerms } from './OrderTerms.tsx';
import { PickList } from './PickList.tsx';

/** One kit order: what is promised, what is packed and counted, how it left, what its fitter does and asks. */
export default function OrderPlace() {
  const { order: number = '' } = useParams();
  const { data: order, error } = useOfAddress(orderAddress.whole, { order: number });
  if (error) return <p className="page stop">{error.message}</p>;
  if (!order) return <p className="page soft">One moment …</p>;
  return <Order key={order.number} order={order} />;
}

function Order({ order }: { order: OrderSheet }) {
  const { role } = usePerson();
  const packing = order.state === 'ordered';
  const [chosen, setChosen] = useState<'packing' | 'fitting' | null>(null);
  // Until somebody chooses: what is to be done in this state.
  const look = chosen ?? (packing || order.state === 'cancelled' ? 'packing' : 'fitting');
  const mayPack = packing && hasRole(role, orderAddress.count.may);
  return (
    <div className="page stack">
      <div className="spread">
        <h1>
          {order.number}{' '}
          <Link className="in-text" to={`/clients/${order.client.id}`}>
            {order.client.name}
          </Link>{' '}
          <span className="soft small">
            <Link className="in-text" to={`/kits/${order.kitId}?rev=${order.revision}`}>
              {order.kitName} {order.revision}
            </Link>{' '}
            for the {order.variantName}
            {order.optionNames.length > 0 && `, with ${order.optionNames.join(', ')}`} ·{' '}
            {ORDER_KIND_NAME[order.kind].toLowerCase()} · {ORDER_STATE_NAME[order.state]}
          </span>
        </h1>
        <Link to="/kits/orders">Order book</Link>
      </div>
      {order.state === 'cancelled' && <p className="note">Cancelled: {order.cancelledWhy}.</p>}
      {order.revisionState === 'withdrawn' && (
        <p className="note wait">
          Revision {order.revision} was withdrawn: {order.withdrawnWhy}.{' '}
          {packing ? 'It stays here; cancel the order and take one for another revision.' : 'Tell whoever fits it.'}
        </p>
      )}
      <div className="kit-columns">
        <div className="stack">
          <OrderTerms key={order.version} order={order} />
          <FitterLink order={order} />
          <OrderQuestions order={order} />
        </div>
        <div className="stack">
          <Panel
            title={look === 'packing' ? 'Pick list' : 'At the fitter’s'}
            aside={
              <Segmented
                size="small"
                aria-label="Look of the order"
                value={look}
                options={[
                  { value: 'packing', label: 'Packing' },
                  { value: 'fitting', label: 'Fitting' },
                ]}
                onChange={(next) => setChosen(next as typeof look)}
              />
            }
          >
            {look === 'packing' ? <PickList order={order} may={mayPack} /> : <FittingProgress order={order} />}
          </Panel>
          <Panel title="Papers and photographs of this order">
            <div className="in">
              <FilesOf about="order" of={order.id} name={order.number} />
            </div>
          </Panel>
        </div>
        <div className="stack">
          {packing ? <BeforeItLeaves order={order} /> : order.dispatch && <HowItLeft order={order} />}
          <Crates order={order} may={mayPack} />
          <OrderPapers order={order} may={mayPack} />
          <Panel title="Not included" aside={`promised for ${dayText(order.promisedOn)}`}>
            <div className="in small soft">
              {order.exclusions.length > 0 ? order.exclusions.join(', ') : 'The kit names nothing.'}
            </div>
          </Panel>
        </div>
      </div>
    </div>
  );
}
