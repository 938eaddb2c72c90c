'use server';

import { dropQualitySchema, qualitySchema } from '@/core/preserve/quality';
import * as quality from '@/data/commands/quality';
import * as weights from '@/data/commands/pack-weights';
import { beginCutSchema, cutActSchema, settleCutSchema } from '@/core/preserve/power-cut';
import * as cuts from '@/data/commands/power-cuts';
import * as counted from '@/data/commands/count';
import * as repack from '@/data/commands/repack';
import * as said from '@/data/commands/said-of-packs';
import * as lots from '@/data/commands/lots';
import { foundSchema } from '@/core/stock/found';
import * as found from '@/data/commands/found-packs';
import * as labels from '@/data/commands/wrong-label';
import * as stock from '@/data/commands/stock';
import { describeLotSchema, prepareSchema, receiveSchema } from '@/core/stock/lot-entry';
import { movePacksSchema } from '@/core/schema';
import { holdSchema } from '@/core/stock/held';
import * as holds from '@/data/commands/holds';
import {
  countSchema,
  forDogSchema,
  swapLabelsSchema,
  mixSchema,
  reverseAllSchema,
  putDayRightSchema,
  sayOfPacksSchema,
  splitSchema,
  throwSchema,
  unblockSchema,
} from '@/core/stock/store-acts';
import { stockTableSchema } from '@/core/stock/stock-table';
import * as table from '@/data/commands/stock-table';
import { houseAction, houseTry } from '@/data/house-action';
import { correctSchema, lotSchema, partSchema, reverseSchema } from './schema';

export const receiveLot = houseAction('receive lot', receiveSchema, lots.receiveLot);
export const describeLot = houseAction('describe lot', describeLotSchema, lots.describeLot);
export const prepareLot = houseAction('prepare lot', prepareSchema, lots.prepareLot);
export const weighLot = houseAction('weigh lot', correctSchema, lots.weighLot);
export const partLot = houseAction('part lot', partSchema, lots.partLot);
export const takeBackLot = houseAction('take back lot', lotSchema, lots.takeBackLot);
export const foundPacks = houseAction('found packs', foundSchema, found.foundPacks);
export const takeStockTable = houseAction('stock table', stockTableSchema, table.takeStockTable);
export const tryStockTable = houseTry(stockTableSchema, table.takeStockTable);
export const holdPack = houseAction('hold pack', holdSchema, holds.holdPack);
export const freePack = houseAction('free pack', lotSchema, holds.freePack);
export const movePacks = houseAction('move packs', movePacksSchema, stock.movePacks);
export const discardPacks = houseAction('discard packs', throwSchema, stock.discardPacks);
export const reverseAll = houseAction('reverse all', reverseAllSchema, stock.reverseAll);
export const splitPack = houseAction('split pack', splitSchema, repack.splitPack);
export const mixPacks = houseAction('mix packs', mixSchema, repack.mixPacks);
export const packForDog = houseAction('pack for dog', forDogSchema, labels.packForDog);
export const swapLabels = houseAction('swap labels', swapLabelsSchema, labels.swapLabels);
export const putDayRight = houseAction('put day right', putDayRightSchema, said.putDayRight);
export const sayOfPacks = houseAction('say of packs', sayOfPacksSchema, said.sayOfPacks);
export const unblockPacks = houseAction('unblock packs', unblockSchema, said.unblockPacks);
export const beginCut = houseAction('begin power cut', beginCutSchema, cuts.beginCut);
export const sayOfCut = houseAction('say of power cut', cutActSchema, cuts.sayOfCut);
export const settleCut = houseAction('settle power cut', settleCutSchema, cuts.settleCut);
export const countPlace = houseAction('count place', countSchema, counted.countPlace);
export const correctPack = houseAction('correct pack', correctSchema, weights.correctPack);
export const reverseMovement = houseAction('reverse movement', reverseSchema, stock.reverseMovement);
export const noteQuality = houseAction('note quality', qualitySchema, quality.noteQuality);
export const dropQuality = houseAction('drop quality', dropQualitySchema, quality.dropQuality);
