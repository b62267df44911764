import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import type { Trailer } from '../../../../core/figures/slots.ts';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import type { useUse } from './useUse.tsx';

/** What a light box trailer is, to begin with; common practice. */
const START: Trailer = { massKg: 500, ballKg: 40, dragAreaM2: 0.8 };

/** The trailer that is towed on all uses, or none. */
export function TrailerFields({ use, set, fault }: Pick<ReturnType<typeof useUse>, 'use' | 'set' | 'fault'>) {
  const { trailer = null } = use;
  if (!trailer)
    return (
      <div>
        <Button size="small" icon={<PlusOutlined />} onClick={() => set({ trailer: START })}>
          With a trailer
        </Button>
      </div>
    );
  const change = (next: Partial<Trailer>) => set({ trailer: { ...trailer, ...next } });
  return (
    <div className="fields">
      <QuantityInput
        label="Trailer, laden"
        kind="mass"
        value={trailer.massKg}
        onChange={(massKg) => massKg !== null && change({ massKg })}
        fault={fault('trailer.massKg')}
      />
      <QuantityInput
        label="On the tow ball"
        kind="mass"
        value={trailer.ballKg}
        onChange={(ballKg) => ballKg !== null && change({ ballKg })}
        fault={fault('trailer.ballKg')}
      />
      <QuantityInput
        label="Drag area it adds"
        kind="area"
        value={trailer.dragAreaM2}
        onChange={(dragAreaM2) => dragAreaM2 !== null && change({ dragAreaM2 })}
        fault={fault('trailer.dragAreaM2')}
      />
      <Button style={{ alignSelf: 'end' }} icon={<DeleteOutlined />} onClick={() => set({ trailer: null })}>
        Without the trailer
      </Button>
    </div>
  );
}
