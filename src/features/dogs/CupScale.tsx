'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '@/ui/form/Field';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { weighCup } from './actions';
import styles from './dogs.module.css';
import type { KnownRecipe } from './queries';

/** Asks for the weight of one cup of a food: only then do cups become kcal. */
export function CupScale({ recipe }: { recipe: KnownRecipe }) {
  const { readScale, scaleUnit } = useUnits();
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string>();
  const save = useCommand(weighCup, `cup-${recipe.recipeId}`);
  return (
    <form
      className={styles.inline}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        const read = readScale(typed);
        setProblem(read.ok ? undefined : read.problem.message);
        if (read.ok) save.run({ recipeId: recipe.recipeId, grams: read.value });
      }}
    >
      <Field
        label={`One cup of ${recipe.facts.name} weighs`}
        inputMode="decimal"
        value={typed}
        unit={scaleUnit}
        problem={problem ?? save.at('cup')}
        hint="Fill it as you serve it, and weigh the food alone."
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button type="submit" variant="outlined" disabled={save.pending}>
        Keep
      </Button>
    </form>
  );
}
