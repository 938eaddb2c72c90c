import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  check,
  date,
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
import type { LocalDate } from '../../core/calendar/local-date';
import type { Food } from '../../core/food/food';
import type { PlanEntry } from '../../core/plan/plan-entry';
import type { FetchedFrom } from '../../core/plan/shopping';
import type { Fate } from '../../core/portion/shares';
import type { Moment, Part } from '../../core/recipe/recipe';
import { dog } from './dogs';
import { component, recipeVersion } from './recipes';

/** What a batch froze when cooking began: nothing that changes later can reach it. */
export interface Evidence {
  readonly lines: readonly {
    readonly text: string;
    readonly grams: number;
    readonly part: Part;
    readonly moment: Moment;
    readonly food: Food;
  }[];
}

export const plan = pgTable('plan', {
  id: serial('id').primaryKey(),
  firstDay: date('first_day', { mode: 'string' }).$type<LocalDate>().notNull(),
  /** Whole days; what is bound by a weight may feed a part of a day more. */
  days: integer('days').notNull(),
  exactDays: doublePrecision('exact_days'),
  cookDay: date('cook_day', { mode: 'string' }).$type<LocalDate>(),
  /** As it was typed, so that it can be changed and copied. */
  entry: jsonb('entry').$type<PlanEntry>(),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
});

export const planDog = pgTable(
  'plan_dog',
  {
    planId: integer('plan_id')
      .notNull()
      .references(() => plan.id),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    /** What the dog was reckoned to need over the plan's days. */
    kcal: doublePrecision('kcal').notNull(),
    /** Its weight summed over those days, in kg × days: what lines by body weight are reckoned from. */
    kgDays: doublePrecision('kg_days').notNull().default(0),
  },
  (table) => [primaryKey({ columns: [table.planId, table.dogId] })],
);

/** What has been fetched of a plan's list, and where it is fetched from. */
export const planItem = pgTable(
  'plan_item',
  {
    planId: integer('plan_id')
      .notNull()
      .references(() => plan.id),
    foodKey: text('food_key').notNull(),
    fetchedFrom: text('fetched_from').$type<FetchedFrom>().notNull(),
    tickedAt: timestamp('ticked_at', { withTimezone: true }),
  },
  (table) => [primaryKey({ columns: [table.planId, table.foodKey] })],
);

export const batch = pgTable(
  'batch',
  {
    id: serial('id').primaryKey(),
    planId: integer('plan_id').references(() => plan.id),
    /** The batch that this one is a by-product of. */
    parentId: integer('parent_id').references((): AnyPgColumn => batch.id),
    versionId: integer('version_id')
      .notNull()
      .references(() => recipeVersion.id),
    scale: doublePrecision('scale').notNull(),
    /** Of each choice of the recipe, the place of the line that was taken. */
    choices: jsonb('choices').$type<Readonly<Record<string, number>>>(),
    /** By the place of a line, the key of the food that takes its place. */
    swaps: jsonb('swaps').$type<Readonly<Record<string, string>>>(),
    /** g bought of each line of the recipe, as planned; a batch from before has its scale alone. */
    amounts: jsonb('amounts').$type<readonly number[]>(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
    startedAt: timestamp('started_at', { withTimezone: true }),
    evidence: jsonb('evidence').$type<Evidence>(),
    weighedAt: timestamp('weighed_at', { withTimezone: true }),
    netGrams: doublePrecision('net_grams'),
    eatenBefore: doublePrecision('eaten_before'),
    cups: doublePrecision('cups'),
    cupGrams: doublePrecision('cup_grams'),
    droppedAt: timestamp('dropped_at', { withTimezone: true }),
  },
  (table) => [
    check('cooking_freezes_evidence', sql`(${table.startedAt} is null) = (${table.evidence} is null)`),
    check('planned_has_no_yield', sql`${table.netGrams} is null or ${table.startedAt} is not null`),
    check('weighed_whole', sql`num_nonnulls(${table.weighedAt}, ${table.netGrams}, ${table.eatenBefore}) in (0, 3)`),
  ],
);

/** One vesselful of a component, with the readings of the vessel at the end. */
export const load = pgTable(
  'load',
  {
    id: serial('id').primaryKey(),
    batchId: integer('batch_id')
      .notNull()
      .references(() => batch.id),
    componentId: integer('component_id').references(() => component.id),
    position: integer('position').notNull(),
    vessel: text('vessel').notNull(),
    gross: doublePrecision('gross').notNull(),
    tare: doublePrecision('tare').notNull(),
  },
  (table) => [index('load_batch').on(table.batchId)],
);

/** A part of the yield with a fate. */
export const share = pgTable(
  'share',
  {
    id: serial('id').primaryKey(),
    batchId: integer('batch_id')
      .notNull()
      .references(() => batch.id),
    fate: text('fate').$type<Fate>().notNull(),
    grams: integer('grams').notNull(),
    day: date('day', { mode: 'string' }).$type<LocalDate>().notNull(),
    dryMethod: text('dry_method').$type<'dehydrated' | 'freeze-dried'>(),
    sealedAt: timestamp('sealed_at', { withTimezone: true }),
  },
  (table) => [unique('one_share_a_fate').on(table.batchId, table.fate), check('share_weighs', sql`${table.grams} > 0`)],
);

export const tray = pgTable(
  'tray',
  {
    id: serial('id').primaryKey(),
    shareId: integer('share_id')
      .notNull()
      .references(() => share.id),
    position: integer('position').notNull(),
    tare: doublePrecision('tare').notNull(),
    wetGross: doublePrecision('wet_gross').notNull(),
    /** Empty while the dryer runs. */
    dryGross: doublePrecision('dry_gross'),
  },
  (table) => [unique('tray_position').on(table.shareId, table.position)],
);
