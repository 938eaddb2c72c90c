'use client';

import { Fold } from '@/ui/Fold';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { sure } from '@/core/sure';
import { useCommand } from '@/ui/form/use-command';
import { Problems } from '@/ui/form/Problems';
import { takeBackLeft, takeBackNone } from './actions';
import { LeftForm } from './bowl/LeftForm';
import { useGotNone } from './bowl/Missed';
import { MealForm } from './MealForm';
import styles from './today.module.css';
import type { EarlierMeal, ShownSource, TodayView } from './view';

interface EarlierMealsProps {
  view: TodayView;
  onTakeBack: (bowlId: number) => void;
}

/** The meals of today and the last three days: marked late, taken back, or put right. */
export function EarlierMeals({ view, onTakeBack }: EarlierMealsProps) {
  const [open, setOpen] = useState<{ readonly key: string; readonly what: 'left' | 'meal' }>();
  const back = useCommand(takeBackLeft, 'left-back');
  if (view.earlier.length === 0) return null;
  return (
    <Fold lazy className={styles.earlier} title="Meals of the last days">
      <Problems problems={back.problems} />
      {view.earlier.map(({ said, meals }) => (
        <section key={said} aria-label={`Meals of ${said}`}>
          <h3>{said}</h3>
          <ul className="rows">
            {meals.map((meal) => {
              const key = `${meal.day}-${meal.dogId}-${meal.slotId ?? `x${meal.bowl?.bowlId}`}`;
              return (
                <EarlierRow
                  key={key}
                  meal={meal}
                  said={said}
                  sources={view.sources}
                  open={open?.key === key ? open.what : undefined}
                  onOpen={(what) => setOpen(what && { key, what })}
                  onTakeBack={onTakeBack}
                  onLeftBack={(movementId) => back.run({ movementId })}
                />
              );
            })}
          </ul>
        </section>
      ))}
    </Fold>
  );
}

interface EarlierRowProps {
  meal: EarlierMeal;
  /** Its day. */
  said: string;
  sources: readonly ShownSource[];
  open: 'left' | 'meal' | undefined;
  onOpen: (what: 'left' | 'meal' | undefined) => void;
  onTakeBack: (bowlId: number) => void;
  onLeftBack: (movementId: number) => void;
}

/** One meal: as it was fed, left out, or with the two answers of one that was missed. */
function EarlierRow({ meal, said, sources, open, onOpen, onTakeBack, onLeftBack }: EarlierRowProps) {
  const whose = `${meal.dogName}’s ${meal.slotName}, ${said}`;
  const none = useGotNone(meal);
  const noneBack = useCommand(takeBackNone, `none-back-${meal.none}`);
  const { bowl } = meal;
  const toggle = (what: 'left' | 'meal') => onOpen(open === what ? undefined : what);
  const link = (words: string, label: string, press: () => void, expanded?: boolean) => (
    <Button variant="text" size="small" aria-expanded={expanded} aria-label={`${label} ${whose}`} onClick={press}>
      {words}
    </Button>
  );
  return (
    <li>
      <div className={styles.earlierRow}>
        <span>
          <b>{meal.dogName}</b>, {meal.slotName}
        </span>
        <span className={bowl || meal.none !== undefined ? 'soft' : 'caution'}>
          {bowl ? `${bowl.clock} · ${bowl.said}` : meal.none === undefined ? 'missed' : 'got none'}
        </span>
        <span className={styles.links}>
          {bowl &&
            (bowl.left === undefined
              ? link('left some', 'Left some of', () => toggle('left'), open === 'left')
              : link('left nothing', 'Left nothing of', () => bowl.left !== undefined && onLeftBack(bowl.left)))}
          {bowl && link('take back', 'Take back', () => onTakeBack(bowl.bowlId))}
          {meal.none !== undefined &&
            link('take back', 'Take back none for', () => noneBack.run({ dogId: meal.dogId, offId: sure(meal.none) }))}
          {meal.slotId !== null &&
            meal.none === undefined &&
            link(bowl ? 'put right' : 'it was fed', bowl ? 'Put right' : 'Mark', () => toggle('meal'), open === 'meal')}
          {!bowl && meal.none === undefined && link('it got none', 'None for', none.press)}
        </span>
      </div>
      <Problems problems={[...none.problems, ...noneBack.problems]} />
      {open === 'left' && bowl && <LeftForm bowlId={bowl.bowlId} whose={whose} onDone={() => onOpen(undefined)} />}
      {open === 'meal' && <MealForm meal={meal} sources={sources} onDone={() => onOpen(undefined)} />}
    </li>
  );
}
