import { choice, count, number, optional, rows } from '../field.ts';
import { SHORT_TIME } from './shared.ts';

/** Battery module: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const module = {
  chemistry: choice('Chemistry', ['NMC', 'LFP']),
  cellsSeries: count('Cells in series', 1, 400),
  cellsParallel: count('Cells in parallel', 1, 400),
  capacityAh: number('Capacity', 'charge', 0.1, 5000),
  minV: number('Voltage, empty', 'voltage', 0, 1500),
  nominalV: number('Voltage, nominal', 'voltage', 0.1, 1500),
  maxV: number('Voltage, full', 'voltage', 0.1, 1500),
  continuousA: number('Current, continuous', 'current', 0, 10_000),
  peakA: number('Current, ten seconds', 'current', 0, 10_000),
  shortTime: optional(SHORT_TIME),
  resistanceOhm: number('Resistance', 'resistance', 0, 10),
  channels: count('Channels to watch', 0, 400),
  rates: optional(
    rows(
      'Charging rates',
      { state: number('State of charge', 'share', 0, 1), perHour: number('Rate', 'ratio', 0, 20) },
      2,
      40,
      { meaning: 'by state of charge, in multiples of the capacity an hour, where the maker states them' },
    ),
  ),
  byTemperature: optional(
    rows(
      'By temperature',
      {
        temperatureC: number('Temperature', 'temperature', -60, 90),
        resistance: number('Resistance', 'ratio', 0.1, 100, { meaning: 'as a multiple of the resistance above' }),
        energy: number('Energy it gives', 'share', 0, 1.2),
        charge: number('Charging it stands', 'share', 0, 1.5),
      },
      2,
      40,
      { meaning: 'against what the sheet states at 20 °C; without it, what is usual for the chemistry' },
    ),
  ),
} as const;
