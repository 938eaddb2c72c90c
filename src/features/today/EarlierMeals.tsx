'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { bowlOf, drawMeal } from '@/core/stock/draw';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { correctBowl, feedBowl } from './actions';
import styles from './today.module.css';
import type { EarlierMeal, ShownSource, TodayView } from './view';

interface EarlierMealsProps {
  view: TodayView;
  onTakeBack: (bowlId: number) => void;
}

/** The meals of today and the last three days: marked late, taken back, or put right. */
export function EarlierMeals({ view, onTakeBack }: EarlierMealsProps) {
  const [open, setOpen] = useState<string>();
  if (view.earlier.length === 0) return null;
  return (
    <details className={styles.earlier}>
      <summary>Meals of the last days</summary>
      {view.earlier.map(({ said, meals }) => (
        <section key={said} aria-label={`Meals of ${said}`}>
          <h3>{said}</h3>
          <ul className="rows">
            {meals.map((meal) => {
              const key = `${meal.day}-${meal.dogId}-${meal.slotId}`;
              const whose = `${meal.dogName}’s ${meal.slotName}, ${said}`;
              return (
                <li key={key}>
                  <div className={styles.earlierRow}>
                    <span>
                      <b>{meal.dogName}</b>, {meal.slotName}
                    </span>
                    <span className={meal.bowl ? 'soft' : 'caution'}>
                      {meal.bowl ? `${meal.bowl.clock} · ${meal.bowl.said}` : 'not marked'}
                    </span>
                    <span className={styles.links}>
                      {meal.bowl && (
                        <Button
                          variant="text"
                          size="small"
                          aria-label={`Take back ${whose}`}
                          onClick={() => meal.bowl && onTakeBack(meal.bowl.bowlId)}
                        >
                          take back
                        </Button>
                      )}
                      <Button
                        variant="text"
                        size="small"
                        aria-expanded={open === key}
                        aria-label={`${meal.bowl ? 'Put right' : 'Mark'} ${whose}`}
                        onClick={() => setOpen(open === key ? undefined : key)}
                      >
                        {meal.bowl ? 'put right' : 'it was fed'}
                      </Button>
                    </span>
                  </div>
                  {open === key && <MealForm meal={meal} sources={view.sources} onDone={() => setOpen(undefined)} />}
                </li>
              );
            })}
          </ul>
        </section>
      ))}
    </details>
  );
}

interface MealFormProps {
  meal: EarlierMeal;
  sources: readonly ShownSource[];
  onDone: () => void;
}

/** From which pack, how much, and when. */
function MealForm({ meal, sources, onDone }: MealFormProps) {
  const { inMass, readScale, scaleUnit, toType } = useUnits();
  const fit = sources.filter((source) => source.place !== 'warm' && !source.notFor?.includes(meal.dogId));
  const begins =
    fit.find((source) => source.key === meal.bowl?.key) ?? fit.find((source) => source.dogId === meal.dogId) ?? fit[0];
  const [key, setKey] = useState(begins?.key ?? '');
  const source = fit.find((each) => each.key === key);
  const [typed, setTyped] = useState<string>();
  const weight =
    typed ?? toType(meal.bowl ? meal.bowl.grams : source ? bowlOf(drawMeal(meal.kcal, [source]).drawn).grams : 0);
  const [at, setAt] = useState(meal.bowl?.clock ?? meal.clock);
  const [unread, setUnread] = useState<string>();
  const feed = useCommand(feedBowl, `feed-${meal.dogId}-${meal.slotId}-${meal.day}`, onDone);
  const correct = useCommand(correctBowl, `correct-${meal.bowl?.bowlId}`, onDone);
  const save = meal.bowl ? correct : feed;
  if (!source) return <p className="note">Nothing is ready that it may have.</p>;
  const submit = () => {
    const read = readScale(weight);
    setUnread(read.ok ? undefined : read.problem.message);
    if (!read.ok) return;
    const parts = [{ holdingId: Number(key.split('-')[1]), grams: Number(read.value) }];
    if (meal.bowl) correct.run({ bowlId: meal.bowl.bowlId, parts, at });
    else feed.run({ dogId: meal.dogId, slotId: meal.slotId, day: meal.day, parts, at });
  };
  return (
    <form
      className={styles.mealForm}
      noValidate
      aria-label={`${meal.dogName}’s ${meal.slotName}`}
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Choice
        label="From"
        value={key}
        options={fit.map((each) => ({ value: each.key, label: `${each.code}, ${inMass(each.grams)}` }))}
        onChange={setKey}
      />
      <Field
        label="It got"
        unit={scaleUnit}
        inputMode="decimal"
        autoComplete="off"
        value={weight}
        onChange={(event) => setTyped(event.target.value)}
        problem={unread}
      />
      <Field
        label="At"
        type="time"
        value={at}
        onChange={(event) => setAt(event.target.value)}
        problem={save.at('at')}
      />
      <Problems problems={save.atHead('at')} />
      <div className={styles.links}>
        <Button type="submit" variant="contained" disabled={save.pending}>
          {meal.bowl ? 'Put it right' : 'It was fed'}
        </Button>
        <Button variant="text" onClick={onDone}>
          leave it
        </Button>
      </div>
    </form>
  );
}
