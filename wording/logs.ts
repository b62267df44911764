import type { CoastDownProblem } from '../core/logs/coastDown.ts';
import type { DynoProblem } from '../core/logs/dyno.ts';
import type { LogNote, LogProblem } from '../core/logs/readLog.ts';
import type { RoadEfficiencyProblem } from '../core/logs/roadEfficiency.ts';
import type { RoadLogProblem } from '../core/logs/roadLog.ts';

export const LOG_PROBLEM: Record<
  LogProblem | CoastDownProblem | DynoProblem | RoadLogProblem | RoadEfficiencyProblem,
  string
> = {
  empty: 'This file is empty.',
  noColumns: 'No columns with names were found: seconds and speed are needed, or seconds, volts and amperes.',
  tooFew: 'There are too few lines with numbers in it.',
  noSpeed: 'A coast-down needs columns of seconds and speed.',
  tooShort: 'The run is too short: a quarter of a minute of slowing down is the least.',
  notSlowing: 'The vehicle does not slow down in this log.',
  tooNarrow: 'The speeds lie too close together to tell tyres from air: begin faster, or roll on for longer.',
  noElectrics: 'A road log needs columns of seconds, volts and amperes.',
  noTorque: 'A dynamometer sheet needs columns of revolutions and of torque or power.',
  tooNarrowSpeeds: 'The revolutions lie too close together to make a curve.',
  noSpeedInLog: 'Without a column of speeds the efficiency cannot be told.',
  tooFewPulls: 'There are too few stretches that pull, or all pull alike: the efficiency cannot be told from it.',
  notTheVehicle:
    'By this log the drive gives more than it takes, or loses most of it: mass, tyres or air are not those of the run.',
  steadyCurrent: 'The current hardly changes: the resistance of the pack cannot be told from it.',
};

/** What was put right in a log, as one sentence. */
export const logNoteText = (code: LogNote, count: number): string =>
  ({
    headLines: `${count} ${count === 1 ? 'line' : 'lines'} above the numbers`,
    unreadable: `${count} ${count === 1 ? 'line is' : 'lines are'} no numbers and were left out`,
    repeated: `${count} ${count === 1 ? 'line repeats' : 'lines repeat'} a time or run backwards and were left out`,
    gaps: `${count} ${count === 1 ? 'gap' : 'gaps'} of more than two seconds`,
  })[code];
