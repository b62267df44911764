import { Button, Segmented } from 'antd';
import { Labelled } from '../../../widgets/Labelled.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { RangeClaims } from './RangeClaims.tsx';
import { TrailerFields } from './TrailerFields.tsx';
import { useUse } from './useUse.tsx';

const ROUND = { lengthKm: 40, stops: 10, meanKmh: 30, climbM: 100 };

/** How the client will use the vehicle: the round, steady speed, load, weather, supply. One for all designs. */
export function UsePanel() {
  const { use, set, fault, buttons } = useUse();
  const round = use.round;
  return (
    <Panel title="How it is used" aside={buttons}>
      <div className="in stack">
        {round && (
          <TextField
            label="The round in words"
            value={use.roundWords ?? ''}
            onChange={(roundWords) => set({ roundWords })}
            fault={fault('roundWords')}
          />
        )}
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
            kind="watts"
            value={use.auxiliaryW}
            onChange={(v) => v !== null && set({ auxiliaryW: v })}
            fault={fault('auxiliaryW')}
          />
          <QuantityInput
            label="Heater"
            kind="watts"
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
            label="Heated seats"
            kind="watts"
            value={use.seatsW ?? 0}
            onChange={(v) => v !== null && set({ seatsW: v })}
            fault={fault('seatsW')}
          />
          <QuantityInput
            label="Altitude"
            kind="height"
            value={use.altitudeM}
            onChange={(v) => v !== null && set({ altitudeM: v })}
            fault={fault('altitudeM')}
          />
          <QuantityInput
            label="Wind against"
            kind="speed"
            value={use.headwindMs * 3.6}
            onChange={(v) => v !== null && set({ headwindMs: v / 3.6 })}
            fault={fault('headwindMs')}
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
          <Labelled label="Phases">
            <Segmented
              aria-label="Phases of the supply"
              value={use.supply.phases}
              options={[
                { label: 'One', value: 1 },
                { label: 'Three', value: 3 },
              ]}
              onChange={(phases) => set({ supply: { ...use.supply, phases: phases as 1 | 3 } })}
            />
          </Labelled>
        </div>
        <TrailerFields use={use} set={set} fault={fault} />
        <RangeClaims use={use} set={set} fault={fault} />
      </div>
    </Panel>
  );
}
