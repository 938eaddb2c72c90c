import { capital, writeMassIn, writeSumIn } from '../quantity/write';
import { gramsInHouse } from './bindings/at-hand';
import { avoidedIn, sayAvoided, stops, type Avoid } from '../dog/avoid';
import type { Problem } from '../problem';
import { everyLine } from '../recipe/bases';
import { isCooked } from '../recipe/recipe';
import { uncountedChecked, type Uncounted } from '../recipe/uncounted';
import type { PlanResult } from './result';
import type { PlanInputs } from './inputs';
import { checkedLines, hazardsIn, sayHazard, stopsPlan, type Hazard } from '../recipe/hazards';

/** What a plan asks of a dog: its list, and what its vet has allowed. */
export interface GuardedDog {
  readonly name: string;
  readonly avoids: readonly Avoid[];
  readonly vetNotes: readonly { readonly hazardId: string }[];
}

export interface Stopping {
  /** What stops the plan, each at the field that can be put right. */
  readonly stops: readonly Problem[];
  /** What a dog dislikes: said, and gone on with. */
  readonly warns: readonly string[];
  /** What must have been seen before the plan goes on. */
  readonly cautions: readonly Hazard[];
}

/**
 * What in the lines of a recipe stands against these dogs: foods on their avoid lists, never-foods, what waits for a
 * vet's note, and cautions. Source: data/hazards.json; the dogs' own lists.
 */
function whatStops(
  lines: ReturnType<typeof everyLine>,
  dogs: readonly GuardedDog[],
  hazards: readonly Hazard[],
  nameOf: (ndb: string) => string | undefined,
  called = 'this recipe',
  words: readonly Uncounted[] = [],
): Stopping {
  const foods = lines.map((line) => line.food);
  // Words go into the pot where anything of the recipe does.
  const isHeated = lines.length === 0 || lines.some(({ moment }) => isCooked(moment));
  const checked = [...checkedLines(lines), ...uncountedChecked(words, isHeated ? 'cook' : 'raw')];
  const found = [...new Set(hazardsIn(checked, hazards).map((hit) => hit.hazard))];
  const avoided = dogs.flatMap((dog) => {
    const hits = avoidedIn(dog.avoids, foods, nameOf);
    const told = hits.filter(stops).length > 0 ? hits.filter(stops) : hits;
    if (hits.length === 0) return [];
    const message = `${dog.name} does not get ${sayAvoided(told)}, and ${called} holds it.`;
    return [{ message, stops: hits.some(stops) }];
  });
  const hurting = found.flatMap((hazard): Problem[] => {
    if (hazard.level === 'never')
      return [{ field: 'recipeId', message: `${capital(called)} holds ${sayHazard(hazard)} It is not cooked.` }];
    return dogs
      .filter((dog) =>
        stopsPlan(
          hazard,
          dog.vetNotes.map((note) => note.hazardId),
        ),
      )
      .map((dog) => ({ field: 'dogIds', message: `No vet’s note allows ${dog.name} ${sayHazard(hazard)}` }));
  });
  return {
    stops: [...avoided.filter((hit) => hit.stops).map(({ message }) => ({ field: 'dogIds', message })), ...hurting],
    warns: avoided.filter((hit) => !hit.stops).map((hit) => hit.message),
    cautions: found.filter((hazard) => hazard.level === 'caution'),
  };
}

/** What stands against a plan: whatever stops one of its recipes, and loads that cannot fit. */
export function standingAgainst(inputs: PlanInputs, result: PlanResult): Stopping {
  const each = result.batches.map(({ read }) =>
    whatStops(
      everyLine(read.written, read.choices ?? {}),
      result.read.dogs,
      inputs.hazards,
      (ndb) => inputs.names[ndb],
      result.batches.length > 1 ? read.name : undefined,
      read.of.uncounted,
    ),
  );
  const unfit = result.batches.flatMap(({ bound }) =>
    bound.loads.flatMap((loads) => (loads && !loads.ok ? [loads.problem] : [])),
  );
  const once = <T>(values: readonly T[], key: (value: T) => string) => [
    ...new Map(values.map((value) => [key(value), value])).values(),
  ];
  return {
    stops: once([...each.flatMap((own) => own.stops), ...unfit], (stop) => stop.message),
    warns: once([...each.flatMap((own) => own.warns), ...moreThanHere(inputs, result)], (warning) => warning),
    cautions: once(
      each.flatMap((own) => own.cautions),
      (hazard) => hazard.id,
    ),
  };
}

/** What a plan is bound to though less of it is in the house: said, and gone on with, for the books may be behind the shelf. */
function moreThanHere(inputs: PlanInputs, { read }: PlanResult): string[] {
  const { binding } = read;
  if (binding.by !== 'at hand') return [];
  const line = read.plan.batches[binding.batch]?.written[binding.line];
  const house = line && gramsInHouse(line.source.food.ndb, inputs, read.cookDay);
  if (line === undefined || house === undefined || binding.grams <= house + 1) return [];
  const write = (mass: number) => writeSumIn(mass, inputs.set);
  return [
    `Of ${line.text} only ${write(house)} are in the house on that day: the list says the other ${write(binding.grams - house)}.`,
  ];
}

/** Less than this is hardly worth a pot, where the kitchen has no container to go by (common practice, no source). */
const LITTLE = 250;

/**
 * Asks whether so little is to be cooked at all, where the store holds most of it: under the smallest container's worth.
 * Undefined where it is more, or where nothing is taken off.
 */
export function littleLeft(
  inputs: Pick<PlanInputs, 'equipment' | 'set'>,
  lessStock: boolean,
  result: PlanResult,
): { readonly id: string; readonly name: string; readonly why: string } | undefined {
  const sizes = inputs.equipment.flatMap(({ kind, grams, millilitres }) =>
    kind === 'container' ? [grams ?? millilitres ?? LITTLE] : [],
  );
  const smallest = sizes.length > 0 ? Math.min(...sizes) : LITTLE;
  if (!lessStock || result.bound.finished >= smallest) return undefined;
  const left = writeMassIn(result.bound.finished, inputs.set);
  return {
    id: 'little-left',
    name: 'Little left to cook',
    why: `the store holds the rest, and ${left} are less than your smallest container takes. Cook for more days?`,
  };
}
