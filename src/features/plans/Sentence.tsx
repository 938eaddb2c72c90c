'use client';

import ButtonBase from '@mui/material/ButtonBase';
import ToggleButton from '@mui/material/ToggleButton';
import Popover from '@mui/material/Popover';
import { useState } from 'react';
import { MEAL_TIMES } from '@/core/dog/filling';
import { MOST_BATCHES, plainBatch } from '@/core/plan/plan-entry';
import { choicesOf } from '@/core/recipe/bases';
import { BindingHoles } from './BindingHoles';
import { DayHole, Hole, SelectHole } from './Hole';
import styles from './sentence.module.css';
import type { ThePlan } from './use-plan';
import { nth, sure, keysOf } from '@/core/sure';

const MEALS = keysOf(MEAL_TIMES).map((value) => ({ value, label: value }));

/** One sentence with holes: the form of a plan. */
export function Sentence({ plan, wrong }: { plan: ThePlan; wrong: string | undefined }) {
  const { inputs, entry, change } = plan;
  const several = entry.batches.length > 1;
  const free = inputs.recipes.filter((recipe) => !entry.batches.some((batch) => batch.recipeId === recipe.id));
  const stocked = Object.keys(inputs.covered).length > 0;
  return (
    <div className={styles.sentence}>
      Cook{' '}
      {entry.batches.map((_, place) => (
        <span key={place}>
          {place > 0 && (place === entry.batches.length - 1 ? ' and ' : ', ')}
          <BatchHoles plan={plan} place={place} several={several} wrong={wrong} />
        </span>
      ))}
      {free.length > 0 && entry.batches.length < MOST_BATCHES && (
        <ButtonBase
          className={styles.small}
          onClick={() => change({ batches: [...entry.batches, plainBatch(nth(free, 0).id)] })}
        >
          and another
        </ButtonBase>
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
        min={inputs.today}
        today={inputs.today}
        wrong={wrong === 'cookDay'}
        onChange={(cookDay) => change({ cookDay, ...(cookDay > entry.firstDay ? { firstDay: cookDay } : {}) })}
      />
      , eaten from{' '}
      <DayHole
        label="First feeding day"
        value={entry.firstDay}
        min={inputs.today}
        today={inputs.today}
        wrong={wrong === 'firstDay'}
        onChange={(firstDay) => change({ firstDay })}
      />
      .
      {plan.typed && (
        <ButtonBase className={styles.small} onClick={plan.startOver}>
          start over
        </ButtonBase>
      )}
    </div>
  );
}

/** So many dogs stand in the sentence by name; of more it says how many, and who behind a press. */
const NAMED_DOGS = 8;

/** For whom: each dog by name, pressed in or out. */
function DogHoles({ plan: { inputs, entry, change } }: { plan: ThePlan }) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const names = (
    <span role="group" aria-label="Dogs" className={styles.dogs}>
      {inputs.dogs.map((dog) => {
        const eats = entry.dogIds.includes(dog.id);
        return (
          <ToggleButton
            key={dog.id}
            className={styles.dog}
            value={dog.id}
            selected={eats}
            onClick={() =>
              change({ dogIds: eats ? entry.dogIds.filter((id) => id !== dog.id) : [...entry.dogIds, dog.id] })
            }
          >
            {dog.name}
          </ToggleButton>
        );
      })}
    </span>
  );
  if (inputs.dogs.length <= NAMED_DOGS) return names;
  const all = entry.dogIds.length === inputs.dogs.length;
  return (
    <>
      <ButtonBase className={styles.hole} aria-haspopup="dialog" onClick={(event) => setAt(event.currentTarget)}>
        {all ? `all ${inputs.dogs.length} dogs` : `${entry.dogIds.length} of ${inputs.dogs.length} dogs`}
      </ButtonBase>
      <Popover
        open={at !== null}
        anchorEl={at}
        onClose={() => setAt(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{ paper: { role: 'dialog', 'aria-label': 'Dogs in this plan', className: styles.manyDogs } }}
      >
        <ButtonBase
          className={styles.small}
          onClick={() => change({ dogIds: all ? [] : inputs.dogs.map((dog) => dog.id) })}
        >
          {all ? 'none of them' : 'all of them'}
        </ButtonBase>
        {names}
      </Popover>
    </>
  );
}

interface BatchHolesProps {
  plan: ThePlan;
  place: number;
  several: boolean;
  wrong: string | undefined;
}

/** One recipe of the sentence: which, for which meals, in which share, with which choices. */
function BatchHoles({ plan, place, several, wrong }: BatchHolesProps) {
  const { inputs, entry, change, changeBatch } = plan;
  const batch = nth(entry.batches, place);
  const recipe = inputs.recipes.find((each) => each.id === batch.recipeId);
  const shares = entry.batches.filter((other) => other.meals === batch.meals).length > 1;
  const which = several ? ` ${place + 1}` : '';
  return (
    <>
      <SelectHole
        label={`Recipe${which}`}
        value={batch.recipeId}
        wrong={wrong === 'recipeId'}
        options={inputs.recipes.map((each) => ({ value: each.id, label: each.name }))}
        onChange={(recipeId) =>
          change({
            batches: entry.batches.map((other, index) =>
              index === place ? { ...plainBatch(recipeId), share: batch.share, meals: batch.meals } : other,
            ),
            binding: { ...entry.binding, batch: 0, line: 0 },
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
            value={batch.choices?.[choice] ?? nth(places, 0)}
            wrong={false}
            options={places.map((line) => ({
              value: line,
              label: sure(sure(recipe).written[line]).text,
            }))}
            onChange={(line) => changeBatch(place, { choices: { ...batch.choices, [choice]: line } })}
          />
        </span>
      ))}
      {several && (
        <span className={styles.together}>
          {' '}
          for{' '}
          <SelectHole
            label={`Meals of recipe${which}`}
            quiet
            value={batch.meals}
            wrong={false}
            options={MEALS}
            onChange={(meals) => changeBatch(place, { meals })}
          />
          {shares && (
            <>
              {' '}
              in shares of{' '}
              <Hole
                label={`Share of recipe${which}`}
                size="count"
                value={batch.share}
                wrong={wrong === 'share'}
                onChange={(share) => changeBatch(place, { share })}
              />
            </>
          )}
          <ButtonBase
            className={styles.small}
            aria-label={`Leave out ${recipe?.name ?? 'this recipe'}`}
            onClick={() =>
              change({
                batches: entry.batches.filter((_, index) => index !== place),
                binding: { ...entry.binding, batch: 0, line: 0 },
              })
            }
          >
            ×
          </ButtonBase>
        </span>
      )}
    </>
  );
}
