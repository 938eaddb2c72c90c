'use server';

import { dropQualitySchema, qualitySchema } from '@/core/preserve/quality';
import * as quality from '@/data/commands/quality';
import * as weights from '@/data/commands/pack-weights';
import * as stock from '@/data/commands/stock';
import { movePacksSchema } from '@/core/schema';
import { houseAction } from '@/data/house-action';
import { correctSchema, discardSchema, reverseSchema } from './schema';

export const movePacks = houseAction('move packs', movePacksSchema, stock.movePacks);
export const discardPack = houseAction('discard pack', discardSchema, stock.discardPack);
export const correctPack = houseAction('correct pack', correctSchema, weights.correctPack);
export const reverseMovement = houseAction('reverse movement', reverseSchema, stock.reverseMovement);
export const noteQuality = houseAction('note quality', qualitySchema, quality.noteQuality);
export const dropQuality = houseAction('drop quality', dropQualitySchema, quality.dropQuality);
