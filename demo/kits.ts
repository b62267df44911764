import type { KitRevision } from '../core/kit/kit.ts';
import { boltInStages, type StageFacts } from '../core/kit/usualStages.ts';
import kits from './kits.json' with { type: 'json' };

type Body = Omit<KitRevision, 'kitId' | 'kitName' | 'modelName'>;
export interface DemoKit {
  readonly id: string;
  readonly name: string;
  readonly modelId: string;
  readonly revisions: readonly Body[];
}

/** What the stages of each kit are made from: torques, size of the vehicle, full voltage. */
const STAGE_FACTS: Record<string, StageFacts> = {
  'wren-kit': { cradleNm: [62, 70], boxNm: [42, 48], rearBox: true, liquid: true, size: 1, fullV: 353 },
  'fourteen-kit': { cradleNm: [85, 95], boxNm: [48, 54], rearBox: true, liquid: true, size: 1.25, fullV: 403 },
  'lantern-kit': { cradleNm: [44, 50], boxNm: [24, 28], rearBox: true, liquid: false, size: 0.8, fullV: 146 },
  'fell-package': { cradleNm: [70, 80], boxNm: [44, 52], rearBox: true, liquid: true, size: 1.3, fullV: 353 },
  'packet-package': { cradleNm: [90, 104], boxNm: [60, 68], rearBox: true, liquid: true, size: 1.5, fullV: 403 },
};

const stored = kits as unknown as readonly (Omit<DemoKit, 'revisions'> & {
  readonly revisions: readonly Omit<Body, 'stages'>[];
})[];

/** The kits of the sample with their stages. */
export const KITS: readonly DemoKit[] = stored.map((kit) => ({
  ...kit,
  revisions: kit.revisions.map((revision) => ({ ...revision, stages: boltInStages(STAGE_FACTS[kit.id]!) })),
}));
