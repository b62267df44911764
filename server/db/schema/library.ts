import { sql } from 'drizzle-orm';
import {
  boolean,
  check,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { ForeignPrice } from '../../../core/offer/offer.ts';
import { STOCK_PLACE_KINDS } from '../../../core/stores/ledger.ts';
import type { Variant } from '../../../core/vehicle/variant.ts';

export const maker = pgTable('maker', { id: text('id').primaryKey(), name: text('name').notNull().unique() });

export const model = pgTable(
  'model',
  {
    id: text('id').primaryKey(),
    makerId: text('maker_id')
      .notNull()
      .references(() => maker.id),
    name: text('name').notNull(),
  },
  (t) => [index('model_maker').on(t.makerId)],
);

/** Points, bays and pass-throughs have tables of their own; the rest of a variant is one sheet. */
export type VariantSheet = Omit<
  Variant,
  'id' | 'version' | 'makerName' | 'modelName' | 'name' | 'mountingPoints' | 'bays' | 'passThroughs'
>;

export const variant = pgTable(
  'variant',
  {
    id: text('id').primaryKey(),
    modelId: text('model_id')
      .notNull()
      .references(() => model.id),
    name: text('name').notNull(),
    sheet: jsonb('sheet').$type<VariantSheet>().notNull(),
    version: integer('version').notNull().default(1),
  },
  (t) => [index('variant_model').on(t.modelId)],
);

const place = {
  id: uuid('id').primaryKey().defaultRandom(),
  variantId: text('variant_id')
    .notNull()
    .references(() => variant.id),
  name: text('name').notNull(),
};
/** What designs and components go by; the name may change. */
const key = text('key').notNull();
const position = {
  xMm: doublePrecision('x_mm').notNull(),
  yMm: doublePrecision('y_mm').notNull(),
  zMm: doublePrecision('z_mm').notNull(),
};

export const mountingPoint = pgTable(
  'mounting_point',
  {
    ...place,
    key,
    ...position,
    thread: text('thread').notNull(),
    usedFor: text('used_for').notNull(),
    loadN: doublePrecision('load_n').notNull(),
    source: text('source').notNull(),
  },
  (t) => [unique('mounting_point_key').on(t.variantId, t.key)],
);

export const bay = pgTable(
  'bay',
  {
    ...place,
    key,
    ...position,
    lengthMm: doublePrecision('length_mm').notNull(),
    widthMm: doublePrecision('width_mm').notNull(),
    heightMm: doublePrecision('height_mm').notNull(),
    maxMassKg: doublePrecision('max_mass_kg').notNull(),
    inside: boolean('inside').notNull(),
    access: text('access').notNull(),
    source: text('source').notNull(),
  },
  (t) => [
    unique('bay_key').on(t.variantId, t.key),
    check('bay_size', sql`${t.lengthMm} > 0 and ${t.widthMm} > 0 and ${t.heightMm} > 0`),
  ],
);

export const passThrough = pgTable(
  'pass_through',
  {
    ...place,
    diameterMm: doublePrecision('diameter_mm').notNull(),
    fromPlace: text('from_place').notNull(),
    toPlace: text('to_place').notNull(),
    usedFor: text('used_for').notNull(),
  },
  (t) => [index('pass_through_variant').on(t.variantId)],
);

export const supplier = pgTable('supplier', {
  id: text('id').primaryKey(),
  name: text('name').notNull().unique(),
  contact: text('contact').notNull().default(''),
  /** Where its desk is reached; empty where orders go by mail or telephone. */
  deskUrl: text('desk_url').notNull().default(''),
  version: integer('version').notNull().default(1),
});

/** Where things of the stores can be; what each row stands for is in the id beside its kind. */
export const stockPlace = pgTable(
  'stock_place',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    kind: text('kind', { enum: STOCK_PLACE_KINDS }).notNull(),
    /** Of a bin; what the others are called follows from what they stand for. */
    name: text('name').notNull().default(''),
    /** The job, vehicle, supplier or client it stands for; empty for bins, scrap and counts. */
    of: text('of').notNull().default(''),
    closed: boolean('closed').notNull().default(false),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    uniqueIndex('stock_place_once').on(t.kind, t.of).where(sql`${t.kind} <> 'bin'`),
    uniqueIndex('stock_place_bin').on(sql`lower(${t.name})`).where(sql`${t.kind} = 'bin'`),
    check('stock_place_kind', sql`${t.kind} in ('bin', 'job', 'vehicle', 'supplier', 'client', 'scrap', 'count')`),
    check('stock_place_named', sql`(${t.kind} = 'bin') = (${t.name} <> '')`),
    check('stock_place_of', sql`(${t.kind} in ('bin', 'scrap', 'count')) = (${t.of} = '')`),
  ],
);

export const component = pgTable(
  'component',
  {
    id: text('id').primaryKey(),
    kind: text('kind').notNull(),
    name: text('name').notNull(),
    supplierId: text('supplier_id')
      .notNull()
      .references(() => supplier.id),
    massKg: doublePrecision('mass_kg').notNull(),
    lengthMm: doublePrecision('length_mm').notNull(),
    widthMm: doublePrecision('width_mm').notNull(),
    heightMm: doublePrecision('height_mm').notNull(),
    priceCents: integer('price_cents').notNull(),
    leadDays: integer('lead_days').notNull(),
    covers: text('covers').array().notNull().default([]),
    highVoltage: boolean('high_voltage').notNull(),
    sheet: jsonb('sheet').notNull(),
    /** In bins, as the ledger has it; only its trigger writes here. */
    onHand: integer('on_hand').notNull().default(0),
    /** Ledger units in one unit of lists: 1, or 1000 for what is kept by length (millimetres in a metre). */
    unitSize: integer('unit_size').notNull().default(1),
    /** Where it is put when it comes in. */
    binId: uuid('bin_id').references(() => stockPlace.id),
    /** Order again when no more than so many are free; null: only when a job wants it. */
    reorderAt: integer('reorder_at'),
    /** And then so many that this is reached. */
    reorderTo: integer('reorder_to'),
    /** The supplier's own number for it. */
    partNumber: text('part_number').notNull().default(''),
    /** The day the price was known; null where nobody has said. */
    pricedOn: date('priced_on'),
    /** What it was asked in, where that was another currency. */
    foreign: jsonb('foreign').$type<ForeignPrice>(),
    /** Other components that do instead, by id. */
    alternatives: text('alternatives').array().notNull().default([]),
    /** What a finder looks in, made small once and not at every asking. */
    find: text('find').generatedAlwaysAs(sql`lower(name || ' ' || part_number)`),
    /** From the starter catalogues that ship with Dajo. */
    lent: boolean('lent').notNull().default(false),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    index('component_supplier').on(t.supplierId),
    index('component_kind').on(t.kind, t.name),
    // What is chosen from first: the own before the lent, the cheapest before the dear, those without a price last.
    index('component_choice').on(t.kind, t.lent, sql`(price_cents = 0)`, t.priceCents, t.id),
    index('component_covers').using('gin', t.covers).with({ fastupdate: false }),
    check('component_price', sql`${t.priceCents} >= 0`),
    check('component_mass', sql`${t.massKg} >= 0`),
    index('component_bin').on(t.binId),
    index('component_name').on(t.name, t.id),
    // Words are looked for in here, not in the wide rows.
    index('component_find').on(t.find, t.id),
    // By trigrams: a word anywhere in it is found without reading them all.
    index('component_find_word').using('gin', sql`${t.find} gin_trgm_ops`),
    check('component_on_hand', sql`${t.onHand} >= 0`),
    check('component_unit_size', sql`${t.unitSize} in (1, 1000)`),
    check(
      'component_reorder',
      sql`(${t.reorderAt} is null) = (${t.reorderTo} is null) and (${t.reorderAt} is null or (${t.reorderAt} >= 0 and ${t.reorderTo} > ${t.reorderAt}))`,
    ),
  ],
);
