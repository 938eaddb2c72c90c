'use server';

import { z } from 'zod';
import { PARTS } from '@/core/recipe/recipe';
import { BY_PRODUCTS } from '@/core/batch/by-product';
import { apartSchema, boxesIdSchema, fillBoxSchema, planBoxesSchema, platePotSchema } from '@/core/batch/steps/apart';
import { cookSchema, nextTimeSchema } from '@/core/batch/steps/cook';
import { sharesSchema } from '@/core/batch/steps/divide';
import { fillSchema, labelsSchema, packWeightsSchema, planPacksSchema, sealSchema } from '@/core/batch/steps/pack';
import {
  cycleActSchema,
  dryHowSchema,
  dryLoadsSchema,
  loadCycleSchema,
  redrySchema,
  trayRestSchema,
  traysSchema,
} from '@/core/batch/steps/dry';
import { weighSchema } from '@/core/batch/steps/pot';
import { startSchema } from '@/core/batch/steps/weigh-out';
import { dropQualitySchema, qualitySchema } from '@/core/preserve/quality';
import { idSchema, weightSchema } from '@/core/schema';
import * as apart from '@/data/commands/apart';
import * as batches from '@/data/commands/batches';
import * as boxes from '@/data/commands/boxes';
import * as byProducts from '@/data/commands/by-products';
import * as cycles from '@/data/commands/cycles';
import * as cookDay from '@/data/commands/cook-day';
import * as labels from '@/data/commands/labels';
import * as weights from '@/data/commands/pack-weights';
import * as nextTime from '@/data/commands/next-time';
import * as packs from '@/data/commands/packs';
import * as quality from '@/data/commands/quality';
import * as shares from '@/data/commands/shares';
import * as start from '@/data/commands/start-batch';
import * as stock from '@/data/commands/stock';
import * as trays from '@/data/commands/trays';
import { houseAction, houseTry } from '@/data/house-action';

const batchIdSchema = z.object({ batchId: idSchema });
const packSchema = z.object({ holdingId: idSchema });
const byProductSchema = batchIdSchema.extend({ of: z.enum(BY_PRODUCTS) });
const standing = { revision: z.number().int().optional(), packsStand: z.boolean().optional() };
const potSchema = weighSchema.extend(standing);
const lineSchema = z.object({
  batchId: idSchema,
  line: z.number().int().min(0).optional(),
  grams: weightSchema,
  ndb: z.string().max(20).optional(),
  part: z.enum(PARTS).optional(),
  ...standing,
});

export const startCooking = houseAction('start cooking', startSchema, start.startCooking);
export const dropBatch = houseAction('drop batch', batchIdSchema, start.dropBatch);
export const keepByProduct = houseAction('keep by-product', byProductSchema, byProducts.keepByProduct);
export const dropByProduct = houseAction('drop by-product', batchIdSchema, byProducts.dropByProduct, {
  page: 'after',
});
export const cookBatch = houseAction('cook', cookSchema, cookDay.cookBatch);
export const writeNextTime = houseAction('next time', nextTimeSchema, nextTime.writeNextTime);
export const weighBatch = houseAction('weigh batch', potSchema, batches.weighBatch);
export const tryPot = houseTry(potSchema, batches.weighBatch);
export const correctLine = houseAction('correct line', lineSchema, batches.correctLine);
export const tryLine = houseTry(lineSchema, batches.correctLine);
export const setShares = houseAction('set shares', sharesSchema, shares.setShares);
export const keepApart = houseAction('keep apart', apartSchema, apart.keepApart);
export const platePot = houseAction('plate pot', platePotSchema, apart.platePot);
export const planBoxes = houseAction('plan boxes', planBoxesSchema, boxes.planBoxes);
export const fillBox = houseAction('fill box', fillBoxSchema, boxes.fillBox);
export const closeBoxes = houseAction('close boxes', boxesIdSchema, boxes.closeBoxes);
export const dropBoxes = houseAction('drop boxes', boxesIdSchema, boxes.dropBoxes);
export const planPacks = houseAction('plan packs', planPacksSchema, shares.planPacks);
export const fillPack = houseAction('fill pack', fillSchema, packs.fillPack);
export const takeBackPack = houseAction('take back pack', packSchema, (context, { holdingId }) =>
  stock.takeBackPacks(context, [holdingId]),
);
export const saveTrays = houseAction('save trays', traysSchema, trays.saveTrays);
export const weighTraysAgain = houseAction('weigh trays again', redrySchema, trays.weighTraysAgain);
export const settleTrayRest = houseAction('settle tray rest', trayRestSchema, trays.settleTrayRest);
export const sayHowDried = houseAction('say how dried', dryHowSchema, trays.sayHowDried);
export const splitLoads = houseAction('split loads', dryLoadsSchema, cycles.splitLoads);
export const loadCycle = houseAction('load cycle', loadCycleSchema, cycles.loadCycle);
export const cycleAct = houseAction('cycle', cycleActSchema, cycles.cycleAct);
export const sealShare = houseAction('seal share', sealSchema, packs.sealShare);
export const takeBackShare = houseAction('take back packs', sealSchema, stock.takeBackShare);
export const writeLabelsAgain = houseAction('labels written', labelsSchema, labels.writeLabelsAgain);
export const weighPacksAgain = houseAction('weigh packs again', packWeightsSchema, weights.weighPacksAgain);
export const noteQuality = houseAction('note quality', qualitySchema, quality.noteQuality);
export const dropQuality = houseAction('drop quality', dropQualitySchema, quality.dropQuality);
