import { LockOutlined, UnlockOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { conditionAddress } from '../../../../contract/condition.ts';
import type { JobSheet } from '../../../../contract/job.ts';
import { failedInspections } from '../../../../core/vehicle/condition.ts';
import { dayAndTime } from '../../../../wording/dates.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { usePerson, useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { WithReason } from '../../../widgets/WithReason.tsx';

/** Who works behind the open service switch, and what failed on arrival: either holds live work up. */
export function ServiceLock({ job }: { job: Pick<JobSheet, 'number' | 'state'> }) {
  const { data } = useOfAddress(conditionAddress.sheet, { number: job.number });
  const me = usePerson();
  const { timeZone } = useWorkshop();
  const may = useMay(job, 'reading');
  const sending = useSend(false, { typed: false });
  if (!data) return null;
  const { lock, inspections } = data;
  const failed = failedInspections(inspections);
  if (!lock && failed.length === 0 && !may) return null;
  return (
    <div className={lock || failed.length > 0 ? 'note wait stack' : 'spread'} data-service-lock={lock ? 'on' : 'off'}>
      {lock ? (
        <div className="spread">
          <span>
            <StateMark mark="waiting" /> The service switch is locked open by <strong>{lock.by}</strong> since{' '}
            {dayAndTime(lock.at, timeZone)}
            {lock.key && `, key ${lock.key}`}. Nothing is made live while it is.
          </span>
          {may &&
            (lock.byId === me.id ? (
              <Button
                size="small"
                icon={<UnlockOutlined />}
                loading={sending.busy}
                onClick={() => void sending.go(conditionAddress.unlock, { id: lock.id }, { why: '' })}
              >
                Take my lock off
              </Button>
            ) : (
              me.role === 'manager' && (
                <WithReason
                  asks="Take it off for them …"
                  button={{ size: 'small' }}
                  address={conditionAddress.unlock}
                  params={{ id: lock.id }}
                  body={(why) => ({ why })}
                  label="How you know that nobody is behind it"
                  save="Take it off"
                />
              )
            ))}
        </div>
      ) : (
        may && (
          <>
            {failed.length === 0 && <span className="soft small">Service switch not locked.</span>}
            <span>
              <WithReason
                asks="Lock the service switch open …"
                button={{ size: 'small', icon: <LockOutlined /> }}
                address={conditionAddress.lock}
                params={{ number: job.number }}
                body={(key) => ({ key })}
                field="key"
                label="Where the key is"
                save="It is locked and tagged"
              />
            </span>
          </>
        )
      )}
      {failed.length > 0 && (
        <span className="stop">
          <StateMark mark="stop" /> Failed on arrival: {failed.map(({ what }) => what).join(', ')}. Nothing is made live
          until each is put right and looked at again.
        </span>
      )}
    </div>
  );
}
