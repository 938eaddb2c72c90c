'use server';

import * as batches from '@/data/commands/batches';
import * as packs from '@/data/commands/packs';
import { houseAction } from '@/data/house-action';
import { grams } from '@/core/quantity/units';
import { batchIdSchema, sealSchema, sharesSchema, startSchema, traysSchema, weighSchema } from './schema';

export const startCooking = houseAction('start cooking', startSchema, batches.startCooking);
export const dropBatch = houseAction('drop batch', batchIdSchema, batches.dropBatch);
export const weighBatch = houseAction('weigh batch', weighSchema, (context, { batchId, eatenBefore, weighing }) =>
  batches.weighBatch(context, {
    batchId,
    eatenBefore,
    weighing:
      weighing.by === 'cups'
        ? { ...weighing, cupGrams: grams(weighing.cupGrams) }
        : {
            by: 'scale',
            vessels: weighing.vessels.map(({ name, gross, tare }) => ({
              name,
              gross: grams(gross),
              tare: grams(tare),
            })),
          },
  }),
);
export const setShares = houseAction('set shares', sharesSchema, batches.setShares);
export const saveTrays = houseAction('save trays', traysSchema, packs.saveTrays);
export const sealShare = houseAction('seal share', sealSchema, packs.sealShare);
