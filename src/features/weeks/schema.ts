import { z } from 'zod';
import { weeksAskSchema } from '@/core/weeks/ask';

export const solveSchema = z.object({ ask: weeksAskSchema });
export const takeSchema = z.object({ seen: z.array(z.string().max(40)).max(50), solvedAt: z.string().max(40) });
export const enoughSchema = z.object({});
