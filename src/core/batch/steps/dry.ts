import { z } from 'zod';
import { DRIED_FORMS, WAITS } from '../../preserve/drying';
import { lastChange, onTrays, SAME_WEIGHT } from '../../preserve/tray-slips';
import { AFTER_CUT } from '../../preserve/cycle';
import { writeDayOnLabel } from '../../calendar/local-date';
import { countOf } from '../../quantity/count-words';
import { idSchema, weightSchema } from '../../schema';
import { TRAY_TOUCHES } from '../observations';
import type { BatchState } from '../fold';
import type { ShareState } from '../share-state';
import type { Step } from '../step';

/** The shares that are dried, bagged or not. */
export const dryShares = (batch: BatchState): readonly ShareState[] =>
  batch.state === 'weighed' ? batch.shares.filter((share) => share.fate === 'dry' && share.grams > 0) : [];

/** g of a share that lie on no tray, and of which nobody has said what became of them. */
export const restOffTrays = ({ grams, trays, gone }: Pick<ShareState, 'grams' | 'trays' | 'gone'>): number =>
  grams - onTrays(trays) - gone.eaten - gone.thrown;

/** Every tray agrees with its weighing before; undefined: not weighed dry yet. */
export function isDryBy({ dried, trays }: Pick<ShareState, 'dried' | 'trays'>): boolean | undefined {
  if (!dried) return undefined;
  const changes = trays.map(({ dryings, tare }) => lastChange(dryings.map((gross) => gross - tare)));
  return changes.every((change) => change !== undefined && change < SAME_WEIGHT);
}

/** Its weighings say that it is not dry: a tray lost weight between its last two, or is wet inside, or cannot be right. */
export const isDamp = ({ dried, trays }: Pick<ShareState, 'dried' | 'trays'>): boolean => {
  const changes = trays.map(({ dryings, tare }) => lastChange(dryings.map((gross) => gross - tare)));
  return (
    dried !== undefined &&
    (changes.some((change) => change !== undefined && change >= SAME_WEIGHT) ||
      dried.slips.some(({ kind }) => kind !== 'light'))
  );
};

/** Dry by two weighings, and nothing asks to be looked at: it may be bagged. */
export const isSettled = (share: Pick<ShareState, 'dried' | 'trays'>): boolean =>
  isDryBy(share) === true && (share.dried?.slips ?? []).every(({ kind }) => kind === 'light');

const undried = (batch: BatchState) =>
  dryShares(batch).filter((share) => !share.sealed && share.packs.length === 0 && !isSettled(share));

export const dry = {
  key: 'dry',
  title: 'Dry',
  listed: 'drying',
  place: 'trays',
  opens: (batch) => dryShares(batch).length > 0,
  next: (batch) => {
    const open = undried(batch);
    if (open.length === 0) return undefined;
    const waiting = open.filter((share) => share.trays.length === 0).length;
    if (waiting > 0) return `${countOf(waiting, 'load')} to lay on trays`;
    return open.every(({ dried }) => dried) ? 'weigh the trays again until they agree' : 'weigh the trays dry';
  },
  watch: (batch) => {
    const open = undried(batch);
    if (open.length === 0) return undefined;
    if (open.every(({ dried }) => dried)) return { said: 'weighed dry: look at it once more', tone: 'plain' };
    if (open.some((share) => share.trays.length > 0))
      return { said: 'in the dryer: weigh the trays dry', tone: 'plain' };
    const days = open.flatMap(({ loadDay }) => loadDay ?? []).sort();
    return days.length === open.length && days[0] !== undefined
      ? { said: `waits for the dryer until ${writeDayOnLabel(days[0])}`, tone: 'plain' }
      : { said: 'to be dried: lay it on trays', tone: 'caution' };
  },
} as const satisfies Step;

export const traysSchema = z.object({
  batchId: idSchema,
  shareId: idSchema,
  trays: z
    .array(z.object({ tare: weightSchema, wetGross: weightSchema, dryGross: weightSchema.optional() }))
    .max(60)
    .readonly(),
  revision: z.number().int().optional(),
});
export type TraysEntry = z.infer<typeof traysSchema>;

/** Trays weighed once more after the dryer: gross of each, by its place; absent: not weighed again. */
export const redrySchema = z.object({
  batchId: idSchema,
  shareId: idSchema,
  grams: z.array(weightSchema.optional()).min(1).max(60).readonly(),
  revision: z.number().int().optional(),
});
export type RedryEntry = z.infer<typeof redrySchema>;

/** What became of g that lie on no tray: back to be divided, eaten, or thrown away. */
export const REST_FATES = ['back', 'eaten', 'thrown'] as const;
export const trayRestSchema = z.object({ batchId: idSchema, shareId: idSchema, became: z.enum(REST_FATES) });
export type TrayRestEntry = z.infer<typeof trayRestSchema>;

/** How a share is dried: its form for a dehydrator, the core of its heat step, or why it goes without. */
export const dryHowSchema = z.object({
  batchId: idSchema,
  shareId: idSchema,
  of: z.discriminatedUnion('what', [
    z.object({ what: z.literal('form'), form: z.enum(DRIED_FORMS) }),
    z.object({
      what: z.literal('heat'),
      celsius: z.number().min(-30).max(130),
      instrument: z.enum(['probe']).optional(),
    }),
    z.object({ what: z.literal('no heat'), why: z.string().trim().min(1).max(200) }),
    z.object({ what: z.literal('touch'), tray: idSchema, touch: z.enum(TRAY_TOUCHES) }),
    z.object({
      what: z.literal('throw'),
      trays: z.array(idSchema).min(1).max(60),
      why: z.string().trim().min(1).max(200),
    }),
    z.object({ what: z.literal('not thrown'), tray: idSchema }),
    z.object({ what: z.literal('for'), tray: idSchema, dogId: idSchema.optional() }),
  ]),
});
export type DryHow = z.infer<typeof dryHowSchema>;

/** A share divided into the loads of its dryer: g of each, the day that it goes in, where it waits. */
export const dryLoadsSchema = z.object({
  batchId: idSchema,
  shareId: idSchema,
  loads: z
    .array(
      z.object({
        grams: z.number().int().positive(),
        days: z.number().int().min(0).max(60),
        waitsIn: z.enum(WAITS).optional(),
      }),
    )
    .min(2)
    .max(30),
  revision: z.number().int().optional(),
});
export type DryLoads = z.infer<typeof dryLoadsSchema>;

/** Trays that go into a machine: on which of its trays each part lies. */
export const loadCycleSchema = z.object({
  batchId: idSchema,
  shareId: idSchema,
  machineId: idSchema,
  /** By the trays of the share, in their order. */
  slots: z.array(z.number().int().min(0).max(99)).min(1).max(60),
  celsius: z.number().min(20).max(120).optional(),
});
export type LoadCycle = z.infer<typeof loadCycleSchema>;

/** Something that happens to a cycle. */
export const cycleActSchema = z.object({
  cycleId: idSchema,
  of: z.discriminatedUnion('act', [
    z.object({ act: z.literal('turned') }),
    z.object({ act: z.literal('power cut'), clock: z.string().max(10) }),
    z.object({ act: z.literal('power back'), clock: z.string().max(10), like: z.enum(AFTER_CUT).optional() }),
    z.object({ act: z.literal('door'), open: z.boolean() }),
    z.object({ act: z.literal('energy'), kwh: z.number().finite() }),
    z.object({
      act: z.literal('log'),
      hours: z.number().min(0).max(400),
      kwh: z.number().min(0).max(999).optional(),
      cuts: z.array(z.object({ from: z.number().min(0).max(400), to: z.number().min(0).max(400) })).max(50),
      like: z.enum(AFTER_CUT).optional(),
    }),
    z.object({ act: z.literal('ended'), hours: z.number().finite().optional() }),
    z.object({ act: z.literal('strike'), eventId: idSchema }),
    z.object({ act: z.literal('not loaded') }),
  ]),
});
export type CycleAct = z.infer<typeof cycleActSchema>;
