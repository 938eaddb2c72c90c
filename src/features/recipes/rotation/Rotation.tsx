'use client';

import ButtonBase from '@mui/material/ButtonBase';
import { countOf } from '@/core/quantity/count-words';
import { useState } from 'react';
import { rotationLines } from '@/core/nutrition/rotation';
import { HatchTile } from '@/ui/badges/badges';
import { EmptyRoom } from '@/ui/room';
import { BalanceSheet } from '../BalanceSheet';
import type { RotationView } from '../queries';
import styles from './rotation.module.css';
import { addUp } from '@/core/add-up';

const MOST_DAYS = 28;

/** Several recipes fed in turn, balanced together: what one lacks another may bring. */
export function Rotation({ view }: { view: RotationView }) {
  const [days, setDays] = useState<Readonly<Record<number, number>>>({});
  if (view.recipes.length === 0) {
    return (
      <EmptyRoom title="Nothing to take turns yet" act={{ href: '/recipes/new', label: 'Write a recipe' }}>
        Recipes fed in turn are balanced together: over weeks, one brings what another lacks.
      </EmptyRoom>
    );
  }
  const daysOf = (id: number) => days[id] ?? 2;
  const whole = addUp(view.recipes, (recipe) => daysOf(recipe.id));
  const lines = rotationLines(
    view.recipes.map((recipe) => ({ name: recipe.name, lines: recipe.lines, days: daysOf(recipe.id) })),
    view.factors,
  );
  return (
    <div className="page">
      <div className="titleRow">
        <h1>In turn</h1>
        <p className="soft">{countOf(whole, 'day')} of food, balanced as one</p>
      </div>
      <div className={styles.strip} aria-hidden>
        {view.recipes.flatMap((recipe) =>
          Array.from({ length: daysOf(recipe.id) }, (_, day) => (
            <HatchTile key={`${recipe.id}-${day}`} hatch={recipe.protein.hatch} width={36} height={36} />
          )),
        )}
      </div>
      <div className={styles.columns}>
        <ul className="rows" aria-label="Days of each recipe">
          {view.recipes.map((recipe) => (
            <li key={recipe.id} className={styles.turn}>
              <HatchTile hatch={recipe.protein.hatch} width={44} height={44} />
              <span className={styles.name}>{recipe.name}</span>
              <ButtonBase
                className={styles.step}
                aria-label={`A day less of ${recipe.name}`}
                disabled={daysOf(recipe.id) === 0}
                onClick={() => setDays({ ...days, [recipe.id]: daysOf(recipe.id) - 1 })}
              >
                −
              </ButtonBase>
              <output className={styles.days} aria-label={`Days of ${recipe.name}`}>
                {daysOf(recipe.id)}
              </output>
              <ButtonBase
                className={styles.step}
                aria-label={`A day more of ${recipe.name}`}
                disabled={daysOf(recipe.id) === MOST_DAYS}
                onClick={() => setDays({ ...days, [recipe.id]: daysOf(recipe.id) + 1 })}
              >
                +
              </ButtonBase>
            </li>
          ))}
        </ul>
        {lines.length > 0 ? (
          <BalanceSheet
            lines={lines}
            factors={view.factors}
            profiles={view.profiles}
            unread={0}
            additions={view.additions}
            set={view.set}
            dogs={view.dogs}
            labels={view.labels}
            currency={view.currency}
          />
        ) : (
          <p className="soft">Give at least one recipe a day.</p>
        )}
      </div>
    </div>
  );
}
