'use server';

import { z } from 'zod';
import { keepsSchema } from '@/core/preserve/keeps-entry';
import * as redate from '@/data/commands/redate';
import * as save from '@/data/commands/household';
import * as meanings from '@/data/commands/meanings';
import * as kitchen from '@/data/commands/kitchen';
import { meaningEntrySchema } from '@/core/food/meaning';
import { awaySchema } from '@/core/away';
import { putAway as setAside } from '@/data/commands/away';
import { setPinSchema } from '@/core/household/pin';
import { frozenEntrySchema } from '@/core/learned/beside';
import { agreedMinutesSchema, strikeSchema } from '@/core/learned/figure';
import * as learned from '@/data/commands/learned';
import * as door from '@/data/door';
import { backUp, lookInto, restore } from '@/data/backups';
import { houseAction, houseDeed } from '@/data/house-action';
import { kitchenTicksSchema } from '@/core/plan/equipment-entry';
import { beginningSchema, equipmentSchema, householdSchema, meaningWordsSchema, placeSchema } from './schema';

export const saveHousehold = houseAction('save household', householdSchema, save.saveHousehold);
export const saveEquipment = houseAction('save equipment', equipmentSchema, kitchen.saveEquipment);
export const putAway = houseAction('put away', awaySchema, setAside);
export const savePlace = houseAction('save place', placeSchema, kitchen.savePlace);
export const beginKitchen = houseAction('begin kitchen', kitchenTicksSchema, kitchen.beginKitchen);
export const saveMeaning = houseAction('save meaning', meaningEntrySchema, meanings.saveMeaning);
export const forgetMeaning = houseAction('forget meaning', meaningWordsSchema, meanings.forgetMeaning);
export const beginHousehold = houseAction('begin household', beginningSchema, save.beginHousehold);
export const saveKeeps = houseAction('save keeps', z.object({ entry: keepsSchema }), redate.saveKeeps);
export const renewCalendar = houseAction('renew calendar', z.object({ on: z.boolean() }), save.renewCalendar);
export const redateStock = houseAction('redate stock', z.object({}), redate.redateStock);

export const choosePin = houseDeed(setPinSchema, door.choosePin);
export const letIn = houseDeed(z.object({}), door.letIn);
export const endVisit = houseDeed(z.object({ id: z.string().length(16).optional() }), door.endVisit);

const backupName = z.object({ name: z.string().max(60) });
export const makeBackup = houseDeed(z.object({}), backUp);
export const lookIntoBackup = houseDeed(backupName, ({ name }) => lookInto(name));
export const restoreBackup = houseDeed(backupName, ({ name }) => restore(name));
export const strikeObservation = houseAction('strike observation', strikeSchema, learned.strikeObservation);
export const writeAgreedMinutes = houseAction('write agreed minutes', agreedMinutesSchema, learned.writeAgreedMinutes);
export const noteFrozen = houseAction('note frozen', z.object({ entry: frozenEntrySchema }), learned.noteFrozen);
