import { lazy, Suspense, startTransition, useOptimistic } from 'react';
import { useSearchParams } from 'react-router';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';
import { AssumptionNotes } from './design/AssumptionNotes.tsx';
import { DesignBar } from './design/DesignBar.tsx';
import { NewerComponents } from './design/NewerComponents.tsx';
import { useUndoKeys } from './design/useUndoKeys.ts';
import { LookBar, type LookId, lookOf } from './LookBar.tsx';

const LOOK_VIEW: Record<
  LookId,
  ReturnType<typeof lazy<(props: { faults: Readonly<Record<string, string>> }) => React.ReactNode>>
> = {
  layout: lazy(() => import('./layout/LayoutLook.tsx')),
  drive: lazy(() => import('./drive/DriveLook.tsx')),
  uses: lazy(() => import('./uses/UsesLook.tsx')),
  balance: lazy(() => import('./balance/BalanceLook.tsx')),
  charging: lazy(() => import('./charging/ChargingLook.tsx')),
  electrics: lazy(() => import('./electrics/ElectricsLook.tsx')),
  heat: lazy(() => import('./heat/HeatLook.tsx')),
  search: lazy(() => import('./search/SearchLook.tsx')),
  compare: lazy(() => import('./compare/CompareLook.tsx')),
};

/** The design bench: designs above, then one look at the design picked; every figure follows each change at once. */
export default function SizeStep() {
  const { stored } = useOpenJob('stored');
  useUndoKeys();
  const sending = useSend(true);
  const [params, setParams] = useSearchParams();
  const look = lookOf(params.get('look'));
  const View = LOOK_VIEW[look];
  // The tab follows the press at once, also while the look itself is still on its way: pressing back must count.
  const [pressed, press] = useOptimistic(look);
  const onLook = (next: LookId) =>
    startTransition(() => {
      press(next);
      setParams(next === 'layout' ? {} : { look: next }, { replace: true });
    });
  return (
    <div className="stack">
      <DesignBar sending={sending} />
      {!stored && (
        <p className="note">
          This job has no design yet. Make one: from the kit taken in Match, from nothing, or from a file.
        </p>
      )}
      {stored && (
        <>
          <LookBar look={pressed} onLook={onLook} />
          {sending.problem && sending.problem.type !== '/problems/stale' && (
            <div className="note stop" role="alert">
              Not saved: {Object.values(sending.faults).join(' ') || sending.problem.detail}
            </div>
          )}
          <NewerComponents />
          <AssumptionNotes />
          <Suspense fallback={<p className="soft">One moment …</p>}>
            <View faults={sending.faults} />
          </Suspense>
        </>
      )}
    </div>
  );
}
