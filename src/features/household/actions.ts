'use server';

import { saveHousehold as save } from '@/data/commands/household';
import { houseAction } from '@/data/house-action';
import { householdSchema } from './schema';

export const saveHousehold = houseAction('save household', householdSchema, save);
