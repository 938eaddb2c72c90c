'use server';

import * as plans from '@/data/commands/plans';
import { saveMeasure } from '@/data/commands/supplies';
import { awaySchema } from '@/core/away';
import { putAway as setAside } from '@/data/commands/away';
import { houseAction } from '@/data/house-action';
import { describeLotSchema } from '@/core/stock/lot-entry';
import { boughtOnceSchema, planItemSchema } from '@/core/plan/list-entry';
import * as lots from '@/data/commands/lots';
import * as list from '@/data/commands/plan-list';
import { packSchema, planSchema } from './schema';

export const savePlan = houseAction('save plan', planSchema, plans.savePlan);
export const putAway = houseAction('put away', awaySchema, setAside);
export const setPlanItem = houseAction('plan item', planItemSchema, list.setPlanItem);
export const buyForSeveral = houseAction('buy for several', boughtOnceSchema, list.buyForSeveral);
export const describeLot = houseAction('describe lot', describeLotSchema, lots.describeLot);
export const savePack = houseAction('pack as sold', packSchema, saveMeasure);
