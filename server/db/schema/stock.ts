import { sql } from 'drizzle-orm';
import {
  bigint,
  bigserial,
  check,
  date,
  doublePrecision,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { MOVE_KINDS, STOCK_PLACE_KINDS } from '../../../core/stores/ledger.ts';
import { SERIAL_ORIGINS } from '../../../core/stores/serials.ts';
import { at, oneOf } from './columns.ts';
import { file } from './files.ts';
import { job, partLine } from './jobs.ts';
import { component, stockPlace } from './library.ts';
import { kitOrder } from './orders.ts';
import { person } from './people.ts';

const KINDS: [string, ...string[]] = [...STOCK_PLACE_KINDS];

/**
 * The ledger of stores: so much of a component went from one place to another. Append-only; a trigger carries every row
 * into the balances of its two places, and refuses what would leave a place below nothing.
 */
export const stockMove = pgTable(
  'stock_move',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    at: at('at').notNull().defaultNow(),
    /** Null for what was there when the ledger began. */
    byId: uuid('by_id').references(() => person.id),
    kind: text('kind', { enum: MOVE_KINDS }).notNull(),
    componentId: text('component_id')
      .notNull()
      .references(() => component.id),
    fromId: uuid('from_id')
      .notNull()
      .references(() => stockPlace.id),
    toId: uuid('to_id')
      .notNull()
      .references(() => stockPlace.id),
    /** Pieces, or millimetres of what is kept by length. */
    quantity: integer('quantity').notNull(),
    /** The line of a job it was moved for; it may have been dropped since. */
    partLineId: uuid('part_line_id'),
    note: text('note').notNull().default(''),
  },
  (t) => [
    index('stock_move_component').on(t.componentId, t.id),
    index('stock_move_from').on(t.fromId, t.id),
    index('stock_move_to').on(t.toId, t.id),
    index('stock_move_part_line').on(t.partLineId),
    index('stock_move_by').on(t.byId),
    check('stock_move_quantity', sql`${t.quantity} > 0`),
    check('stock_move_places', sql`${t.fromId} <> ${t.toId}`),
    check('stock_move_kind', sql`${t.kind} in (${oneOf(MOVE_KINDS)})`),
  ],
);

/** How much of a component is at a place: the sum of its moves, kept by the trigger of the ledger alone. */
export const stockBalance = pgTable(
  'stock_balance',
  {
    componentId: text('component_id')
      .notNull()
      .references(() => component.id),
    placeId: uuid('place_id')
      .notNull()
      .references(() => stockPlace.id),
    kind: text('kind', { enum: KINDS }).notNull(),
    quantity: integer('quantity').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.componentId, t.placeId] }),
    index('stock_balance_place').on(t.placeId),
    // Suppliers, clients and what a count found are the outside: only of them may more have gone than came.
    check('stock_balance_kept', sql`${t.quantity} >= 0 or ${t.kind} in ('supplier', 'client', 'count')`),
  ],
);

/** A thing with a number of its own. Where it is follows from the moves it was part of. */
export const serialItem = pgTable(
  'serial_item',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    componentId: text('component_id')
      .notNull()
      .references(() => component.id),
    serial: text('serial').notNull(),
    /** The maker's batch. */
    batch: text('batch').notNull().default(''),
    origin: text('origin', { enum: SERIAL_ORIGINS }).notNull(),
    /** The delivery or the donor it came in. */
    originNote: text('origin_note').notNull().default(''),
    /** Null only while its first move is written. */
    placeId: uuid('place_id').references(() => stockPlace.id),
    warrantyUntil: date('warranty_until'),
    /** The line of a job it is held for, or was fitted by. */
    partLineId: uuid('part_line_id').references(() => partLine.id),
    note: text('note').notNull().default(''),
    createdAt: at('created_at').notNull().defaultNow(),
    version: integer('version').notNull().default(1),
    find: text('find').generatedAlwaysAs(sql`lower(serial || ' ' || batch || ' ' || origin_note)`),
  },
  (t) => [
    uniqueIndex('serial_item_once').on(t.componentId, sql`lower(${t.serial})`),
    index('serial_item_place').on(t.placeId, t.componentId),
    index('serial_item_part_line').on(t.partLineId),
    index('serial_item_batch').on(sql`lower(${t.batch})`),
    index('serial_item_serial').on(sql`lower(${t.serial}) text_pattern_ops`),
    // By trigrams: a word anywhere in it is found without reading them all.
    index('serial_item_find').using('gin', sql`${t.find} gin_trgm_ops`),
    check('serial_item_serial', sql`${t.serial} <> ''`),
    check('serial_item_origin', sql`${t.origin} in (${oneOf(SERIAL_ORIGINS)})`),
  ],
);

/** Which numbered things a move took along. */
export const stockMoveSerial = pgTable(
  'stock_move_serial',
  {
    moveId: bigint('move_id', { mode: 'number' })
      .notNull()
      .references(() => stockMove.id),
    serialId: uuid('serial_id')
      .notNull()
      .references(() => serialItem.id),
  },
  (t) => [primaryKey({ columns: [t.moveId, t.serialId] }), index('stock_move_serial_item').on(t.serialId, t.moveId)],
);

/** A measurement of what a module still holds. Never changed; the newest counts. */
export const grading = pgTable(
  'grading',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    serialId: uuid('serial_id')
      .notNull()
      .references(() => serialItem.id),
    day: date('day').notNull(),
    capacityAh: doublePrecision('capacity_ah').notNull(),
    energyWh: doublePrecision('energy_wh'),
    /** Inside resistance; null where the test had no step of current. */
    resistanceOhm: doublePrecision('resistance_ohm'),
    temperatureC: doublePrecision('temperature_c'),
    currentA: doublePrecision('current_a'),
    fromV: doublePrecision('from_v'),
    toV: doublePrecision('to_v'),
    /** How it was measured: from a log or as somebody typed it. */
    method: text('method').notNull(),
    logFileId: uuid('log_file_id').references(() => file.id),
    byId: uuid('by_id').references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    index('grading_serial').on(t.serialId, t.at),
    index('grading_by').on(t.byId),
    index('grading_file').on(t.logFileId),
    check('grading_capacity', sql`${t.capacityAh} > 0`),
    check('grading_resistance', sql`${t.resistanceOhm} > 0`),
  ],
);

/** Modules that are one pack, and go together when it is moved. Ended by being split up, never deleted. */
export const pack = pgTable('pack', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull().unique(),
  note: text('note').notNull().default(''),
  madeAt: at('made_at').notNull().defaultNow(),
  byId: uuid('by_id').references(() => person.id),
  endedAt: at('ended_at'),
  version: integer('version').notNull().default(1),
});

/** Which module was in which pack from when to when. */
export const packModule = pgTable(
  'pack_module',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    packId: uuid('pack_id')
      .notNull()
      .references(() => pack.id),
    serialId: uuid('serial_id')
      .notNull()
      .references(() => serialItem.id),
    since: at('since').notNull().defaultNow(),
    until: at('until'),
  },
  (t) => [
    index('pack_module_pack').on(t.packId),
    index('pack_module_serial').on(t.serialId),
    uniqueIndex('pack_module_in_one').on(t.serialId).where(sql`${t.until} is null`),
  ],
);

/** A bin as somebody counted it. */
export const stocktake = pgTable(
  'stocktake',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    placeId: uuid('place_id')
      .notNull()
      .references(() => stockPlace.id),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
    note: text('note').notNull().default(''),
  },
  (t) => [index('stocktake_place').on(t.placeId), index('stocktake_by').on(t.byId)],
);

export const stocktakeLine = pgTable(
  'stocktake_line',
  {
    stocktakeId: uuid('stocktake_id')
      .notNull()
      .references(() => stocktake.id),
    componentId: text('component_id')
      .notNull()
      .references(() => component.id),
    /** What the ledger said at that moment. */
    expected: integer('expected').notNull(),
    counted: integer('counted').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.stocktakeId, t.componentId] }),
    index('stocktake_line_component').on(t.componentId),
    check('stocktake_line_counted', sql`${t.counted} >= 0`),
  ],
);

/** A piece held for one job was given to another: what that did to the dates, as it was shown when somebody decided. */
export const stockTaken = pgTable(
  'stock_taken',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    componentId: text('component_id')
      .notNull()
      .references(() => component.id),
    fromJobId: uuid('from_job_id')
      .notNull()
      .references(() => job.id),
    /** A job has them now, or they are free for a kit order that is packed. */
    toJobId: uuid('to_job_id').references(() => job.id),
    toOrderId: uuid('to_order_id').references(() => kitOrder.id),
    quantity: integer('quantity').notNull(),
    /** Days each job was expected on before and after; null where nobody could say. */
    fromBefore: date('from_before'),
    fromAfter: date('from_after'),
    toBefore: date('to_before'),
    toAfter: date('to_after'),
    why: text('why').notNull().default(''),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    index('stock_taken_component').on(t.componentId),
    index('stock_taken_from').on(t.fromJobId),
    index('stock_taken_to').on(t.toJobId),
    index('stock_taken_by').on(t.byId),
    index('stock_taken_order').on(t.toOrderId),
    check('stock_taken_one', sql`(${t.toJobId} is null) <> (${t.toOrderId} is null)`),
    check('stock_taken_two', sql`${t.fromJobId} <> ${t.toJobId}`),
  ],
);
