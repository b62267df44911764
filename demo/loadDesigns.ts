import { readFile } from 'node:fs/promises';
import { eq } from 'drizzle-orm';
import type { DesignInputs } from '../core/design/inputs.ts';
import { type KitRevision, kitDesign, kitParts } from '../core/kit/kit.ts';
import { packRoute } from '../core/road/packedRoute.ts';
import { readGpx } from '../core/road/readGpx.ts';
import { routeFrom } from '../core/road/route.ts';
import type { Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';
import { COMPONENTS } from './components.ts';
import type { DemoJob } from './jobs.ts';
import { KITS } from './kits.ts';

export const LIBRARY = new Map(COMPONENTS.map((part) => [part.id, part]));
export const REVISIONS = new Map<string, KitRevision>(
  KITS.flatMap((kit) =>
    kit.revisions.map(
      (revision) => [revision.id, { ...revision, kitId: kit.id, kitName: kit.name, modelName: '' }] as const,
    ),
  ),
);

/** From here on the client has agreed: the design is frozen. */
const SOLD: readonly DemoJob['state'][] = ['waitingForPart', 'building', 'proving', 'handedOver'];

/** The design the job's kit makes, or null without a kit. */
export function designOf(job: DemoJob): DesignInputs | null {
  const revision = job.kitRevisionId ? REVISIONS.get(job.kitRevisionId) : undefined;
  return revision
    ? kitDesign(revision, kitParts(revision, LIBRARY, job.variantId, job.options), job.variantId, job.options)
    : null;
}

/** The client's recorded route, read as the page would read it. */
export async function loadRoute(tx: Tx, jobId: string, file: string): Promise<void> {
  const points = readGpx(await readFile(new URL(file, import.meta.url), 'utf8'));
  const route = typeof points === 'string' ? points : routeFrom(points);
  if (typeof route === 'string') throw new Error(`${file}: ${route}`);
  await tx.insert(t.route).values({ jobId, body: packRoute(route) });
}

/** The kit's design and a variation of it; answers the first one's id. */
export async function loadDesigns(tx: Tx, jobId: string, job: DemoJob): Promise<string | null> {
  const inputs = designOf(job);
  if (!inputs) return null;
  const modules = inputs.boxes.reduce((sum, box) => sum + box.modules, 0);
  const [first] = await tx
    .insert(t.design)
    .values({ jobId, name: `A, ${modules} modules`, inputs })
    .returning();
  if (job.variation) {
    const { name, bay, modules: fewer } = job.variation;
    const boxes = inputs.boxes.map((box) => (box.bay === bay ? { ...box, modules: fewer } : box));
    await tx
      .insert(t.design)
      .values({ jobId, name, inputs: { ...inputs, boxes }, createdAt: new Date(Date.now() + 1000) });
  }
  if (SOLD.includes(job.state))
    await tx.update(t.design).set({ frozenAt: new Date() }).where(eq(t.design.id, first!.id));
  if (job.chosen) await tx.update(t.job).set({ chosenDesignId: first!.id }).where(eq(t.job.id, jobId));
  return first!.id;
}
