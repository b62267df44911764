import { FigureGroupSheet } from '../FigureGroupSheet.tsx';
import { CostPanel } from './CostPanel.tsx';
import { DayPlan } from './DayPlan.tsx';
import { DcChart } from './DcChart.tsx';
import { SuppliesPanel } from './SuppliesPanel.tsx';

/** Charging at every supply, the night as a curve, rapid charging, and the year's cost against fuel. */
export default function ChargingLook() {
  return (
    <div className="two" style={{ gridTemplateColumns: 'minmax(0, 1.3fr) minmax(0, 1fr)' }}>
      <div className="stack">
        <SuppliesPanel />
        <DayPlan />
        <DcChart />
      </div>
      <div className="stack">
        <FigureGroupSheet group="charge" />
        <FigureGroupSheet group="money" />
        <CostPanel />
      </div>
    </div>
  );
}
