'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { writeKcal } from '@/core/quantity/write';
import { bowlOf, drawMeal, fitFor, type Drawn } from '@/core/stock/draw';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { Bowl, DogBadge } from '@/ui/badges/badges';
import { Why } from '@/ui/Why';
import { feedNext } from './actions';
import { LeftForm } from './LeftForm';
import { OtherPack } from './OtherPack';
import styles from './today.module.css';
import type { LocalDate } from '@/core/calendar/local-date';
import type { DogToday, ShownSource } from './view';
import { useUnits } from '@/ui/units';
import { sure } from '@/core/sure';

interface DogBowlProps {
  dog: DogToday;
  day: LocalDate;
  sources: readonly ShownSource[];
  /** How full its bowl is drawn, beside the fullest of the household. */
  full: number;
  sameSlot: boolean;
  /** Its next meal was fed a moment ago; the page that says what comes after it is on its way. */
  had: boolean;
  onFed: (bowlId: number, said: string) => void;
  onTakeBack: (bowlId: number) => void;
}

/** One dog's next meal: grams, from which pack, and one press. */
export function DogBowl({ dog, day, sources, full, sameSlot, had, onFed, onTakeBack }: DogBowlProps) {
  const { inMass } = useUnits();
  const [first, setFirst] = useState<string>();
  const [choosing, setChoosing] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const { next } = dog;
  const chosen = sources.find((source) => source.key === first);
  const rest = fitFor(sources, dog.id, next?.recipeId).filter((source) => source.key !== first);
  const { drawn, missing }: { drawn: readonly Drawn[]; missing: number } =
    next && chosen
      ? drawMeal(next.kcal, [chosen, ...rest], dog.id)
      : { drawn: next?.drawn ?? [], missing: next?.missing ?? 0 };
  const router = useRouter();
  const feed = useCommand(feedNext, `feed-${dog.id}-${next?.slotId}-${day}`, ({ bowlId }) => {
    onFed(bowlId, `${dog.name} has had ${next?.slotName}.`);
    router.refresh();
  });

  const sourceOf = (key: string | undefined) => sources.find((source) => source.key === key);
  const potOf = (key: string | undefined) => sourceOf(key)?.pot;
  const protein = sourceOf(drawn[0]?.key)?.protein;
  const { grams, water } = bowlOf(drawn);
  const isDry = water > 0;
  const parts = drawn.map(({ key, grams: mass }) => {
    const id = Number(key.split('-')[1]);
    return key.startsWith('share') ? { shareId: id, grams: mass } : { holdingId: id, grams: mass };
  });

  const last = dog.fed.at(-1);
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
        <p className={styles.amount}>
          <span className={styles.name}>{dog.name}</span>{' '}
          {next && drawn.length > 0 && (
            <>
              {!sameSlot && <span className={styles.meal}>{next.slotName} </span>}
              <span className="figure">{inMass(grams)}</span>
              {isDry && (
                <>
                  {' '}
                  <span className={styles.plus}>dry +</span> <span className="figure">{water} mL</span>{' '}
                  <span className="soft">water</span>
                </>
              )}
            </>
          )}
          {!next &&
            (dog.off ? <span className="soft">{dog.off}</span> : <span className="inOrder">has eaten for today</span>)}
        </p>
        {next && drawn.length > 0 && (
          <p className="soft">
            {drawn.map((part, index) => (
              <span key={part.key}>
                {index === 0 ? 'from ' : ', then '}
                <b>{part.code}</b>
                {drawn.length > 1 && ` ${inMass(part.grams)}`}
                {potOf(part.key) !== potOf(drawn[index + 1]?.key) && `, ${potOf(part.key)}`}
              </span>
            ))}
            {isDry && ': warm water, wait 10 min'}{' '}
            <span className={styles.links}>
              <Why of={next.why} about={`${dog.name}’s ${next.slotName}`} />
              {anotherPack}
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
            {sources.length > 0 && anotherPack}
          </p>
        )}
        {next && drawn.length > 0 && missing > 0 && (
          <p className="caution">{writeKcal(missing)} kcal short: the packs that are ready hold no more.</p>
        )}
        {next && drawn.length > 0 && next.additions.length > 0 && (
          <ul className={styles.additions} aria-label={`Into ${dog.name}’s bowl`}>
            {next.additions.map((addition) => (
              <li key={addition.lineId}>
                <label>
                  <Checkbox size="small" /> {addition.said}
                </label>
              </li>
            ))}
          </ul>
        )}
        {next && next.beside.length > 0 && <p className="note">besides today: {next.beside.join('; ')}</p>}
        {dog.caution && <p className="note">{dog.caution}</p>}
        <Problems problems={feed.atHead('at')} />
        {next && feed.at('at') !== undefined && (
          <div className={styles.when} role="alert">
            <p>
              <b>{feed.at('at')}</b>
            </p>
            {!sure(feed.at('at')).includes('already') && (
              <Button
                variant="contained"
                disabled={feed.pending}
                onClick={() => feed.run({ dogId: dog.id, slotId: next.slotId, day, parts, at: next.clock })}
              >
                At {next.clock}
              </Button>
            )}
            <Button
              variant="outlined"
              disabled={feed.pending}
              onClick={() => feed.run({ dogId: dog.id, slotId: next.slotId, day, parts, at: 'now' })}
            >
              Now
            </Button>
            <Button variant="text" onClick={feed.clear}>
              not yet
            </Button>
          </div>
        )}
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
                aria-expanded={leaving}
                aria-label={`${dog.name} left some of ${last.slotName}`}
                onClick={() => setLeaving(!leaving)}
              >
                left some
              </Button>
            )}
          </p>
        )}
        {last && leaving && last.left === undefined && (
          <LeftForm bowlId={last.bowlId} whose={`${dog.name}’s ${last.slotName}`} onDone={() => setLeaving(false)} />
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
          onClick={() => feed.run({ dogId: dog.id, slotId: next.slotId, day, parts })}
        >
          Fed
        </Button>
      )}
      <OtherPack
        open={choosing}
        day={day}
        dogName={dog.name}
        sources={sources.filter((source) => !source.notFor?.includes(dog.id))}
        onClose={() => setChoosing(false)}
        onChoose={(key) => {
          setFirst(key);
          setChoosing(false);
        }}
      />
    </li>
  );
}
