'use server';

import { mendSchema } from '@/core/unreadable';
import * as mending from '@/data/commands/mend';
import { houseAction } from '@/data/house-action';

export const mend = houseAction('mend', mendSchema, mending.mend);
