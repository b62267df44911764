import { Typography } from 'antd';
import type { InvitationBody, InvitationMade } from '../../../contract/people.ts';
import { dayNumber, formatDay } from '../../../core/quantity/format.ts';
import { useSession } from '../../data/session.tsx';

export type InvitationLink = InvitationBody & InvitationMade;

/** What stands behind `/invitation/`: 192 random bits. */
export const newToken = (): string =>
  btoa(String.fromCharCode(...crypto.getRandomValues(new Uint8Array(24))))
    .replaceAll('+', '-')
    .replaceAll('/', '_');

/** A link that is shown this once: with it somebody chooses their own password. */
export function LinkOnce({ link, name }: { link: InvitationLink; name: string }) {
  const { houses } = useSession();
  const house = houses ? `?house=${houses.here}` : '';
  return (
    <div className="note" data-invitation>
      <p>
        Give this link to {name}. It works once, until {formatDay(dayNumber(link.until))}, and is not shown again.
      </p>
      <Typography.Text copyable code style={{ wordBreak: 'break-all' }}>
        {`${location.origin}/invitation/${link.token}${house}`}
      </Typography.Text>
    </div>
  );
}
