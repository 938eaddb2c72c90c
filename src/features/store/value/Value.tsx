'use client';

import { figure } from '@/ui/figure';
import { countOf } from '@/core/quantity/count-words';
import { Link } from '@/ui/Link';
import { UnreadList } from '@/ui/Unread';
import { DogBadge, HatchTile } from '@/ui/badges/badges';
import { hatchFill } from '@/ui/badges/hatch-defs';
import { stackedBar } from '@/ui/charts/stacked-bar';
import { Why } from '@/ui/Why';
import type { ValueView } from './queries';
import styles from './value.module.css';

const [WIDTH, HIGH] = [420, 22];

/** What a day of each dog costs, a bar as long as its price, beside what the same kcal cost as bought food; and what the pots cost. */
export function Value({ view }: { view: ValueView }) {
  const most = Math.max(
    1,
    ...view.dogs.flatMap(({ home, bought }) => [home?.minor ?? 0, ...bought.map(({ minor }) => minor)]),
  );
  const dearest = Math.max(1, ...view.pots.map(({ minor }) => minor));
  const hasBought = view.dogs.some(({ bought }) => bought.length > 0);
  return (
    <div className="page stack">
      <div className="titleRow">
        <h1>What it costs</h1>
        <p className="soft">
          a dog’s day by what it got in {view.days} days · <Link href="/store/waste">not eaten</Link> ·{' '}
          <Link href="/store">to the Store</Link>
        </p>
      </div>
      <UnreadList things={view.unread} />
      {view.isBare && (
        <p>Nothing that was cooked has a price yet. Tick what you buy on a plan’s list, and write down what it cost.</p>
      )}
      <ul className={styles.dogs}>
        {view.dogs.map((dog) => (
          <li key={dog.dogId}>
            <p className={styles.name}>
              <DogBadge badge={dog.badge} letters={dog.letters} size={28} /> {dog.name}
            </p>
            <ul>
              <li className={styles.bar}>
                <span>home-cooked</span>
                <Bar part={(dog.home?.minor ?? 0) / most} hatch="diagonal" />
                <b>
                  {dog.home?.said ??
                    (dog.partly > 0
                      ? `not known: of ${countOf(dog.partly, 'day')} only a part was pressed`
                      : 'not known')}{' '}
                  {dog.home && <Why of={dog.home.why} about={`what ${dog.name} costs a day`} />}
                </b>
              </li>
              {dog.bought.map((food) => (
                <li key={food.name} className={styles.bar}>
                  <span>
                    {food.name}, <span className="soft">{dog.isGot ? 'the same kcal' : 'for what is asked'}</span>
                  </span>
                  <Bar part={food.minor / most} hatch="dots" />
                  <b>
                    {food.said} <Why of={food.why} about={`what ${food.name} would cost ${dog.name} a day`} />
                  </b>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
      {!hasBought && view.dogs.length > 0 && (
        <p className="note">
          A bought food whose <Link href="/recipes/supplies">label</Link> says its kcal and its price stands beside it.
        </p>
      )}
      {view.pots.length > 0 && (
        <section aria-labelledby="pots">
          <h2 id="pots">The last pots</h2>
          <ul className={styles.pots}>
            {view.pots.map((pot) => (
              <li key={pot.batchId} className={styles.bar}>
                <span>
                  <HatchTile hatch={pot.protein.hatch} width={20} height={14} />{' '}
                  <Link href={`/batches/${pot.batchId}`}>{pot.name}</Link> <span className="note">{pot.when}</span>
                </span>
                <Bar part={pot.minor / dearest} hatch={pot.protein.hatch} />
                <span>
                  <b {...figure('pot cost', pot.batchId, pot.minor)}>{pot.said}</b>{' '}
                  <Why of={pot.why} about={`what ${pot.name} of ${pot.when} cost`} />
                  <span className="note">
                    {pot.aKilo && ` ${pot.aKilo} a kg`}
                    {pot.unknown.length > 0 && ` · no price: ${pot.unknown.join(', ')}`}
                  </span>
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

/** A bar as long as its part of the dearest. */
function Bar({ part, hatch }: { part: number; hatch: Parameters<typeof hatchFill>[0] }) {
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HIGH}`} width="100%" height={HIGH} preserveAspectRatio="none" aria-hidden>
      {stackedBar([part], (each) => each, WIDTH).map(({ x, width }) => (
        <rect key={x} x={x} width={width} height={HIGH} fill={hatchFill(hatch)} stroke="var(--slate)" />
      ))}
    </svg>
  );
}
