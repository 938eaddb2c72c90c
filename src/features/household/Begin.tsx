'use client';

import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import { useState } from 'react';
import { FieldNote } from '@/ui/form/Field';
import { Choice } from '@/ui/form/Choice';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useOnward } from '@/ui/setup/setup';
import { beginHousehold } from './actions';
import styles from './household.module.css';
import { MealTimesFields } from './MealTimesFields';
import type { Beginning } from './queries';

const MEASURES = [
  { value: 'metric', label: 'grams, and cups of 250 mL', said: 'kg, g, L, °C' },
  { value: 'us', label: 'pounds and US cups', said: 'lb, oz, qt, °F; a cup is 237 mL' },
] as const;

/** The first three questions of an empty house; all of it can be changed under Household. */
export function Begin({ view }: { view: Beginning }) {
  const [unitSet, setUnitSet] = useState<Beginning['unitSet']>();
  const [rest, setRest] = useState({ timeZone: view.timeZone, mealTimes: view.mealTimes });
  const [tried, setTried] = useState(false);
  const onward = useOnward('measures');
  const begin = useCommand(beginHousehold, 'begin-household', () => onward('/'));
  return (
    <form
      className="page"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (unitSet) begin.run({ unitSet, ...rest });
      }}
    >
      <h1>How does this kitchen measure?</h1>
      <p className="soft">A cup is not the same everywhere. You can change all of it later, under Household.</p>
      <div className={styles.begin}>
        <RadioGroup
          aria-label="Measures"
          name="unitSet"
          className={styles.measures}
          value={unitSet ?? ''}
          onChange={(_, value) => setUnitSet(value === 'us' ? 'us' : 'metric')}
        >
          {MEASURES.map(({ value, label, said }) => (
            <FormControlLabel
              key={value}
              value={value}
              className={unitSet === value ? styles.chosen : undefined}
              control={<Radio />}
              label={
                <>
                  <b>{label}</b> <span className="note">{said}</span>
                </>
              }
            />
          ))}
        </RadioGroup>
        {tried && unitSet === undefined && <FieldNote problem="Choose one of the two first." />}
        <Choice
          label="Time zone"
          value={rest.timeZone}
          options={view.timeZones}
          onChange={(timeZone) => setRest({ ...rest, timeZone })}
        />
        <MealTimesFields
          value={rest.mealTimes}
          problemAt={begin.at}
          onChange={(mealTimes) => setRest({ ...rest, mealTimes })}
        />
        <p className="note">A dog has its own times too, in its room.</p>
        <Problems problems={begin.atHead('breakfast', 'lunch', 'supper')} />
        <div>
          <Button type="submit" variant="contained" size="large" disabled={begin.pending}>
            That is how we do it
          </Button>
        </div>
      </div>
    </form>
  );
}
