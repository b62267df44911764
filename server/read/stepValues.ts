import type { StepTemplate } from '../../core/kit/kit.ts';

/** A step of a template as the row it becomes. */
export const stepValues = ({ text, note, limit, tool, second, bolts }: StepTemplate) => ({
  ...{ text, note, tool: tool ?? null, second: second ?? false, bolts: bolts ?? null },
  ...{ limitMin: limit?.min ?? null, limitMax: limit?.max ?? null },
  ...{ limitKind: limit?.kind ?? null, limitSource: limit?.source ?? '' },
});
