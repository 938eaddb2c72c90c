'use server';

import { z } from 'zod';
import { correctBowl as correct, feedBowl as feed, takeBackBowl as takeBack } from '@/data/commands/bowls';
import { feedExtra as another, giveBetween as give, takeBackGiven as takeGivenBack } from '@/data/commands/given';
import { addDaysOff, endDaysOff } from '@/data/commands/days-off';
import { leaveInBowl as leave } from '@/data/commands/left';
import { clockIsRight as clockRight } from '@/data/commands/household';
import { movePacks, reverseMovement } from '@/data/commands/stock';
import { idSchema, movePacksSchema } from '@/core/schema';
import { daysOffSchema, endDaysOffSchema } from '@/core/dog/days-off';
import { givenSchema } from '@/core/dog/given';
import { leftSchema } from '@/core/stock/left';
import { houseAction } from '@/data/house-action';
import { bowlSchema, correctBowlSchema, extraSchema, takeBackSchema } from './schema';

export const feedBowl = houseAction('feed bowl', bowlSchema, feed);
/** The next bowl, answered before the page is made anew: the screen asks for that itself. */
export const feedNext = houseAction('feed bowl', bowlSchema, feed, { page: 'after' });
export const correctBowl = houseAction('correct bowl', correctBowlSchema, correct);
export const giveBetween = houseAction('give between', givenSchema, give);
export const feedExtra = houseAction('feed extra', extraSchema, another);
export const takeBackGiven = houseAction('take back given', z.object({ givenId: idSchema }), takeGivenBack);
export const clockIsRight = houseAction('clock is right', z.object({}), clockRight);
export const takeBackBowl = houseAction('take back bowl', takeBackSchema, takeBack);
/** A meal that was missed was left out, and is not asked for any more; and back. */
export const gotNone = houseAction('add days off', daysOffSchema, addDaysOff);
export const takeBackNone = houseAction('end days off', endDaysOffSchema, endDaysOff);
export const leaveInBowl = houseAction('leave in bowl', leftSchema, leave);
export const takeBackLeft = houseAction('reverse movement', z.object({ movementId: idSchema }), reverseMovement);
export const moveTo = houseAction('move packs', movePacksSchema, movePacks);
