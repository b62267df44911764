import { describe, expect, test } from 'vitest';
import { fitKit } from '../core/fit/fitKit.ts';
import type { KitRevision } from '../core/kit/kit.ts';
import { REVERSIBLE_FIRM } from '../core/testing/briefLine.ts';
import { vehicleState } from '../core/vehicle/state.ts';
import { COMPONENTS } from './components.ts';
import { JOBS } from './jobs.ts';
import { KITS } from './kits.ts';
import { MODELS } from './models.ts';

const LIBRARY = new Map(COMPONENTS.map((part) => [part.id, part]));
const VARIANTS = MODELS.flatMap((model) => model.variants);
const REVISIONS: KitRevision[] = KITS.flatMap((kit) =>
  kit.revisions.map((revision) => ({ ...revision, kitId: kit.id, kitName: kit.name, modelName: '' })),
);
const work = { rateCents: 5800, todayDay: 20_000, latestPartDay: null, remainingHours: 70, hoursPerDay: 13 };

describe('kits of jobs that are being built', () => {
  const built = JOBS.filter((job) => job.stagesDone > 0);
  test.each(built.map((job) => [job.title, job] as const))('%s: nothing of its kit is in the way', (_title, job) => {
    const variant = VARIANTS.find((v) => v.id === job.variantId)!;
    const [frontLeftKg, frontRightKg, rearLeftKg, rearRightKg] = job.corners!;
    const vehicle = vehicleState(
      variant,
      {},
      { frontLeftKg, frontRightKg, rearLeftKg, rearRightKg, state: 'asReceived', by: '', at: '' },
    );
    const revision = REVISIONS.find((r) => r.id === job.kitRevisionId)!;
    const { findings, cover } = fitKit({
      revision,
      options: job.options,
      library: LIBRARY,
      vehicle,
      use: job.use,
      work,
      cover: {},
      brief: job.brief as never,
    });
    expect(findings.filter((f) => f.verdict === 'doesNotFit').map((f) => `${f.rule}: ${f.subject}`)).toEqual([]);
    expect(cover.filter((line) => line.by === 'gap').map((line) => line.function)).toEqual([]);
  });
});

describe('a kit on a vehicle of another model', () => {
  const strangers = REVISIONS.flatMap((revision) =>
    VARIANTS.filter(
      (variant) =>
        !KITS.some(
          (kit) =>
            kit.modelId === MODELS.find((m) => m.variants.includes(variant))?.id &&
            kit.revisions.some((r) => r.id === revision.id),
        ),
    ).map((variant) => [`${revision.id} on ${variant.id}`, revision, variant] as const),
  );
  test.each(strangers)('%s does not fit, and says at least one thing a person would', (_name, revision, variant) => {
    const report = fitKit({
      revision,
      options: [],
      library: LIBRARY,
      vehicle: vehicleState(variant, {}, null),
      use: JOBS[4]!.use,
      work,
      cover: {},
      brief: [REVERSIBLE_FIRM],
    });
    expect(report.verdict).toBe('doesNotFit');
    const rules = new Set(report.findings.filter((f) => f.verdict === 'doesNotFit').map((f) => f.rule));
    expect(['mountingPoints', 'boxInBay', 'coupling'].some((rule) => rules.has(rule as never))).toBe(true);
  });
});
