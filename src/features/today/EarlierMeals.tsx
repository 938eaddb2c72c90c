'use client';

import { Fold } from '@/ui/Fold';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useCommand } from '@/ui/form/use-command';
import { Problems } from '@/ui/form/Problems';
import { takeBackLeft } from './actions';
import { LeftForm } from './bowl/LeftForm';
import { MealForm } from './MealForm';
import styles from './today.module.css';
import type { TodayView } from './view';

interface EarlierMealsProps {
  view: TodayView;
  onTakeBack: (bowlId: number) => void;
}

/** The meals of today and the last three days: marked late, taken back, or put right. */
export function EarlierMeals({ view, onTakeBack }: EarlierMealsProps) {
  const [open, setOpen] = useState<string>();
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
                          aria-expanded={open === `left ${key}`}
                          aria-label={`${meal.bowl.left === undefined ? 'Left some of' : 'Left nothing of'} ${whose}`}
                          onClick={() =>
                            meal.bowl?.left === undefined
                              ? setOpen(open === `left ${key}` ? undefined : `left ${key}`)
                              : back.run({ movementId: meal.bowl.left })
                          }
                        >
                          {meal.bowl.left === undefined ? 'left some' : 'left nothing'}
                        </Button>
                      )}
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
                      {meal.slotId !== null && (
                        <Button
                          variant="text"
                          size="small"
                          aria-expanded={open === key}
                          aria-label={`${meal.bowl ? 'Put right' : 'Mark'} ${whose}`}
                          onClick={() => setOpen(open === key ? undefined : key)}
                        >
                          {meal.bowl ? 'put right' : 'it was fed'}
                        </Button>
                      )}
                    </span>
                  </div>
                  {open === `left ${key}` && meal.bowl && (
                    <LeftForm bowlId={meal.bowl.bowlId} whose={whose} onDone={() => setOpen(undefined)} />
                  )}
                  {open === key && <MealForm meal={meal} sources={view.sources} onDone={() => setOpen(undefined)} />}
                </li>
              );
            })}
          </ul>
        </section>
      ))}
    </Fold>
  );
}
