'use client';

import ToggleButton from '@mui/material/ToggleButton';
import { isPreviewed, previewOf, USUAL_DAYS, type NamedDog } from '@/core/recipe/preview';
import type { Preview } from '@/core/recipe/entry-schema';
import styles from '../recipes.module.css';

interface ForWhomProps {
  dogs: readonly NamedDog[];
  preview: Preview | undefined;
  onChange: (preview: Preview) => void;
}

/** For which dogs and how many days the sheet is reckoned: a sentence with holes. */
export function ForWhom({ dogs, preview, onChange }: ForWhomProps) {
  if (dogs.length === 0) return null;
  const chosen = dogs.filter((dog) => isPreviewed(preview, dog));
  const days = preview?.days ?? USUAL_DAYS;
  return (
    <p className={styles.forWhom}>
      Looked at for{' '}
      <span role="group" aria-label="Dogs that the sheet is worked out for">
        {dogs.map((dog) => (
          <ToggleButton
            key={dog.id}
            className={styles.pick}
            value={dog.id}
            selected={chosen.includes(dog)}
            onClick={() =>
              onChange(
                previewOf(
                  dogs.filter((each) => (each === dog ? !chosen.includes(dog) : chosen.includes(each))),
                  days,
                ),
              )
            }
          >
            {dog.name}
          </ToggleButton>
        ))}
      </span>{' '}
      over{' '}
      <input
        className={styles.dayCount}
        type="number"
        min={1}
        max={366}
        aria-label="Days that the sheet is worked out for"
        value={days}
        onChange={(event) => {
          const typed = Number(event.target.value);
          if (Number.isInteger(typed) && typed >= 1 && typed <= 366) onChange(previewOf(chosen, typed));
        }}
      />{' '}
      days
    </p>
  );
}
