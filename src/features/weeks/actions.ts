'use server';

import { askWeeks, takeWeeks as take } from '@/data/commands/weeks';
import { houseAction } from '@/data/house-action';
import { beginWeeks, enoughWeeks } from '@/data/weeks/begin';
import { enoughSchema, solveSchema, takeSchema } from './schema';

export const solveWeeks = houseAction('solve weeks', solveSchema, async (context, input) =>
  beginWeeks(await askWeeks(context, input), context.today),
);
export const enough = houseAction('enough of weeks', enoughSchema, () => Promise.resolve(enoughWeeks()));
export const takeWeeks = houseAction('take weeks', takeSchema, take);
