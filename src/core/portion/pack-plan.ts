import { z } from 'zod';
import { addUp } from '../add-up';
import { fine, refused, type Outcome } from '../problem';
import { countOf } from '../quantity/count-words';
import { readQuantity } from '../quantity/read';
import { readCount, readScale } from '../quantity/typed';
import { volumeOf, type UnitSet } from '../quantity/units';
import { typedMass, writeMassIn, writeNumber } from '../quantity/write';
import { sure } from '../sure';
import { fewestContainers, leastShort, type Container, type Filled } from './containers';
import type { DogDay, FillUnit } from './packs';

export const PACK_PLANS = [
  'dog and day',
  'meal',
  'household day',
  'days',
  'weight',
  'volume',
  'containers',
  'pieces',
  'cubes',
  'slabs',
  'trays',
] as const;

/** How a share is filled into packs. Weights in g, volumes in mL; g of a piece or cube as it is now, cooked. */
export type PackPlan =
  | { readonly by: 'dog and day' | 'meal' | 'household day' }
  | { readonly by: 'days'; readonly days: number }
  | { readonly by: 'weight'; readonly grams: number }
  | { readonly by: 'volume'; readonly millilitres: number }
  | { readonly by: 'containers'; readonly aim: 'fewest' | 'least short' }
  | { readonly by: 'pieces'; readonly grams: number }
  | { readonly by: 'cubes'; readonly grams: number; readonly each: number }
  | { readonly by: 'slabs'; readonly slabs: number }
  /** Dried food, a bag for each tray or part of one, for the dog that it was laid out for. */
  | { readonly by: 'trays' };

export const USUAL_PLAN: PackPlan = { by: 'dog and day' };

/** How a share is filled: as was said, by its trays where those are for one dog each, else a pack for each dog and day. */
export const planOfShare = (share: {
  readonly plan?: PackPlan;
  readonly dried?: unknown;
  readonly trays?: readonly { readonly dogId?: number | undefined }[];
}): PackPlan =>
  share.plan ?? (share.dried && share.trays?.some(({ dogId }) => dogId !== undefined) ? { by: 'trays' } : USUAL_PLAN);

/** A plan of packs as it is typed; what a way of filling does not ask for stays empty. */
export const packPlanSchema = z.object({
  by: z.enum(PACK_PLANS),
  /** "450 g", "500 mL"; of pieces what ten of them weigh cooked, of cubes what one tray does. */
  size: z.string().max(30),
  /** Days, slabs, or cubes of a tray. */
  count: z.string().max(10),
  /** Cubes that go into one bag. */
  each: z.string().max(10),
  aim: z.enum(['fewest', 'least short']),
});
export type PackPlanEntry = Readonly<z.infer<typeof packPlanSchema>>;

/** More packs than this of one share is a slip (ours, no source). */
export const MOST_PACKS = 400;

/**
 * Reads how a share is to be filled; each problem at its field. Sizes as a kitchen writes them; a volume of packs is a
 * volume, a weight a weight. Source: arithmetic.
 */
export function readPackPlan(entry: PackPlanEntry, set: UnitSet): Outcome<PackPlan> {
  const whole = (text: string, field: string, most: number, what: string): Outcome<number> => {
    const read = readCount(text);
    if (!read.ok || !Number.isInteger(read.value) || read.value < 1 || read.value > most)
      return refused(`${what}: a whole number from 1 to ${most}.`, field);
    return read;
  };
  const weight = (text: string, least: number): Outcome<number> => {
    const read = readScale(text, 'asked', set);
    if (!read.ok) return { ...read, problem: { ...read.problem, field: 'size' } };
    if (read.value < least) return refused(`That is less than ${writeMassIn(least, set)}.`, 'size');
    return read;
  };
  switch (entry.by) {
    case 'dog and day':
    case 'meal':
    case 'household day':
    case 'trays':
      return fine({ by: entry.by });
    case 'days': {
      const days = whole(entry.count, 'count', 14, 'How many days go into one');
      return days.ok ? fine({ by: 'days', days: days.value }) : days;
    }
    case 'weight': {
      const size = weight(entry.size, 5);
      return size.ok ? fine({ by: 'weight', grams: size.value }) : size;
    }
    case 'volume': {
      const read = readQuantity(entry.size.trim(), set);
      if (!read.ok || read.value.kind !== 'volume' || !(read.value.millilitres >= 5))
        return refused('A volume: 500 mL, 2 cups or 1 qt.', 'size');
      return fine({ by: 'volume', millilitres: read.value.millilitres });
    }
    case 'containers':
      return fine({ by: 'containers', aim: entry.aim });
    case 'pieces': {
      const ten = weight(entry.size, 10);
      return ten.ok ? fine({ by: 'pieces', grams: ten.value / 10 }) : ten;
    }
    case 'cubes': {
      const tray = weight(entry.size, 5);
      if (!tray.ok) return tray;
      const cubes = whole(entry.count, 'count', 400, 'How many cubes a tray has');
      if (!cubes.ok) return cubes;
      const each = whole(entry.each, 'each', 400, 'How many go into a bag');
      return each.ok ? fine({ by: 'cubes', grams: tray.value / cubes.value, each: each.value }) : each;
    }
    case 'slabs': {
      const slabs = whole(entry.count, 'count', 200, 'Into how many slabs it is cut');
      return slabs.ok ? fine({ by: 'slabs', slabs: slabs.value }) : slabs;
    }
  }
}

/** A kept plan as it was typed, so that it can be changed. */
export function typedPackPlan(plan: PackPlan, set: UnitSet): PackPlanEntry {
  const empty: PackPlanEntry = { by: plan.by, size: '', count: '', each: '', aim: 'fewest' };
  switch (plan.by) {
    case 'days':
      return { ...empty, count: String(plan.days) };
    case 'weight':
      return { ...empty, size: typedMass(plan.grams, set) };
    case 'volume':
      return { ...empty, size: `${writeNumber(plan.millilitres, 0)} mL` };
    case 'containers':
      return { ...empty, aim: plan.aim };
    case 'pieces':
      return { ...empty, size: typedMass(plan.grams * 10, set) };
    case 'cubes':
      return {
        ...empty,
        size: typedMass(plan.grams * plan.each, set),
        count: String(plan.each),
        each: String(plan.each),
      };
    case 'slabs':
      return { ...empty, count: String(plan.slabs) };
    default:
      return empty;
  }
}

/** What a share is filled from and into. */
export interface ToFill {
  /** Whole g that are to be packed. */
  readonly grams: number;
  /** The dog-days that it fills, in order of use. */
  readonly days: readonly DogDay[];
  /** g in each mL of the food, where a cup of it was weighed. */
  readonly gramsPerMl: number | undefined;
  /** The household's containers by what they hold in g, headspace taken off. */
  readonly containers: readonly Container[];
  /** What is left on each tray of dried food, in g, and the dog that it is for. */
  readonly trays?: readonly { readonly trayId: number; readonly grams: number; readonly dogId?: number }[];
}

/**
 * The packs that a plan asks for, in the order in which they are filled; enough of them to take all that is there, so that
 * what is left of the last one is the short pack.
 *
 * Takes a plan, and what it is filled from. Refuses a volume of food of which no cup was weighed, a household without
 * containers, trays that were not weighed dry, and more packs than a kitchen fills. Source: handbook 9 (common practice, no source); arithmetic.
 */
export function fillUnits(plan: PackPlan, of: ToFill): Outcome<readonly FillUnit[]> {
  switch (plan.by) {
    case 'dog and day':
      return fine(of.days);
    case 'meal':
      return fine(of.days.flatMap(({ dogId, meals }) => meals.map((grams) => ({ dogId, grams }))));
    case 'household day':
      return fine(together(of.days, ({ day }) => String(day)));
    case 'days':
      return fine(together(of.days, ({ dogId, day }) => `${dogId}.${Math.floor(day / plan.days)}`));
    case 'weight':
      return repeated(of.grams, { grams: plan.grams });
    case 'volume':
      if (of.gramsPerMl === undefined)
        return refused(
          'Weigh one cup of this food first: without that nobody knows what a volume of it weighs.',
          'size',
        );
      return repeated(of.grams, { grams: plan.millilitres * of.gramsPerMl });
    case 'containers': {
      if (of.containers.length === 0)
        return refused('No containers are written down: say in the Household which there are.', 'aim');
      const taken = (plan.aim === 'fewest' ? fewestContainers : leastShort)(of.grams, of.containers);
      if (!taken)
        return refused(
          `All ${countOf(
            addUp(of.containers, ({ count }) => count),
            'container',
          )} together do not hold it.`,
          'aim',
        );
      return fine(taken.map(unitOf));
    }
    case 'pieces':
      return fine(
        of.days.map(({ dogId, meals, grams: asked }) => {
          // Rounded meal by meal: a bowl gets whole pieces.
          const pieces = addUp(meals, (grams) => Math.max(1, Math.round(grams / plan.grams)));
          return { dogId, grams: pieces * plan.grams, pieces, asked };
        }),
      );
    case 'cubes':
      return repeated(of.grams, { grams: plan.grams * plan.each, pieces: plan.each });
    case 'trays':
      if (!of.trays) return refused('Weigh every tray dry first: then each becomes a bag.');
      return fine(of.trays);
    case 'slabs':
      return fine(Array.from({ length: plan.slabs }, () => ({ grams: of.grams / plan.slabs })));
  }
}

const unitOf = ({ name, grams }: Filled): FillUnit => ({ grams, container: name });

function repeated(grams: number, unit: FillUnit): Outcome<readonly FillUnit[]> {
  const count = Math.ceil(grams / unit.grams);
  if (count > MOST_PACKS)
    return refused(`That would be ${count} packs, more than a kitchen fills. Is the size right?`, 'size');
  return fine(Array.from({ length: count }, () => unit));
}

/** Dog-days put together into packs: of one dog several days, or several dogs of one day with the part of each. */
function together(days: readonly DogDay[], keyOf: (day: DogDay) => string): FillUnit[] {
  const groups = new Map<string, DogDay[]>();
  for (const day of days) groups.set(keyOf(day), [...(groups.get(keyOf(day)) ?? []), day]);
  return [...groups.values()].map((own): FillUnit => {
    const grams = addUp(own, (each) => each.grams);
    const dogIds = [...new Set(own.map(({ dogId }) => dogId))];
    if (dogIds.length === 1) return { dogId: sure(dogIds[0]), grams };
    return {
      grams,
      split: dogIds.map((dogId) => ({ dogId, grams: addUp(own, (each) => (each.dogId === dogId ? each.grams : 0)) })),
    };
  });
}

/** g in each mL of food of which a cup was weighed. */
export const gramsPerMlOf = (cupGrams: number | undefined, set: UnitSet): number | undefined =>
  cupGrams === undefined ? undefined : cupGrams / volumeOf('cup', set);
