import type { RoadVehicle } from '../road/roadLoad.ts';
import type { LogFinding, LogFindingId } from './findings.ts';
import type { Log } from './readLog.ts';
import { dischargeSign, fitRoadEfficiency, type RoadEfficiency, type RoadEfficiencyProblem } from './roadEfficiency.ts';
import { type RoadLog, type RoadLogProblem, readRoadLog } from './roadLog.ts';

/** What is known of the run besides its log. */
export interface RoadRun {
  /** The vehicle as it ran; null where its mass is not said. */
  readonly vehicle: RoadVehicle | null;
  /** Motor shaft to road, 0..1; null where no gears are chosen. */
  readonly gearEfficiency: number | null;
  /** Resistance of the modules at the temperature of the run, as a multiple of that at 20 °C. */
  readonly resistanceThen: number;
  /** What the figures say now, in base units. */
  readonly predicted: Readonly<Partial<Record<LogFindingId, number | null>>>;
}

export interface RoadShown {
  readonly read: RoadLog;
  /** The way from battery to road, or why it cannot be told; null without a vehicle. */
  readonly way: RoadEfficiency | RoadEfficiencyProblem | null;
  readonly findings: readonly LogFinding[];
}

/** Everything a road log shows, each beside what was predicted. Pack figures are told at 20 °C, efficiency to the motor shaft. */
export function roadFindings(log: Log, run: RoadRun): RoadShown | RoadLogProblem {
  const read = readRoadLog(log);
  if (typeof read === 'string') return read;
  const way = run.vehicle && fitRoadEfficiency(log, run.vehicle, dischargeSign(log.columns));
  const finding = (figure: LogFindingId, measured: number, error: number | null): LogFinding => ({
    figure,
    predicted: run.predicted[figure] ?? null,
    measured,
    error,
  });
  const { gearEfficiency: gears, resistanceThen: then } = run;
  return {
    read,
    way,
    findings: [
      ...(read.whPerKm === null ? [] : [finding('consumption', read.whPerKm, null)]),
      finding('packResistance', read.packOhm / then, read.packOhmError / then),
      finding('packVoltage', read.packV, null),
      ...(way && typeof way !== 'string' && gears
        ? [finding('efficiency', way.efficiency / gears, way.error / gears)]
        : []),
    ],
  };
}
