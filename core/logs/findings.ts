import type { QuantityKind } from '../quantity/kinds.ts';

/** What a log can show of a vehicle beside what its figures said before: name and kind. */
export const LOG_FINDINGS = {
  rollingCoefficient: { name: 'Rolling coefficient', kind: 'coefficient' },
  dragCoefficient: { name: 'Drag coefficient', kind: 'coefficient' },
  efficiency: { name: 'Efficiency, battery to shaft', kind: 'share' },
  packResistance: { name: 'Resistance of the pack at 20 °C', kind: 'resistance' },
  packVoltage: { name: 'Voltage without load', kind: 'voltage' },
  consumption: { name: 'Use for the distance', kind: 'consumption' },
} as const satisfies Record<string, { name: string; kind: QuantityKind }>;
export type LogFindingId = keyof typeof LOG_FINDINGS;
export const LOG_FINDING_IDS = Object.keys(LOG_FINDINGS) as LogFindingId[];

/** One figure as it was predicted and as a log shows it, in base units. */
export interface LogFinding {
  readonly figure: LogFindingId;
  /** What the figures said when the log was read; null where they said nothing. */
  readonly predicted: number | null;
  readonly measured: number;
  /** Standard error of what was measured; null where the log does not tell. */
  readonly error: number | null;
}
