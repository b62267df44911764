import { eq, sql } from 'drizzle-orm';
import { type FileAbout, type FileList, type FileRow, fileAddress } from '../../contract/files.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { file } from '../db/schema/index.ts';
import { type Asked, serve } from '../endpoint.ts';
import { Stale } from '../problems.ts';
import { jobByNumber } from '../read/jobs.ts';
import { sendContent } from '../read/sendContent.ts';
import { type Content, keep, usedBytes } from './content.ts';
import { kindOf } from './kindOf.ts';
import { makePicture } from './picture.ts';
import { whatFor } from './whatFor.ts';

/** Rows of files as the page has them, by a condition on `f`. */
const rowsWhere = async (db: Db | Tx, condition: ReturnType<typeof sql>): Promise<FileRow[]> =>
  (
    await db.execute<FileRow & Record<string, unknown>>(sql`
      select f.id, f.about, f.about_id as "aboutId", f.name, f.caption, c.type, c.size, f.small_hash is not null as picture,
        f.width_px as "widthPx", f.height_px as "heightPx", f.lay, p.name as by,
        to_char(f.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as at, f.version
      from file f join file_content c on c.hash = f.hash left join person p on p.id = f.by_id
      where f.dropped_at is null and ${condition} order by f.at, f.id`)
  ).rows;

const listOf = async (
  { db, config }: Pick<Asked<string, unknown>, 'db' | 'config'>,
  condition: ReturnType<typeof sql>,
) =>
  ({
    files: await rowsWhere(db, condition),
    usedBytes: await usedBytes(db),
    quotaBytes: config.filesQuotaBytes,
  }) satisfies FileList;

export const fileEndpoints = [
  serve(fileAddress.of, ({ params, ...asked }) =>
    listOf(asked, sql`f.about = ${params.about} and f.about_id = ${params.of}`),
  ),
  serve(fileAddress.ofJob, async ({ params, ...asked }) => {
    const job = await jobByNumber(asked.db, params.number);
    return listOf(
      asked,
      sql`((f.about = 'job' and f.about_id = ${job.id}) or (f.about = 'vehicle' and f.about_id = ${job.vehicleId})
        or (f.about = 'stage' and f.about_id in (select id::text from stage where job_id = ${job.id}))
        or (f.about = 'fabrication' and f.about_id in (select id::text from fabrication where job_id = ${job.id}))
        or (f.about = 'snag' and f.about_id in (select id::text from snag where job_id = ${job.id}))
        or (f.about = 'lesson' and f.about_id in (select id::text from lesson where job_id = ${job.id}))
        or (f.about = 'register' and f.about_id in (select id::text from register_entry where vehicle_id = ${job.vehicleId})))`,
    );
  }),
  serve(fileAddress.add, async ({ params, uploaded, change, db, config, person }) => {
    const about = params.about as FileAbout;
    // Asked before a large picture is worked on for nothing.
    await whatFor(db, about, params.of);
    const kind = await kindOf(uploaded);
    const picture = kind.picture ? await makePicture(uploaded) : null;
    const contents: Content[] = picture
      ? [
          { type: picture.type, body: picture.body },
          { type: 'image/jpeg', body: picture.small },
        ]
      : [{ type: kind.type, body: uploaded }];
    return change(async ({ tx, log }) => {
      const { jobNumber } = await whatFor(tx, about, params.of);
      const [hash, smallHash = null] = await keep(tx, contents, config.filesQuotaBytes);
      const row = made(
        await tx
          .insert(file)
          .values({
            about,
            aboutId: params.of,
            name: params.name,
            hash: hash!,
            smallHash,
            widthPx: picture?.widthPx ?? null,
            heightPx: picture?.heightPx ?? null,
            byId: person.id,
          })
          .returning({ id: file.id }),
      );
      const what = `added ${picture ? 'a picture' : 'a paper'}, ${params.name}`;
      await log({ what, resource: 'file', id: row.id, job: jobNumber, after: { about, of: params.of, hash } });
      return { id: row.id };
    });
  }),
  serve(fileAddress.change, ({ params, body, change, now }) =>
    change(async ({ tx, log }) => {
      const stored = one(await tx.select().from(file).where(eq(file.id, params.id)).for('no key update'), 'file');
      if (stored.version !== body.version) {
        const [current] = await rowsWhere(tx, sql`f.id = ${params.id}`);
        throw new Stale(current ?? null);
      }
      const { caption, dropped, lay } = body;
      const version = stored.version + 1;
      const droppedAt = dropped ? (stored.droppedAt ?? now()) : null;
      await tx.update(file).set({ caption, lay, droppedAt, version }).where(eq(file.id, params.id));
      const { jobNumber } = await whatFor(tx, stored.about as FileAbout, stored.aboutId);
      const taken = dropped !== (stored.droppedAt !== null);
      const what = taken ? `${dropped ? 'dropped' : 'took back'} ${stored.name}` : `wrote to ${stored.name}`;
      await log({
        what,
        resource: 'file',
        id: params.id,
        job: jobNumber,
        before: { caption: stored.caption, dropped: stored.droppedAt !== null },
        after: { caption, dropped },
      });
      return { version };
    }),
  ),
  serve(fileAddress.whole, ({ db, res, params }) => sendContent(db, res, params.id, 'hash')),
  serve(fileAddress.small, ({ db, res, params }) => sendContent(db, res, params.id, 'smallHash')),
];
