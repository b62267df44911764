import type { KitLine, StageTemplate } from './kit.ts';
import type { StageRowFacts } from './stageRowFacts.ts';

/** Half hours are fine enough for a template. */
const HALF = 2;

/**
 * Stages of a finished job as a template: the hours are what it really took, rework left aside; where nobody clocked on,
 * what was planned. Stages that only this job had are left out with `leave`.
 */
export function stagesOfJob(stages: readonly StageRowFacts[], leave: ReadonlySet<string> = new Set()): StageTemplate[] {
  const kept = stages.filter(({ key }) => !leave.has(key));
  const keys = new Set(kept.map(({ key }) => key));
  return kept.map(({ hoursClocked, hoursRework, hours, steps, after, skill, mostPeople, ...rest }) => {
    const taken = hoursClocked - hoursRework;
    return {
      ...rest,
      after: after.filter((key) => keys.has(key)),
      ...(skill && { skill }),
      ...(mostPeople !== null && { mostPeople }),
      hours: taken > 0 ? Math.max(1 / HALF, Math.round(taken * HALF) / HALF) : hours,
      steps: steps.map(({ text, note, limit, tool, second, bolts }) => ({
        ...{ text, note, limit },
        ...(tool && { tool }),
        ...(second && { second }),
        ...(bolts && { bolts }),
      })),
    };
  });
}

interface FittedPart {
  readonly componentId: string;
  readonly quantity: number;
  readonly packedIn: string;
}

/** Lines of a kit from the parts a job got: one for each component, without those that only this vehicle got. */
export function linesOfJob(parts: readonly FittedPart[], onlyThis: ReadonlySet<string> = new Set()): KitLine[] {
  const together = new Map<string, KitLine>();
  for (const { componentId, quantity, packedIn } of parts) {
    if (onlyThis.has(componentId)) continue;
    const known = together.get(componentId);
    together.set(componentId, {
      componentId,
      quantity: quantity + (known?.quantity ?? 0),
      packedIn: known?.packedIn || packedIn || 'crate 1',
      appliesWhen: null,
    });
  }
  return [...together.values()];
}
