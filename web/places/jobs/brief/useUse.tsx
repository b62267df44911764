import { UndoOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import type { Sent } from '../../../../contract/address.ts';
import { vehicleUseAddress } from '../../../../contract/use.ts';
import type { VehicleUse } from '../../../../core/figures/slots.ts';
import { useMay } from '../../../data/useMay.ts';
import { Conflict } from '../../../widgets/Conflict.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';

/** The draft of how the vehicle is used, with a setter, the faults of its fields, and the buttons that save or drop it. */
export function useUse() {
  const { job, use, setUse, useDirty, useDraftVersion } = useOpenJob(
    'job',
    'use',
    'setUse',
    'useDirty',
    'useDraftVersion',
  );
  const sending = useSend();
  const may = useMay(job, 'use');
  const save = async (version: number) => {
    if (await sending.go(vehicleUseAddress.change, { number: job.number }, { use, version })) setUse(null);
  };
  return {
    use,
    set: (change: Partial<VehicleUse>) => setUse({ ...use, ...change }),
    fault: (field: string): string | undefined => sending.faults[`use.${field}`],
    buttons: useDirty && may && (
      <span className="row">
        <Button
          size="small"
          type="primary"
          loading={sending.busy}
          onClick={() => void save(useDraftVersion ?? job.useVersion)}
        >
          Save the use
        </Button>
        <Button icon={<UndoOutlined />} size="small" onClick={() => setUse(null)}>
          Undo
        </Button>
        <Conflict
          of={vehicleUseAddress.change}
          params={{ number: job.number }}
          sending={sending}
          theirs={(now: { use: Sent<VehicleUse>; version: number }) => now}
          done={() => setUse(null)}
        />
      </span>
    ),
  };
}
