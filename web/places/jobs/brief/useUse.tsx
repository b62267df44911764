import { UndoOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useSchema, vehicleUseAddress } from '../../../../contract/use.ts';
import type { VehicleUse } from '../../../../core/figures/slots.ts';
import { differences } from '../../../../wording/differences.ts';
import { useMay } from '../../../data/useMay.ts';
import { MergeDialog } from '../../../widgets/MergeDialog.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useShown } from '../../../widgets/useShown.ts';
import { useBench } from '../benchStore.ts';

/** The draft of how the vehicle is used, with a setter, the faults of its fields, and the buttons that save or drop it. */
export function useUse() {
  const { job, use, setUse, useDirty, useDraftVersion } = useBench(
    'job',
    'use',
    'setUse',
    'useDirty',
    'useDraftVersion',
  );
  const sending = useSend();
  const shown = useShown();
  const may = useMay(job, 'use');
  const save = async (version: number) => {
    if (await sending.go(vehicleUseAddress.change, { number: job.number }, { use, version })) setUse(null);
  };
  const stale =
    sending.problem?.type === '/problems/stale'
      ? (sending.problem.current as { use: VehicleUse; version: number })
      : null;
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
        <MergeDialog
          rows={stale ? differences(useSchema, [use, stale.use], shown) : null}
          onMine={() => {
            const version = stale?.version ?? 0;
            sending.clear();
            void save(version);
          }}
          onTheirs={() => {
            sending.clear();
            setUse(null);
          }}
          onClose={sending.clear}
        />
      </span>
    ),
  };
}
