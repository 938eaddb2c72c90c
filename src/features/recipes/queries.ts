import 'server-only';
import type { KnownFood } from '@/core/food/food';
import type { Label } from '@/core/food/label';
import { capOfLabel } from '@/core/food/label-limits';
import { pricePerGram } from '@/core/food/supply-entry';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { Profiles } from '@/core/nutrition/profiles';
import { temperatureIn } from '@/core/quantity/temperature';
import type { UnitSet } from '@/core/quantity/units';
import { atPreview, boughtAt } from '@/core/recipe/bases';
import type { Preview, RecipeEntry } from '@/core/recipe/entry-schema';
import { sayWhatGoes } from '@/core/recipe/written';
import type { Hazard } from '@/core/recipe/hazards';
import { namedDog, type NamedDog } from '@/core/recipe/preview';
import { proteinOf, type Protein } from '@/core/recipe/protein';
import type { Moment } from '@/core/recipe/recipe';
import type { NamedShape } from '@/core/recipe/shape';
import { leastOf, recipeSheet, type RecipeSheet } from '@/core/recipe/sheet';
import type { AwayThing } from '@/core/away';
import { sayQuality } from '@/core/preserve/quality';
import { readQualityOfRecipe } from '@/data/repositories/quality';
import { pageQuery, type Page } from '@/data/page';
import { readFoodsByKey } from '@/data/repositories/foods';
import { readDogs } from '@/data/repositories/dogs';
import { readPots } from '@/data/repositories/pots';
import { readAdditionSettings, readPantry, readRecipeNames, readRecipesAway } from '@/data/repositories/pantry';
import {
  isReadVersion,
  readLatestAsKept,
  readLatestOrUnread,
  readLatestVersion,
  readLatestVersions,
} from '@/data/repositories/recipes';
import type { CannotBeRead } from '@/core/unreadable';
import { nth, sure } from '@/core/sure';

export interface RecipeRow {
  readonly recipeId: number;
  readonly name: string;
  readonly version: number;
  readonly note: string | undefined;
  readonly lines: string;
  readonly protein: Protein;
  readonly sheet: RecipeSheet;
}

export interface RecipesView {
  readonly rows: readonly RecipeRow[];
  readonly unread: readonly CannotBeRead[];
  readonly away: readonly AwayThing[];
}

export const recipesView = pageQuery(async ({ db, reference, household }): Promise<RecipesView> => {
  const { versions, unread } = await readLatestOrUnread(db, reference);
  const rows = versions.map((version) => ({
    recipeId: version.recipeId,
    name: version.name,
    version: version.number,
    note: version.note,
    lines: version.written.map((line) => `${line.amount} ${line.text}`).join(', '),
    protein: proteinOf(version.lines),
    sheet: recipeSheet(version.lines, household.energyFactors),
  }));
  return { rows, unread, away: await readRecipesAway(db) };
});

/** What every sheet needs to look at a recipe with. */
export interface Looking {
  readonly set: UnitSet;
  readonly factors: EnergyFactors;
  readonly currency: string;
  readonly hazards: readonly Hazard[];
  readonly profiles: Profiles;
  readonly shapes: readonly NamedShape[];
  readonly additions: readonly KnownAddition[];
  readonly dogs: readonly NamedDog[];
  /** The labels of the household's supplies, by food key. */
  readonly labels: readonly (readonly [string, Label])[];
}

export interface RecipeForm extends Looking {
  readonly id: number | undefined;
  readonly version: number | undefined;
  readonly entry: RecipeEntry;
  readonly foods: readonly KnownFood[];
  /** What was there at the end of each g that went in, of this kitchen's weighed pots of it. */
  readonly pots: readonly number[];
  /** What of it could not be read: its words stand, the rest is asked for again. */
  readonly unread?: CannotBeRead;
  /** What was noted of how its batches turned out; absent: nothing. */
  readonly noted?: string;
}

/** A food that may be proposed, with its cap in g per 1000 kcal, when it goes in, and its price where known. */
export interface KnownAddition extends KnownFood {
  readonly allowed: boolean;
  readonly cap: number;
  readonly moment: Moment;
  /** Minor units of the currency for one g. */
  readonly price: number | undefined;
}

export async function additionsOf({ db, reference }: Page): Promise<KnownAddition[]> {
  const pantry = await readPantry(db, reference);
  const settings = new Map((await readAdditionSettings(db)).map((row) => [row.foodKey, row]));
  const usual = reference.additions.map((row) => ({ ...row, price: undefined as number | undefined }));
  const supplies = pantry.supplies
    .filter((supply) => !supply.archived)
    .map(({ id, label }) => ({
      ndb: `L${id}`,
      cap: Number(capOfLabel(label)),
      moment: 'stir-in' as const,
      price: pricePerGram(label),
    }));
  const own = [...settings.keys()]
    .filter((key) => ![...usual, ...supplies].some((row) => row.ndb === key))
    .map((key) => ({ ndb: key, cap: 20, moment: 'cook' as const, price: undefined }));
  return [...usual, ...supplies, ...own].flatMap((row) => {
    const known = pantry.knownOf(row.ndb);
    const setting = settings.get(row.ndb);
    if (!known) return [];
    const price = setting?.pricePerKg == null ? row.price : setting.pricePerKg / 1000;
    return [{ ...known, moment: row.moment, allowed: setting?.allowed ?? true, cap: setting?.cap ?? row.cap, price }];
  });
}

export async function lookingOf(read: Page): Promise<Looking> {
  const { db, reference, household, today } = read;
  const pantry = await readPantry(db, reference);
  return {
    set: household.unitSet,
    factors: household.energyFactors,
    currency: household.currency,
    hazards: reference.hazards,
    profiles: reference.profiles,
    shapes: reference.shapes,
    additions: await additionsOf(read),
    labels: pantry.supplies.map(({ id, label }) => [`L${id}`, label] as const),
    dogs: (await readDogs(db)).map((dog) => namedDog(dog, today)),
  };
}

export const recipeForm = pageQuery(async (read, id: number): Promise<RecipeForm | undefined> => {
  const version = await readLatestAsKept(read.db, read.reference, id);
  if (!version) return undefined;
  const noted = sayQuality(await readQualityOfRecipe(read.db, id));
  return {
    ...(await lookingOf(read)),
    ...(noted === undefined ? {} : { noted }),
    id,
    pots: (await readPots(read.db, [id])).get(id) ?? [],
    version: version.number,
    entry: withTemperatures(version.entry, read.household.unitSet),
    ...(isReadVersion(version)
      ? { foods: [...new Map(version.written.map(({ source }) => [source.food.ndb, source])).values()] }
      : { foods: await knownIn(read, version.entry), unread: version.unread }),
  };
});

const knownIn = async ({ db, reference }: Page, { lines }: RecipeEntry): Promise<KnownFood[]> => {
  const keys = lines.map(({ ndb }) => ndb).filter((ndb) => ndb !== '');
  return [...(await readFoodsByKey(db, reference, keys)).values()];
};

/** The recipe as typed, its temperatures in this household's unit. */
export const withTemperatures = (entry: RecipeEntry, set: UnitSet): RecipeEntry =>
  entry.components === undefined
    ? entry
    : {
        ...entry,
        components: entry.components.map((each) =>
          each.celsius === undefined ? each : { ...each, celsius: temperatureIn(each.celsius, set) },
        ),
      };

/** The recipes of a rotation, each with its lines: they are balanced together over the days that each is fed. */
export interface RotationView extends Looking {
  readonly recipes: readonly {
    readonly id: number;
    readonly name: string;
    readonly protein: Protein;
    readonly lines: RecipeSheetLines;
  }[];
}
type RecipeSheetLines = Awaited<ReturnType<typeof readLatestVersions>>[number]['lines'];

export const rotationView = pageQuery(async (read): Promise<RotationView> => {
  return {
    ...(await lookingOf(read)),
    recipes: (await readLatestVersions(read.db, read.reference)).map((version) => ({
      id: version.recipeId,
      name: version.name,
      protein: proteinOf(version.lines),
      lines: version.lines,
    })),
  };
});

export interface FilesView {
  readonly recipes: readonly { readonly id: number; readonly name: string }[];
}

export const filesView = pageQuery(async ({ db }): Promise<FilesView> => {
  return { recipes: await readRecipeNames(db) };
});

/** A recipe on paper: what is weighed, into which vessel, and how. */
export interface PrintView {
  readonly id: number;
  readonly name: string;
  readonly version: number;
  readonly note: string | undefined;
  readonly preview: Preview | undefined;
  readonly kcal: number;
  /** "at least ", where the energy of something in it is unknown. */
  readonly least: string;
  readonly components: readonly {
    readonly name: string;
    readonly how: string;
    readonly lines: readonly PrintLine[];
  }[];
}

export interface PrintLine {
  readonly amount: string;
  readonly words: string;
  readonly grams: number | undefined;
  readonly asides: readonly string[];
}

export const printView = pageQuery(async ({ db, reference, household }, id: number): Promise<PrintView | undefined> => {
  const version = await readLatestVersion(db, reference, id);
  if (!version) return undefined;
  const { entry, written } = version;
  const bought = boughtAt(written, atPreview(version.preview));
  const places = entry.lines.flatMap((line, index) => (line.words ? [] : [index]));
  const lineAt = (index: number): PrintLine => {
    const line = nth(entry.lines, index);
    const place = places.indexOf(index);
    const own = written[place];
    return {
      amount: line.amount,
      words: line.preparation?.trim() || own?.source.food.name || '',
      grams: own && bought[place],
      asides: [
        ...(own && line.moment !== 'cook' ? [line.moment] : []),
        ...(own && line.basis && line.basis !== 'batch'
          ? [`for ${line.basis}${line.perAmount ? `, ${line.perAmount}` : ''}`]
          : []),
        ...(own && sayWhatGoes(own) ? [sure(sayWhatGoes(own))] : []),
        ...(line.choice ? [`one of “${line.choice}”`] : []),
        ...(own ? [] : ['not counted']),
      ],
    };
  };
  const sheet = recipeSheet(version.lines, household.energyFactors);
  return {
    id,
    name: version.name,
    version: version.number,
    note: version.note,
    preview: version.preview,
    kcal: sheet.kcal,
    least: leastOf(sheet),
    components: (entry.components ?? [{ name: 'pot' }]).map((component, at) => ({
      name: component.name,
      how: [
        component.vessel,
        component.method,
        component.minutes && `${component.minutes} min`,
        component.celsius && temperatureIn(component.celsius, household.unitSet),
      ]
        .filter(Boolean)
        .join(', '),
      lines: entry.lines.flatMap((line, index) => ((line.component ?? 0) === at ? [lineAt(index)] : [])),
    })),
  };
});
