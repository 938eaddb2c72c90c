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
import type { LocalDate } from '../../core/calendar/local-date';
import type { FoundPack } from '../../core/stock/found';
import type { FoodKind, KeepsDays, LabelDate, Packaging } from '../../core/preserve/shelf-life';
import type { Account, MovementKind, Origin } from '../../core/stock/ledger';
import { batch, share } from './batches';
import { dog } from './dogs';
import { place, shelfRules } from './household';
import { keptJson } from './kept-json';
import { foundShape, splitShape, traysShape } from './shapes';

/**
 * A pack or an ingredient lot. Its rules are fixed; what stands below them follows from its movements and is
 * kept beside them in the same transaction, so that a list needs no fold.
 */
export const holding = pgTable(
  'holding',
  {
    id: serial('id').primaryKey(),
    kind: text('kind').$type<'pack' | 'lot'>().notNull(),
    foodKind: text('food_kind').$type<FoodKind>().notNull(),
    fatty: boolean('fatty').notNull(),
    placeId: integer('place_id')
      .notNull()
      .references(() => place.id),
    /** Tenths of a gram. */
    amount: integer('amount').notNull(),
    since: date('since', { mode: 'string' }).$type<LocalDate>().notNull(),
    fridgeDaysUsed: integer('fridge_days_used').notNull().default(0),
    thawedOn: date('thawed_on', { mode: 'string' }).$type<LocalDate>(),
    openedOn: date('opened_on', { mode: 'string' }).$type<LocalDate>(),
    blocked: boolean('blocked').notNull().default(false),
    /** Its packing was taken back: what it held is in its share again. */
    void: boolean('void').notNull().default(false),
    /** kcal and mL of water to put back in each stored gram, as its contents are known now; null: of an ingredient nobody knows. */
    density: doublePrecision('density'),
    waterPerGram: doublePrecision('water_per_gram').notNull(),
    safeUntil: date('safe_until', { mode: 'string' }).$type<LocalDate>(),
    bestBy: date('best_by', { mode: 'string' }).$type<LocalDate>(),
    rule: text('rule').notNull(),
    /** Days that it keeps once it is taken out of the freezer, or opened; null: that cannot be done, or sets no date. */
    keepsThawed: integer('keeps_thawed').$type<KeepsDays>(),
    keepsOpened: integer('keeps_opened').$type<KeepsDays>(),
    /** By which form of the fold all this was kept: an older one is folded anew when the house opens. */
    foldedBy: integer('folded_by').notNull().default(0),
    /** In what it is packed; null: nobody has said. */
    packaging: text('packaging').$type<Packaging>(),
    /** What food had behind it that was split off another pack or mixed of several; null: it begins with its first movement. */
    origin: jsonb('origin').$type<Origin>(),
  },
  (table) => [
    check('nothing_below_zero', sql`${table.amount} >= 0`),
    index('holding_place').on(table.placeId, table.amount),
  ],
);

/** What was written on the label: what is in force stands with the holding, and a label that says otherwise is written again. */
export const pack = pgTable('pack', {
  holdingId: integer('holding_id')
    .primaryKey()
    .references(() => holding.id),
  code: text('code').notNull().unique(),
  /** The dog it was made for; none: anybody. */
  dogId: integer('dog_id').references(() => dog.id),
  /** The dogs that it was made for, and g of each, where they are several. */
  split: keptJson<readonly { readonly dogId: number; readonly grams: number }[]>('split', splitShape),
  /** Whole pieces or cubes in it. */
  pieces: integer('pieces'),
  /** It was filled on the scale; false: sealed by its target; null: made before anybody asked. */
  weighed: boolean('weighed'),
  packedOn: date('packed_on', { mode: 'string' }).$type<LocalDate>().notNull(),
  /** Tenths of a gram. */
  labelAmount: integer('label_amount').notNull(),
  labelDensity: doublePrecision('label_density').notNull(),
  labelWaterPerGram: doublePrecision('label_water_per_gram').notNull(),
  labelSafeUntil: date('label_safe_until', { mode: 'string' }).$type<LocalDate>(),
  labelBestBy: date('label_best_by', { mode: 'string' }).$type<LocalDate>(),
  labelRule: text('label_rule').notNull(),
  short: boolean('short').notNull(),
  estimated: boolean('estimated').notNull(),
  /** It waits in the fridge, to go into a freezer on a day. */
  freezeOn: date('freeze_on', { mode: 'string' }).$type<LocalDate>(),
  freezeIn: integer('freeze_in').references(() => place.id),
  /** Part of it that was water when its trays were weighed last; null: nobody knows. */
  moisture: doublePrecision('moisture'),
  /** It came into the books without a batch; null: it was sealed here. */
  found: keptJson<FoundPack>('found', foundShape),
});

/** An ingredient that came in together: what stood on its wrapper and on the bill. */
export const lot = pgTable(
  'lot',
  {
    holdingId: integer('holding_id')
      .primaryKey()
      .references(() => holding.id),
    /** The key of its food: `04582` of the table, `L7` a supply, `R3` a recipe that was made ahead. */
    foodKey: text('food_key').notNull(),
    name: text('name').notNull(),
    receivedOn: date('received_on', { mode: 'string' }).$type<LocalDate>().notNull(),
    /** Tenths of a gram that came, and minor units that all of it cost; null: nobody has said. */
    receivedAmount: integer('received_amount').notNull(),
    priceMinor: integer('price_minor'),
    label: jsonb('label').$type<LabelDate>(),
    code: text('code'),
    /** What it was made of ahead. A lot or a pack. */
    madeOf: integer('made_of').references((): AnyPgColumn => holding.id),
  },
  (table) => [
    index('lot_food').on(table.foodKey),
    check('lot_came', sql`${table.receivedAmount} > 0`),
    check('lot_price', sql`${table.priceMinor} is null or ${table.priceMinor} >= 0`),
  ],
);

/** What of a lot went into which line of a batch. */
export const lotUse = pgTable(
  'lot_use',
  {
    movementId: integer('movement_id')
      .primaryKey()
      .references(() => movement.id),
    holdingId: integer('holding_id')
      .notNull()
      .references(() => lot.holdingId),
    batchId: integer('batch_id')
      .notNull()
      .references(() => batch.id),
    line: integer('line').notNull(),
    /** Tenths of a gram. */
    amount: integer('amount').notNull(),
    /** Set once, by the movement that took it back. */
    reversedBy: integer('reversed_by')
      .unique()
      .references(() => movement.id),
  },
  (table) => [index('lot_use_batch').on(table.batchId), index('lot_use_holding').on(table.holdingId)],
);

/** What is in a pack: one entry as a rule, several in a mixed container. */
export const packContent = pgTable(
  'pack_content',
  {
    id: serial('id').primaryKey(),
    holdingId: integer('holding_id')
      .notNull()
      .references(() => pack.holdingId),
    batchId: integer('batch_id')
      .notNull()
      .references(() => batch.id),
    shareId: integer('share_id')
      .notNull()
      .references(() => share.id),
    /** Tenths of a gram of each tray that is in it, where it was filled tray by tray. */
    trays: keptJson<readonly { readonly trayId: number; readonly amount: number }[]>('trays', traysShape),
    /** Tenths of a gram that came of it into the pack, as it is known now. */
    amount: integer('amount').notNull(),
    /** The same when the pack was sealed: what came in by now is divided among its contents by it. */
    sealedAmount: integer('sealed_amount').notNull(),
    /** kcal and mL of water to put back in each stored gram of it, as it is known now. */
    density: doublePrecision('density').notNull(),
    waterPerGram: doublePrecision('water_per_gram').notNull(),
  },
  (table) => [
    index('content_pack').on(table.holdingId),
    index('content_batch').on(table.batchId),
    index('content_share').on(table.shareId),
  ],
);

/** Append-only: a trigger refuses every update and delete. A mistake is reversed by another movement. */
export const movement = pgTable('movement', {
  id: serial('id').primaryKey(),
  kind: text('kind').$type<MovementKind>().notNull(),
  at: timestamp('at', { withTimezone: true }).notNull(),
  day: date('day', { mode: 'string' }).$type<LocalDate>().notNull(),
  reverses: integer('reverses')
    .unique()
    .references((): AnyPgColumn => movement.id),
  note: text('note'),
  /** The rules of dates that hold from it on: of a first movement and of one that dates anew. */
  rulesId: integer('rules_id').references(() => shelfRules.id),
});

/** One side of a movement, in tenths of a gram. A trigger holds that a movement's legs sum to zero. */
export const leg = pgTable(
  'leg',
  {
    id: serial('id').primaryKey(),
    movementId: integer('movement_id')
      .notNull()
      .references(() => movement.id),
    holdingId: integer('holding_id').references(() => holding.id),
    placeId: integer('place_id').references(() => place.id),
    account: text('account').$type<Account>(),
    amount: integer('amount').notNull(),
  },
  (table) => [
    index('leg_movement').on(table.movementId),
    index('leg_holding').on(table.holdingId),
    check(
      'leg_has_one_side',
      sql`(${table.account} is null) = (${table.holdingId} is not null) and (${table.account} is null) = (${table.placeId} is not null)`,
    ),
  ],
);

/** A pack that the cook keeps for one dog's day; the last one of a pack that was not ended counts. */
export const packHold = pgTable(
  'pack_hold',
  {
    id: serial('id').primaryKey(),
    holdingId: integer('holding_id')
      .notNull()
      .references(() => pack.holdingId),
    dogId: integer('dog_id')
      .notNull()
      .references(() => dog.id),
    day: date('day', { mode: 'string' }).$type<LocalDate>().notNull(),
    endedAt: timestamp('ended_at', { withTimezone: true }),
  },
  (table) => [
    uniqueIndex('one_hold_a_pack')
      .on(table.holdingId)
      .where(sql`${table.endedAt} is null`),
  ],
);
