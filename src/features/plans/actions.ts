'use server';

import { planBatch as plan } from '@/data/commands/batches';
import { houseAction } from '@/data/house-action';
import { planSchema } from './schema';

export const planBatch = houseAction('plan batch', planSchema, plan);
