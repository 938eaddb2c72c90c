'use client';

import Button from '@mui/material/Button';
import type { KnownFood } from '@/core/food/food';
import { FoodField } from '@/ui/food/FoodField';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { forgetMeaning, saveMeaning } from './actions';
import styles from './household.module.css';

export interface MeaningRow {
  readonly words: string;
  readonly known: KnownFood;
}

/** What this household means by its own words, each to be changed or forgotten. */
export function Meanings({ meanings }: { meanings: readonly MeaningRow[] }) {
  const save = useCommand(saveMeaning, 'meaning');
  const forget = useCommand(forgetMeaning, 'forget-meaning');
  return (
    <section className={`stack ${styles.meanings}`} aria-labelledby="meanings">
      <h2 id="meanings">What your words mean</h2>
      <Problems problems={[...save.problems, ...forget.problems]} />
      {meanings.length === 0 ? (
        <p className="note">
          Where a line of a recipe may mean several foods (rice, liver, oil) Hodman asks once and keeps the answer here.
        </p>
      ) : (
        <ul className="rows">
          {meanings.map(({ words, known }) => (
            <li key={words} className={styles.meaning}>
              <b>{words}</b>
              <FoodField
                label={`What ${words} means`}
                value={known}
                onChange={(food) => {
                  if (food && food.food.ndb !== known.food.ndb) save.run({ words, key: food.food.ndb });
                }}
              />
              <Button
                variant="text"
                size="small"
                aria-label={`Forget what ${words} means`}
                disabled={forget.pending}
                onClick={() => forget.run({ words })}
              >
                ask again
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
