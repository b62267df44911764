import { hoursAddress } from '../../../contract/hours.ts';
import { useOfAddress } from '../resources.ts';
import { usePerson } from '../session.tsx';
import { waitingOf } from './deliver.ts';
import { useOutbox } from './outbox.ts';

export interface OnTheClock {
  readonly stageId: string;
  readonly jobNumber: string;
}

/** Where the signed-in person is clocked on, with what they have done and the server has not heard of yet; else null. */
export function useMyClock(): OnTheClock | null {
  const { data } = useOfAddress(hoursAddress.mine, {});
  const { acts } = useOutbox();
  const { id } = usePerson();
  return waitingOf(acts, id).reduce<OnTheClock | null>((on, { act }) => {
    if (act.act === 'clockOn') return { stageId: act.stageId, jobNumber: act.number };
    if (act.act === 'clockOff') return null;
    return act.act === 'finish' && act.stageId === on?.stageId ? null : on;
  }, data?.open ?? null);
}
