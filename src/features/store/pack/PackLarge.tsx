'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { writeKcal } from '@/core/quantity/write';
import { Tub } from '@/ui/badges/badges';
import { AskBack } from '@/ui/form/AskBack';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { movePacks } from '../actions';
import { AnyPortion } from './AnyPortion';
import { MoveTo } from './MoveTo';
import type { OpenPack } from './queries';
import styles from '../store.module.css';

/** A pack as it lies in a wet hand: its code, whom it is for and until when, as large as the screen allows. */
export function PackLarge({ code, pack }: { code: string; pack: OpenPack | undefined }) {
  const { inMass } = useUnits();
  const move = useCommand(movePacks, `large-${code}-move`);
  if (!pack)
    return (
      <div className="page">
        <h1>{code}</h1>
        <p className="caution">No pack has this code. Is it read right? A letter of the recipe, and a number.</p>
        <p>
          <Link href="/store">To the Store</Link>
        </p>
      </div>
    );
  const gone = pack.grams <= 0;
  return (
    <div className={`page ${styles.large}`}>
      <div className={styles.largeHead}>
        <Tub hatch={pack.protein.hatch} full={pack.full} size={96} />
        <h1>{pack.code}</h1>
      </div>
      <p className={styles.largeWhom}>{pack.split.length > 0 ? pack.split.join(' · ') : pack.whose}</p>
      <p className={styles.largeGrams}>
        {pack.backIn !== undefined ? 'taken back' : gone ? 'empty' : inMass(pack.grams)}
        {!gone && <span className="soft"> {writeKcal(pack.kcal)} kcal</span>}
      </p>
      {!gone && (
        <p className={`${styles.largeUntil} ${pack.tone === 'plain' ? '' : pack.tone}`}>
          {pack.until}, {pack.placeName.toLowerCase()}
          {pack.notes.length > 0 && ` · ${pack.notes.join(', ')}`}
        </p>
      )}
      {pack.first && <p className={styles.largeFirst}>First {pack.first}.</p>}
      <AnyPortion pack={pack} />
      {pack.label && <p className="caution">Its label: {pack.label}.</p>}
      <Problems problems={move.atHead('fits')} />
      <AskBack command={move} field="fits" label="It fits" answer={{ fits: true }} />
      <div className={styles.acts}>
        {!gone && <MoveTo pack={pack} move={move} />}
        <Button variant="outlined" size="large" component={Link} href="/">
          Feed it on Today
        </Button>
        <Button variant="text" size="large" component={Link} href={`/store?pack=${pack.code}`}>
          all about it, in the Store
        </Button>
      </div>
      <section aria-labelledby="from">
        <h2 id="from">In it</h2>
        <ul className="rows">
          {pack.contents.map((each, index) => (
            <li key={index}>
              <Link href={`/batches/${each.batchId}`}>{each.said}</Link>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
