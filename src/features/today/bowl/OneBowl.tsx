'use client';

import { figure } from '@/ui/figure';
import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { writeKcal } from '@/core/quantity/write';
import { DogBadge } from '@/ui/badges/badges';
import { Problems } from '@/ui/form/Problems';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import { sayOver, type DogToday, type TodayView } from '../view';
import { Additions } from './Additions';
import { FromPacks } from './FromPacks';
import styles from './one-bowl.module.css';
import { useBowl } from './use-bowl';
import { useFed } from './use-fed';
import { WhenFed } from './WhenFed';

/** One dog's next bowl as large as the screen allows, and whose comes after it. */
export function OneBowl({ view, dog }: { view: TodayView; dog: DogToday }) {
  const { inMass } = useUnits();
  const fed = useFed(`one-back-${dog.id}`);
  const bowl = useBowl({
    dog,
    day: view.day,
    sources: view.sources,
    cubes: view.cubes,
    onFed: (bowlId, said) => fed.tell(bowlId, said, ''),
  });
  const { drawn, grams, water, measure, missing, feed } = bowl;
  const { next } = dog;
  const others = view.dogs.filter((each) => each.id !== dog.id);
  // Whose bowl is still to be filled, after this dog first.
  const after = [...view.dogs.slice(view.dogs.indexOf(dog) + 1), ...view.dogs].find(
    (each) => each.id !== dog.id && each.next && each.next.drawn.length > 0,
  );
  return (
    <div className={`page ${styles.bowl}`}>
      <div className={styles.head}>
        <DogBadge letters={dog.letters} badge={dog.badge} size={64} />
        <div>
          <h1>{dog.name}</h1>
          <p className="soft" {...figure('meal kcal', dog.id, next?.kcal)}>
            {next ? `${next.slotName}, ${next.clock}` : sayOver(dog)}
          </p>
        </div>
      </div>
      {next && drawn.length > 0 && (
        <>
          <p className={styles.grams} {...figure('bowl grams', dog.id, grams)}>
            {inMass(grams)}
            {water > 0 && (
              <>
                {' '}
                dry <span className="soft">+</span> {water} mL
              </>
            )}
          </p>
          <p className={styles.from}>
            {measure && <>{measure} · </>}
            <FromPacks bowl={bowl} /> <Why of={next.why} about={`${dog.name}’s ${next.slotName}`} />
          </p>
          {missing > 0 && (
            <p className="caution">{writeKcal(missing)} kcal short: the packs that are ready hold no more.</p>
          )}
          <div className={styles.additions}>
            <Additions dog={dog} bowl={bowl} />
          </div>
          {next.less && <p className="note">{next.less}</p>}
          {next.beside.length > 0 && <p>besides today: {next.beside.join('; ')}</p>}
        </>
      )}
      {next && drawn.length === 0 && (
        <p className="caution">
          Nothing is ready for {next.slotName}.{dog.frozen.length > 0 && ` In the freezer: ${dog.frozen.join(', ')}.`}
        </p>
      )}
      {dog.caution && <p className="note">{dog.caution}</p>}
      <Problems problems={[...feed.atHead('at'), ...fed.problems]} />
      {next && <WhenFed next={next} bowl={bowl} />}
      {next && drawn.length > 0 && (
        <Button
          className={styles.press}
          variant="contained"
          size="large"
          data-next-act
          disabled={feed.pending}
          aria-label={`Fed ${dog.name}`}
          onClick={() => bowl.press()}
        >
          Fed
        </Button>
      )}
      {dog.fed.map(({ bowlId, slotName, clock, said }) => (
        <p key={bowlId} className="note">
          {slotName} {clock}, {said}{' '}
          <Button
            variant="text"
            size="small"
            disabled={fed.pending}
            aria-label={`Take back ${dog.name}’s ${slotName}`}
            onClick={() => fed.takeBack(bowlId)}
          >
            take back
          </Button>
        </p>
      ))}
      <nav className={styles.others} aria-label="The other bowls">
        {after && (
          <Button variant="outlined" size="large" component={Link} href={`/bowl/${after.id}`}>
            Now {after.name}
          </Button>
        )}
        {others
          .filter((each) => each !== after)
          .map((each) => (
            <Button key={each.id} variant="text" component={Link} href={`/bowl/${each.id}`}>
              {each.name}
            </Button>
          ))}
        <Button variant="text" component={Link} href="/">
          all of Today
        </Button>
      </nav>
      {fed.bar}
    </div>
  );
}
