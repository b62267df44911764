import type { KitPartToChange } from '../core/fit/widen.ts';
import type { KitLine, StageTrait } from '../core/kit/kit.ts';
import type { LessonAbout, LessonState } from '../core/kit/lessons.ts';
import type { ReleaseNeed } from '../core/kit/releaseNeeds.ts';
import type { PartGoes, RegisterKind } from '../core/vehicle/register.ts';

export const RELEASE_NEED_NAME: Record<ReleaseNeed, string> = {
  lines: 'Every line names a component, and none counts twice',
  cover: 'Every function covered',
  fitsOne: 'Fits at least one variant of its model',
  torqueSources: 'Every torque and clearance has a source',
  stages: 'Stages can be worked through',
  secondReader: 'A second reader has signed',
};

export const TRAIT_NAME: Record<StageTrait, string> = {
  onLift: 'on the lift',
  onAlignment: 'in the alignment bay',
  beside: 'beside the vehicle, at a bench',
  away: 'with the vehicle out of the house',
  boxesIn: 'all boxes are in after it',
  takesOut: 'takes the old drive out',
  frontBoxesIn: 'brings the front boxes in',
  rearBoxesIn: 'brings the rear boxes in',
  driveIn: 'brings the drive in',
  restIn: 'brings everything else in',
};

export const LESSON_ABOUT_NAME: Record<LessonAbout, string> = {
  job: 'the job',
  stage: 'a stage',
  snag: 'a snag',
  reading: 'a reading',
  finding: 'a finding of Match',
  check: 'a check',
};

export const LESSON_STATE_NAME: Record<LessonState, string> = {
  waiting: 'waiting',
  taken: 'taken in',
  left: 'left as it is',
  aside: 'set aside',
};

export const REGISTER_KIND_NAME: Record<RegisterKind, string> = {
  hole: 'Hole drilled',
  cut: 'Cut',
  weld: 'Weld',
  narrowing: 'Narrowed',
  bracket: 'Bracket bolted on',
  partOut: 'Part taken out',
  rehoused: 'Part moved to a new place',
};

export const PART_GOES_NAME: Record<PartGoes, string> = {
  shelf: 'on the shelf',
  client: 'with the client',
  sold: 'sold',
  scrapped: 'scrapped',
};

/** When a line applies, as a kit says it: "Wren 1.1, with keep the boot". Empty: always. */
export function whenText(
  when: KitLine['appliesWhen'],
  variantName: (id: string) => string,
  optionName: (id: string) => string,
): string {
  if (!when) return '';
  return [
    when.variantIds?.map(variantName).join(' and '),
    when.option && `with ${optionName(when.option)}`,
    when.without && `not with ${optionName(when.without)}`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** What would have to be another: "another cradle". */
export const CHANGE_NAME: Readonly<Record<KitPartToChange, string>> = {
  cradle: 'another cradle',
  boxes: 'other boxes',
  fewerModules: 'fewer modules, or placed elsewhere',
  coupling: 'another coupling or adapter',
  electric: 'other electrics',
  cables: 'other cables, connectors or inlet',
  drive: 'a weaker or capped drive',
  rest: 'what goes beside it',
};
