import { useMemo } from 'react';
import { type DrivenUse, USE_RUNS } from '../../../../../core/figures/road/useRuns.ts';
import { CHART } from '../../../../app/theme.ts';
import { Panel } from '../../../../widgets/Panel.tsx';
import { StackedBars } from '../../../../widgets/StackedBars.tsx';
import { useOpenJob } from '../../openJob.ts';

const NAME: Record<DrivenUse, string> = { round: 'Daily round', route: 'Recorded route', cycle: 'R83 cycle' };
const USES: readonly DrivenUse[] = ['round', 'route', 'cycle'];

/** Where the energy goes on each driven use, Wh per km: the parts add up to what the pack gives. */
export function EnergyChart() {
  const { sheet } = useOpenJob('sheet');
  const round = sheet.get(USE_RUNS.round.mild).value;
  const route = sheet.get(USE_RUNS.route.mild).value;
  const cycle = sheet.get(USE_RUNS.cycle.mild).value;
  const known = useMemo(() => {
    const runs = { round, route, cycle };
    return USES.flatMap((use) => (runs[use] ? [{ use, run: runs[use] }] : []));
  }, [round, route, cycle]);
  const { bars, parts } = useMemo(() => {
    const part = (label: string, colour: string, read: (run: (typeof known)[number]['run']) => number) => ({
      label,
      colour,
      values: known.map(({ run }) => read(run) / run.distanceKm),
    });
    return {
      bars: known.map(({ use }) => NAME[use]),
      parts: [
        part('tyres', CHART.parts[0]!, (run) => run.tyresWh),
        part('air', CHART.parts[1]!, (run) => run.airWh),
        part('hills and speed', CHART.parts[2]!, (run) => run.hillsWh),
        part('friction brakes', CHART.parts[3]!, (run) => run.brakesWh),
        part('drive losses', CHART.parts[4]!, (run) => run.driveLossWh),
        part('accessories and heating', CHART.parts[5]!, (run) => run.auxiliaryWh),
      ],
    };
  }, [known]);
  if (known.length === 0) return null;
  return (
    <Panel title="Where the energy goes" aside="Wh per km from the pack">
      <div className="in">
        <StackedBars
          name="where-the-energy-goes"
          say={known
            .map(({ use, run }) => `${NAME[use]}: ${(run.batteryWh / run.distanceKm).toFixed(0)} Wh per km`)
            .join('; ')}
          bars={bars}
          parts={parts}
          unit="Wh/km"
          height={70 + 40 * known.length}
        />
      </div>
    </Panel>
  );
}
