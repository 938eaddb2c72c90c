'use client';

import type { MealTimes } from '@/core/household/meal-times';
import { Field } from '@/ui/form/Field';
import styles from './household.module.css';

const MEALS = [
  ['breakfast', 'Breakfast'],
  ['lunch', 'Midday'],
  ['supper', 'Supper'],
] as const;

interface MealTimesFieldsProps {
  value: MealTimes;
  problemAt: (field: string) => string | undefined;
  onChange: (value: MealTimes) => void;
}

/** When the house's meals are. */
export function MealTimesFields({ value, problemAt, onChange }: MealTimesFieldsProps) {
  return (
    <fieldset className={styles.mealTimes}>
      <legend>Meals are at</legend>
      {MEALS.map(([name, label]) => (
        <Field
          key={name}
          label={label}
          value={value[name]}
          onChange={(event) => onChange({ ...value, [name]: event.target.value })}
          problem={problemAt(name)}
          inputMode="numeric"
          autoComplete="off"
        />
      ))}
    </fieldset>
  );
}
