'use server';

import { saveRecipe as save } from '@/data/commands/recipes';
import { houseAction } from '@/data/house-action';
import { saveRecipeSchema } from './schema';

export const saveRecipe = houseAction('save recipe', saveRecipeSchema, save);
