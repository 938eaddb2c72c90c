import { avoidedIn, sayAvoided, stops, type Avoid } from '../dog/avoid';
import type { Problem } from '../problem';
import type { everyLine } from '../recipe/bases';
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
export function whatStops(
  lines: ReturnType<typeof everyLine>,
  dogs: readonly GuardedDog[],
  hazards: readonly Hazard[],
  nameOf: (ndb: string) => string | undefined,
): Stopping {
  const foods = lines.map((line) => line.food);
  const found = [...new Set(hazardsIn(checkedLines(lines), hazards).map((hit) => hit.hazard))];
  const avoided = dogs.flatMap((dog) => {
    const hits = avoidedIn(dog.avoids, foods, nameOf);
    const told = hits.filter(stops).length > 0 ? hits.filter(stops) : hits;
    if (hits.length === 0) return [];
    const message = `${dog.name} does not get ${sayAvoided(told)}, and this recipe holds it.`;
    return [{ message, stops: hits.some(stops) }];
  });
  const hurting = found.flatMap((hazard): Problem[] => {
    if (hazard.level === 'never')
      return [{ field: 'recipeId', message: `This recipe holds ${sayHazard(hazard)} It is not cooked.` }];
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
