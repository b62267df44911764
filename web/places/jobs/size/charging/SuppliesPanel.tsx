import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Segmented } from 'antd';
import { supplies, USUAL_HOME_H } from '../../../../../core/figures/charge/supplies.ts';
import type { NamedSupply } from '../../../../../core/figures/slots.ts';
import { formatClock, formatHours, formatQuantity } from '../../../../../core/quantity/format.ts';
import { reasonText } from '../../../../../wording/figures.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Fold } from '../../../../widgets/Fold.tsx';
import { Labelled } from '../../../../widgets/Labelled.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../../widgets/TextField.tsx';
import { useUse } from '../../brief/useUse.tsx';
import { useOpenJob } from '../../openJob.ts';

/** Every supply the client has: what it gives with this charger, what holds it back, and when the pack is full. */
export function SuppliesPanel() {
  const { sheet } = useOpenJob('sheet');
  const { use, set, buttons, fault } = useUse();
  const unitSet = useUnitSet();
  const result = sheet.get(supplies);
  const home = use.homeAtH ?? USUAL_HOME_H;
  const others = use.otherSupplies ?? [];
  const change = (i: number, next: Partial<NamedSupply>) =>
    set({ otherSupplies: others.map((supply, k) => (k === i ? { ...supply, ...next } : supply)) });
  return (
    <Panel title="At every supply" aside={buttons}>
      <div className="in stack">
        {result.value ? (
          <DataTable
            label="Charging at every supply"
            rows={result.value}
            columns={({ words, figures }) => [
              words('Supply', ({ supply }) => (
                <>
                  {supply.name}
                  <div className="soft small">
                    {supply.volts} V, {supply.amps} A, {supply.phases === 3 ? 'three phases' : 'one phase'}
                  </div>
                </>
              )),
              figures('Power', ({ watts }) => formatQuantity(watts, 'electricPower', unitSet)),
              words('Held back by', ({ by }) => by),
              figures('Empty to full', ({ hours }) => formatHours(hours)),
              figures('Full at', ({ hours }) => formatClock(home + hours)),
            ]}
          />
        ) : (
          <p className="soft">{reasonText(result, unitSet)}</p>
        )}
        <Fold title={<>Supplies, rapid post and hour of coming home</>}>
          <div className="fields" style={{ paddingTop: 6 }}>
            <QuantityInput
              label="Home and empty at, hour"
              kind="coefficient"
              value={home}
              onChange={(homeAtH) => homeAtH !== null && set({ homeAtH })}
              fault={fault('homeAtH')}
            />
            <QuantityInput
              label="Rapid charging post nearby"
              kind="electricPower"
              value={use.dcPostW ?? null}
              mayBeEmpty
              onChange={(dcPostW) => set({ dcPostW })}
              fault={fault('dcPostW')}
            />
            <QuantityInput
              label="Amperes of the post"
              kind="current"
              value={use.dcPostA ?? null}
              mayBeEmpty
              onChange={(dcPostA) => set({ dcPostA })}
              fault={fault('dcPostA')}
            />
          </div>
          {others.map((supply, i) => (
            <div key={i} className="item-row">
              <TextField label={`Supply ${i + 2}`} value={supply.name} onChange={(name) => change(i, { name })} />
              <QuantityInput
                label="Volts to neutral"
                kind="voltage"
                value={supply.volts}
                onChange={(volts) => volts !== null && change(i, { volts })}
                fault={fault(`otherSupplies.${i}.volts`)}
              />
              <QuantityInput
                label="Amps"
                kind="current"
                value={supply.amps}
                onChange={(amps) => amps !== null && change(i, { amps })}
                fault={fault(`otherSupplies.${i}.amps`)}
              />
              <Labelled label="Phases">
                <Segmented
                  aria-label={`Phases of supply ${i + 2}`}
                  value={supply.phases}
                  options={[
                    { label: 'One', value: 1 },
                    { label: 'Three', value: 3 },
                  ]}
                  onChange={(phases) => change(i, { phases: phases as 1 | 3 })}
                />
              </Labelled>
              <Button
                icon={<DeleteOutlined />}
                size="small"
                type="text"
                aria-label={`Drop supply ${i + 2}`}
                onClick={() => set({ otherSupplies: others.filter((_, k) => k !== i) })}
              >
                Drop
              </Button>
            </div>
          ))}
          <Button
            icon={<PlusOutlined />}
            size="small"
            onClick={() =>
              set({ otherSupplies: [...others, { name: 'another supply', volts: 230, amps: 32, phases: 1 }] })
            }
          >
            Add a supply
          </Button>
        </Fold>
      </div>
    </Panel>
  );
}
