import type { MassItem } from './axleLoads.ts';
import type { TipStep } from './tipping.ts';

/** What a stage does to the mass of the vehicle. */
export const MASS_MOVES = ['takesOut', 'frontBoxesIn', 'rearBoxesIn', 'driveIn', 'restIn'] as const;
export type MassMove = (typeof MASS_MOVES)[number];

export interface LiftStage {
  readonly name: string;
  readonly traits: readonly string[];
}

/** The bolt-in order of the trade (§7.1), for jobs whose own stages do not say what they move. */
export const USUAL_LIFT_STAGES: readonly LiftStage[] = [
  { name: 'Strip out', traits: ['takesOut'] },
  { name: 'Front box in', traits: ['frontBoxesIn'] },
  { name: 'Rear box and drive in', traits: ['rearBoxesIn', 'driveIn'] },
  { name: 'Everything else in', traits: ['restIn'] },
];

const isMove = (trait: string): trait is MassMove => (MASS_MOVES as readonly string[]).includes(trait);

/**
 * Mass that each stage moves, in the order of the stages, as one step each: boxes ahead of the middle of the wheelbase are
 * front boxes. Stages that move nothing are left out; what no stage moves comes first where it goes out, last where it
 * goes in, so that the last step is always the finished vehicle.
 */
export function stageSteps(
  changes: readonly MassItem[],
  wheelbaseMm: number,
  stages: readonly LiftStage[] = USUAL_LIFT_STAGES,
): TipStep[] {
  const told = stages.some(({ traits }) => traits.some(isMove)) ? stages : USUAL_LIFT_STAGES;
  const moveOf = (item: MassItem): MassMove => {
    if (item.massKg < 0) return 'takesOut';
    if (item.box) return item.xMm < wheelbaseMm / 2 ? 'frontBoxesIn' : 'rearBoxesIn';
    return item.drive ? 'driveIn' : 'restIn';
  };
  const named = new Set(told.flatMap(({ traits }) => traits.filter(isMove)));
  const step = (name: string, items: readonly MassItem[]): TipStep[] => {
    const massKg = items.reduce((sum, item) => sum + item.massKg, 0);
    const moment = items.reduce((sum, item) => sum + item.massKg * item.xMm, 0);
    return items.length === 0 ? [] : [{ name, massKg, xMm: massKg === 0 ? 0 : moment / massKg }];
  };
  const unnamed = changes.filter((item) => !named.has(moveOf(item)));
  return [
    ...step(
      'What else comes out',
      unnamed.filter(({ massKg }) => massKg < 0),
    ),
    ...told.flatMap(({ name, traits }) =>
      step(
        name,
        changes.filter((item) => traits.includes(moveOf(item))),
      ),
    ),
    ...step(
      'What else goes in',
      unnamed.filter(({ massKg }) => massKg >= 0),
    ),
  ];
}
