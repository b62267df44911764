import { useMemo } from 'react';
import { type CostInputs, USUAL_COST } from '../../../../../core/charge/runningCost.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { unitOf } from '../../../../../core/quantity/units.ts';
import { CHART } from '../../../../app/theme.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { StackedBars } from '../../../../widgets/StackedBars.tsx';
import { useUse } from '../../brief/useUse.tsx';
import { useOpenJob } from '../../openJob.ts';

const BARS = ['Fuel, before', 'Electricity'];

/** What a year costs in energy against fuel, with every price to be changed. */
export function CostPanel() {
  const { sheet } = useOpenJob('sheet');
  const units = useUnitSet();
  const { use, set, buttons, fault } = useUse();
  const cost = use.cost ?? USUAL_COST;
  const change = (next: Partial<CostInputs>) => set({ cost: { ...cost, ...next } });
  const energy = sheet.get(FIGURES.energyCostYear).value;
  const fuel = sheet.get(FIGURES.fuelCostYear).value;
  const parts = useMemo(
    () => [{ label: 'a year', colour: CHART.primary, values: [(fuel ?? 0) / 100, (energy ?? 0) / 100] }],
    [fuel, energy],
  );
  const field = (name: keyof CostInputs, label: string, kind: 'money' | 'coefficient' | 'distance' | 'fuelUse') => (
    <QuantityInput
      label={label}
      kind={kind}
      value={cost[name]}
      digits={2}
      onChange={(value) => value !== null && change({ [name]: value })}
      fault={fault(`cost.${name}`)}
    />
  );
  return (
    <Panel title="Against fuel" aside={buttons}>
      <div className="in stack">
        {energy !== null && fuel !== null && (
          <StackedBars
            name="cost-a-year"
            say={`Fuel ${formatQuantity(fuel, 'money', units)} a year, electricity ${formatQuantity(energy, 'money', units)} a year`}
            bars={BARS}
            parts={parts}
            unit={`${unitOf('money', units).symbol} a year`}
            height={130}
          />
        )}
        <div className="fields">
          {field('centsPerKwh', 'Electricity, a kWh', 'money')}
          {field('centsPerLitre', 'Fuel, a litre', 'money')}
          {field('litresPer100Km', 'Fuel before', 'fuelUse')}
          {field('kmPerYear', 'Driven a year', 'distance')}
          {field('gramsCo2PerKwh', 'CO₂, grams per kWh', 'coefficient')}
          {field('gramsCo2PerLitre', 'CO₂, grams per litre', 'coefficient')}
        </div>
      </div>
    </Panel>
  );
}
