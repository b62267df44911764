import { eq } from 'drizzle-orm';
import type { FileAbout } from '../../contract/files.ts';
import type { Db, Tx } from '../db/connect.ts';
import {
  authorisation,
  component,
  fabrication,
  job,
  kitOrder,
  kitRevision,
  lesson,
  registerEntry,
  serialItem,
  snag,
  stage,
  variant,
  vehicle,
} from '../db/schema/index.ts';
import { NotFound } from '../problems.ts';

/** What a file is about, found: the job it belongs to, where it belongs to one. */
export interface Found {
  readonly jobNumber: string | null;
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Finds what a file is about; there is nothing for a file to hang on otherwise. */
export async function whatFor(db: Db | Tx, about: FileAbout, id: string): Promise<Found> {
  const byText = about === 'component' || about === 'variant' || about === 'kitRevision';
  if (!byText && !UUID.test(id)) throw new NotFound('entry');
  const [row] = await ROWS[about](db, id);
  if (!row) throw new NotFound('entry');
  return { jobNumber: row.number };
}

type Row = { number: string | null };
const none = (rows: readonly unknown[]): Row[] => rows.map(() => ({ number: null }));

const ROWS: Record<FileAbout, (db: Db | Tx, id: string) => Promise<Row[]>> = {
  job: (db, id) => db.select({ number: job.number }).from(job).where(eq(job.id, id)),
  fabrication: (db, id) =>
    db
      .select({ number: job.number })
      .from(fabrication)
      .innerJoin(job, eq(job.id, fabrication.jobId))
      .where(eq(fabrication.id, id)),
  stage: (db, id) =>
    db.select({ number: job.number }).from(stage).innerJoin(job, eq(job.id, stage.jobId)).where(eq(stage.id, id)),
  snag: (db, id) =>
    db.select({ number: job.number }).from(snag).innerJoin(job, eq(job.id, snag.jobId)).where(eq(snag.id, id)),
  lesson: (db, id) =>
    db.select({ number: job.number }).from(lesson).innerJoin(job, eq(job.id, lesson.jobId)).where(eq(lesson.id, id)),
  register: (db, id) =>
    db
      .select({ number: job.number })
      .from(registerEntry)
      .innerJoin(job, eq(job.id, registerEntry.jobId))
      .where(eq(registerEntry.id, id)),
  kitRevision: async (db, id) =>
    none(await db.select({ id: kitRevision.id }).from(kitRevision).where(eq(kitRevision.id, id))),
  number: async (db, id) => none(await db.select({ id: serialItem.id }).from(serialItem).where(eq(serialItem.id, id))),
  order: async (db, id) => none(await db.select({ id: kitOrder.id }).from(kitOrder).where(eq(kitOrder.id, id))),
  vehicle: async (db, id) => none(await db.select({ id: vehicle.id }).from(vehicle).where(eq(vehicle.id, id))),
  component: async (db, id) => none(await db.select({ id: component.id }).from(component).where(eq(component.id, id))),
  variant: async (db, id) => none(await db.select({ id: variant.id }).from(variant).where(eq(variant.id, id))),
  authorisation: async (db, id) =>
    none(await db.select({ id: authorisation.id }).from(authorisation).where(eq(authorisation.id, id))),
};
