import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  boolean,
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
import type { ByProduct } from '../../core/batch/by-product';
import type { Evidence, Take } from '../../core/batch/evidence';
import type { BatchState } from '../../core/batch/fold';
import type { DriedForm, WaitsIn } from '../../core/preserve/drying';
import type { DryMethod } from '../../core/preserve/methods';
import type { NodeKey, ReadingKind } from '../../core/batch/reading';
import type { BatchSummary } from '../../core/batch/summary';
import { planEntrySchema, type PlanEntry } from '../../core/plan/plan-entry';
import type { FetchedFrom } from '../../core/plan/shopping';
import type { BoxesFilled, BoxPlan } from '../../core/portion/boxes';
import type { QualityAbout } from '../../core/preserve/quality';
import type { PackPlan } from '../../core/portion/pack-plan';
import type { Plating } from '../../core/portion/plated';
import type { Fate } from '../../core/portion/shares';
import { dog } from './dogs';
import { cycle, equipment, place } from './household';
import { keptJson } from './kept-json';
import { recipeVersion } from './recipes';
import { evidenceShape, summaryShape } from './shapes';

export const plan = pgTable('plan', {
  id: serial('id').primaryKey(),
  firstDay: date('first_day', { mode: 'string' }).$type<LocalDate>().notNull(),
  /** Whole days; what is bound by a weight may feed a part of a day more. */
  days: integer('days').notNull(),
  cookDay: date('cook_day', { mode: 'string' }).$type<LocalDate>().notNull(),
  /** As it was typed, so that it can be changed and copied. */
  entry: keptJson<PlanEntry>('entry', planEntrySchema).notNull(),
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
    /** The lot that its tick brought in, and the movements of the tick. Plain numbers: the stock stands in a later table. */
    holdingId: integer('holding_id'),
    movements: jsonb('movements').$type<readonly number[]>(),
  },
  (table) => [primaryKey({ columns: [table.planId, table.foodKey] })],
);

/**
 * One making of a recipe. What it is follows from its evidence, readings, shares and packs by one fold; `state`, `open`
 * and `summary` are what the fold said last, kept in the same transaction so that a list needs none.
 */
export const batch = pgTable(
  'batch',
  {
    id: serial('id').primaryKey(),
    planId: integer('plan_id')
      .notNull()
      .references(() => plan.id),
    /** The batch that this one is a by-product of. */
    parentId: integer('parent_id').references((): AnyPgColumn => batch.id),
    byProduct: text('by_product').$type<ByProduct>(),
    versionId: integer('version_id')
      .notNull()
      .references(() => recipeVersion.id),
    scale: doublePrecision('scale').notNull(),
    /** Of each choice of the recipe, the place of the line that was taken. */
    choices: jsonb('choices').$type<Readonly<Record<string, number>>>(),
    /** By the place of a line, the key of the food that takes its place. */
    swaps: jsonb('swaps').$type<Readonly<Record<string, string>>>(),
    /** g bought of each line of the recipe, as planned. */
    amounts: jsonb('amounts').$type<readonly number[]>().notNull(),
    /** Even vesselfuls of each component, as planned; null: nobody knew the vessels. */
    loads: jsonb('loads').$type<readonly number[]>(),
    /** How what is kept apart goes into the bowls; null: as much of each as there is. */
    plating: jsonb('plating').$type<Plating>(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
    startedAt: timestamp('started_at', { withTimezone: true }),
    evidence: keptJson<Evidence>('evidence', evidenceShape),
    droppedAt: timestamp('dropped_at', { withTimezone: true }),
    /** Rises with every change: a page that shows an older one may not overwrite. */
    revision: integer('revision').notNull().default(0),
    state: text('state').$type<BatchState['state']>().notNull().default('planned'),
    /** Something of it is still to be done. */
    open: boolean('open').notNull().default(true),
    summary: keptJson<BatchSummary>('summary', summaryShape),
  },
  (table) => [
    index('batch_plan').on(table.planId),
    index('batch_version').on(table.versionId),
    index('batch_open').on(table.open),
    index('batch_parent').on(table.parentId),
    check('a_by_product_has_a_parent', sql`(${table.parentId} is null) = (${table.byProduct} is null)`),
    check('cooking_freezes_evidence', sql`(${table.startedAt} is null) = (${table.evidence} is null)`),
    check('planned_has_no_summary', sql`(${table.state} = 'planned') = (${table.summary} is null)`),
  ],
);

/** Something observed of a batch. Append-only: a trigger refuses every update and delete; a wrong one is struck out by another. */
export const reading = pgTable(
  'reading',
  {
    id: serial('id').primaryKey(),
    batchId: integer('batch_id')
      .notNull()
      .references(() => batch.id),
    node: text('node').$type<NodeKey>().notNull(),
    kind: text('kind').$type<ReadingKind>().notNull(),
    /** g, mL, a number or °C, as its kind says. */
    value: doublePrecision('value'),
    text: text('text'),
    /** What a line really was. */
    take: jsonb('take').$type<Take>(),
    at: timestamp('at', { withTimezone: true }).notNull(),
    writtenAt: timestamp('written_at', { withTimezone: true }).notNull(),
    /** Empty: typed. */
    instrument: text('instrument'),
    takesBack: integer('takes_back')
      .unique()
      .references((): AnyPgColumn => reading.id),
  },
  (table) => [
    index('reading_batch').on(table.batchId),
    check('a_striking_strikes', sql`(${table.kind} = 'struck') = (${table.takesBack} is not null)`),
  ],
);

/** A part of a yield with a fate. */
export const share = pgTable(
  'share',
  {
    id: serial('id').primaryKey(),
    batchId: integer('batch_id')
      .notNull()
      .references(() => batch.id),
    /** The yield it is a part of, by its place. */
    yield: integer('yield').notNull().default(0),
    fate: text('fate').$type<Fate>().notNull(),
    grams: integer('grams').notNull(),
    day: date('day', { mode: 'string' }).$type<LocalDate>().notNull(),
    /** Where its packs go; none: fed warm. */
    placeId: integer('place_id').references(() => place.id),
    method: text('method').$type<DryMethod>(),
    machineId: integer('machine_id').references(() => equipment.id),
    /** How it is filled into packs; none: one for each dog and day. */
    packPlan: jsonb('pack_plan').$type<PackPlan>(),
    /** A later load of a dryer: the day it is to go in, and where it waits until then. */
    loadDay: date('load_day', { mode: 'string' }).$type<LocalDate>(),
    waitsIn: text('waits_in').$type<WaitsIn>(),
    /** How it is cut for a dehydrator. */
    form: text('form').$type<DriedForm>(),
  },
  (table) => [
    index('share_batch').on(table.batchId),
    index('share_day').on(table.day, table.fate),
    check('share_weighs', sql`${table.grams} >= 0`),
    check('dry_has_a_method', sql`(${table.fate} = 'dry') = (${table.method} is not null)`),
    check('kept_has_a_place', sql`(${table.fate} = 'today') = (${table.placeId} is null)`),
  ],
);

/** Boxes that are built from several shares, one ingredient after the other; sealed ones are packs. */
export const boxPlan = pgTable(
  'box_plan',
  {
    id: serial('id').primaryKey(),
    /** The batch at whose sheet they are built; what goes in may be of others too. */
    batchId: integer('batch_id')
      .notNull()
      .references(() => batch.id),
    plan: jsonb('plan').$type<BoxPlan>().notNull(),
    /** g that lie in a box already, by row and box. */
    filled: jsonb('filled').$type<BoxesFilled>().notNull(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
    closedAt: timestamp('closed_at', { withTimezone: true }),
  },
  (table) => [index('boxes_batch').on(table.batchId)],
);

/** A tray of a dry share: its weights are readings. */
export const tray = pgTable(
  'tray',
  {
    id: serial('id').primaryKey(),
    shareId: integer('share_id')
      .notNull()
      .references(() => share.id),
    position: integer('position').notNull(),
    /** The cycle it was dried in, and on which tray of the machine; two parts of one tray have the same. */
    cycleId: integer('cycle_id').references(() => cycle.id),
    slot: integer('slot'),
    /** The dog that it is for; null: any of them. */
    dogId: integer('dog_id').references(() => dog.id),
  },
  (table) => [
    index('tray_cycle').on(table.cycleId),
    check('a_slot_is_of_a_cycle', sql`(${table.cycleId} is null) = (${table.slot} is null)`),
    unique('tray_position').on(table.shareId, table.position),
  ],
);

/** How a batch or a pack turned out: what the next making and the choice among fates look at. */
export const qualityNote = pgTable(
  'quality_note',
  {
    id: serial('id').primaryKey(),
    batchId: integer('batch_id')
      .notNull()
      .references(() => batch.id),
    /** The pack it is of; null: the whole batch. A plain number: packs stand in a later table. */
    holdingId: integer('holding_id'),
    dogId: integer('dog_id').references(() => dog.id),
    about: text('about').$type<QualityAbout>().notNull(),
    good: boolean('good').notNull(),
    words: text('words'),
    at: timestamp('at', { withTimezone: true }).notNull(),
    /** Set once, when it is taken back. */
    takenBackAt: timestamp('taken_back_at', { withTimezone: true }),
  },
  (table) => [index('quality_batch').on(table.batchId)],
);
