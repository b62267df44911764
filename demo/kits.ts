import type { KitLine, KitRevision, StageTemplate } from '../core/kit/kit.ts';
import { boltInStages, type StageFacts } from '../core/kit/usualStages.ts';
import kits from './kits.json' with { type: 'json' };

type Body = Omit<KitRevision, 'kitId' | 'kitName' | 'modelName'>;
export interface DemoRevision extends Body {
  readonly note?: string;
  readonly basedOnId?: string;
  /** Days ago. */
  readonly releasedDays?: number;
  readonly withdrawnWhy?: string;
}
export interface DemoKit {
  readonly id: string;
  readonly name: string;
  readonly modelId: string;
  readonly developmentCents?: number;
  readonly revisions: readonly DemoRevision[];
}

/** What the stages of each kit are made from: torques, size of the vehicle, full voltage. */
const STAGE_FACTS: Record<string, StageFacts> = {
  'wren-kit': {
    ...{ cradleNm: [62, 70], boxNm: [42, 48], torqueSource: 'drawing WK-12' },
    ...{ rearBox: true, liquid: true, size: 1, fullV: 353 },
  },
  'fourteen-kit': {
    ...{ cradleNm: [85, 95], boxNm: [48, 54], torqueSource: 'drawing FU-03' },
    ...{ rearBox: true, liquid: true, size: 1.25, fullV: 403 },
  },
  'lantern-kit': {
    ...{ cradleNm: [44, 50], boxNm: [24, 28], torqueSource: 'drawing LR-07' },
    ...{ rearBox: true, liquid: false, size: 0.8, fullV: 146 },
  },
  'fell-package': { cradleNm: [70, 80], boxNm: [44, 52], rearBox: true, liquid: true, size: 1.3, fullV: 353 },
  'packet-package': { cradleNm: [90, 104], boxNm: [60, 68], rearBox: true, liquid: true, size: 1.5, fullV: 403 },
};

const stored = kits as unknown as readonly (Omit<DemoKit, 'revisions'> & {
  readonly revisions: readonly Omit<Body, 'stages'>[];
})[];

const without = (lines: readonly KitLine[], ...ids: string[]) =>
  lines.filter((line) => !ids.includes(line.componentId));

/** In the draft the torques of the cradle were changed, and nobody has drawn them yet. */
const undrawn = (stages: readonly StageTemplate[]): StageTemplate[] =>
  stages.map((stage) => ({
    ...stage,
    steps: stage.steps.map((step) =>
      step.limit?.kind === 'torque' && /cradle/.test(step.text)
        ? { ...step, limit: { kind: step.limit.kind, min: 66, max: 74 } }
        : step,
    ),
  }));

/** Earlier revisions of the van's kit, told back from the released one. */
function wrenHistory([c, d]: readonly DemoRevision[]): DemoRevision[] {
  const b: DemoRevision = {
    ...c!,
    ...{
      id: 'wren-kit-b',
      revision: 'B',
      releasedDays: 240,
      note: 'inlet bracket of thicker sheet',
      basedOnId: 'wren-kit-a',
    },
    lines: without(c!.lines, 'clamp-set'),
  };
  const a: DemoRevision = {
    ...c!,
    ...{
      id: 'wren-kit-a',
      revision: 'A',
      state: 'withdrawn',
      releasedDays: 330,
      withdrawnWhy: 'inlet bracket cracked on two vans',
    },
    lines: without(c!.lines, 'clamp-set', 'coolant-tank'),
  };
  return [
    a,
    b,
    { ...c!, releasedDays: 150, note: 'clamps and header tank in the kit', basedOnId: 'wren-kit-b' },
    {
      ...d!,
      ...{ note: 'long slots for the 1.3, boot can be kept', basedOnId: 'wren-kit-c', stages: undrawn(d!.stages) },
    },
  ];
}

/** The kits of the sample with their stages. */
export const KITS: readonly DemoKit[] = stored.map((kit) => {
  const revisions = kit.revisions.map(
    (revision): DemoRevision => ({ ...revision, stages: boltInStages(STAGE_FACTS[kit.id]!), releasedDays: 200 }),
  );
  return kit.id === 'wren-kit'
    ? { ...kit, developmentCents: 1_300_000, revisions: wrenHistory(revisions) }
    : { ...kit, developmentCents: 900_000, revisions };
});
