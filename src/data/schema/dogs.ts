import { sql } from 'drizzle-orm';
import {
  boolean,
  check,
  customType,
  date,
  doublePrecision,
  index,
  integer,
  pgTable,
  primaryKey,
  serial,
  text,
  timestamp,
  unique,
  uniqueIndex,
} from 'drizzle-orm/pg-core';
import type { LocalDate } from '../../core/calendar/local-date';
import { avoidedSchema, type Avoided, type AvoidReason } from '../../core/dog/avoid';
import type { Appetite, Stool } from '../../core/dog/body-condition';
import { bowlLineSchema, type BowlLine } from '../../core/dog/bowl-line';
import type { BiteSize } from '../../core/dog/bite-size';
import type { DaysOff } from '../../core/dog/days-off';
import type { Transition } from '../../core/dog/dog';
import { extraSchema, type Extra } from '../../core/dog/extras';
import type { Work } from '../../core/dog/maintenance-factor';
import { methodSchema, type RationMethod } from '../../core/dog/method';
import { schoolSchema, type School } from '../../core/dog/schools/schools';
import type { SeenCaution } from '../../core/dog/stage';
import type { Topic } from '../../core/diary/topics';
import { keptJson } from './kept-json';
import { recipe } from './recipes';
import { seenShape, transitionShape } from './shapes';

export const dog = pgTable('dog', {
  id: serial('id').primaryKey(),
  name: text('name').notNull(),
  /** Which of the tag shapes is this dog's: the same everywhere. */
  badge: integer('badge').notNull(),
  birthDate: date('birth_date', { mode: 'string' }).$type<LocalDate>().notNull(),
  neutered: boolean('neutered').notNull(),
  expectedAdultGrams: doublePrecision('expected_adult_grams'),
  /** What it is treated for. */
  illness: text('illness'),
  /** How small its pieces are cut. */
  biteSize: text('bite_size').$type<BiteSize>(),
  /** The caution of its age or illness that the cook has seen. */
  cautionSeen: keptJson<SeenCaution>('caution_seen', seenShape),
  archivedAt: timestamp('archived_at', { withTimezone: true }),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
});

export const weighIn = pgTable(
  'weigh_in',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    day: date('day', { mode: 'string' }).$type<LocalDate>().notNull(),
    grams: doublePrecision('grams').notNull(),
    bodyCondition: integer('body_condition'),
    appetite: text('appetite').$type<Appetite>(),
    stool: text('stool').$type<Stool>(),
    note: text('note'),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
    /** Taken back: it stays, and does not count. */
    struckAt: timestamp('struck_at', { withTimezone: true }),
  },
  (table) => [index('weigh_in_dog').on(table.dogId, table.day)],
);

/** How a dog's day is set from a day on; the latest one that has begun is in force. */
export const ration = pgTable(
  'ration',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    from: date('from_day', { mode: 'string' }).$type<LocalDate>().notNull(),
    work: text('work').$type<Work>().notNull(),
    proneToGain: boolean('prone_to_gain').notNull(),
    method: keptJson<RationMethod>('method', methodSchema).notNull().default({ kind: 'table' }),
    goalGrams: doublePrecision('goal_grams'),
    extras: keptJson<readonly Extra[]>('extras', extraSchema.array()).notNull().default([]),
    transition: keptJson<Transition>('transition', transitionShape),
    reason: text('reason'),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
  },
  (table) => [index('ration_dog').on(table.dogId, table.from)],
);

/** A meal of a dog's day. It keeps its id for good: bowls point at it. */
export const mealSlot = pgTable(
  'meal_slot',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    name: text('name').notNull(),
    clock: text('clock').notNull(),
    position: integer('position').notNull(),
  },
  (table) => [index('slot_dog').on(table.dogId)],
);

/** What part of the day a ration gives to a slot, and which recipe; none at all: the usual meals for the dog's age. */
export const rationSlot = pgTable(
  'ration_slot',
  {
    rationId: integer('ration_id')
      .notNull()
      .references(() => ration.id),
    slotId: integer('slot_id')
      .notNull()
      .references(() => mealSlot.id),
    fraction: doublePrecision('fraction').notNull(),
    recipeId: integer('recipe_id').references(() => recipe.id),
  },
  (table) => [primaryKey({ columns: [table.rationId, table.slotId] })],
);

/** A pregnancy and what came of it. */
export const litter = pgTable(
  'litter',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    matedOn: date('mated_on', { mode: 'string' }).$type<LocalDate>(),
    whelpedOn: date('whelped_on', { mode: 'string' }).$type<LocalDate>(),
    pups: integer('pups'),
    weanedOn: date('weaned_on', { mode: 'string' }).$type<LocalDate>(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
  },
  (table) => [
    index('litter_dog').on(table.dogId),
    check('litter_begins', sql`num_nonnulls(${table.matedOn}, ${table.whelpedOn}) > 0`),
  ],
);

/** Something that a dog does not get; ended, it stays in the history. */
export const avoid = pgTable(
  'avoid',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    what: keptJson<Avoided>('what', avoidedSchema).notNull(),
    label: text('label').notNull(),
    reason: text('reason').$type<AvoidReason>().notNull(),
    since: date('since', { mode: 'string' }).$type<LocalDate>().notNull(),
    tryAgainOn: date('try_again_on', { mode: 'string' }).$type<LocalDate>(),
    note: text('note'),
    endedOn: date('ended_on', { mode: 'string' }).$type<LocalDate>(),
  },
  (table) => [index('avoid_dog').on(table.dogId)],
);

/** An addition in one dog's bowl. */
export const bowlLine = pgTable(
  'bowl_line',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    what: text('what').notNull(),
    unit: text('unit').notNull(),
    rule: keptJson<BowlLine['rule']>('rule', bowlLineSchema.shape.rule).notNull(),
    slotId: integer('slot_id')
      .notNull()
      .references(() => mealSlot.id),
    kcalPerUnit: doublePrecision('kcal_per_unit'),
    endedOn: date('ended_on', { mode: 'string' }).$type<LocalDate>(),
  },
  (table) => [index('bowl_line_dog').on(table.dogId)],
);

/** What a dog really ate over some days, where no bowls were pressed: kcal a day, extras and all. */
export const intake = pgTable(
  'intake',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    from: date('from_day', { mode: 'string' }).$type<LocalDate>().notNull(),
    to: date('to_day', { mode: 'string' }).$type<LocalDate>().notNull(),
    kcal: doublePrecision('kcal').notNull(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
  },
  (table) => [index('intake_dog').on(table.dogId, table.from)],
);

/** A vet's word that this dog may have something that is stopped otherwise. */
export const vetNote = pgTable(
  'vet_note',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    /** The row of data/hazards.json. */
    hazardId: text('hazard_id').notNull(),
    note: text('note').notNull(),
    day: date('day', { mode: 'string' }).$type<LocalDate>().notNull(),
    endedOn: date('ended_on', { mode: 'string' }).$type<LocalDate>(),
  },
  (table) => [index('vet_note_dog').on(table.dogId)],
);

/** What the scale proposed and what the cook made of it. */
export const proposalAnswer = pgTable(
  'proposal_answer',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    day: date('day', { mode: 'string' }).$type<LocalDate>().notNull(),
    answer: text('answer').$type<'accepted' | 'adapted' | 'ignored'>().notNull(),
    fromKcal: doublePrecision('from_kcal').notNull(),
    proposedKcal: doublePrecision('proposed_kcal'),
    said: text('said').notNull(),
    rationId: integer('ration_id').references(() => ration.id),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
  },
  (table) => [index('proposal_answer_dog').on(table.dogId, table.day)],
);

/** A portion school that this cook knows for a dog: what a label prints, what was fed before. One of a kind. */
export const knownSchool = pgTable(
  'known_school',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    kind: text('kind').$type<School['kind']>().notNull(),
    school: keptJson<School>('school', schoolSchema).notNull(),
  },
  (table) => [unique('one_school_a_kind').on(table.dogId, table.kind)],
);

/** Days on which a dog is away or fasts, or for which it is a guest; taken back, never edited. */
export const daysOff = pgTable(
  'days_off',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    kind: text('kind').$type<DaysOff['kind']>().notNull(),
    from: date('from_day', { mode: 'string' }).$type<LocalDate>().notNull(),
    to: date('to_day', { mode: 'string' }).$type<LocalDate>().notNull(),
    /** This meal alone; null: all of them. */
    slotId: integer('slot_id').references(() => mealSlot.id),
    takenBackAt: timestamp('taken_back_at', { withTimezone: true }),
  },
  (table) => [index('days_off_dog').on(table.dogId)],
);

const bytea = customType<{ data: Uint8Array; driverData: Uint8Array }>({ dataType: () => 'bytea' });

/** What was seen of a dog on a day: a word for one topic, or free words and a photograph; taken back, never edited. */
export const diary = pgTable(
  'diary',
  {
    id: serial('id').primaryKey(),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    day: date('day', { mode: 'string' }).$type<LocalDate>().notNull(),
    /** null: free words. */
    topic: text('topic').$type<Topic>(),
    /** The word that was pressed for the topic, or the free words. */
    said: text('said').notNull(),
    /** A JPEG. */
    photo: bytea('photo'),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
    takenBackAt: timestamp('taken_back_at', { withTimezone: true }),
  },
  (table) => [
    index('diary_dog').on(table.dogId, table.day),
    uniqueIndex('one_word_a_topic')
      .on(table.dogId, table.day, table.topic)
      .where(sql`${table.takenBackAt} is null and ${table.topic} is not null`),
  ],
);
