import { sql } from 'drizzle-orm';
import { check, doublePrecision, index, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { at } from './columns.ts';
import { kit } from './kits.ts';
import { variant } from './library.ts';
import { person } from './people.ts';

/** Estimates of a kit's stages that somebody has adopted from what vehicles took; never changed, the newest counts. */
export const stageEstimate = pgTable(
  'stage_estimate',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    kitId: text('kit_id')
      .notNull()
      .references(() => kit.id),
    /** For this variant only; null: for all. */
    variantId: text('variant_id').references(() => variant.id),
    key: text('key').notNull(),
    hours: doublePrecision('hours').notNull(),
    lowHours: doublePrecision('low_hours').notNull(),
    highHours: doublePrecision('high_hours').notNull(),
    vehicles: integer('vehicles').notNull(),
    /** What was reckoned with until then. */
    beforeHours: doublePrecision('before_hours').notNull(),
    byId: uuid('by_id')
      .notNull()
      .references(() => person.id),
    at: at('at').notNull().defaultNow(),
  },
  (t) => [
    index('stage_estimate_kit').on(t.kitId, t.key, t.at),
    index('stage_estimate_variant').on(t.variantId),
    index('stage_estimate_by').on(t.byId),
    check('stage_estimate_hours', sql`${t.hours} > 0 and ${t.lowHours} <= ${t.hours} and ${t.hours} <= ${t.highHours}`),
  ],
);
