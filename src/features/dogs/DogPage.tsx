'use client';

import { figure } from '@/ui/figure';
import { useState } from 'react';
import { addDays } from '@/core/calendar/local-date';
import { mealsOn } from '@/core/dog/meals';
import { amountsOf, schoolSpread } from '@/core/dog/spread';
import { writeKcal } from '@/core/quantity/write';
import { Caution } from '@/ui/Caution';
import { LinkButton } from '@/ui/LinkButton';
import { DogBadge } from '@/ui/badges/badges';
import { UnreadList } from '@/ui/Unread';
import { Why } from '@/ui/Why';
import { useUnits } from '@/ui/units';
import { CautionToSee } from './CautionToSee';
import styles from './dogs.module.css';
import { Keeping } from './Keeping';
import { ProposalCard } from './ProposalCard';
import type { DogView } from './queries';
import { Schools } from './Schools';
import { WeeksAhead } from './WeeksAhead';
import { WeightCurve } from './WeightCurve';

/** So much of the past is drawn in the room; all of it where weigh-ins are written. */
const DRAWN_DAYS = 365;

const COUNTED = ['no', 'one', 'two', 'three', 'four', 'five'];

/** One dog's room: how much a day, by every school; what the scale says; and what is kept about it. */
export function DogPage({ view }: { view: DogView }) {
  const { dog, today, set, recipes } = view;
  const [recipeId, setRecipeId] = useState(view.recipe?.recipeId);
  const recipe = recipes.find((each) => each.recipeId === recipeId);
  const facts = recipe?.facts ?? { name: 'any food', density: 1, measured: false };
  const spread = schoolSpread(dog, today, facts, dog.knownSchools);
  const { inMass } = useUnits();
  const { energy } = spread;
  const meals = mealsOn(dog, today, energy);
  return (
    <div className="page">
      {dog.unread && <UnreadList things={[dog.unread]} />}
      <div className={styles.head}>
        <DogBadge letters={dog.letters} badge={dog.badge} size={56} />
        <div>
          <h1 {...figure('day kcal', dog.id, energy.kcal)}>
            {dog.name} {energy.verb === 'lives on' ? 'eats' : energy.verb} {writeKcal(energy.kcal)} kcal a day
          </h1>
          <p className="soft">
            {recipe && `${inMass(amountsOf(energy.homeKcal, recipe.facts).grams)} of ${recipe.facts.name}, in `}
            {COUNTED[meals.length]} {meals.length === 1 ? 'meal' : 'meals'} · {view.said}{' '}
            <Why of={energy.explanation} about="the day’s energy" />
          </p>
        </div>
      </div>
      {dog.archived && <Caution>Archived: {dog.name} is in no plan and on no list. Bring it back under Life.</Caution>}
      <CautionToSee dog={dog} today={today} />
      <div className={`twoColumns ${styles.room}`}>
        <div className="stack">
          {recipe ? (
            <Schools view={view} spread={spread} recipe={recipe} onRecipe={setRecipeId} />
          ) : (
            <section className="stack" aria-labelledby="schools">
              <h2 id="schools">By every school</h2>
              <p className="soft">
                A recipe turns kcal into grams, cups and pieces: then the schools stand side by side.
              </p>
              <LinkButton variant="outlined" href="/recipes/new">
                Write a recipe
              </LinkButton>
            </section>
          )}
          <WeeksAhead dog={dog} from={today} to={addDays(today, 55)} density={recipe?.facts.density} />
        </div>
        <aside className="stack">
          <WeightCurve dog={dog} today={today} set={set} from={addDays(today, -DRAWN_DAYS)} size="slim">
            {!dog.archived && (
              <LinkButton variant="outlined" href={`/dogs/${dog.id}/weigh`}>
                Weigh in
              </LinkButton>
            )}
          </WeightCurve>
          <div className={styles.acts}>
            <LinkButton variant="outlined" href={`/dogs/${dog.id}/diary`}>
              Diary
            </LinkButton>
            <LinkButton variant="outlined" href={`/dogs/${dog.id}/eaten`}>
              What {dog.name} ate
            </LinkButton>
            <LinkButton variant="outlined" href={`/dogs/${dog.id}/vet`}>
              For the vet
            </LinkButton>
          </div>
          <ProposalCard view={view} />
          <Keeping view={view} meals={meals} />
        </aside>
      </div>
    </div>
  );
}
