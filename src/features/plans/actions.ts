'use server';

import * as plans from '@/data/commands/plans';
import { saveMeasure } from '@/data/commands/supplies';
import { houseAction } from '@/data/house-action';
import { packSchema, planIdSchema, planItemSchema, planSchema } from './schema';

export const savePlan = houseAction('save plan', planSchema, plans.savePlan);
export const dropPlan = houseAction('drop plan', planIdSchema, plans.dropPlan);
export const setPlanItem = houseAction('plan item', planItemSchema, plans.setPlanItem);
export const savePack = houseAction('pack as sold', packSchema, saveMeasure);
