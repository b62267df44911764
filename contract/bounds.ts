/** How much a body may hold, counted before anything looks at what it means. */
export interface Bounds {
  /** Values altogether: every number, text, list, object and key. */
  readonly values: number;
  /** Lists and objects within each other. */
  readonly depth: number;
  /** Characters of one text or key. */
  readonly text: number;
}

export const USUAL_BOUNDS: Bounds = { values: 6000, depth: 12, text: 4000 };

export type BoundsProblem = 'tooMany' | 'tooDeep' | 'tooLong';

/** Walks a parsed body and stops at the first bound that is passed; null when it keeps to all of them. */
export function boundsProblem(body: unknown, bounds: Bounds): BoundsProblem | null {
  let left = bounds.values;
  const open: { value: unknown; depth: number }[] = [{ value: body, depth: 0 }];
  while (open.length > 0) {
    const { value, depth } = open.pop()!;
    if (--left < 0) return 'tooMany';
    if (typeof value === 'string' && value.length > bounds.text) return 'tooLong';
    if (typeof value !== 'object' || value === null) continue;
    if (depth >= bounds.depth) return 'tooDeep';
    if (Array.isArray(value)) {
      if (value.length > left) return 'tooMany';
      for (const inner of value) open.push({ value: inner, depth: depth + 1 });
      continue;
    }
    for (const key in value) {
      if (--left < 0) return 'tooMany';
      if (key.length > bounds.text) return 'tooLong';
      open.push({ value: (value as Record<string, unknown>)[key], depth: depth + 1 });
    }
  }
  return null;
}

export const BOUNDS_SENTENCE: Record<BoundsProblem, string> = {
  tooMany: 'This holds more entries than Dajo takes here in one go. Send less.',
  tooDeep: 'This is nested deeper than anything Dajo takes.',
  tooLong: 'A text in this is longer than anything Dajo takes.',
};
