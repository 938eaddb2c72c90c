import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  check,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  serial,
  text,
  timestamp,
  unique,
} from 'drizzle-orm/pg-core';
import type { Quantity } from '../../core/quantity/quantity';
import type { Basis, Moment, Part } from '../../core/recipe/recipe';

export const recipe = pgTable('recipe', {
  id: serial('id').primaryKey(),
  name: text('name').notNull(),
  /** What its pack codes begin with. */
  letter: text('letter').notNull().unique(),
  /** The number of its next pack; it only rises. */
  nextPack: integer('next_pack').notNull().default(1),
  /** g in one cup of the finished food, where the cook has weighed one. */
  cupGrams: doublePrecision('cup_grams'),
  archivedAt: timestamp('archived_at', { withTimezone: true }),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
});

/** A saved state of a recipe; never changed afterwards. */
export const recipeVersion = pgTable(
  'recipe_version',
  {
    id: serial('id').primaryKey(),
    recipeId: integer('recipe_id')
      .notNull()
      .references(() => recipe.id),
    number: integer('number').notNull(),
    note: text('note'),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
  },
  (table) => [unique('version_number').on(table.recipeId, table.number)],
);

/** What is cooked in one vessel in one way. */
export const component = pgTable(
  'component',
  {
    id: serial('id').primaryKey(),
    versionId: integer('version_id')
      .notNull()
      .references(() => recipeVersion.id),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    method: text('method'),
    minutes: integer('minutes'),
    celsius: doublePrecision('celsius'),
  },
  (table) => [index('component_version').on(table.versionId)],
);

/** A line takes a food of the table or another recipe's version. */
export const line = pgTable(
  'line',
  {
    id: serial('id').primaryKey(),
    componentId: integer('component_id')
      .notNull()
      .references(() => component.id),
    position: integer('position').notNull(),
    /** The amount in the cook's own words. */
    amount: text('amount').notNull(),
    quantity: jsonb('quantity').$type<Quantity>().notNull(),
    grams: doublePrecision('grams').notNull(),
    foodNdb: text('food_ndb'),
    sourceVersionId: integer('source_version_id').references((): AnyPgColumn => recipeVersion.id),
    preparation: text('preparation'),
    refuse: doublePrecision('refuse').notNull().default(0),
    part: text('part').$type<Part>().notNull(),
    moment: text('moment').$type<Moment>().notNull(),
    basis: text('basis').$type<Basis>().notNull(),
  },
  (table) => [
    index('line_component').on(table.componentId),
    check('line_has_one_source', sql`num_nonnulls(${table.foodNdb}, ${table.sourceVersionId}) = 1`),
    check('line_weighs', sql`${table.grams} > 0`),
  ],
);
