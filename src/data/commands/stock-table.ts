import 'server-only';
import Papa from 'papaparse';
import { kindOfRecipe } from '@/core/recipe/kind-of-recipe';
import type { FoundKind } from '@/core/stock/found';
import type { Problem } from '@/core/problem';
import { writePlain } from '@/core/quantity/write';
import { readStockRows, type RowTaken, type StockRow } from '@/core/stock/stock-table';
import { tenths } from '@/core/stock/ledger';
import { readDogs } from '../repositories/dogs';
import { readPlaces } from '../repositories/household';
import { readLatestVersions } from '../repositories/recipes';
import { readPackByCode } from '../repositories/stock';
import { foundPacks } from './found-packs';
import { correctPack } from './pack-weights';
import { inMass, Refusal, refuse, type Context } from './run';
import { putPacks } from './stock';

export interface TableTaken {
  readonly rows: readonly RowTaken[];
  readonly codes: readonly string[];
}

/** What a row may name, as it stands in the house. */
interface House {
  readonly places: Awaited<ReturnType<typeof readPlaces>>;
  readonly recipes: readonly { readonly id: number; readonly name: string; readonly makes: FoundKind }[];
  readonly dogs: readonly { readonly id: number; readonly name: string }[];
}

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/**
 * Takes a table of stock in: a row with a code moves that pack or puts its weight right, a row without one is a pack that was found.
 * Packs that are not in the table stay as they are. All of it or nothing; every row that cannot be is said.
 */
export async function takeStockTable(context: Context, input: { text: string }): Promise<TableTaken> {
  const { tx, reference } = context;
  const parsed = Papa.parse<Record<string, string>>(input.text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim().toLowerCase(),
  });
  if (parsed.data.length === 0) refuse('There is no row in this file.', 'text');
  const read = readStockRows(parsed.data);
  if (read.problems.length > 0) throw new Refusal(...read.problems);
  const house: House = {
    places: await readPlaces(tx),
    recipes: (await readLatestVersions(tx, reference)).map(({ recipeId, name, lines }) => ({
      id: recipeId,
      name,
      makes: kindOfRecipe(lines),
    })),
    dogs: await readDogs(tx),
  };
  const rows: RowTaken[] = [];
  const codes: string[] = [];
  const problems: Problem[] = [];
  for (const row of read.rows) {
    try {
      if (row.code === undefined) {
        const made = await newPack(context, row, house);
        codes.push(...made.codes);
        rows.push({ row: row.row, fate: 'new', said: `${made.codes.join(', ')}: ${made.said}` });
      } else rows.push(await knownPack(context, row, row.code, house));
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      for (const { message } of error.problems)
        problems.push({ field: `row.${row.row}`, message: `Row ${row.row}: ${message}` });
    }
  }
  // What was written before a problem goes with the refusal.
  if (problems.length > 0) throw new Refusal(...problems);
  return { rows, codes };
}

const placeOf = ({ places }: House, name: string) =>
  places.find((each) => same(each.name, name)) ?? refuse(`No place is called “${name}”.`);

async function knownPack(context: Context, row: StockRow, code: string, house: House): Promise<RowTaken> {
  const pack =
    (await readPackByCode(context.tx, code)) ?? refuse(`no pack has the code ${code}. Leave it empty for a new one.`);
  if (pack.void) refuse(`${code} was taken back: its food is in its share again.`);
  if (pack.grams <= 0) refuse(`${code} is used up or thrown away.`);
  const said: string[] = [];
  if (row.grams !== undefined && tenths(row.grams) !== tenths(pack.grams)) {
    await correctPack(context, { holdingId: pack.holdingId, grams: row.grams });
    said.push(`${inMass(context)(row.grams)}, not ${inMass(context)(pack.grams)}`);
  }
  const place = row.place === undefined ? undefined : placeOf(house, row.place);
  if (place && place.id !== pack.placeId) {
    await putPacks(context, { holdingIds: [pack.holdingId], placeId: place.id });
    said.push(`to the ${place.name.toLowerCase()}`);
  }
  return {
    row: row.row,
    fate: said.length === 0 ? 'as it is' : 'changed',
    said: `${code}: ${said.length === 0 ? 'as it is' : said.join(', ')}`,
  };
}

/** Water to put back says that it is dry, not how it was dried: one keeps two weeks, the other a year. */
const askDried = (): never =>
  refuse('it is dry: dehydrated or freeze-dried? Say so in the column “kind”; one keeps two weeks, the other a year.');

async function newPack(context: Context, row: StockRow, house: House) {
  const { grams, kcal, waterMl = 0 } = row;
  if (row.recipe === undefined) return refuse('a new pack needs its recipe.');
  const recipe =
    house.recipes.find(({ name }) => same(name, row.recipe ?? '')) ?? refuse(`no recipe is called “${row.recipe}”.`);
  if (row.place === undefined) return refuse('where does it lie?');
  const place = placeOf(house, row.place);
  if (grams === undefined || !(grams > 0)) return refuse('what does it hold? Grams above 0.');
  if (kcal === undefined || !(kcal > 0)) return refuse('how many kcal are in it? Else no bowl can be measured.');
  const dog = row.dog === undefined ? undefined : house.dogs.find(({ name }) => same(name, row.dog ?? ''));
  if (row.dog !== undefined && !dog) refuse(`no dog is called “${row.dog}”.`);
  const { codes } = await foundPacks(context, {
    recipeId: recipe.id,
    kind: row.kind ?? (waterMl > 0 ? askDried() : recipe.makes),
    placeId: place.id,
    count: '1',
    grams: `${writePlain(grams, 1)} g`,
    kcalPer100: writePlain((kcal / grams) * 100, 2),
    waterPer100: waterMl > 0 ? writePlain((waterMl / grams) * 100, 2) : '',
    packedOn: row.packed ?? '',
    ...(dog ? { dogId: dog.id } : {}),
  });
  return { codes, said: `${inMass(context)(grams)} of ${recipe.name} in the ${place.name.toLowerCase()}` };
}
