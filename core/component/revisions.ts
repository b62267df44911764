import equal from 'fast-deep-equal';

/** What of a component a design reckons with; name, supplier, price and time to get it are not among it. */
export interface Physical {
  readonly massKg: number;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly covers: readonly string[];
  readonly highVoltage: boolean;
  readonly sheet: unknown;
}

const physical = ({ massKg, lengthMm, widthMm, heightMm, covers, highVoltage, sheet }: Physical): Physical => ({
  ...{ massKg, lengthMm, widthMm, heightMm, highVoltage, sheet },
  covers: [...covers].sort(),
});

/**
 * How a change of a component is stored: over the old one, or as a revision of its own because something stands on the old
 * one and reckons with what is changed.
 */
export const changeOfComponent = (before: Physical, after: Physical, used: boolean): 'over' | 'revision' =>
  used && !equal(physical(before), physical(after)) ? 'revision' : 'over';
