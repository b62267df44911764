import { CostPanel } from '../charging/CostPanel.tsx';
import { DayPlan } from '../charging/DayPlan.tsx';
import { DcChart } from '../charging/DcChart.tsx';
import { SuppliesPanel } from '../charging/SuppliesPanel.tsx';
import { FigureGroupSheet } from '../FigureGroupSheet.tsx';

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
