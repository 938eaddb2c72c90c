'use client';

import { MEAL_TIMES, type MealTime } from '@/core/dog/filling';
import { MOST_DISHES, plainDish } from '@/core/plan/plan-entry';
import { choicesOf } from '@/core/recipe/bases';
import { BindingHoles } from './BindingHoles';
import { DayHole, Hole, SelectHole } from './Hole';
import styles from './sentence.module.css';
import type { ThePlan } from './use-plan';

const MEALS = (Object.keys(MEAL_TIMES) as MealTime[]).map((value) => ({ value, label: value }));

/** One sentence with holes: the form of a plan. */
export function Sentence({ plan, wrong }: { plan: ThePlan; wrong: string | undefined }) {
  const { ground, entry, change } = plan;
  const several = entry.dishes.length > 1;
  const free = ground.recipes.filter((recipe) => !entry.dishes.some((dish) => dish.recipeId === recipe.id));
  const stocked = Object.keys(ground.covered).length > 0;
  return (
    <div className={styles.sentence}>
      Cook{' '}
      {entry.dishes.map((_, place) => (
        <span key={place}>
          {place > 0 && (place === entry.dishes.length - 1 ? ' and ' : ', ')}
          <DishHoles plan={plan} place={place} several={several} wrong={wrong} />
        </span>
      ))}
      {free.length > 0 && entry.dishes.length < MOST_DISHES && (
        <button
          type="button"
          className={styles.small}
          onClick={() => change({ dishes: [...entry.dishes, plainDish(free[0]!.id)] })}
        >
          and another
        </button>
      )}{' '}
      for <DogHoles plan={plan} /> <BindingHoles plan={plan} wrong={wrong} />
      {stocked && (
        <>
          {' '}
          <SelectHole
            label="What is in stock"
            quiet
            value={entry.lessStock ? 'less' : 'full'}
            wrong={false}
            options={[
              { value: 'full', label: 'in full' },
              { value: 'less', label: 'less what the store holds' },
            ]}
            onChange={(value) => change({ lessStock: value === 'less' })}
          />
        </>
      )}
      , cooked{' '}
      <DayHole
        label="Cook day"
        value={entry.cookDay}
        min={ground.today}
        today={ground.today}
        wrong={wrong === 'cookDay'}
        onChange={(cookDay) => change({ cookDay, ...(cookDay > entry.firstDay ? { firstDay: cookDay } : {}) })}
      />
      , eaten from{' '}
      <DayHole
        label="First feeding day"
        value={entry.firstDay}
        min={ground.today}
        today={ground.today}
        wrong={wrong === 'firstDay'}
        onChange={(firstDay) => change({ firstDay })}
      />
      .
      {plan.typed && (
        <button type="button" className={styles.small} onClick={plan.startOver}>
          start over
        </button>
      )}
    </div>
  );
}

/** So many dogs stand in the sentence by name; of more it says how many, and who behind a press. */
const NAMED_DOGS = 8;

/** For whom: each dog by name, pressed in or out. */
function DogHoles({ plan: { ground, entry, change } }: { plan: ThePlan }) {
  const names = (
    <span role="group" aria-label="Dogs" className={styles.dogs}>
      {ground.dogs.map((dog) => {
        const eats = entry.dogIds.includes(dog.id);
        return (
          <button
            key={dog.id}
            type="button"
            className={styles.dog}
            aria-pressed={eats}
            onClick={() =>
              change({ dogIds: eats ? entry.dogIds.filter((id) => id !== dog.id) : [...entry.dogIds, dog.id] })
            }
          >
            {dog.name}
          </button>
        );
      })}
    </span>
  );
  if (ground.dogs.length <= NAMED_DOGS) return names;
  const all = entry.dogIds.length === ground.dogs.length;
  return (
    <details className={styles.manyDogs}>
      <summary className={styles.hole}>
        {all ? `all ${ground.dogs.length} dogs` : `${entry.dogIds.length} of ${ground.dogs.length} dogs`}
      </summary>
      <button
        type="button"
        className={styles.small}
        onClick={() => change({ dogIds: all ? [] : ground.dogs.map((dog) => dog.id) })}
      >
        {all ? 'none of them' : 'all of them'}
      </button>
      {names}
    </details>
  );
}

interface DishHolesProps {
  plan: ThePlan;
  place: number;
  several: boolean;
  wrong: string | undefined;
}

/** One recipe of the sentence: which, for which meals, in which share, with which choices. */
function DishHoles({ plan, place, several, wrong }: DishHolesProps) {
  const { ground, entry, change, changeDish } = plan;
  const dish = entry.dishes[place]!;
  const recipe = ground.recipes.find((each) => each.id === dish.recipeId);
  const shares = entry.dishes.filter((other) => other.meals === dish.meals).length > 1;
  const nth = several ? ` ${place + 1}` : '';
  return (
    <>
      <SelectHole
        label={`Recipe${nth}`}
        value={dish.recipeId}
        wrong={wrong === 'recipeId'}
        options={ground.recipes.map((each) => ({ value: each.id, label: each.name }))}
        onChange={(recipeId) =>
          change({
            dishes: entry.dishes.map((other, index) =>
              index === place ? { ...plainDish(recipeId), share: dish.share, meals: dish.meals } : other,
            ),
            binding: { ...entry.binding, dish: 0, line: 0 },
          })
        }
      />
      {[...choicesOf(recipe?.written ?? [])].map(([choice, places]) => (
        <span key={choice}>
          {' '}
          with{' '}
          <SelectHole
            label={choice}
            quiet
            value={dish.choices?.[choice] ?? places[0]!}
            wrong={false}
            options={places.map((line) => ({
              value: line,
              label: recipe!.written[line]!.preparation ?? recipe!.written[line]!.source.food.name,
            }))}
            onChange={(line) => changeDish(place, { choices: { ...dish.choices, [choice]: line } })}
          />
        </span>
      ))}
      {several && (
        <span className={styles.together}>
          {' '}
          for{' '}
          <SelectHole
            label={`Meals of recipe${nth}`}
            quiet
            value={dish.meals}
            wrong={false}
            options={MEALS}
            onChange={(meals) => changeDish(place, { meals })}
          />
          {shares && (
            <>
              {' '}
              in shares of{' '}
              <Hole
                label={`Share of recipe${nth}`}
                size="count"
                value={dish.share}
                wrong={wrong === 'share'}
                onChange={(share) => changeDish(place, { share })}
              />
            </>
          )}
          <button
            type="button"
            className={styles.small}
            aria-label={`Leave out ${recipe?.name ?? 'this recipe'}`}
            onClick={() =>
              change({
                dishes: entry.dishes.filter((_, index) => index !== place),
                binding: { ...entry.binding, dish: 0, line: 0 },
              })
            }
          >
            ×
          </button>
        </span>
      )}
    </>
  );
}
