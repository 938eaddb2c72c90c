'use server';

import * as plans from '@/data/commands/plans';
import { saveMeasure } from '@/data/commands/supplies';
import { awaySchema } from '@/core/away';
import { putAway as setAside } from '@/data/commands/away';
import { houseAction } from '@/data/house-action';
import { packSchema, planItemSchema, planSchema } from './schema';

export const savePlan = houseAction('save plan', planSchema, plans.savePlan);
export const putAway = houseAction('put away', awaySchema, setAside);
export const setPlanItem = houseAction('plan item', planItemSchema, plans.setPlanItem);
export const savePack = houseAction('pack as sold', packSchema, saveMeasure);
