import { addUp } from '../add-up';
import { nth } from '../sure';
import type { DryColumns } from './dry-columns';
import type { MipDraft, Term } from './mip';
import type { Give } from './model';
import { fridgeOfAll, recipeKey, type Candidate, type WeeksProblem } from './weeks';

/** Potfuls of one recipe that anybody cooks on one day at most (common practice, no source). */
export const MOST_POTFULS = 8;

interface Room {
  readonly problem: WeeksProblem;
  readonly mip: MipDraft;
  readonly candidates: readonly Candidate[];
  readonly cooked: readonly number[];
  readonly potfuls: readonly (readonly number[])[];
  readonly dry: DryColumns;
  readonly through: (key: string, day: number) => Term[];
  readonly between: (key: string, first: number, last: number) => Term[];
  readonly made: (recipe: number, upTo: number, of: (recipe: WeeksProblem['recipes'][number]) => number) => Term[];
  readonly scaled: (terms: readonly Term[], by: number) => Term[];
  readonly give: Give;
}

/** The hours of each cook day, and what lies in the freezer on its evening: all but what is eaten until the next one. */
export function freezerAndStove(room: Room) {
  const { problem, mip, candidates, cooked, potfuls, dry, through, between, made, scaled, give } = room;
  const { recipes, stock, freezer, days } = problem;
  const minutes: number[] = [];
  candidates.forEach(({ minutes: can, said }, at) => {
    // What the cook said stands, whatever it takes.
    if (said) return;
    const more = give.minutes === undefined ? undefined : mip.column(give.minutes, 0, 24 * 60);
    if (more !== undefined) minutes.push(more);
    mip.row(-Infinity, 0, [
      ...recipes.map((recipe, index): Term => [nth(nth(potfuls, at), index), recipe.minutes]),
      [nth(cooked, at), -can],
      ...(more === undefined ? [] : [[more, -1] as const]),
    ]);
    for (const column of nth(potfuls, at))
      mip.row(-Infinity, 0, [
        [column, 1],
        [nth(cooked, at), -MOST_POTFULS],
      ]);
  });
  if (!freezer) return { minutes };
  const litres = give.litres === undefined ? undefined : mip.column(give.litres, 0, Infinity);
  const frozen = addUp(stock, ({ frozenGrams }) => frozenGrams);
  // What lies there already lies there: only what is cooked has to find room.
  const litresFree = Math.max(freezer.litres * 1000, freezer.taken * 1000 + frozen);
  candidates.forEach(({ day, said }, at) => {
    // What is eaten tomorrow lies in the fridge.
    const evening = Math.min(days - 1, day + 1);
    const inFreezer = [
      ...recipes.flatMap((recipe, index) => [
        ...made(index, at, ({ grams }) => grams / 1000),
        ...scaled(
          [
            ...through(recipeKey(recipe.recipeId), evening),
            ...dry.made(index, at),
            ...scaled(dry.through(index, evening), -1),
          ],
          -recipe.grams / recipe.kcal / 1000,
        ),
      ]),
      ...stock
        .filter(({ frozenGrams }) => frozenGrams > 0)
        .flatMap(({ key, kcal, frozenGrams }) => scaled(through(key, evening), -frozenGrams / kcal / 1000)),
    ];
    mip.row(-Infinity, (litresFree - freezer.taken * 1000 - frozen) / 1000, [
      ...inFreezer,
      ...(litres === undefined ? [] : [[litres, -1] as const]),
    ]);
    if (said) return;
    // It freezes so much a day: what is not eaten while the fridge keeps it waits there for its turn no longer than that.
    const frozenOf = recipes.map((recipe, index) => {
      const frozenKilos = mip.column(0, 0, Infinity);
      mip.row(-Infinity, 0, [
        [nth(nth(potfuls, at), index), recipe.grams / 1000],
        ...scaled(
          [
            ...between(recipeKey(recipe.recipeId), day + 1, day + recipe.fridgeDays),
            ...dry.own(index, at),
            ...scaled(dry.within(index, day + 1, day + recipe.fridgeDays), -1),
          ],
          -recipe.grams / recipe.kcal / 1000,
        ),
        [frozenKilos, -1],
      ]);
      return frozenKilos;
    });
    mip.row(
      -Infinity,
      (freezer.gramsADay * Math.max(1, fridgeOfAll(problem))) / 1000,
      frozenOf.map((column): Term => [column, 1]),
    );
  });
  return { minutes, ...(litres === undefined ? {} : { litres }) };
}
