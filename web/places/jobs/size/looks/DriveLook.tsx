import { PullChart } from '../charts/PullChart.tsx';
import { RunUpChart } from '../charts/RunUpChart.tsx';
import { DrivePanel } from '../driving/DrivePanel.tsx';
import { FigureGroupSheet } from '../FigureGroupSheet.tsx';

/** From motor to road: pull by gear against the road, times, hills, and what the driveline and its mounts stand. */
export default function DriveLook({ faults }: { faults: Readonly<Record<string, string>> }) {
  return (
    <>
      <PullChart />
      <div className="two" style={{ gridTemplateColumns: 'minmax(0, 1.15fr) minmax(0, 1fr)' }}>
        <div className="stack">
          <DrivePanel faults={faults} />
          <RunUpChart />
        </div>
        <div className="stack">
          <FigureGroupSheet group="road" />
          <FigureGroupSheet group="driveline" />
        </div>
      </div>
    </>
  );
}
