import { inArray, sql } from 'drizzle-orm';
import type { Tx } from '../db/connect.ts';
import { file } from '../db/schema/index.ts';
import { tidyFiles } from '../read/tidyFiles.ts';

/** What stands in the place of what was removed. */
const REMOVED = '(removed)';
/** Shorter than this, a word is everywhere and tells nothing of anybody. */
const LEAST = 3;

interface Column {
  readonly table: string;
  readonly column: string;
  readonly type: string;
}

/** Everything a person could be known by: names and contacts, whole and by their parts, papers of their vehicles. */
export function tracesOf(texts: readonly string[]): string[] {
  const parts = texts.flatMap((text) => [text, ...text.split(/[,;\n]/)]).map((text) => text.trim());
  return [...new Set(parts.filter((text) => text.length >= LEAST))].sort((a, b) => b.length - a.length);
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Words as PostgreSQL finds them whole, in a text or inside JSON. */
const patternOf = (traces: readonly string[]): string => {
  const forms = traces.flatMap((one) => [one, JSON.stringify(one).slice(1, -1)]);
  return `(?<![[:alnum:]])(${[...new Set(forms)].map(escaped).join('|')})(?![[:alnum:]])`;
};

/**
 * Takes every trace out of every text of every table; figures are numbers and stay. Rows that are never changed are changed
 * for this alone.
 *
 * @returns in how many places something was found
 */
export async function removeTraces(tx: Tx, traces: readonly string[]): Promise<number> {
  if (traces.length === 0) return 0;
  await tx.execute(sql`set local dajo.removal = 'on'`);
  const { rows: columns } = await tx.execute<Column & Record<string, unknown>>(sql`
    select c.table_name as "table", c.column_name as "column", c.udt_name as type
    from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
    where c.table_schema = 'public' and t.table_type = 'BASE TABLE' and c.udt_name in ('text', 'varchar', 'jsonb', 'json', '_text')
      and c.table_name not in ('session', 'file_content', 'installation', 'person')
      and c.column_name not in ('id', 'hash', 'small_hash') and c.is_generated = 'NEVER'`);
  const pattern = patternOf(traces);
  let places = 0;
  for (const { table, column, type } of columns) {
    const at = sql.identifier(column);
    const cast = type === 'text' || type === 'varchar' ? sql`` : sql.raw(`::${type === '_text' ? 'text[]' : type}`);
    const { rowCount } = await tx.execute(sql`
      update ${sql.identifier(table)} set ${at} = regexp_replace(${at}::text, ${pattern}, ${REMOVED}, 'g')${cast}
      where ${at}::text ~ ${pattern}`);
    places += rowCount ?? 0;
  }
  return places;
}

/** Throws away photographs and papers of jobs, their stages and snags, and of vehicles, for good. */
export async function removeFiles(tx: Tx, vehicles: readonly string[]): Promise<number> {
  if (vehicles.length === 0) return 0;
  const ids = sql.join(
    vehicles.map((id) => sql`${id}::uuid`),
    sql`, `,
  );
  const { rows } = await tx.execute<{ id: string }>(sql`
    select f.id from file f where (f.about = 'vehicle' and f.about_id::text in (select x::text from unnest(array[${ids}]) x))
      or f.about_id in (
        select j.id::text from job j where j.vehicle_id in (${ids})
        union select s.id::text from stage s join job j on j.id = s.job_id where j.vehicle_id in (${ids})
        union select s.id::text from snag s join job j on j.id = s.job_id where j.vehicle_id in (${ids}))`);
  if (rows.length > 0)
    await tx.delete(file).where(
      inArray(
        file.id,
        rows.map(({ id }) => id),
      ),
    );
  await tidyFiles(tx, 0);
  return rows.length;
}
