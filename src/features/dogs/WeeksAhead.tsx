'use client';

import { gramsHolding } from '@/core/nutrition/density';
import { scaleLinear } from 'd3';
import { addDays, daysBetween, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { energyByDay } from '@/core/dog/day-energy';
import type { Dog } from '@/core/dog/dog';
import { homeEnergyOn } from '@/core/dog/meals';
import { lifeStage } from '@/core/dog/stage';
import { sum } from '@/core/plan/scale';
import { writeNumber } from '@/core/quantity/write';
import styles from './dogs.module.css';
import { useUnits } from '@/ui/units';

/** px of the highest week. */
const HEIGHT = 88;

interface WeeksAheadProps {
  dog: Dog;
  from: LocalDate;
  to: LocalDate;
  density: number | undefined;
}

/** The food of the weeks to come, a bar a week: for dogs whose day does not stand still. */
export function WeeksAhead({ dog, from, to, density }: WeeksAheadProps) {
  const { inSum } = useUnits();
  const days = energyByDay(dog, from, daysBetween(from, to) + 1);
  const home = days.map((_, index) => homeEnergyOn(dog, addDays(from, index)));
  const weeks = Array.from({ length: Math.floor(days.length / 7) }, (_, week) => ({
    first: addDays(from, week * 7),
    kcal: sum(days.slice(week * 7, week * 7 + 7)) / 7,
    home: sum(home.slice(week * 7, week * 7 + 7)),
  }));
  const stage = lifeStage(dog, from).kind;
  if (stage === 'adult' || stage === 'senior') {
    return (
      <p className="note">
        The next eight weeks: {writeNumber(sum(home), 0)} kcal from the pot
        {density !== undefined && `, ${inSum(gramsHolding(sum(home), density))} of food`}.
      </p>
    );
  }
  const height = scaleLinear([0, Math.max(...weeks.map((week) => week.kcal))], [0, HEIGHT]);
  return (
    <section aria-labelledby="weeks" className="stack">
      <div className="titleRow">
        <h2 id="weeks">Eight weeks ahead</h2>
        <p className="note">
          summed day by day: {writeNumber(sum(home), 0)} kcal
          {density !== undefined && `, ${inSum(gramsHolding(sum(home), density))} of food`}; two weeks{' '}
          {writeNumber(sum(home.slice(0, 14)), 0)} kcal
        </p>
      </div>
      <ol className={styles.weeks}>
        {weeks.map((week) => (
          <li key={week.first}>
            <span className={styles.bar} style={{ height: `${height(week.kcal)}px` }} aria-hidden />
            <b>{writeNumber(week.kcal, 0)}</b>
            <span className="note">
              <span className="away">kcal a day, </span>
              {density !== undefined && (
                <>
                  {inSum(gramsHolding(week.home, density))}
                  <br />
                </>
              )}
              {writeDay(week.first, from).slice(4)}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
