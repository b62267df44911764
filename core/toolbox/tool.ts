/** What a tool is, as far as it may be used today. */
export interface ToolFacts {
  readonly kind: string;
  readonly calibrated: boolean;
  /** The last day its calibration holds, ISO. */
  readonly calibratedUntil: string | null;
  readonly outWhy: string | null;
}

export type ToolProblem = 'out' | 'neverCalibrated' | 'calibrationOver' | 'otherKind';

/** Why a reading cannot be taken with a tool on a day; null where it can. The last day of a calibration is in it. */
export function toolProblem(tool: ToolFacts, kind: string | null, day: string): ToolProblem | null {
  if (kind !== null && tool.kind !== kind) return 'otherKind';
  if (tool.outWhy !== null) return 'out';
  if (!tool.calibrated) return null;
  if (tool.calibratedUntil === null) return 'neverCalibrated';
  return tool.calibratedUntil < day ? 'calibrationOver' : null;
}

/**
 * Kinds a stage asks for of which there is none to be had on a day: a missing crimp tool stops work like a missing part. A
 * kind of which the register has none at all is not kept there, and nothing is known of it.
 */
export const missingKinds = (kinds: readonly string[], tools: readonly ToolFacts[], day: string): string[] =>
  kinds.filter(
    (kind) => tools.some((tool) => tool.kind === kind) && !tools.some((tool) => toolProblem(tool, kind, day) === null),
  );

/**
 * The order in which bolts of a flange are tightened, counted around it from 1: each across from the one before, as far as
 * that goes (crosswise; common practice). In passes of a third, two thirds and all of the torque, then once round.
 */
export function crosswise(bolts: number): number[] {
  const half = Math.ceil(bolts / 2);
  const order: number[] = [];
  // Pairs across from each other, each pair as far as can be from the one before: by bits turned round.
  const bits = Math.ceil(Math.log2(Math.max(1, half)));
  for (let i = 0; i < 2 ** bits; i++) {
    let turned = 0;
    for (let bit = 0; bit < bits; bit++) if (i & (1 << bit)) turned |= 1 << (bits - 1 - bit);
    if (turned >= half) continue;
    order.push(turned + 1);
    const across = turned + half;
    if (across < bolts) order.push(across + 1);
  }
  return order;
}
