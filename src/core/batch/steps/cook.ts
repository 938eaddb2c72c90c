import { z } from 'zod';
import { isSafe, mayGoOn, type LoadState, type StirIn } from '../../cook/cook-day';
import { WHERES, type PanState } from '../../heat/pans';
import { pansAsked } from '../../heat/warm-pans';
import { MOST_POINTS } from '../../heat/probe-log';
import { countOf } from '../../quantity/count-words';
import { idSchema, weightSchema } from '../../schema';
import type { BatchState } from '../fold';
import type { Step } from '../step';
import { lotSchema } from './weigh-out';

const openTasks = (batch: BatchState) =>
  batch.state === 'cooking'
    ? batch.day.tasks.filter(({ state, kind }) => state === 'running' || (state === 'open' && kind !== 'own'))
    : [];

export const cook = {
  key: 'cook',
  title: 'Cook',
  listed: 'on the stove',
  place: 'load',
  // What is never cooked has nothing to do at the stove.
  opens: (batch) => batch.state !== 'planned' && batch.byProduct === undefined && batch.day.tasks.length > 0,
  next: (batch) => {
    const open = openTasks(batch).length;
    return open > 0 ? `${countOf(open, 'task')} to go at the stove` : undefined;
  },
  watch: (batch) =>
    openTasks(batch).length > 0
      ? {
          said: openTasks(batch).some(({ state }) => state === 'running')
            ? 'on the stove: a timer runs'
            : 'on the stove',
          tone: 'plain',
        }
      : undefined,
} as const satisfies Step;

/** What is still asked before a pot may be divided. */
export interface Asks {
  /** Loads without a passed check, and without a reason to go on. */
  readonly heat: readonly LoadState[];
  /** What was to be stirred in. */
  readonly stirIns: readonly StirIn[];
  /** Pans of which nobody can say how warm they are by now. */
  readonly pans: readonly PanState[];
}

/**
 * What dividing asks for first: heat that is proven or a reason, what was to be stirred in, and how warm each pan is by now; sealing
 * asks for the pans once more. Takes the clock.
 */
export const asksOf = (batch: BatchState, now: Date): Asks =>
  batch.state === 'planned'
    ? { heat: [], stirIns: [], pans: [] }
    : {
        heat: batch.day.loads.filter((load) => !mayGoOn(load)),
        stirIns: batch.day.stirIns.filter(({ done }) => !done),
        pans: pansAsked(batch.pans, now),
      };

/**
 * Whether what comes out of a batch is marked: a load went on without a passed check, or food was kept though it cooled too
 * slowly. Nothing is said of a pot that was divided before anybody was asked.
 */
export const isUnproven = (batch: BatchState): boolean =>
  batch.state !== 'planned' &&
  (batch.day.loads.some((load) => !isSafe(load.verdict) && (load.reason !== undefined || load.readings.length > 0)) ||
    batch.pans.some((pan) => pan.kept !== undefined));

const key = z.string().max(40);
const load = z.string().regex(/^\d{1,2}\.\d{1,2}$/);
const why = z.string().trim().min(1).max(200);
/** °C of food; the hand-typed text was read before. */
const celsius = z.number().min(-30).max(130);
/** "12:05"; absent: now. */
const clock = z
  .string()
  .regex(/^\d{1,2}[:.]\d{2}$/)
  .optional();

/** No timer of a pan runs longer, in minutes. */
export const LONGEST_TIMER = 1440;
/** Minutes until a pan is to be looked at again: a timer of its own. */
const minutes = z.number().min(1).max(LONGEST_TIMER);

/** From which instrument; absent: typed. */
const instrument = z.enum(['probe']).optional();

/** Something that happened on the cook day. */
const actSchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('done'), key }),
  z.object({ act: z.literal('skip'), key, why }),
  z.object({ act: z.literal('take back'), key }),
  z.object({ act: z.literal('timer'), key, minutes: z.number() }),
  z.object({ act: z.literal('core'), load, celsius, clock, instrument }),
  z.object({ act: z.literal('by time'), load, on: z.boolean() }),
  z.object({
    act: z.literal('log'),
    load,
    of: z.enum(['load', 'pan']),
    points: z
      .array(z.object({ time: z.string().max(40), celsius }))
      .min(2)
      .max(MOST_POINTS),
  }),
  z.object({ act: z.literal('go on'), load, why }),
  z.object({ act: z.literal('hands'), hands: z.number().int().min(1).max(4) }),
  z.object({ act: z.literal('own'), title: z.string().trim().min(1).max(80) }),
  z.object({ act: z.literal('pan'), load, celsius, clock, instrument }),
  z.object({
    act: z.literal('where'),
    load,
    where: z.enum(WHERES),
    celsius: celsius.optional(),
    minutes: minutes.optional(),
  }),
  z.object({ act: z.literal('heat again'), load, celsius }),
  z.object({ act: z.literal('depth'), load, cm: z.number(), minutes: minutes.optional() }),
  z.object({ act: z.literal('look at pan'), load, minutes }),
  z.object({ act: z.literal('keep'), load, why }),
  z.object({ act: z.literal('strike'), readingId: idSchema, why }),
  z.object({
    act: z.literal('stir in'),
    line: z.number().int().min(0).max(300),
    grams: weightSchema,
    when: z.enum(['now', 'before weighing']),
  }),
  z.object({ act: z.literal('lot'), line: z.number().int().min(0).max(300), lot: lotSchema }),
  z.object({ act: z.literal('frozen'), line: z.number().int().min(0).max(300), on: z.boolean() }),
  z.object({ act: z.literal('leave out'), line: z.number().int().min(0).max(300), why }),
]);
export type CookAct = z.infer<typeof actSchema>;

/** What a cook day taught, as it goes into the recipe's next version. */
export const nextTimeSchema = z.object({
  batchId: idSchema,
  minutes: z
    .array(z.object({ component: z.number().int().min(0).max(20), minutes: z.number().int().min(1).max(2880) }))
    .max(20),
  /** In the cook's words; empty: as it was. */
  note: z.string().trim().max(2000),
});
export type NextTime = z.infer<typeof nextTimeSchema>;

export const cookSchema = z.object({ batchId: idSchema, of: actSchema });
