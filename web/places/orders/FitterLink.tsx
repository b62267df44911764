import { Button, Typography } from 'antd';
import { useState } from 'react';
import { type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import { hasRole } from '../../../contract/rights.ts';
import { dayNumber, formatDay } from '../../../core/quantity/format.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { usePerson, useSession, useWorkshop } from '../../data/session.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { newToken, secretLink } from '../../widgets/secretLink.ts';
import { useSend } from '../../widgets/useSend.ts';

/** How long a fitter's page stays open, days. */
const OPEN_DAYS = 90;

/** The fitter's page: opened by a link nobody can guess, shown once, closed in one press. */
export function FitterLink({ order }: { order: OrderSheet }) {
  const { role } = usePerson();
  const { houses } = useSession();
  const { timeZone } = useWorkshop();
  const sending = useSend(false, { typed: false });
  const [token, setToken] = useState<string | null>(null);
  const may = hasRole(role, orderAddress.link.may);
  const mayOpen = may && (order.state === 'ordered' || order.state === 'sent');
  const { link } = order;
  const open = async () => {
    const fresh = newToken();
    const made = await sending.go(orderAddress.link, { order: order.number }, { token: fresh, days: OPEN_DAYS });
    if (made) setToken(fresh);
  };
  return (
    <Panel title="Fitter’s page" aside={link ? 'open' : 'closed'}>
      <div className="in stack small">
        {link ? (
          <div>
            Open until {formatDay(dayNumber(link.until))}, by {link.by};{' '}
            {link.lastUsedAt ? `last looked at ${dayAndTime(link.lastUsedAt, timeZone)}` : 'not looked at yet'}
          </div>
        ) : (
          <div className="soft">
            A page without an account for whoever fits this kit: stages, readings, files, questions, the sheet to sign.
          </div>
        )}
        {token && link && (
          <div className="note" data-fitter-link>
            <p>Give this link to the fitter. It is not shown again.</p>
            <Typography.Text copyable code style={{ wordBreak: 'break-all' }}>
              {secretLink('fit', token, houses?.here ?? null)}
            </Typography.Text>
          </div>
        )}
        <div className="row">
          {mayOpen && (
            <Button size="small" loading={sending.busy} onClick={() => void open()}>
              {link ? 'New link, closing this one' : 'Open a page'}
            </Button>
          )}
          {may && link && (
            <Button
              size="small"
              danger
              onClick={() => {
                setToken(null);
                void sending.go(orderAddress.revoke, { order: order.number });
              }}
            >
              Close it
            </Button>
          )}
        </div>
      </div>
    </Panel>
  );
}
