import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  check,
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  serial,
  text,
  timestamp,
  unique,
} from 'drizzle-orm/pg-core';
import type { Protein } from '../../core/recipe/protein';
import type { FoodFacts } from '../../core/dog/food-facts';
import type { Quantity } from '../../core/quantity/quantity';
import type { Basis, Moment, Part } from '../../core/recipe/recipe';
import type { BoneOfLine, Per, State } from '../../core/recipe/written';
import { previewSchema, type Preview } from '../../core/recipe/entry-schema';
import { labelSchema, type Label } from '../../core/food/label';
import { keptJson } from './kept-json';
import { boneShape, perShape, quantityShape } from './shapes';

export const recipe = pgTable('recipe', {
  id: serial('id').primaryKey(),
  name: text('name').notNull(),
  /** What its pack codes begin with. */
  letter: text('letter').notNull().unique(),
  /** The number of its next pack; it only rises. */
  nextPack: integer('next_pack').notNull().default(1),
  /** g in one cup of the finished food, where the cook has weighed one. */
  cupGrams: doublePrecision('cup_grams'),
  /** What the portion schools know of it: by its latest weighed pot, kept when one is weighed. */
  foodFacts: jsonb('food_facts').$type<FoodFacts>(),
  /** Its hatch and word, kept with its latest version. */
  protein: jsonb('protein').$type<Protein>(),
  /** The named shape that it follows, by its id in data/shapes.json. */
  shape: text('shape'),
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
    /** What to do otherwise next time. */
    note: text('note'),
    /** For whom and how long its lines by dog and day are reckoned on the sheet. */
    preview: keptJson<Preview>('preview', previewSchema),
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
    vessel: text('vessel'),
    method: text('method'),
    minutes: integer('minutes'),
    celsius: doublePrecision('celsius'),
  },
  (table) => [index('component_version').on(table.versionId)],
);

/** Something with a label that the household defines: a supplement, a premix, bought food. */
export const supply = pgTable(
  'supply',
  {
    id: serial('id').primaryKey(),
    name: text('name').notNull(),
    /** What its label says, in the label's own units. */
    label: keptJson<Label>('label', labelSchema).notNull(),
    archivedAt: timestamp('archived_at', { withTimezone: true }),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
  },
  (table) => [check('supply_is_named', sql`length(${table.name}) > 0`)],
);

/** What this household means by its own words: "rice" is white rice here. */
export const meaning = pgTable(
  'meaning',
  {
    /** Lower case, singular, as the reader compares words. */
    words: text('words').primaryKey(),
    foodKey: text('food_key').notNull(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
  },
  (table) => [check('meaning_has_words', sql`length(${table.words}) > 0`)],
);

/** What one measure of a food weighs in this kitchen: "a handful of parsley is 12 g". */
export const ownMeasure = pgTable(
  'own_measure',
  {
    foodKey: text('food_key').notNull(),
    unit: text('unit').notNull(),
    grams: doublePrecision('grams').notNull(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.foodKey, table.unit] }),
    check('own_measure_weighs', sql`${table.grams} > 0`),
  ],
);

/** What may be proposed in this household, and up to how much; without a row the project's own list holds. */
export const additionSetting = pgTable(
  'addition_setting',
  {
    foodKey: text('food_key').primaryKey(),
    allowed: boolean('allowed').notNull(),
    /** g per 1000 kcal of the recipe. */
    cap: doublePrecision('cap'),
    /** Minor units of the household's currency for one kg. */
    pricePerKg: integer('price_per_kg'),
  },
  (table) => [check('cap_is_not_negative', sql`${table.cap} is null or ${table.cap} >= 0`)],
);

/** A line takes a food of the table, a supply or another recipe's version; or it is only words, and not counted. */
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
    quantity: keptJson<Quantity>('quantity', quantityShape),
    /** As bought, for one unit of its basis; empty where the line is only words. */
    grams: doublePrecision('grams'),
    foodNdb: text('food_ndb'),
    sourceVersionId: integer('source_version_id').references((): AnyPgColumn => recipeVersion.id),
    supplyId: integer('supply_id').references(() => supply.id),
    preparation: text('preparation'),
    /** The part that does not stay in the food: peel, core, bone, or what is strained out. */
    refuse: doublePrecision('refuse').notNull().default(0),
    strained: boolean('strained').notNull().default(false),
    /** Bone in it, with its share of the weight where one is known; share 0 is boned by the cook. */
    bone: keptJson<BoneOfLine & { readonly typed?: string }>('bone', boneShape),
    state: text('state').$type<State>().notNull().default('raw'),
    /** What one unit of its basis is: so many g of another line, of animal protein, of finished food; so many kg. */
    per: keptJson<Per>('per', perShape),
    /** Lines with the same word here are choices of which planning takes one. */
    choice: text('choice'),
    part: text('part').$type<Part>().notNull(),
    moment: text('moment').$type<Moment>().notNull(),
    basis: text('basis').$type<Basis>().notNull(),
  },
  (table) => [
    index('line_component').on(table.componentId),
    check(
      'line_has_one_source',
      sql`num_nonnulls(${table.foodNdb}, ${table.sourceVersionId}, ${table.supplyId}) = num_nonnulls(${table.grams})`,
    ),
    check('line_is_read_or_words', sql`(${table.grams} is null) = (${table.quantity} is null)`),
    check('line_weighs', sql`${table.grams} > 0`),
    check('refuse_is_a_share', sql`${table.refuse} between 0 and 1`),
  ],
);
