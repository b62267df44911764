import { inArray, type SQL, sql } from 'drizzle-orm';
import type { Tx } from '../db/connect.ts';
import { file } from '../db/schema/index.ts';
import { tidyFiles } from '../read/tidyFiles.ts';

/** What stands in the place of what was removed. */
const REMOVED = '(removed)';
/** Shorter than this, a word is everywhere and tells nothing of anybody. */
const LEAST = 3;

/** Tables in which nothing a person wrote can stand. */
const NEVER = ['session', 'file_content', 'installation', 'person'];
/** Columns that hold ids and fixed words, which a name may happen to be. */
const FIXED =
  /(^|_)(id|ids|key|hash|kind|state|role|resource|number|about|method|figure|source|verdict|rule|decision|school|from|unit_set|time_zone|region|currency)$/;

interface Column {
  readonly table: string;
  readonly column: string;
  readonly json: boolean;
  /** Every column of the table. */
  readonly beside: readonly string[];
}

/** What is a client's own: themselves, their vehicles, the jobs of those. */
export interface Own {
  readonly clientId: string;
  readonly vehicleIds: readonly string[];
}

/** Everything a person could be known by: names and contacts, whole and by their parts, papers of their vehicles. */
export function tracesOf(texts: readonly string[]): string[] {
  const parts = texts.flatMap((text) => [text, ...text.split(/[,;\n]/)]).map((text) => text.trim());
  return [...new Set(parts.filter((text) => text.length >= LEAST))].sort((a, b) => b.length - a.length);
}

/** A single plain word may be anything's name; two words, a number or an address are somebody's. */
const isTelling = (trace: string): boolean => !/^\p{L}+$/u.test(trace);

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Words as PostgreSQL finds them whole, in a text or inside JSON. */
const patternOf = (traces: readonly string[]): string => {
  const forms = traces.flatMap((one) => [one, JSON.stringify(one).slice(1, -1)]);
  return `(?<![[:alnum:]])(${[...new Set(forms)].map(escaped).join('|')})(?![[:alnum:]])`;
};

/** The same words in a text here. */
const inText = (traces: readonly string[]) =>
  new RegExp(`(?<![\\p{L}\\p{N}])(?:${traces.map(escaped).join('|')})(?![\\p{L}\\p{N}])`, 'gu');

/** A JSON value with the words gone from its texts; names of fields, numbers and shape stay. */
export function withoutTraces(value: unknown, traces: readonly string[]): unknown {
  const words = inText(traces);
  const walk = (one: unknown): unknown => {
    if (typeof one === 'string') return one.replace(words, REMOVED);
    if (Array.isArray(one)) return one.map(walk);
    if (typeof one !== 'object' || one === null) return one;
    return Object.fromEntries(Object.entries(one).map(([key, inner]) => [key, walk(inner)]));
  };
  return walk(value);
}

/**
 * Which rows of a table are the client's own, by the column that leads to them; null where none does: then the table is
 * everybody's, and a plain word in it is not known to be theirs.
 */
function ownRows({ table, beside }: Column, { clientId, vehicleIds }: Own): SQL | null {
  const vehicles = sql`(select unnest(${sql.param(vehicleIds)}::uuid[]))`;
  const jobs = sql`(select id from job where vehicle_id in ${vehicles})`;
  const stages = sql`(select id from stage where job_id in ${jobs})`;
  const numbers = sql`(select number from job where vehicle_id in ${vehicles})`;
  if (table === 'client') return sql`id = ${clientId}`;
  if (table === 'vehicle') return sql`id in ${vehicles}`;
  if (table === 'job') return sql`id in ${jobs}`;
  if (table === 'event')
    return sql`(job_number in ${numbers} or resource_id = ${clientId} or resource_id in (select x::text from unnest(${sql.param(vehicleIds)}::uuid[]) x))`;
  if (table === 'idempotency_key') return sql`exists (select 1 from ${numbers} n where position(n.number in path) > 0)`;
  const orders = sql`(select id from kit_order where client_id = ${clientId} or partner_id = ${clientId})`;
  if (table === 'kit_order') return sql`id in ${orders}`;
  if (beside.includes('client_id')) return sql`client_id = ${clientId}`;
  if (beside.includes('order_id')) return sql`order_id in ${orders}`;
  if (beside.includes('job_id')) return sql`job_id in ${jobs}`;
  if (beside.includes('vehicle_id')) return sql`vehicle_id in ${vehicles}`;
  if (beside.includes('stage_id')) return sql`stage_id in ${stages}`;
  if (beside.includes('step_id')) return sql`step_id in (select id from step where stage_id in ${stages})`;
  return null;
}

/**
 * Takes every trace out of every text of every table; figures, ids and fixed words stay. Rows that are never changed are
 * changed for this alone. A name that is a single plain word may be a model's, a part's or somebody else's: it goes from
 * what is this client's own; all that is plainly theirs goes from everywhere.
 *
 * @returns in how many places something was found
 */
export async function removeTraces(tx: Tx, traces: readonly string[], own: Own): Promise<number> {
  await tx.execute(sql`set local dajo.removal = 'on'`);
  const { rows: all } = await tx.execute<Column & Record<string, unknown>>(sql`
    select c.table_name as "table", c.column_name as "column", c.udt_name in ('json', 'jsonb') as json,
      array(select b.column_name::text from information_schema.columns b
        where b.table_schema = c.table_schema and b.table_name = c.table_name) as beside
    from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
    where c.table_schema = 'public' and t.table_type = 'BASE TABLE' and c.is_generated = 'NEVER'
      and c.udt_name in ('text', 'varchar', 'jsonb', 'json')`);
  const [telling, plain] = [traces.filter(isTelling), traces.filter((trace) => !isTelling(trace))];
  let places = 0;
  for (const column of all) {
    if (NEVER.includes(column.table) || (!column.json && FIXED.test(column.column))) continue;
    const remove = column.json ? fromJson : fromText;
    const mine = ownRows(column, own);
    if (telling.length > 0) places += await remove(tx, column, telling, sql`true`);
    if (plain.length > 0 && mine) places += await remove(tx, column, plain, mine);
  }
  return places;
}

async function fromText(tx: Tx, { table, column }: Column, traces: readonly string[], where: SQL): Promise<number> {
  const [at, pattern] = [sql.identifier(column), patternOf(traces)];
  const { rowCount } = await tx.execute(sql`
    update ${sql.identifier(table)} set ${at} = regexp_replace(${at}, ${pattern}, ${REMOVED}, 'g')
    where ${at} ~ ${pattern} and ${where}`);
  return rowCount ?? 0;
}

async function fromJson(tx: Tx, { table, column }: Column, traces: readonly string[], where: SQL): Promise<number> {
  const [of, at] = [sql.identifier(table), sql.identifier(column)];
  const { rows } = await tx.execute<{ row: string; body: unknown }>(
    sql`select ctid::text as row, ${at} as body from ${of} where ${at}::text ~ ${patternOf(traces)} and ${where} for update`,
  );
  for (const { row, body } of rows)
    await tx.execute(
      sql`update ${of} set ${at} = ${JSON.stringify(withoutTraces(body, traces))}::jsonb where ctid = ${row}::tid`,
    );
  return rows.length;
}

/** Throws away photographs and papers of jobs, their stages and snags, of vehicles and of kit orders, for good. */
export async function removeFiles(tx: Tx, { clientId, vehicleIds: vehicles }: Own): Promise<number> {
  const ids = sql`select unnest(${sql.param(vehicles)}::uuid[])`;
  const { rows } = await tx.execute<{ id: string }>(sql`
    select f.id from file f where (f.about = 'vehicle' and f.about_id::text in (select x::text from (${ids}) of_vehicles(x)))
      or f.about_id in (
        select j.id::text from job j where j.vehicle_id in (${ids})
        union select s.id::text from stage s join job j on j.id = s.job_id where j.vehicle_id in (${ids})
        union select x.id::text from fabrication x join job j on j.id = x.job_id where j.vehicle_id in (${ids})
        union select s.id::text from snag s join job j on j.id = s.job_id where j.vehicle_id in (${ids})
        union select l.id::text from lesson l join job j on j.id = l.job_id where j.vehicle_id in (${ids})
        union select g.id::text from register_entry g where g.vehicle_id in (${ids})
        union select o.id::text from kit_order o where o.client_id = ${clientId} or o.partner_id = ${clientId})`);
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

/** Names that were typed on the pages of a client's jobs, and addresses they came from: nobody else's record knows them. */
export async function typedOnPages(tx: Tx, vehicleIds: readonly string[]): Promise<string[]> {
  const jobs = sql`(select id from job where vehicle_id in (select unnest(${sql.param(vehicleIds)}::uuid[])))`;
  const { rows } = await tx.execute<{ typed: string }>(sql`
    select answered_by as typed from offer where job_id in ${jobs} union select answered_from from offer where job_id in ${jobs}
    union select answered_by from addition where job_id in ${jobs} union select answered_from from addition where job_id in ${jobs}
    union select asked_by from addition where job_id in ${jobs} union select by from client_question where job_id in ${jobs}`);
  return rows.flatMap(({ typed }) => (typed ? [typed] : []));
}

/** Closes the pages of a client's jobs: nobody is left to look at them. */
export async function closePages(tx: Tx, vehicleIds: readonly string[]): Promise<void> {
  await tx.execute(sql`
    update client_link set revoked_at = now() where revoked_at is null
      and job_id in (select id from job where vehicle_id in (select unnest(${sql.param(vehicleIds)}::uuid[])))`);
}
