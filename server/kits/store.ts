import { asc, eq } from 'drizzle-orm';
import type { KitContent, KitLine } from '../../core/kit/kit.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { kitLine, kitRevision } from '../db/schema/index.ts';

/** A kit nobody has put anything into yet. */
export const EMPTY_CONTENT: KitContent = {
  lines: [],
  options: [],
  layout: { boxes: [], strings: 1 },
  torqueCapNm: null,
  gear: null,
  cover: {},
  exclusions: [],
  stages: [],
};

/** What a revision holds. */
export async function contentOf(tx: Tx, revisionId: string): Promise<KitContent> {
  const { body } = one(await tx.select().from(kitRevision).where(eq(kitRevision.id, revisionId)), 'kit revision');
  const lines = await tx
    .select()
    .from(kitLine)
    .where(eq(kitLine.revisionId, revisionId))
    .orderBy(asc(kitLine.position));
  return {
    ...body,
    lines: lines.map(({ componentId, quantity, packedIn, appliesWhen }) => ({
      ...{ componentId, quantity, packedIn, appliesWhen },
    })),
  };
}

/** Writes the lines of a draft, in their order. */
export async function putLines(tx: Tx, revisionId: string, lines: readonly KitLine[]): Promise<void> {
  if (lines.length === 0) return;
  await tx.insert(kitLine).values(lines.map((line, position) => ({ ...line, position, revisionId })));
}
