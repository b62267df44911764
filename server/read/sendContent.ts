import { eq } from 'drizzle-orm';
import type { Response } from 'express';
import type { Db } from '../db/connect.ts';
import { file, fileContent } from '../db/schema/index.ts';
import { NotFound } from '../problems.ts';

/** Sends the content of a file; the address of a content never means another one, so it is kept for ever. */
export async function sendContent(db: Db, res: Response, id: string, which: 'hash' | 'smallHash'): Promise<undefined> {
  const [row] = await db
    .select({ name: file.name, type: fileContent.type, body: fileContent.body })
    .from(file)
    .innerJoin(fileContent, eq(fileContent.hash, file[which]))
    .where(eq(file.id, id));
  if (!row) throw new NotFound('file');
  const shown = /^(image|video)\//.test(row.type) || row.type === 'application/pdf';
  res
    .type(row.type)
    .set('Cache-Control', 'private, max-age=31536000, immutable')
    // Whatever is in it, it runs nothing here.
    .set('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; sandbox")
    .attachment(row.name);
  if (shown) res.set('Content-Disposition', (res.get('Content-Disposition') ?? '').replace(/^attachment/, 'inline'));
  // `attachment` sets a type by the name; ours is by the content.
  res.set('Content-Type', row.type === 'text/plain' ? 'text/plain; charset=utf-8' : row.type);
  res.send(row.body);
  return undefined;
}
