import { FigureGroupSheet } from '../FigureGroupSheet.tsx';
import { ChainPanel } from './ChainPanel.tsx';
import { DrivePanel } from './DrivePanel.tsx';
import { PullChart } from './PullChart.tsx';
import { RunUpChart } from './RunUpChart.tsx';
import { ShaftsPanel } from './ShaftsPanel.tsx';

/** From cell to road: the links with what is left of each, pull by gear against the road, times, hills, and what the driveline and its mounts stand. */
export default function DriveLook({ faults }: { faults: Readonly<Record<string, string>> }) {
  return (
    <>
      <ChainPanel />
      <PullChart />
      <div className="two" style={{ gridTemplateColumns: 'minmax(0, 1.15fr) minmax(0, 1fr)' }}>
        <div className="stack">
          <DrivePanel faults={faults} />
          <RunUpChart />
        </div>
        <div className="stack">
          <FigureGroupSheet group="road" />
          <FigureGroupSheet group="driveline" />
          <ShaftsPanel />
        </div>
      </div>
    </>
  );
}
