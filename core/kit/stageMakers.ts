import type { QuantityKind } from '../quantity/kinds.ts';
import type { StageTemplate, StepTemplate } from './kit.ts';

/** A step that is ticked. */
export const see = (text: string, note = ''): StepTemplate => ({ text, note, limit: null });
/** A step that is measured; lengths are common practice unless somebody else says so. */
export const measure = (
  text: string,
  kind: QuantityKind,
  min: number | null,
  max: number | null,
  note = '',
  source = kind === 'length' ? 'common practice' : '',
): StepTemplate => ({ text, note, limit: { kind, min, max, ...(source && { source }) } });

/** Held against limits where they are stated, else done as the drawing says and confirmed. */
export const torque = (
  text: string,
  limits: readonly [number, number] | null,
  source: string,
  note = '',
): StepTemplate =>
  limits
    ? measure(text, 'torque', limits[0], limits[1], note, source)
    : see(text, [note, 'as the drawing of the bolt says'].filter(Boolean).join(', '));

type Brief = Pick<StageTemplate, 'key' | 'name' | 'hours' | 'steps'> & Partial<StageTemplate>;
/** A stage with what is usual where nothing is said. */
export const stage = ({
  after = [],
  people = 1,
  liveHv = false,
  needs = '',
  traits = [],
  note = '',
  ...rest
}: Brief): StageTemplate => ({
  after,
  people,
  liveHv,
  needs,
  traits,
  note,
  ...rest,
});
