'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { gotNone } from '../actions';
import { MealForm } from '../MealForm';
import styles from '../today.module.css';
import type { EarlierMeal, ShownSource } from '../view';

/** The answer to a meal that nobody pressed: it was left out. */
export function useGotNone({ dogId, slotId, day }: EarlierMeal) {
  const none = useCommand(gotNone, `none-${dogId}-${day}-${slotId}`);
  return {
    ...none,
    press: () => slotId !== null && none.run({ dogId, entry: { kind: 'fast', from: day, to: day, slotId } }),
  };
}

/** A meal of today that was missed, once, with its two answers: it was fed, or the dog got none. */
export function Missed({ meal, sources }: { meal: EarlierMeal; sources: readonly ShownSource[] }) {
  const [open, setOpen] = useState(false);
  const none = useGotNone(meal);
  const whose = `${meal.dogName}’s ${meal.slotName}, today`;
  return (
    <>
      <p className={`note ${styles.missed}`}>
        <span className="caution">
          missed: {meal.slotName}, {meal.clock}
        </span>{' '}
        <Button
          variant="text"
          size="small"
          aria-expanded={open}
          aria-label={`Mark ${whose}`}
          onClick={() => setOpen(!open)}
        >
          it was fed
        </Button>
        <Button
          variant="text"
          size="small"
          disabled={none.pending}
          aria-label={`None for ${whose}`}
          onClick={none.press}
        >
          it got none
        </Button>
      </p>
      <Problems problems={none.problems} />
      {open && <MealForm meal={meal} sources={sources} onDone={() => setOpen(false)} />}
    </>
  );
}
