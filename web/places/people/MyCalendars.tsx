import { Button, Typography } from 'antd';
import { useState } from 'react';
import { calendarAddress, type Feed, feedPath } from '../../../contract/calendars.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { useOfAddress } from '../../data/resources.ts';
import { useSession, useWorkshop } from '../../data/session.tsx';
import { newToken } from '../../widgets/secretLink.ts';
import { useSend } from '../../widgets/useSend.ts';

const NAME: Readonly<Record<Feed, string>> = {
  person: 'What I am to do, as the plan has it',
  promises: 'When jobs are promised',
};

/** Addresses one's own calendar reads by itself; shown once, and closed at any time. */
export function MyCalendars() {
  const { data } = useOfAddress(calendarAddress.mine, {});
  const { timeZone } = useWorkshop();
  const { houses } = useSession();
  const sending = useSend(false, { typed: false });
  const [shown, setShown] = useState<{ about: Feed; address: string } | null>(null);
  const open = async (about: Feed) => {
    const token = newToken();
    if (await sending.go(calendarAddress.open, {}, { about, token }))
      setShown({ about, address: `${location.origin}${feedPath(token)}${houses ? `?house=${houses.here}` : ''}` });
  };
  return (
    <div className="stack">
      <h3>Calendars</h3>
      <p className="soft small">
        A calendar reads these by itself. Whoever has the address reads it too: give it to nobody, and close it when it
        got about.
      </p>
      {(['person', 'promises'] as const).map((about) => {
        const row = data?.find((one) => one.about === about);
        return (
          <div key={about} className="stack" data-feed={about}>
            <div className="spread">
              <span>
                {NAME[about]}
                {row && (
                  <span className="soft small">
                    {' '}
                    {row.lastUsedAt ? `read ${dayAndTime(row.lastUsedAt, timeZone)}` : 'not read yet'}
                  </span>
                )}
              </span>
              <span className="row" style={{ flexWrap: 'nowrap' }}>
                <Button size="small" onClick={() => void open(about)}>
                  {row ? 'New address' : 'Open'}
                </Button>
                {row && (
                  <Button
                    size="small"
                    aria-label={`Close: ${NAME[about]}`}
                    onClick={() => {
                      setShown(null);
                      void sending.go(calendarAddress.close, { id: row.id });
                    }}
                  >
                    Close
                  </Button>
                )}
              </span>
            </div>
            {shown?.about === about && (
              <Typography.Text code copyable style={{ wordBreak: 'break-all' }}>
                {shown.address}
              </Typography.Text>
            )}
          </div>
        );
      })}
    </div>
  );
}
