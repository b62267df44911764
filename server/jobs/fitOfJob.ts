import type { Workshop } from '../../contract/workshop.ts';
import { type FitReport, fitKit } from '../../core/fit/fitKit.ts';
import type { StoredJob } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { figureInputOfJob } from '../read/figureInput.ts';
import { kitRevisionOf } from '../read/kitRevisions.ts';

/** What every rule says of the job's kit on its vehicle, as the page works it out; null while it has no kit. */
export async function fitOfJob(
  tx: Tx,
  stored: StoredJob,
  workshop: Workshop,
  today: string,
): Promise<FitReport | null> {
  const revision = await kitRevisionOf(tx, stored.kitRevisionId);
  if (!revision) return null;
  const { input, brief } = await figureInputOfJob(tx, stored, workshop, today);
  return fitKit({
    revision,
    options: stored.kitOptions,
    library: input.library,
    vehicle: input.vehicle,
    use: stored.use,
    work: input.work,
    cover: stored.cover,
    brief,
    region: stored.region ?? workshop.region,
  });
}
