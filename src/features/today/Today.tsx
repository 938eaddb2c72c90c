'use client';

import { Link } from '@/ui/Link';
import { Problems } from '@/ui/form/Problems';
import { EmptyRoom } from '@/ui/room';
import { Ahead } from './Ahead';
import { ClockAsked } from './ClockAsked';
import { DogBowl } from './bowl/DogBowl';
import { useFed } from './bowl/use-fed';
import { EarlierMeals } from './EarlierMeals';
import { ToFreezer } from './ToFreezer';
import { Tonight } from './Tonight';
import styles from './today.module.css';
import type { TodayView } from './view';

/** More dogs than this are a line each. */
const MANY = 6;

/** One dog's one meal. */
const bowlKey = (dog: TodayView['dogs'][number]) => `${dog.id}-${dog.next?.slotId ?? 'done'}`;

/** The next meal of every dog, what to move tonight, the weeks ahead, and what to watch. */
export function Today({ view }: { view: TodayView }) {
  const fed = useFed('take-back');
  if (view.dogs.length === 0) {
    return (
      <EmptyRoom
        title="Nobody to feed yet"
        aside={view.dayInFull}
        act={{ href: '/dogs/new', label: 'Add the first dog' }}
      >
        Start with a dog: its weight says how much it needs. Then write down a recipe, plan a cook day, and weigh the
        pot.
      </EmptyRoom>
    );
  }
  const most = Math.max(1, ...view.dogs.map((dog) => dog.next?.kcal ?? 0));
  return (
    <div className="page">
      <div className={`twoColumns ${styles.columns}`}>
        <div className={styles.main}>
          <div className="titleRow">
            <h1>{view.heading}</h1>
            <p className="soft">
              {view.dayInFull}
              {view.done && ` · ${view.done}`}
            </p>
          </div>
          {view.clockAsked !== undefined && <ClockAsked asked={view.clockAsked} />}
          <Problems problems={fed.problems} />
          <ul className={styles.bowls} data-many={view.dogs.length > MANY || undefined}>
            {view.dogs.map((dog) => (
              <DogBowl
                key={dog.id}
                dog={dog}
                day={view.day}
                sources={view.sources}
                cubes={view.cubes}
                full={(dog.next?.kcal ?? 0) / most}
                sameSlot={view.heading !== 'Next meals'}
                had={fed.bowl === bowlKey(dog)}
                onFed={(bowlId, said) => fed.tell(bowlId, said, bowlKey(dog))}
                onTakeBack={fed.takeBack}
              />
            ))}
          </ul>
          <Ahead view={view} />
          <EarlierMeals view={view} onTakeBack={fed.takeBack} />
        </div>
        <aside className={styles.side}>
          <Tonight packs={view.tonight} frozen={view.frozen} placeId={view.fridgePlaceId} day={view.day} />
          {view.toFreezer.map((of) => (
            <ToFreezer key={of.placeId} of={of} />
          ))}
          <section aria-labelledby="watch">
            <h2 id="watch">Watch</h2>
            {view.watch.length === 0 ? (
              <p className="note">Nothing cools, thaws or runs out.</p>
            ) : (
              <ul className={`rows ${styles.watch}`}>
                {view.watch.map((each) => (
                  <li key={each.title + each.said}>
                    <Link href={each.href} className={each.tone === 'plain' ? undefined : each.tone}>
                      <strong>{each.title}</strong>
                    </Link>
                    <p className="note">{each.said}</p>
                  </li>
                ))}
              </ul>
            )}
          </section>
        </aside>
      </div>
      {fed.bar}
    </div>
  );
}
