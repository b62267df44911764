import { UsePanel } from '../../brief/UsePanel.tsx';
import { EnergyChart } from '../charts/EnergyChart.tsx';
import { SteadyChart } from '../charts/SteadyChart.tsx';
import { FigureGroupSheet } from '../FigureGroupSheet.tsx';
import { RangeSpread } from '../RangeSpread.tsx';
import { RoutePanel } from '../route/RoutePanel.tsx';

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
