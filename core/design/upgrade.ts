import { DESIGN_FORMAT, type DesignInputs } from './inputs.ts';

/** Makes a design of format n into one of format n + 1. */
export type Upgrade = (older: Record<string, unknown>) => Record<string, unknown>;

/**
 * One entry for each format that was ever stored and is not the newest: how it becomes the next. Empty while there has
 * been one format only; fields added since its beginning are optional, with their defaults in `inputs.ts`.
 */
const UPGRADES: Readonly<Record<number, Upgrade>> = {};

/** A stored design of a format this Dajo does not know. */
export class UnknownDesignFormat extends Error {
  readonly format: unknown;
  constructor(format: unknown) {
    super(`a design of format ${String(format)} cannot be read: the newest known is ${DESIGN_FORMAT}`);
    this.format = format;
  }
}

/**
 * A stored design in today's format, step by step from the format it was stored in. Sold designs stay stored as they
 * were sold: they are made readable when they are read, and never rewritten.
 *
 * @throws UnknownDesignFormat for a newer format, or one without a way to the next
 */
export function upgradeDesign(
  stored: unknown,
  upgrades: Readonly<Record<number, Upgrade>> = UPGRADES,
  newest: number = DESIGN_FORMAT,
): DesignInputs {
  let design = (stored ?? {}) as Record<string, unknown>;
  for (let format = design.format; format !== newest; format = design.format) {
    const upgrade = typeof format === 'number' && format < newest ? upgrades[format] : undefined;
    if (!upgrade) throw new UnknownDesignFormat(format);
    design = { ...upgrade(design), format: (format as number) + 1 };
  }
  return design as unknown as DesignInputs;
}
