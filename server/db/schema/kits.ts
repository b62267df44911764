import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  bigint,
  boolean,
  check,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { KitContent, KitLine, StageTemplate } from '../../../core/kit/kit.ts';
import { at } from './columns.ts';
import { component, model } from './library.ts';
import { person } from './people.ts';
import { client } from './vehicles.ts';

export const kit = pgTable(
  'kit',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    modelId: text('model_id')
      .notNull()
      .references(() => model.id),
    /** What it cost to make the kit ready, minor units. */
    developmentCents: bigint('development_cents', { mode: 'number' }).notNull().default(0),
    version: integer('version').notNull().default(1),
  },
  (t) => [index('kit_model').on(t.modelId), check('kit_development', sql`${t.developmentCents} >= 0`)],
);

export type KitBody = Omit<KitContent, 'lines'>;

/** A draft changes; once released it stays as it is (triggers hold it and its lines). */
export const kitRevision = pgTable(
  'kit_revision',
  {
    id: text('id').primaryKey(),
    kitId: text('kit_id')
      .notNull()
      .references(() => kit.id),
    revision: text('revision').notNull(),
    state: text('state', { enum: ['draft', 'released', 'withdrawn'] }).notNull(),
    body: jsonb('body').$type<KitBody>().notNull(),
    note: text('note').notNull().default(''),
    basedOnId: text('based_on_id').references((): AnyPgColumn => kitRevision.id),
    /** The job it grew out of, by number. */
    fromJob: text('from_job'),
    version: integer('version').notNull().default(1),
    changedById: uuid('changed_by_id').references(() => person.id),
    changedAt: at('changed_at').notNull().defaultNow(),
    /** The second reader, and the version that was read. */
    readById: uuid('read_by_id').references(() => person.id),
    readVersion: integer('read_version'),
    releasedById: uuid('released_by_id').references(() => person.id),
    releasedAt: at('released_at'),
    withdrawnById: uuid('withdrawn_by_id').references(() => person.id),
    withdrawnAt: at('withdrawn_at'),
    withdrawnWhy: text('withdrawn_why'),
  },
  (t) => [
    uniqueIndex('kit_revision_once').on(t.kitId, t.revision),
    index('kit_revision_based_on').on(t.basedOnId),
    index('kit_revision_changed_by').on(t.changedById),
    index('kit_revision_read_by').on(t.readById),
    index('kit_revision_released_by').on(t.releasedById),
    index('kit_revision_withdrawn_by').on(t.withdrawnById),
    check('kit_revision_state', sql`${t.state} in ('draft', 'released', 'withdrawn')`),
    check('kit_revision_withdrawn_why', sql`${t.state} <> 'withdrawn' or ${t.withdrawnWhy} is not null`),
  ],
);

export const kitLine = pgTable(
  'kit_line',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    revisionId: text('revision_id')
      .notNull()
      .references(() => kitRevision.id),
    position: integer('position').notNull(),
    componentId: text('component_id')
      .notNull()
      .references(() => component.id),
    quantity: integer('quantity').notNull(),
    packedIn: text('packed_in').notNull(),
    appliesWhen: jsonb('applies_when').$type<KitLine['appliesWhen']>(),
  },
  (t) => [
    index('kit_line_revision').on(t.revisionId),
    index('kit_line_component').on(t.componentId),
    check('kit_line_quantity', sql`${t.quantity} > 0`),
  ],
);

/** Who waits for a kit, and what was promised for later. Ended, not deleted. */
export const kitWish = pgTable(
  'kit_wish',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    kitId: text('kit_id')
      .notNull()
      .references(() => kit.id),
    kind: text('kind', { enum: ['waiting', 'promised'] }).notNull(),
    clientId: uuid('client_id').references(() => client.id),
    text: text('text').notNull().default(''),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
    endedAt: at('ended_at'),
    endedWhy: text('ended_why'),
  },
  (t) => [
    index('kit_wish_kit').on(t.kitId),
    index('kit_wish_client').on(t.clientId),
    index('kit_wish_by').on(t.byId),
    // A client waits for a kit once.
    uniqueIndex('kit_wish_waits_once')
      .on(t.kitId, t.clientId)
      .where(sql`${t.kind} = 'waiting' and ${t.endedAt} is null`),
    check('kit_wish_kind', sql`${t.kind} in ('waiting', 'promised')`),
    check('kit_wish_ended_why', sql`(${t.endedAt} is null) = (${t.endedWhy} is null)`),
  ],
);

/** Lists of stages that kits and jobs are begun from. */
export const stageTemplate = pgTable(
  'stage_template',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    name: text('name').notNull(),
    stages: jsonb('stages').$type<readonly StageTemplate[]>().notNull(),
    lent: boolean('lent').notNull().default(false),
    droppedAt: at('dropped_at'),
    version: integer('version').notNull().default(1),
  },
  (t) => [uniqueIndex('stage_template_name').on(sql`lower(${t.name})`).where(sql`${t.droppedAt} is null`)],
);
