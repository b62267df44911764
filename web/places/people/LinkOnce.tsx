import { Typography } from 'antd';
import type { InvitationBody, InvitationMade } from '../../../contract/people.ts';
import { dayNumber, formatDay } from '../../../core/quantity/format.ts';
import { useSession } from '../../data/session.tsx';
import { secretLink } from '../../widgets/secretLink.ts';

export type InvitationLink = InvitationBody & InvitationMade;

/** A link that is shown this once: with it somebody chooses their own password. */
export function LinkOnce({ link, name }: { link: InvitationLink; name: string }) {
  const { houses } = useSession();
  return (
    <div className="note" data-invitation>
      <p>
        Give this link to {name}. It works once, until {formatDay(dayNumber(link.until))}, and is not shown again.
      </p>
      <Typography.Text copyable code style={{ wordBreak: 'break-all' }}>
        {secretLink('invitation', link.token, houses?.here ?? null)}
      </Typography.Text>
    </div>
  );
}
