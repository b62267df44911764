import { createHash } from 'node:crypto';
import { sql } from 'drizzle-orm';
import type { Db, Tx } from '../db/connect.ts';
import { fileContent } from '../db/schema/index.ts';
import { RuleBroken } from '../problems.ts';

export interface Content {
  readonly type: string;
  readonly body: Buffer;
}

/** How much all contents take, bytes. */
export async function usedBytes(db: Db | Tx): Promise<number> {
  const { rows } = await db.execute<{ n: string }>(sql`select coalesce(sum(size), 0)::text as n from file_content`);
  return Number(rows[0]?.n ?? 0);
}

const mb = (bytes: number) => `${Math.round(bytes / 1e6)} MB`;

/**
 * Keeps contents, each once, by hash. Writers of contents wait for each other, so that two together cannot pass the quota.
 *
 * @returns their hashes, in order
 */
export async function keep(tx: Tx, contents: readonly Content[], quotaBytes: number): Promise<string[]> {
  await tx.execute(sql`select pg_advisory_xact_lock(hashtext('dajo files'))`);
  const rows = contents.map(({ type, body }) => ({
    hash: createHash('sha256').update(body).digest('hex'),
    type,
    size: body.length,
    body,
  }));
  await tx.insert(fileContent).values(rows).onConflictDoNothing();
  const used = await usedBytes(tx);
  if (used > quotaBytes)
    throw new RuleBroken(
      `Photographs and papers may take ${mb(quotaBytes)} here and would now take ${mb(used)}. Drop some, or let FILES_QUOTA_MB be more.`,
    );
  return rows.map(({ hash }) => hash);
}
