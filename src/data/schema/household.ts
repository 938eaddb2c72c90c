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
  serial,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core';
import { USUAL_MEAL_TIMES, type MealTimes } from '../../core/household/meal-times';
import type { EnergyFactors } from '../../core/nutrition/energy';
import type { DryerSpec, EquipmentKind } from '../../core/plan/equipment';
import type { CycleEventKind } from '../../core/preserve/cycle';
import type { DryMethod } from '../../core/preserve/methods';
import type { CUT_EVENTS } from '../../core/preserve/power-cut';
import type { PlaceKind, ShelfLife } from '../../core/preserve/shelf-life';
import type { LocalDate } from '../../core/calendar/local-date';
import type { UnitSet } from '../../core/quantity/units';
import { weeksAskSchema, weeksKeptSchema, type WeeksAsk, type WeeksKept } from '../../core/weeks/ask';
import { keptJson } from './kept-json';
import { takenShape } from './shapes';

/** One row: the settings that hold for everything. */
export const household = pgTable(
  'household',
  {
    id: integer('id').primaryKey().default(1),
    unitSet: text('unit_set').$type<UnitSet>().notNull(),
    /** Whether the household has said its units, or they are only a beginning. */
    unitsSaid: boolean('units_said').notNull().default(false),
    energyFactors: text('energy_factors').$type<EnergyFactors>().notNull(),
    timeZone: text('time_zone').notNull(),
    /** Days that cooked food keeps in the fridge: a row of the rules of dates, and nothing else. */
    cookedFridgeDays: integer('fridge_days').notNull(),
    currency: text('currency').notNull(),
    /** What the codes on labels open, as "http://kitchen.local:3000"; null: the address that the page was asked at. */
    labelAddress: text('label_address'),
    /** Days in a row that a dog gets one protein, where something else is there; null: as long as it lasts. */
    proteinDays: integer('protein_days'),
    /** A dog's meals of one day are of different proteins. */
    mixedProteins: boolean('mixed_proteins').notNull().default(false),
    /** The newest day of the ledger that lay ahead of the clock when the cook said that the clock is right. */
    clockSaid: date('clock_said', { mode: 'string' }).$type<LocalDate>(),
    /** What a kWh costs, in minor units of the currency; null: nobody has said. */
    kwhMinor: doublePrecision('kwh_minor'),
    /** The end of the address of its calendar: who has it may read what is to be done; null: there is none. */
    calendarSecret: text('calendar_secret'),
    /** When its meals are; a dog that comes gets these times. */
    mealTimes: jsonb('meal_times').$type<MealTimes>().notNull().default(USUAL_MEAL_TIMES),
  },
  (table) => [check('one_household', sql`${table.id} = 1`)],
);

/** The weeks that were asked for, what was solved, and the plans that were made of it: one row. */
export const weeks = pgTable(
  'weeks',
  {
    id: integer('id').primaryKey().default(1),
    ask: keptJson<WeeksAsk>('ask', weeksAskSchema).notNull(),
    /** What is cooked and eaten; null: nothing was solved yet. */
    answer: keptJson<WeeksKept>('answer', weeksKeptSchema),
    /** The answer before it, to say what changed. */
    before: keptJson<WeeksKept>('before', weeksKeptSchema),
    /** Plans that were made of it, each as it was made: one that was changed since is the cook's own. */
    taken: keptJson<readonly { readonly planId: number; readonly entry: string }[]>('taken', takenShape).notNull(),
    solvedAt: timestamp('solved_at', { withTimezone: true }),
  },
  (table) => [check('one_weeks', sql`${table.id} = 1`)],
);

export const place = pgTable('place', {
  id: serial('id').primaryKey(),
  kind: text('kind').$type<PlaceKind>().notNull(),
  name: text('name').notNull(),
  capacityMl: integer('capacity_ml'),
  position: integer('position').notNull(),
  archivedAt: timestamp('archived_at', { withTimezone: true }),
});

/** A time without power. What was said of its places are events; settled, what had to go has gone. */
export const powerCut = pgTable('power_cut', {
  id: serial('id').primaryKey(),
  startedAt: timestamp('started_at', { withTimezone: true }).notNull(),
  endedAt: timestamp('ended_at', { withTimezone: true }),
  settledAt: timestamp('settled_at', { withTimezone: true }),
  /** There was none: it was pressed by mistake. */
  droppedAt: timestamp('dropped_at', { withTimezone: true }),
});

export const powerCutEvent = pgTable(
  'power_cut_event',
  {
    id: serial('id').primaryKey(),
    cutId: integer('cut_id')
      .notNull()
      .references(() => powerCut.id),
    placeId: integer('place_id')
      .notNull()
      .references(() => place.id),
    kind: text('kind').$type<(typeof CUT_EVENTS)[number]>().notNull(),
    /** °C of a reading, how full from 0 to 1, 1 for a door. */
    value: doublePrecision('value').notNull(),
    at: timestamp('at', { withTimezone: true }).notNull(),
    /** Set once, when it is unsaid. */
    unsaidAt: timestamp('unsaid_at', { withTimezone: true }),
  },
  (table) => [index('power_cut_events').on(table.cutId)],
);

/** A thing of the kitchen that limits a plan: a vessel, a container, a dryer. */
export const equipment = pgTable(
  'equipment',
  {
    id: serial('id').primaryKey(),
    kind: text('kind').$type<EquipmentKind>().notNull(),
    name: text('name').notNull(),
    millilitres: doublePrecision('millilitres'),
    /** g of one filling, or on one tray. */
    grams: doublePrecision('grams'),
    count: integer('count').notNull(),
    /** Of a dryer: its trays and what it takes of electricity; null: nobody has said. */
    dryer: jsonb('dryer').$type<DryerSpec>(),
    archivedAt: timestamp('archived_at', { withTimezone: true }),
  },
  (table) => [
    check('equipment_has_a_size', sql`num_nonnulls(${table.millilitres}, ${table.grams}) = 1`),
    check('equipment_is_there', sql`${table.count} > 0`),
  ],
);

/** One filling of a dryer, from the moment it was switched on; what happened to it are its events. */
export const cycle = pgTable(
  'cycle',
  {
    id: serial('id').primaryKey(),
    machineId: integer('machine_id')
      .notNull()
      .references(() => equipment.id),
    method: text('method').$type<DryMethod>().notNull(),
    /** °C that it is set to; null: it knows by itself. */
    celsius: doublePrecision('celsius'),
    loadedAt: timestamp('loaded_at', { withTimezone: true }).notNull(),
  },
  (table) => [index('cycle_machine').on(table.machineId)],
);

/** Something that happened to a cycle. Append-only, as readings are: a wrong one is struck out by another. */
export const cycleEvent = pgTable(
  'cycle_event',
  {
    id: serial('id').primaryKey(),
    cycleId: integer('cycle_id')
      .notNull()
      .references(() => cycle.id),
    kind: text('kind').$type<CycleEventKind>().notNull(),
    /** kWh, hours or °C, as its kind says. */
    value: doublePrecision('value'),
    text: text('text'),
    at: timestamp('at', { withTimezone: true }).notNull(),
    takesBack: integer('takes_back')
      .unique()
      .references((): AnyPgColumn => cycleEvent.id),
  },
  (table) => [
    index('event_cycle').on(table.cycleId),
    check('a_struck_event_strikes', sql`(${table.kind} = 'struck') = (${table.takesBack} is not null)`),
  ],
);

/** The rules by which packs are dated, as they stood from a day on: a pack keeps its own until the cook says otherwise. */
export const shelfRules = pgTable('shelf_rules', {
  id: serial('id').primaryKey(),
  cookedFridgeDays: integer('fridge_days').notNull(),
  /** Rows of the household's own, which take the place of the table's. */
  own: jsonb('own').$type<readonly ShelfLife[]>().notNull(),
  since: timestamp('since', { withTimezone: true }).notNull(),
});

/** Every change that was asked for, by the id that its form made: twice is once. */
export const command = pgTable('command', {
  id: text('id').primaryKey(),
  kind: text('kind').notNull(),
  /** A digest of what was asked: the same id with another input is refused. */
  asked: text('asked').notNull(),
  at: timestamp('at', { withTimezone: true }).notNull(),
  result: jsonb('result'),
  /** The movements that it wrote: taken back since, its answer is no success any more. */
  movements: jsonb('movements').$type<readonly number[]>(),
});

/** An observation of this kitchen that does not count: a slip, a day that was like no other. Counted again, it stays on record. */
export const struckObservation = pgTable(
  'struck_observation',
  {
    id: serial('id').primaryKey(),
    /** What was observed of what: pot:12, cooked:12:stew. */
    key: text('key').notNull(),
    at: timestamp('at', { withTimezone: true }).notNull(),
    countedAgainAt: timestamp('counted_again_at', { withTimezone: true }),
  },
  (table) => [
    uniqueIndex('struck_once')
      .on(table.key)
      .where(sql`${table.countedAgainAt} is null`),
  ],
);

/** What was measured here beside what was reckoned: how much a container took, how long something froze. */
export const measuredHere = pgTable('measured_here', {
  id: serial('id').primaryKey(),
  kind: text('kind').$type<'fill' | 'frozen'>().notNull(),
  /** The container by its name, or how the food lay. */
  of: text('of').notNull(),
  /** g in it, or hours; and the same as reckoned by the table and the household. */
  value: doublePrecision('value').notNull(),
  reckoned: doublePrecision('reckoned').notNull(),
  at: timestamp('at', { withTimezone: true }).notNull(),
});
