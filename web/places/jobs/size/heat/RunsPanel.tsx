import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import type { RunsUse } from '../../../../../core/figures/slots.ts';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useUse } from '../../brief/useUse.tsx';
import { FigureGroupSheet } from '../FigureGroupSheet.tsx';

/** A quarter of a mile, five minutes between, a pair of fans. */
const START: RunsUse = { distanceM: 402, restS: 300, airM3h: 500 };

/** Runs at full throttle with rests between them: energy, heat, and how many in a row. */
export function RunsPanel() {
  const { use, set, fault, buttons } = useUse();
  const { runs = null } = use;
  if (!runs)
    return (
      <Panel title="Runs" aside={buttons}>
        <div className="in">
          <Button size="small" icon={<PlusOutlined />} onClick={() => set({ runs: START })}>
            It does runs at full throttle
          </Button>
        </div>
      </Panel>
    );
  const change = (next: Partial<RunsUse>) => set({ runs: { ...runs, ...next } });
  return (
    <FigureGroupSheet group="runs" aside={buttons}>
      <div className="fields" style={{ paddingTop: 8 }}>
        <QuantityInput
          label="Length of a run"
          kind="height"
          value={runs.distanceM}
          onChange={(distanceM) => distanceM !== null && change({ distanceM })}
          fault={fault('runs.distanceM')}
        />
        <QuantityInput
          label="Rest between runs"
          kind="duration"
          value={runs.restS}
          onChange={(restS) => restS !== null && change({ restS })}
          fault={fault('runs.restS')}
        />
        <QuantityInput
          label="Air through the pack"
          kind="airFlow"
          value={runs.airM3h}
          onChange={(airM3h) => airM3h !== null && change({ airM3h })}
          fault={fault('runs.airM3h')}
        />
      </div>
      <Button size="small" type="text" icon={<DeleteOutlined />} onClick={() => set({ runs: null })}>
        No runs
      </Button>
    </FigureGroupSheet>
  );
}
