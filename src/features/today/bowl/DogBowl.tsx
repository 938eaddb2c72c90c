'use client';

import { figure } from '@/ui/figure';
import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import type { LocalDate } from '@/core/calendar/local-date';
import { writeKcal } from '@/core/quantity/write';
import { Bowl, DogBadge } from '@/ui/badges/badges';
import { Problems } from '@/ui/form/Problems';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import styles from '../today.module.css';
import { sayOver, type DogToday, type ShownSource } from '../view';
import { Additions } from './Additions';
import { FromPacks } from './FromPacks';
import { Given } from './Given';
import { GivenForm } from './GivenForm';
import { LeftForm } from './LeftForm';
import { Missed } from './Missed';
import { OtherPack } from './OtherPack';
import { useBowl } from './use-bowl';
import { WhenFed } from './WhenFed';

interface DogBowlProps {
  dog: DogToday;
  day: LocalDate;
  sources: readonly ShownSource[];
  cubes: readonly ShownSource[];
  /** How full its bowl is drawn, beside the fullest of the household. */
  full: number;
  sameSlot: boolean;
  /** Its next meal was fed a moment ago; the page that says what comes after it is on its way. */
  had: boolean;
  onFed: (bowlId: number, said: string) => void;
  onTakeBack: (bowlId: number) => void;
}

/** One dog's next meal: grams, from which pack, and one press. */
export function DogBowl({ dog, day, sources, cubes, full, sameSlot, had, onFed, onTakeBack }: DogBowlProps) {
  const { inMass } = useUnits();
  const [choosing, setChoosing] = useState(false);
  const [open, setOpen] = useState<'left' | 'given'>();
  const [over, setOver] = useState(0);
  const { next } = dog;
  const bowl = useBowl({ dog, day, sources, cubes, onFed });
  const { drawn, missing, grams, water, feed } = bowl;
  const protein = bowl.sourceOf(drawn[0]?.key)?.protein;
  const isDry = water > 0;
  const madeFor = drawn.flatMap(({ key, code }) => {
    const said = bowl.sourceOf(key)?.madeFor;
    return said === undefined ? [] : [`${code} was ${said}`];
  })[0];

  const last = dog.fed.at(-1);
  const somethingElse = (
    <Button
      variant="text"
      size="small"
      aria-expanded={open === 'given'}
      aria-label={`${dog.name} got something else`}
      onClick={() => setOpen(open === 'given' ? undefined : 'given')}
    >
      got something else
    </Button>
  );
  const anotherPack = (
    <Button variant="text" size="small" aria-label={`Another pack for ${dog.name}`} onClick={() => setChoosing(true)}>
      another pack
    </Button>
  );

  return (
    <li className={styles.bowl}>
      <DogBadge letters={dog.letters} badge={dog.badge} />
      <span className={styles.drawing}>
        <Bowl hatch={protein?.hatch} full={next && drawn.length > 0 ? full : 0} />
      </span>
      <div className={styles.said}>
        <p className={styles.amount} {...figure('meal kcal', dog.id, next?.kcal)}>
          <span className={styles.name}>{dog.name}</span>{' '}
          {next && drawn.length > 0 && (
            <>
              {!sameSlot && <span className={styles.meal}>{next.slotName} </span>}
              <span className="figure" {...figure('bowl grams', dog.id, grams)}>
                {inMass(grams)}
              </span>
              {bowl.measure && <span className="soft"> {bowl.measure}</span>}
              {isDry && (
                <>
                  {' '}
                  <span className={styles.plus}>dry +</span> <span className="figure">{water} mL</span>{' '}
                  <span className="soft">water</span>
                </>
              )}
            </>
          )}
          {!next && (
            <span className={dog.off === undefined && dog.missed.length === 0 ? 'inOrder' : 'soft'}>
              {sayOver(dog)}
            </span>
          )}
        </p>
        {next && drawn.length > 0 && (
          <p className="soft">
            <FromPacks bowl={bowl} />{' '}
            <span className={styles.links}>
              <Why of={next.why} about={`${dog.name}’s ${next.slotName}`} />
              {anotherPack}
              <Link className={styles.alone} href={`/bowl/${dog.id}`} aria-label={`${dog.name}’s bowl alone, large`}>
                large
              </Link>
            </span>
          </p>
        )}
        {next && drawn.length === 0 && (
          <p className="caution">
            Nothing is ready for {next.slotName}.{' '}
            {dog.frozen.length > 0 ? (
              `In the freezer: ${dog.frozen.join(', ')}. `
            ) : (
              <Link href="/plan">Plan a batch</Link>
            )}
            <span className={styles.links}>
              {sources.length > 0 && anotherPack}
              {!last && somethingElse}
            </span>
          </p>
        )}
        {next && drawn.length > 0 && missing > 0 && (
          <p className="caution">{writeKcal(missing)} kcal short: the packs that are ready hold no more.</p>
        )}
        <Additions dog={dog} bowl={bowl} />
        {next && next.beside.length > 0 && <p className="note">besides today: {next.beside.join('; ')}</p>}
        {next?.less && <p className="note">{next.less}</p>}
        {madeFor && <p className="note">{madeFor}</p>}
        {dog.caution && <p className="note">{dog.caution}</p>}
        <Problems problems={feed.atHead('at')} />
        {next && <WhenFed next={next} bowl={bowl} />}
        {last && (
          <p className="note">
            {last.slotName} {last.clock}, {last.said}{' '}
            <Button
              variant="text"
              size="small"
              aria-label={`Take back ${dog.name}’s ${last.slotName}`}
              onClick={() => onTakeBack(last.bowlId)}
            >
              take back
            </Button>
            {last.left === undefined && (
              <Button
                variant="text"
                size="small"
                aria-expanded={open === 'left'}
                aria-label={`${dog.name} left some of ${last.slotName}`}
                onClick={() => setOpen(open === 'left' ? undefined : 'left')}
              >
                left some
              </Button>
            )}
            {somethingElse}
          </p>
        )}
        {last && open === 'left' && last.left === undefined && (
          <LeftForm bowlId={last.bowlId} whose={`${dog.name}’s ${last.slotName}`} onDone={() => setOpen(undefined)} />
        )}
        {dog.missed.map((meal) => (
          <Missed key={meal.slotId} meal={meal} sources={sources} />
        ))}
        <Given dog={dog} />
        {over > 0 && (
          <p className="note" role="status">
            {writeKcal(over)} kcal more than its meals of today and tomorrow hold: nothing more is taken off.
          </p>
        )}
        {!last && dog.off === undefined && !(next && drawn.length === 0) && <p className="note">{somethingElse}</p>}
        {open === 'given' && (
          <GivenForm
            dog={dog}
            sources={sources}
            onDone={(rest) => {
              setOver(rest);
              setOpen(undefined);
            }}
          />
        )}
      </div>
      {had && <p className={`inOrder ${styles.press}`}>fed</p>}
      {next && !had && drawn.length > 0 && (
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
      <OtherPack
        open={choosing}
        day={day}
        dogName={dog.name}
        sources={[...sources, ...cubes].filter((source) => !source.notFor?.includes(dog.id))}
        onClose={() => setChoosing(false)}
        onChoose={(key) => {
          bowl.choose(key);
          setChoosing(false);
        }}
      />
    </li>
  );
}
