'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { bowlPart, bowlOf, drawMeal } from '@/core/stock/draw';
import { nth } from '@/core/sure';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { correctBowl, feedBowl } from './actions';
import styles from './today.module.css';
import type { EarlierMeal, ShownSource } from './view';

interface MealFormProps {
  meal: EarlierMeal;
  sources: readonly ShownSource[];
  onDone: () => void;
}

interface TypedPart {
  readonly key: string;
  readonly text: string;
}

/** From which packs, how much of each, and when. What a bowl was fed from can be chosen again though it is empty now. */
export function MealForm({ meal, sources, onDone }: MealFormProps) {
  const { inMass, readScale, scaleUnit, toType } = useUnits();
  const fit = sources.filter((source) => source.place !== 'warm' && !source.notFor?.includes(meal.dogId));
  const had = meal.bowl?.parts ?? [];
  const options = [
    ...had.map(({ key, code }) => ({ value: key, label: `${code}, as it was` })),
    ...fit
      .filter((source) => !had.some((part) => part.key === source.key))
      .map((source) => ({ value: source.key, label: `${source.code}, ${inMass(source.grams)}` })),
  ];
  const first = fit.find((source) => source.dogId === meal.dogId) ?? fit[0];
  const [typed, setTyped] = useState<readonly TypedPart[]>(() =>
    had.length > 0
      ? had.map(({ key, grams }) => ({ key, text: toType(grams) }))
      : first
        ? [{ key: first.key, text: toType(bowlOf(drawMeal(meal.kcal, [first]).drawn).grams) }]
        : [],
  );
  const [at, setAt] = useState(meal.bowl?.clock ?? meal.clock);
  const [tried, setTried] = useState(false);
  const feed = useCommand(feedBowl, `feed-${meal.dogId}-${meal.slotId}-${meal.day}`, onDone);
  const correct = useCommand(correctBowl, `correct-${meal.bowl?.bowlId}`, onDone);
  const save = meal.bowl ? correct : feed;
  if (options.length === 0) return <p className="note">Nothing is ready that it may have.</p>;
  const read = typed.map((part) => readScale(part.text));
  const change = (index: number, part: Partial<TypedPart>) => {
    save.clear();
    setTyped(typed.map((own, place) => (place === index ? { ...own, ...part } : own)));
  };
  const unused = options.find(({ value }) => !typed.some((part) => part.key === value));
  const submit = () => {
    setTried(true);
    const parts = typed.flatMap((part, index) => {
      const own = nth(read, index);
      return own.ok ? [bowlPart({ key: part.key, grams: Number(own.value) })] : [];
    });
    if (parts.length < typed.length) return;
    if (meal.bowl) correct.run({ bowlId: meal.bowl.bowlId, parts, at });
    else if (meal.slotId !== null) feed.run({ dogId: meal.dogId, slotId: meal.slotId, day: meal.day, parts, at });
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
      {typed.map((part, index) => {
        const own = nth(read, index);
        const which = typed.length > 1 ? ` ${index + 1}` : '';
        return (
          <div key={index} className={styles.mealPart}>
            <Choice
              label={`From${which}`}
              value={part.key}
              options={options}
              onChange={(key) => change(index, { key })}
            />
            <Field
              label={`It got${which}`}
              unit={scaleUnit}
              inputMode="decimal"
              autoComplete="off"
              value={part.text}
              onChange={(event) => change(index, { text: event.target.value })}
              problem={tried && !own.ok ? own.problem.message : undefined}
            />
            {typed.length > 1 && (
              <Button
                variant="text"
                size="small"
                aria-label={`Nothing from${which}`}
                onClick={() => setTyped(typed.filter((_, place) => place !== index))}
              >
                leave it out
              </Button>
            )}
          </div>
        );
      })}
      <div className={styles.mealTime}>
        <Field
          label="At"
          type="time"
          value={at}
          onChange={(event) => setAt(event.target.value)}
          problem={save.at('at')}
        />
      </div>
      <Problems problems={save.atHead('at')} />
      <div className={styles.links}>
        <Button type="submit" variant="contained" disabled={save.pending}>
          {meal.bowl ? 'Put it right' : 'It was fed'}
        </Button>
        {unused && (
          <Button variant="text" onClick={() => setTyped([...typed, { key: unused.value, text: '' }])}>
            and from another pack
          </Button>
        )}
        <Button variant="text" onClick={onDone}>
          leave it
        </Button>
      </div>
    </form>
  );
}
