'use server';

import { meaningEntrySchema } from '@/core/food/meaning';
import { saveMeaning as mean } from '@/data/commands/meanings';
import { takeRecipes as take } from '@/data/commands/recipe-files';
import { saveRecipe as save } from '@/data/commands/recipes';
import { saveMeasure as remember, saveSupply as keep, setAddition as allow } from '@/data/commands/supplies';
import { awaySchema } from '@/core/away';
import { putAway as setAside } from '@/data/commands/away';
import { houseAction } from '@/data/house-action';
import { readRecipeFile } from '@/data/recipe-file';
import { reader } from '@/data/reading/reader';
import { saveMeasureSchema, saveRecipeSchema, saveSupplySchema, setAdditionSchema, takeRecipesSchema } from './schema';

export const saveRecipe = houseAction('save recipe', saveRecipeSchema, save);
export const saveSupply = houseAction('save supply', saveSupplySchema, keep);
export const saveMeasure = houseAction('save measure', saveMeasureSchema, remember);
export const saveMeaning = houseAction('save meaning', meaningEntrySchema, mean);
export const putAway = houseAction('put away', awaySchema, setAside);
export const setAddition = houseAction('set addition', setAdditionSchema, allow);
export const takeRecipes = houseAction('take recipes', takeRecipesSchema, take, {
  read: (house, { text }) => readRecipeFile(house, reader(), text),
});
