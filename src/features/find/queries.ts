import 'server-only';
import { unlessUnread } from '@/core/unreadable';
import { writeMassIn } from '@/core/quantity/write';
import { pageQuery } from '@/data/page';
import { readDogs } from '@/data/repositories/dogs';
import { readRecipeNames } from '@/data/repositories/pantry';
import { readLots } from '@/data/repositories/lots';
import { readPackByCode, readStock } from '@/data/repositories/stock';

export interface Found {
  readonly href: string;
  readonly name: string;
  readonly what: string;
}

const MOST = 12;

/** Dogs, recipes and packs by what is typed: packs by their code, an empty one too if the code is whole. */
export const find = pageQuery(async ({ db, household }, query: string): Promise<Found[]> => {
  const typed = query.trim().toLowerCase();
  if (typed === '') return [];
  // By the beginning of any word of it.
  const matches = (name: string) => ` ${name.toLowerCase()}`.includes(` ${typed}`);
  const stock = await readStock(db);
  const exact = await unlessUnread(readPackByCode(db, typed));
  const packs = [
    ...(exact ? [exact] : []),
    ...stock.filter((pack) => pack.code.toLowerCase().startsWith(typed) && pack.code !== exact?.code),
  ];
  return [
    ...(await readDogs(db))
      .filter((dog) => matches(dog.name))
      .map((dog) => ({ href: `/dogs/${dog.id}`, name: dog.name, what: 'dog' })),
    ...(await readRecipeNames(db))
      .filter((recipe) => matches(recipe.name))
      .map((recipe) => ({ href: `/recipes/${recipe.id}`, name: recipe.name, what: 'recipe' })),
    ...(await readLots(db))
      .filter((lot) => matches(lot.name) || lot.code?.toLowerCase().startsWith(typed))
      .map((lot) => ({
        href: `/store?lot=${lot.holdingId}`,
        name: lot.name,
        what: `ingredient, ${writeMassIn(lot.grams, household.unitSet)} in the ${lot.placeName.toLowerCase()}`,
      })),
    ...packs.map((pack) => ({
      href: `/store?pack=${pack.code}`,
      name: pack.code,
      what: `${pack.recipeName}, ${pack.grams > 0 ? `${writeMassIn(pack.grams, household.unitSet)} in the ${pack.placeKind}` : 'empty'}`,
    })),
  ].slice(0, MOST);
});
