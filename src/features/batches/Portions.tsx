'use client';

import { writeNumber } from '@/core/quantity/write';
import { sure } from '@/core/sure';
import { DogBadge } from '@/ui/badges/badges';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import styles from './batches.module.css';
import { Guests } from './Guests';
import type { BatchView } from './view';

/** What each dog gets of the pot a day and a meal, and how long it lasts: for its dogs, for each alone, and for guests. */
export function Portions({ view }: { view: BatchView }) {
  const { inMass } = useUnits();
  const weighed = sure(view.weighed);
  return (
    <section aria-labelledby="portions">
      <h3 id="portions">Each dog, each day</h3>
      {weighed.lasts !== undefined && (
        <p className="soft">
          {weighed.yields.length > 1 ? 'All of it lasts' : 'The pot lasts'} <b>{writeNumber(weighed.lasts, 1)} days</b>.
        </p>
      )}
      <ul className="rows">
        {weighed.portions.map((portion) => (
          <li key={portion.dogId} className={styles.portion}>
            <DogBadge letters={portion.letters} badge={portion.badge} size={40} />
            <div>
              <p>
                {portion.name} <b className={styles.perDay}>{inMass(portion.gramsADay)}</b> a day
                {portion.cups && `, ${portion.cups}`}
                {portion.parts.length > 0 &&
                  `: ${portion.parts.map((part) => `${inMass(part.grams)} ${part.name}`).join(' + ')}`}{' '}
                <Why of={portion.explanation} about={`${portion.name}’s grams`} />
              </p>
              {portion.fit && (
                <p className={portion.fit.isTooMuch ? 'danger' : 'caution'} role="alert">
                  {portion.fit.said} <Why of={portion.fit.why} about={`${portion.name}’s fullest meal`} />
                </p>
              )}
              <p className="note">
                {portion.meals
                  .map(
                    (meal, index) =>
                      `${meal.name} ${inMass(meal.grams)}${portion.cupsOf[index] ? `, ${portion.cupsOf[index]}` : ''}`,
                  )
                  .join(' · ')}
                {weighed.portions.length > 1 &&
                  portion.alone !== undefined &&
                  ` · alone it lasts ${writeNumber(portion.alone, 1)} days`}
              </p>
            </div>
          </li>
        ))}
      </ul>
      <Guests weighed={weighed} />
    </section>
  );
}
