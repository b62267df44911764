import { UsePanel } from '../../brief/UsePanel.tsx';
import { FigureGroupSheet } from '../FigureGroupSheet.tsx';
import { EnergyChart } from './EnergyChart.tsx';
import { RangeSpread } from './RangeSpread.tsx';
import { RoutePanel } from './RoutePanel.tsx';
import { SteadyChart } from './SteadyChart.tsx';

/** What the vehicle is used for: how far, where the energy goes, the recorded route, and the uses themselves. */
export default function UsesLook() {
  return (
    <>
      <RangeSpread />
      <EnergyChart />
      <RoutePanel />
      <div className="two">
        <SteadyChart />
        <FigureGroupSheet group="range" />
      </div>
      <UsePanel />
    </>
  );
}
