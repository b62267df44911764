import { JOB_PARTS, type JobHead, type JobPart, type JobSheet } from '../../contract/job.ts';
import type { JobKey } from '../change.ts';
import { type Db, prepared, type Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { JsonText } from './jsonText.ts';
import { sheetStatement } from './sheetSql.ts';
import { sharedBy } from './together.ts';

type Piece = JobPart | 'head';

async function pieces<P extends Piece>(
  db: Db | Tx,
  which: JobKey,
  parts: readonly P[],
): Promise<Record<P, string | null>> {
  const [by, value] = 'number' in which ? (['number', which.number] as const) : (['id', which.id] as const);
  return one(
    await prepared<Record<P, string | null>>(db, `sheet by ${by}: ${parts.join(' ')}`, sheetStatement(parts, by), [
      value,
    ]),
    'job',
  );
}

/** One piece of a job's sheet as JSON text, to be sent as it is. */
export const pieceText = (db: Db, number: string, part: Piece): Promise<JsonText> =>
  sharedBy(db)(`${number} ${part}`, async () => new JsonText((await pieces(db, { number }, [part]))[part] ?? 'null'));

/** A job's whole sheet as JSON text: the head's fields, and each further piece under its name. */
export const sheetText = (db: Db, number: string): Promise<JsonText> =>
  sharedBy(db)(number, async () => {
    const { head, ...rest } = await pieces(db, { number }, ['head', ...JOB_PARTS]);
    const parts = JOB_PARTS.map((part) => `,"${part}":${rest[part] ?? 'null'}`).join('');
    return new JsonText(`${(head ?? '{}').slice(0, -1)}${parts}}`);
  });

/** A job's whole sheet, for papers. */
export const jobSheet = async (db: Db, number: string): Promise<JobSheet> =>
  JSON.parse((await sheetText(db, number)).text) as JobSheet;

/** The head of a job's sheet. */
export const headOf = async (db: Db | Tx, which: JobKey): Promise<JobHead> =>
  JSON.parse((await pieces(db, which, ['head'])).head ?? 'null') as JobHead;

/** One piece of a job's sheet, by the same statement as the page's. */
export const partOf = async <P extends JobPart>(db: Db | Tx, which: JobKey, part: P): Promise<JobSheet[P]> =>
  JSON.parse((await pieces(db, which, [part]))[part] ?? 'null') as JobSheet[P];
