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
  serial,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core';
import type { LocalDate } from '../../core/calendar/local-date';
import type { Ticked } from '../../core/dog/bowl-line';
import type { Less, ReadGiven } from '../../core/dog/given';
import type { LEFT_FATES } from '../../core/stock/left';
import { share } from './batches';
import { dog, mealSlot, ration } from './dogs';
import { holding, movement } from './stock';

/** One dog's one meal on one day. */
export const bowl = pgTable(
  'bowl',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    day: date('day', { mode: 'string' }).$type<LocalDate>().notNull(),
    /** Which of its meals; null: another one, beside them. */
    slotId: integer('slot_id').references(() => mealSlot.id),
    rationId: integer('ration_id')
      .notNull()
      .references(() => ration.id),
    kcal: doublePrecision('kcal').notNull(),
    /** What was ticked of what is added in the bowl; what was not is not known. */
    additions: jsonb('additions').$type<readonly Ticked[]>(),
    fedAt: timestamp('fed_at', { withTimezone: true }).notNull(),
    movementId: integer('movement_id')
      .notNull()
      .unique()
      .references(() => movement.id),
    /** Set once, by the movement that took the bowl back. */
    reversedBy: integer('reversed_by')
      .unique()
      .references(() => movement.id),
  },
  (table) => [
    uniqueIndex('one_bowl_a_meal')
      .on(table.dogId, table.day, table.slotId)
      .where(sql`${table.reversedBy} is null`),
  ],
);

/** Something that a dog got between its meals, or an extra meal, and by how much the coming meals are smaller for it. */
export const given = pgTable(
  'given',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    day: date('day', { mode: 'string' }).$type<LocalDate>().notNull(),
    at: timestamp('at', { withTimezone: true }).notNull(),
    kind: text('kind').$type<ReadGiven['kind'] | 'meal'>().notNull(),
    name: text('name').notNull(),
    /** null: nobody knows. */
    kcal: doublePrecision('kcal'),
    said: text('said').notNull(),
    less: jsonb('less').$type<readonly Less[]>().notNull(),
    /** The bowl of an extra meal: taken back with it. */
    bowlId: integer('bowl_id')
      .unique()
      .references(() => bowl.id),
    takenBackAt: timestamp('taken_back_at', { withTimezone: true }),
  },
  (table) => [index('given_dog').on(table.dogId, table.day)],
);

/** What a dog left of a bowl, and what became of it. */
export const bowlLeft = pgTable(
  'bowl_left',
  {
    id: serial('id').primaryKey(),
    bowlId: integer('bowl_id')
      .notNull()
      .references(() => bowl.id),
    /** Tenths of a gram as stored. */
    amount: integer('amount').notNull(),
    kcal: doublePrecision('kcal').notNull(),
    fate: text('fate').$type<(typeof LEFT_FATES)[number]>().notNull(),
    movementId: integer('movement_id')
      .notNull()
      .unique()
      .references(() => movement.id),
    /** Set once, by the movement that took it back. */
    reversedBy: integer('reversed_by')
      .unique()
      .references(() => movement.id),
  },
  (table) => [
    uniqueIndex('one_left_a_bowl')
      .on(table.bowlId)
      .where(sql`${table.reversedBy} is null`),
  ],
);

export const bowlPart = pgTable(
  'bowl_part',
  {
    id: serial('id').primaryKey(),
    bowlId: integer('bowl_id')
      .notNull()
      .references(() => bowl.id),
    holdingId: integer('holding_id').references(() => holding.id),
    shareId: integer('share_id').references(() => share.id),
    /** Tenths of a gram. */
    amount: integer('amount').notNull(),
    waterMl: integer('water_ml').notNull(),
    kcal: doublePrecision('kcal').notNull(),
    /** It went into the bowl as it was, frozen. */
    frozen: boolean('frozen').notNull().default(false),
  },
  (table) => [
    index('part_bowl').on(table.bowlId),
    index('part_share').on(table.shareId),
    index('part_holding').on(table.holdingId),
    check('part_has_one_source', sql`num_nonnulls(${table.holdingId}, ${table.shareId}) = 1`),
  ],
);
