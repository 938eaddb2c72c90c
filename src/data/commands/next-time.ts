import 'server-only';
import type { NextTime } from '@/core/batch/steps/cook';
import { batchIn } from './batch-at-hand';
import { writeMinutes } from './learned';
import type { Context } from './run';

/** Writes what a cook day taught into the next version of its recipe: minutes, and the cook's own words. */
export async function writeNextTime(context: Context, input: NextTime): Promise<{ number: number }> {
  const { recipeId } = await batchIn(context, input, ['cooking', 'weighed']);
  return writeMinutes(context, recipeId, input.minutes, input.note);
}
