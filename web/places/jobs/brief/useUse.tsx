import { Button } from 'antd';
import type { VehicleUse } from '../../../../core/figures/slots.ts';
import { usePerson } from '../../../data/session.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useBench } from '../jobBench.ts';

/** The draft of how the vehicle is used, with a setter, the faults of its fields, and the buttons that save or drop it. */
export function useUse() {
  const { job, use, setUse, useDirty } = useBench();
  const sending = useSend();
  const may = usePerson().role !== 'viewer';
  const save = async () => {
    if (await sending.go('PUT', `/jobs/${job.number}/use`, { use, version: job.version })) setUse(null);
  };
  return {
    use,
    set: (change: Partial<VehicleUse>) => setUse({ ...use, ...change }),
    fault: (field: string): string | undefined => sending.faults[`use.${field}`],
    buttons: useDirty && may && (
      <span className="row">
        <Button size="small" type="primary" loading={sending.busy} onClick={() => void save()}>
          Save the use
        </Button>
        <Button size="small" onClick={() => setUse(null)}>
          Undo
        </Button>
      </span>
    ),
  };
}
