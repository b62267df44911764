import { Button, Segmented } from 'antd';
import type { VehicleUse } from '../../../../core/figures/slots.ts';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { Sheet } from '../../../widgets/Sheet.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useBench } from '../jobBench.ts';

const ROUND = { lengthKm: 40, stops: 10, meanKmh: 30, climbM: 100 };

/** How the client will use the vehicle: the round, steady speed, load, weather, supply. One for all designs. */
export function UsePanel() {
  const { job, use, setUse, useDirty } = useBench();
  const sending = useSend();
  const set = (change: Partial<VehicleUse>) => setUse({ ...use, ...change });
  const round = use.round;
  const fault = (field: string) => sending.faults[`use.${field}`];
  const save = async () => {
    if (await sending.go('PUT', `/jobs/${job.number}/use`, { use, version: job.version })) setUse(null);
  };
  return (
    <Sheet
      title="How it is used"
      aside={
        useDirty && (
          <span className="row">
            <Button size="small" type="primary" loading={sending.busy} onClick={() => void save()}>
              Save the use
            </Button>
            <Button size="small" onClick={() => setUse(null)}>
              Undo
            </Button>
          </span>
        )
      }
    >
      <div className="in stack">
        {round ? (
          <div className="fields">
            <QuantityInput
              label="Daily round"
              kind="distance"
              value={round.lengthKm}
              onChange={(v) => v !== null && set({ round: { ...round, lengthKm: v } })}
              fault={fault('round.lengthKm')}
              digits={1}
            />
            <QuantityInput
              label="Stops"
              kind="count"
              value={round.stops}
              onChange={(v) => v !== null && set({ round: { ...round, stops: v } })}
              fault={fault('round.stops')}
            />
            <QuantityInput
              label="Mean speed under way"
              kind="speed"
              value={round.meanKmh}
              onChange={(v) => v !== null && set({ round: { ...round, meanKmh: v } })}
              fault={fault('round.meanKmh')}
            />
            <QuantityInput
              label="Climb, metres"
              kind="count"
              value={round.climbM}
              onChange={(v) => v !== null && set({ round: { ...round, climbM: v } })}
              fault={fault('round.climbM')}
            />
          </div>
        ) : (
          <div>
            <Button onClick={() => set({ round: ROUND })}>State the daily round</Button>
          </div>
        )}
        <div className="fields">
          <QuantityInput
            label="Usual load"
            kind="mass"
            value={use.payloadKg}
            onChange={(v) => v !== null && set({ payloadKg: v })}
            fault={fault('payloadKg')}
          />
          <QuantityInput
            label="Steady speed"
            kind="speed"
            value={use.constantKmh}
            onChange={(v) => v !== null && set({ constantKmh: v })}
            fault={fault('constantKmh')}
          />
          <QuantityInput
            label="Accessories"
            kind="power"
            value={use.auxiliaryW}
            onChange={(v) => v !== null && set({ auxiliaryW: v })}
            fault={fault('auxiliaryW')}
          />
          <QuantityInput
            label="Heater"
            kind="power"
            value={use.heaterW}
            onChange={(v) => v !== null && set({ heaterW: v })}
            fault={fault('heaterW')}
          />
          <QuantityInput
            label="Air temperature"
            kind="temperature"
            value={use.ambientC}
            onChange={(v) => v !== null && set({ ambientC: v })}
            fault={fault('ambientC')}
          />
          <QuantityInput
            label="Supply, volts to neutral"
            kind="voltage"
            value={use.supply.volts}
            onChange={(v) => v !== null && set({ supply: { ...use.supply, volts: v } })}
            fault={fault('supply.volts')}
          />
          <QuantityInput
            label="Supply, amps"
            kind="current"
            value={use.supply.amps}
            onChange={(v) => v !== null && set({ supply: { ...use.supply, amps: v } })}
            fault={fault('supply.amps')}
          />
          <div className="field">
            <span className="label">Phases</span>
            <Segmented
              aria-label="Phases of the supply"
              value={use.supply.phases}
              options={[
                { label: 'One', value: 1 },
                { label: 'Three', value: 3 },
              ]}
              onChange={(phases) => set({ supply: { ...use.supply, phases: phases as 1 | 3 } })}
            />
          </div>
        </div>
      </div>
    </Sheet>
  );
}
