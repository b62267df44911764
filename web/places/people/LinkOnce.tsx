import { Typography } from 'antd';
import type { InvitationBody, InvitationMade } from '../../../contract/people.ts';
import { dayNumber, formatDay } from '../../../core/quantity/format.ts';

export type InvitationLink = InvitationBody & InvitationMade;

/** What stands behind `/invitation/`: 192 random bits. */
export const newToken = (): string =>
  btoa(String.fromCharCode(...crypto.getRandomValues(new Uint8Array(24))))
    .replaceAll('+', '-')
    .replaceAll('/', '_');

/** A link that is shown this once: with it somebody chooses their own password. */
export function LinkOnce({ link, name }: { link: InvitationLink; name: string }) {
  return (
    <div className="note" data-invitation>
      <p>
        Give this link to {name}. It works once, until {formatDay(dayNumber(link.until))}, and is not shown again.
      </p>
      <Typography.Text copyable code style={{ wordBreak: 'break-all' }}>
        {`${location.origin}/invitation/${link.token}`}
      </Typography.Text>
    </div>
  );
}
