'use client';

import Button from '@mui/material/Button';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { sayUnits } from './actions';
import styles from './household.module.css';

/** Asked once, before an amount is typed: a cup is 237 mL in one kitchen and 250 mL in another. */
export function AskUnits() {
  const say = useCommand(sayUnits, 'say-units');
  return (
    <section className={styles.askUnits} aria-label="Which measures this kitchen uses">
      <p>Which measures does this kitchen use? A cup is not the same everywhere.</p>
      <div>
        <Button variant="outlined" disabled={say.pending} onClick={() => say.run({ unitSet: 'us' })}>
          pounds and US cups
        </Button>
        <Button variant="outlined" disabled={say.pending} onClick={() => say.run({ unitSet: 'metric' })}>
          grams and 250 mL cups
        </Button>
      </div>
      <Problems problems={say.problems} />
    </section>
  );
}
