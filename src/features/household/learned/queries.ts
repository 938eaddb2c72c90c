import 'server-only';
import { addDays, dayIn, type LocalDate } from '@/core/calendar/local-date';
import { leftByFood, type LeftOf } from '@/core/eaten/left-by-food';
import {
  agreedMinutes,
  learnedFigure,
  observationKey,
  type LearnedFigure,
  type Observation,
} from '@/core/learned/figure';
import { isEnough } from '@/core/learned/beside';
import { isDryer } from '@/core/plan/equipment';
import { figuresOf, measuredRecipe } from '@/core/plan/figures';
import { ALONE, boughtAt } from '@/core/recipe/bases';
import type { Where } from '@/core/heat/pans';
import { pageQuery, type Page } from '@/data/page';
import { readRecipesOfBatches } from '@/data/repositories/batch-recipes';
import { readCyclesOf, readOverCycles } from '@/data/repositories/cycles';
import { readDogs } from '@/data/repositories/dogs';
import { readFedBowls } from '@/data/repositories/eaten-days';
import { readEquipment } from '@/data/repositories/equipment';
import { POTS_BACK, readTaughtDays, readWeighedPots, type TaughtDay } from '@/data/repositories/pots';
import { readLatestVersions, type StoredVersion } from '@/data/repositories/recipes';
import { readMeasured, type MeasuredObservation } from '@/data/repositories/measured-here';
import { readStruck } from '@/data/repositories/struck';

/** Where a pan stands, in words. */
const STANDING: Readonly<Record<Where, string>> = {
  counter: 'On the counter',
  fridge: 'In the fridge',
  'cold water': 'In cold water',
  'ice water': 'In ice water',
};

/** Days of bowls that are looked at for who leaves what (ours, no source). */
const BOWL_DAYS = 84;

/** An observation with the room in which it was made. */
export type ObservedHere = Observation & { readonly href?: string };

/** One thing that this kitchen has learned, or that the table says until it has. */
export interface LearnedRow {
  readonly title: string;
  readonly unit: '%' | 'min' | 'h per kg of water';
  readonly figure: LearnedFigure;
  readonly observations: readonly ObservedHere[];
  /** What is taken where nothing was observed; undefined: nobody says. */
  readonly table:
    { readonly whose: 'the table’s' | 'the recipe’s'; readonly value?: number; readonly said?: string } | undefined;
  /** Whether it is the kitchen's figure that is taken. */
  readonly isTaken: boolean;
  /** What a recipe's next version is to say. */
  readonly offer?: {
    readonly recipeId: number;
    readonly name: string;
    readonly minutes: number;
    readonly said: string;
  };
}

export interface LearnedGroup {
  readonly title: string;
  /** Where its figures are used. */
  readonly used: string;
  readonly rows: readonly LearnedRow[];
}

export interface LearnedView {
  readonly today: LocalDate;
  readonly groups: readonly LearnedGroup[];
  readonly left: readonly { readonly dog: string; readonly dogId: number; readonly foods: readonly LeftOf[] }[];
}

/** Everything that is foretold by what this kitchen did before, and on what it stands. */
export const learnedView = pageQuery(async (read): Promise<LearnedView> => {
  const { db, reference, today } = read;
  const versions = await readLatestVersions(db, reference);
  const struck = await readStruck(db);
  const own = { read, versions, struck };
  const taught = await taughtRows(own);
  return {
    today,
    groups: [
      {
        title: 'Yields and vapour',
        used: 'How much a plan of it comes to, its loads, packs and days. What is not there any more went off as vapour.',
        rows: await yieldRows(own),
      },
      {
        title: 'Minutes at the stove',
        used: 'The plan of a cook day, and when to begin: from the second pot on.',
        rows: taught.cooked,
      },
      {
        title: 'Cooling, from 57 to 21 °C',
        used: 'When a pan is foretold to be cold, before it was read.',
        rows: taught.cooled,
      },
      {
        title: 'Freezing, beside what is reckoned',
        used: 'How long packs take to freeze through, where a share is packed and its fates are compared.',
        rows: measuredRows('Until it is frozen through', await readMeasured(db, 'frozen', read.household.timeZone)),
      },
      {
        title: 'Containers, beside what stands under Household',
        used: 'How much is put into each container where a share is packed into containers. Weighed as they are filled on the scale.',
        rows: await fillRows(read),
      },
      { title: 'Drying', used: 'How long a cycle will take, and its electricity.', rows: await cycleRows(own) },
    ],
    left: await leftRows(read),
  };
});

interface Own {
  readonly read: Page;
  readonly versions: readonly StoredVersion[];
  readonly struck: ReadonlySet<string>;
}

const dayOf = ({ household }: Page, at: Date | null): LocalDate => dayIn(at ?? new Date(0), household.timeZone);

async function yieldRows({ read, versions, struck }: Own): Promise<LearnedRow[]> {
  const pots = await readWeighedPots(
    read.db,
    versions.map(({ recipeId }) => recipeId),
  );
  return versions.map((version): LearnedRow => {
    const observations = pots
      .filter(({ recipeId }) => recipeId === version.recipeId)
      .slice(0, POTS_BACK)
      .map(({ batchId, startedAt, part }): ObservedHere => {
        const key = observationKey('pot', batchId);
        return {
          key,
          day: dayOf(read, startedAt),
          said: 'the pot of that day',
          href: `/batches/${batchId}`,
          value: part * 100,
          isStruck: struck.has(key),
        };
      });
    const figure = learnedFigure(observations);
    const { finished, inPot } = figuresOf(
      measuredRecipe(version.written, [], read.household.energyFactors),
      boughtAt(version.written, { ...ALONE, dogDays: 1, kgDays: 20 }),
    );
    return {
      title: version.name,
      unit: '%',
      figure,
      observations,
      table:
        inPot > 0
          ? { whose: 'the table’s', value: (finished / inPot) * 100, said: 'cooked to raw, from memory' }
          : undefined,
      isTaken: figure.mean !== undefined,
    };
  });
}

async function taughtRows({ read, versions, struck }: Own): Promise<{ cooked: LearnedRow[]; cooled: LearnedRow[] }> {
  const days = await readTaughtDays(read.db);
  const observed = (key: string, { batchId, startedAt }: TaughtDay, said: string, value: number): ObservedHere => ({
    key,
    href: `/batches/${batchId}`,
    day: dayOf(read, startedAt),
    said,
    value,
    isStruck: struck.has(key),
  });
  const cooked = versions.flatMap((version) =>
    version.components.flatMap(({ name, minutes }): LearnedRow[] => {
      const observations = days
        .filter(({ recipeId }) => recipeId === version.recipeId)
        .slice(0, POTS_BACK)
        .flatMap((day) =>
          day.learned.cooked
            .filter((each) => each.name === name)
            .map((each) =>
              observed(observationKey('cooked', day.batchId, name), day, 'the pot of that day', each.minutes),
            ),
        );
      const figure = learnedFigure(observations);
      const agreed = agreedMinutes(figure, minutes);
      if (observations.length === 0 && minutes === undefined) return [];
      return [
        {
          title: version.components.length > 1 ? `${version.name}: ${name}` : version.name,
          unit: 'min',
          figure,
          observations,
          table: minutes === undefined ? undefined : { whose: 'the recipe’s', value: minutes },
          isTaken: isEnough(figure) || (figure.of === 1 && minutes === undefined),
          ...(agreed === undefined
            ? {}
            : {
                offer: {
                  recipeId: version.recipeId,
                  name,
                  minutes: agreed,
                  said: `version ${version.number + 1}`,
                },
              }),
        },
      ];
    }),
  );
  const places = [...new Set(days.flatMap(({ learned }) => learned.cooled.map(({ where }) => where)))];
  const cooled = places.map((where): LearnedRow => {
    const observations = days.flatMap((day) =>
      day.learned.cooled.flatMap((each, index) =>
        each.where === where
          ? [observed(observationKey('cooled', day.batchId, index), day, `pan ${index + 1} of that day`, each.minutes)]
          : [],
      ),
    );
    const figure = learnedFigure(observations);
    return {
      title: STANDING[where],
      unit: 'min',
      figure,
      observations,
      table: undefined,
      isTaken: figure.of > 0,
    };
  });
  return { cooked, cooled };
}

/** What was measured of one thing in % of what was reckoned. */
function measuredRows(title: string, observations: readonly MeasuredObservation[], table?: string): LearnedRow[] {
  if (observations.length === 0) return [];
  const figure = learnedFigure(observations);
  return [
    {
      title,
      unit: '%',
      figure,
      observations,
      table: { whose: 'the table’s', value: 100, said: table ?? 'Plank’s equation with the usual figures' },
      isTaken: isEnough(figure),
    },
  ];
}

async function fillRows({ db, household }: Page): Promise<LearnedRow[]> {
  const all = await readMeasured(db, 'fill', household.timeZone);
  const containers = (await readEquipment(db)).filter(({ kind }) => kind === 'container');
  return containers.flatMap(({ name }) =>
    measuredRows(
      name,
      all.filter(({ of }) => of === name),
      'its size under Household',
    ),
  );
}

async function cycleRows({ read, struck }: Own): Promise<LearnedRow[]> {
  const { db, household, now } = read;
  const rows: LearnedRow[] = [];
  for (const machine of (await readEquipment(db)).filter(isDryer)) {
    const over = await readOverCycles(db, await readCyclesOf(db, machine.id), household.energyFactors, now);
    const observations = over
      .filter(({ hours }) => hours > 0)
      .map(({ id, loadedAt, water, hours }): Observation => {
        const key = observationKey('cycle', id);
        return {
          key,
          day: dayOf(read, loadedAt),
          said: `cycle ${id}, ${Math.round(water)} g of water in ${hours.toFixed(1)} h`,
          value: hours / (water / 1000),
          isStruck: struck.has(key),
        };
      });
    const figure = learnedFigure(observations);
    rows.push({
      title: machine.name,
      unit: 'h per kg of water',
      figure,
      observations,
      table: { whose: 'the table’s', said: 'usual hours of such machines, common practice' },
      isTaken: figure.of > 0,
    });
  }
  return rows;
}

async function leftRows({ db, today }: Page): Promise<LearnedView['left']> {
  const rows: LearnedView['left'][number][] = [];
  for (const dog of await readDogs(db)) {
    const bowls = await readFedBowls(db, dog.id, addDays(today, -BOWL_DAYS), today);
    const ids = bowls.flatMap(({ parts }) => parts.flatMap(({ batchId }) => batchId ?? []));
    const recipes = await readRecipesOfBatches(db, [...new Set(ids)]);
    rows.push({ dog: dog.name, dogId: dog.id, foods: leftByFood(bowls, (id) => recipes.get(id)?.name) });
  }
  return rows;
}
