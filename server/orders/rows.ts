import { asc, eq, sql } from 'drizzle-orm';
import type { OrderQuestion, OrderRow, OrderSheet } from '../../contract/orders.ts';
import { isCompanion, jobCover } from '../../core/fit/cover.ts';
import { kitStages } from '../../core/kit/kit.ts';
import type { FitterReading, FitterStageDone } from '../../core/order/fitting.ts';
import type { OrderCount, OrderLine } from '../../core/order/order.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import {
  kitRevision,
  orderCrate,
  orderDispatch,
  orderLine,
  orderPaper,
  orderReading,
  orderSign,
  orderStage,
} from '../db/schema/index.ts';
import { kitRevisionOf } from '../read/kitRevisions.ts';
import { componentsAtHand } from '../read/library.ts';

/** An instant as JSON has it, or null. */
const iso = <T extends Date | string | null>(at: T) =>
  (at === null ? null : new Date(at).toISOString()) as T extends null ? null : string;

type Row = OrderRow & {
  readonly id: string;
  readonly revisionId: string;
  readonly revisionState: OrderSheet['revisionState'];
  readonly withdrawnWhy: string | null;
} & Record<string, unknown>;

const rowsWhere = async (db: Db | Tx, condition: ReturnType<typeof sql>): Promise<Row[]> => {
  const { rows } = await db.execute<Row>(sql`
    select o.id, o.number, k.id as "kitId", k.name as "kitName", r.id as "revisionId", r.revision, r.state as "revisionState",
      r.withdrawn_why as "withdrawnWhy", json_build_object('id', c.id, 'name', c.name) as client,
      case when p.id is not null then json_build_object('id', p.id, 'name', p.name) end as partner,
      m.name || ' ' || v.name as "variantName", o.kind, o.fitter, o.promised_on::text as "promisedOn",
      o.comes_on::text as "comesOn", o.state,
      (select count(*)::int from order_line l where l.order_id = o.id) as lines,
      (select count(*)::int from order_line l where l.order_id = o.id and l.first_pieces is not null) as "countedOnce",
      (select count(*)::int from order_line l where l.order_id = o.id and l.second_pieces is not null) as "countedTwice",
      (select count(*)::int from order_question q where q.order_id = o.id and q.answer is null) as questions,
      (select count(*)::int from order_stage s where s.order_id = o.id) as "stagesDone",
      d.at as "sentAt", s.at as "signedAt"
    from kit_order o join kit_revision r on r.id = o.revision_id join kit k on k.id = r.kit_id
    join client c on c.id = o.client_id left join client p on p.id = o.partner_id
    join variant v on v.id = o.variant_id join model m on m.id = v.model_id
    left join order_dispatch d on d.order_id = o.id left join order_sign s on s.order_id = o.id
    where ${condition} order by (o.state in ('signed', 'cancelled')), o.promised_on, o.number`);
  return rows.map((row) => ({ ...row, sentAt: iso(row.sentAt), signedAt: iso(row.signedAt) }));
};

/** The order book: open orders first, by the day they are promised for. */
export const orderRows = async (db: Db | Tx): Promise<OrderRow[]> =>
  (await rowsWhere(db, sql`true`)).map(
    ({ id: _, revisionId: __, revisionState: ___, withdrawnWhy: ____, ...row }) => row as OrderRow,
  );

/** Questions on a condition on `q`, `o`; those without an answer first. */
export async function questionsWhere(db: Db | Tx, condition: ReturnType<typeof sql>): Promise<OrderQuestion[]> {
  const { rows } = await db.execute<OrderQuestion & Record<string, unknown>>(sql`
    select q.id, o.number as "orderNumber", r.revision, q.stage_key as "stageKey", q.text, q.by, q.at, q.answer,
      p.name as "answeredBy", q.answered_at as "answeredAt"
    from order_question q join kit_order o on o.id = q.order_id join kit_revision r on r.id = q.revision_id
    left join person p on p.id = q.answered_by_id
    where ${condition} order by (q.answer is not null), q.at, q.id`);
  return rows.map((row) => ({ ...row, at: iso(row.at), answeredAt: iso(row.answeredAt) }));
}

/** What parts of a kit need beside them, and it neither brings nor settles, by name. */
async function companionsMissing(
  db: Db | Tx,
  revisionId: string,
  variantId: string,
  options: readonly string[],
): Promise<string[]> {
  const [{ components }, revision] = [await componentsAtHand(db), await kitRevisionOf(db, revisionId)];
  const library = new Map(components.map((part) => [part.id, part]));
  const cover = jobCover(library, variantId, revision ? { revision, options } : null, {}) ?? [];
  return cover.filter(({ by, function: key }) => by === 'gap' && isCompanion(key)).map(({ name }) => name ?? '');
}

/** One order, whole, by its number. */
export async function orderSheet(db: Db | Tx, number: string): Promise<OrderSheet> {
  const row = one(await rowsWhere(db, sql`o.number = ${number}`), 'kit order');
  const {
    rows: [more],
  } = await db.execute<
    Pick<
      OrderSheet,
      | 'variantId'
      | 'options'
      | 'vehicle'
      | 'note'
      | 'jobNumber'
      | 'fittedBy'
      | 'loanTool'
      | 'loanDue'
      | 'loanBack'
      | 'cancelledWhy'
      | 'by'
      | 'orderedAt'
      | 'version'
    > &
      Record<string, unknown>
  >(sql`
    select o.variant_id as "variantId", o.options, o.vehicle, o.note, j.number as "jobNumber", o.fitted_by as "fittedBy",
      o.loan_tool as "loanTool", o.loan_due::text as "loanDue", o.loan_back::text as "loanBack",
      o.cancelled_why as "cancelledWhy", p.name as by, o.ordered_at as "orderedAt", o.version
    from kit_order o join person p on p.id = o.by_id left join job j on j.id = o.job_id where o.id = ${row.id}`);
  const { body } = one(await db.select().from(kitRevision).where(eq(kitRevision.id, row.revisionId)), 'kit revision');
  const { rows: people } = await db.execute<{ id: string; name: string }>(sql`select id, name from person`);
  const nameOf = new Map(people.map((person) => [person.id, person.name]));
  const by = (id: string | null) => (id === null ? '' : (nameOf.get(id) ?? ''));
  const { rows: links } = await db.execute<{ until: Date; lastUsedAt: Date | null; by: string }>(sql`
    select l.until, l.last_used_at as "lastUsedAt", p.name as by from order_link l join person p on p.id = l.by_id
    where l.order_id = ${row.id} and l.revoked_at is null and l.until > now()`);
  const [dispatch] = await db.select().from(orderDispatch).where(eq(orderDispatch.orderId, row.id));
  const [sign] = await db.select().from(orderSign).where(eq(orderSign.orderId, row.id));
  const papers = await db.select().from(orderPaper).where(eq(orderPaper.orderId, row.id)).orderBy(asc(orderPaper.kind));
  const { revisionId, revisionState, withdrawnWhy, id } = row;
  const { countedOnce: _, countedTwice: __, questions: ___, stagesDone: ____, lines: _____, ...head } = row;
  return {
    ...(head as Omit<OrderRow, 'lines' | 'countedOnce' | 'countedTwice' | 'questions' | 'stagesDone'>),
    ...{ id, revisionId, revisionState, withdrawnWhy },
    ...more!,
    orderedAt: iso(more!.orderedAt),
    optionNames: more!.options.map((key) => body.options.find((option) => option.id === key)?.name ?? key),
    exclusions: body.exclusions,
    companions: await companionsMissing(db, revisionId, more!.variantId, more!.options),
    lines: await linesOf(db, row.id, by),
    crates: (
      await db.select().from(orderCrate).where(eq(orderCrate.orderId, row.id)).orderBy(asc(orderCrate.name))
    ).map(({ orderId: _o, ...crate }) => crate),
    papers: papers.map(({ kind, reference, givenBy, day, byId }) => ({
      ...{ kind, reference, givenBy, day },
      by: by(byId),
    })),
    dispatch: dispatch
      ? {
          ...{ carrier: dispatch.carrier, missing: dispatch.missing, why: dispatch.why },
          ...{ by: by(dispatch.byId), at: iso(dispatch.at) },
        }
      : null,
    link: links[0] ? { until: iso(links[0].until), lastUsedAt: iso(links[0].lastUsedAt), by: links[0].by } : null,
    stages: kitStages(body, more!.variantId, more!.options),
    ...(await fittingOf(db, row.id, by)),
    questions: await questionsWhere(db, sql`o.id = ${row.id}`),
    sign: sign ? { by: sign.by, at: iso(sign.at), remark: sign.remark, address: sign.address } : null,
  };
}

async function linesOf(db: Db | Tx, orderId: string, by: (id: string | null) => string): Promise<OrderLine[]> {
  const { rows } = await db.execute<
    { serials: string[]; name: string; kind: OrderLine['kind']; massKg: number | null; id: string } & Record<
      string,
      unknown
    >
  >(sql`
    select l.id, c.name, c.kind, nullif(c.mass_kg, 0) as "massKg",
      coalesce((select json_agg(s.serial order by s.serial) from order_serial s where s.line_id = l.id), '[]') as serials
    from order_line l join component c on c.id = l.component_id where l.order_id = ${orderId}`);
  const known = new Map(rows.map((row) => [row.id, row]));
  const lines = await db
    .select()
    .from(orderLine)
    .where(eq(orderLine.orderId, orderId))
    .orderBy(asc(orderLine.position));
  const count = (pieces: number | null, byId: string | null, at: Date | null): OrderCount | null =>
    pieces === null || byId === null || at === null ? null : { pieces, byId, by: by(byId), at: iso(at) };
  return lines.map((line) => {
    const { name, kind, massKg, serials } = known.get(line.id)!;
    return {
      ...{ id: line.id, componentId: line.componentId, name, kind, crate: line.crate, pieces: line.pieces, massKg },
      first: count(line.firstPieces, line.firstById, line.firstAt),
      second: count(line.secondPieces, line.secondById, line.secondAt),
      serials,
    };
  });
}

async function fittingOf(
  db: Db | Tx,
  orderId: string,
  by: (id: string | null) => string,
): Promise<{ done: FitterStageDone[]; readings: FitterReading[] }> {
  const done = await db.select().from(orderStage).where(eq(orderStage.orderId, orderId));
  const readings = await db
    .select()
    .from(orderReading)
    .where(eq(orderReading.orderId, orderId))
    .orderBy(asc(orderReading.at));
  return {
    done: done.map(({ stageKey, by: who, at, hours }) => ({ stageKey, by: who, at: iso(at), hours })),
    readings: readings.map(({ orderId: _, allowedById, at, ...reading }) => ({
      ...reading,
      at: iso(at),
      allowedBy: allowedById === null ? null : by(allowedById),
    })),
  };
}
