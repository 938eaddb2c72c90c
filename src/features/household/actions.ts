'use server';

import * as save from '@/data/commands/household';
import * as meanings from '@/data/commands/meanings';
import * as kitchen from '@/data/commands/kitchen';
import { meaningEntrySchema } from '@/core/food/meaning';
import { awaySchema } from '@/core/away';
import { putAway as setAside } from '@/data/commands/away';
import { houseAction } from '@/data/house-action';
import {
  equipmentSchema,
  householdSchema,
  meaningWordsSchema,
  nothingSchema,
  placeSchema,
  unitsSchema,
} from './schema';

export const saveHousehold = houseAction('save household', householdSchema, save.saveHousehold);
export const saveEquipment = houseAction('save equipment', equipmentSchema, kitchen.saveEquipment);
export const putAway = houseAction('put away', awaySchema, setAside);
export const savePlace = houseAction('save place', placeSchema, kitchen.savePlace);
export const beginKitchen = houseAction('begin kitchen', nothingSchema, kitchen.beginKitchen);
export const saveMeaning = houseAction('save meaning', meaningEntrySchema, meanings.saveMeaning);
export const forgetMeaning = houseAction('forget meaning', meaningWordsSchema, meanings.forgetMeaning);
export const sayUnits = houseAction('say units', unitsSchema, save.sayUnits);
