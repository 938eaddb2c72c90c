'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { countOf } from '@/core/quantity/count-words';
import { WEEKS_FIELDS, type WeeksAsk } from '@/core/weeks/ask';
import { unstored, withMoved } from '@/core/weeks/said';
import { ProteinSwatch } from '@/ui/badges/badges';
import { Caution } from '@/ui/Caution';
import { Fold } from '@/ui/Fold';
import { Problems } from '@/ui/form/Problems';
import { EmptyRoom } from '@/ui/room';
import { LinkButton } from '@/ui/LinkButton';
import { useLive } from '@/ui/server-time';
import { Working } from '@/ui/Working';
import { Asked } from './Asked';
import { OneDay } from './OneDay';
import type { WeeksDay, WeeksView } from './queries';
import { useEdits } from './use-edits';
import { useWeeks } from './use-weeks';
import { WeeksPicture } from './WeeksPicture';
import styles from './weeks.module.css';

/** When to cook what over some weeks: one picture, what is asked, and the cook days as plans. */
export function WeeksRoom({ view }: { view: WeeksView }) {
  useLive();
  const weeks = useWeeks(view);
  const [ask, edit] = useEdits(view.ask);
  const [picked, setPicked] = useState<number>();
  // Until a day is pressed it is the next cook day.
  const first = Math.max(
    0,
    view.days.findIndex(({ pots }) => pots.length > 0),
  );
  const at = Math.min(picked ?? first, view.days.length - 1);
  const [isAsking, setAsking] = useState(false);
  if (view.allDogs.length === 0 || view.recipes.length === 0)
    return (
      <EmptyRoom
        title="Weeks ahead"
        act={
          view.allDogs.length === 0
            ? { href: '/dogs/new', label: 'Add the first dog' }
            : { href: '/recipes/new', label: 'Write the first recipe' }
        }
      >
        They are planned for a dog and of recipes.
      </EmptyRoom>
    );
  const { running, solving } = weeks;
  // What is asked now stands here until the page with it does.
  const solve = (next: WeeksAsk) => {
    edit(unstored(next, view.ask));
    weeks.solve(next);
  };
  // A cook day that moves takes the eye with it.
  const move = (from: WeeksDay, to: WeeksDay) => {
    setPicked(view.days.indexOf(to));
    solve(withMoved(ask, from.day, to.day, from.pots));
  };
  const isWrong = WEEKS_FIELDS.some((field) => solving.problems.some((problem) => problem.field?.startsWith(field)));
  return (
    <div className="page stack">
      <div className={styles.head}>
        <div>
          <h1>{view.headline}</h1>
          <p className="soft">{view.under}</p>
        </div>
        <div className={styles.legend}>
          {view.legend.map((protein) => (
            <ProteinSwatch key={protein.word} protein={protein} />
          ))}
        </div>
      </div>
      <Said weeks={weeks} view={view} />
      {!running &&
        view.leftOut.map(({ id, name }) => (
          <p key={id} className={styles.acts}>
            <span>{name} eats here and is not in these weeks.</span>
            <Button
              variant="outlined"
              disabled={solving.pending}
              onClick={() => solve({ ...ask, dogIds: [...ask.dogIds.filter((own) => own !== id), id] })}
            >
              Count {name} in
            </Button>
          </p>
        ))}
      <Problems problems={[...solving.atHead(), ...weeks.take.problems].filter(({ field }) => field === undefined)} />
      <WeeksPicture
        view={view}
        soFar={running ? weeks.now.soFar : []}
        at={at}
        disabled={running || solving.pending}
        onDay={setPicked}
        onMove={move}
      />
      <ul className="away">
        {view.days
          .filter(({ pots }) => pots.length > 0)
          .map(({ day, said, pots, cycles }) => (
            <li key={day}>
              {said}: {pots.map((pot) => `${countOf(pot.potfuls, 'potful')} of ${pot.name}`).join(', ')}
              {cycles.map(({ name, count }) => `; ${countOf(count, 'cycle')} of the ${name}`)}
            </li>
          ))}
      </ul>
      <div className={styles.acts}>
        <Button
          variant={view.isSolved ? 'outlined' : 'contained'}
          disabled={running || solving.pending}
          onClick={() => solve(ask)}
        >
          {view.isSolved ? 'Solve again from what is there' : 'Say when to cook what'}
        </Button>
        <Button variant="outlined" aria-expanded={isAsking || isWrong} onClick={() => setAsking(!isAsking)}>
          What is asked
        </Button>
        {(ask.said.length > 0 || ask.without.length > 0) && (
          <Button
            variant="text"
            disabled={running || solving.pending}
            onClick={() => solve({ ...ask, said: [], without: [] })}
          >
            Let go of all that I fixed
          </Button>
        )}
      </div>
      {(isAsking || isWrong) && (
        <section className="sheet" aria-labelledby="asked-weeks">
          <h2 id="asked-weeks">Asked of these weeks</h2>
          <Asked
            view={view}
            ask={ask}
            at={solving.at}
            onChange={(part) => {
              solving.clear();
              edit(part);
            }}
          />
        </section>
      )}
      <OneDay
        view={view}
        ask={ask}
        at={at}
        onDay={setPicked}
        disabled={running || solving.pending}
        onSay={solve}
        onMove={move}
      />
      {view.isSolved && <Take view={view} weeks={weeks} />}
    </div>
  );
}

/** More changes than this are said when they are asked for. */
const MANY = 8;

type Weeks = ReturnType<typeof useWeeks>;

/** What solving says: that it goes on, what stands in the way, what changed, what does not hold any more. */
function Said({ weeks: { now, running, stop }, view }: { weeks: Weeks; view: WeeksView }) {
  if (running) return <Working said={now.said} onStop={stop} />;
  const hasWays = now.inTheWay.length + now.ways.length > 0;
  return (
    <>
      {(now.is === 'nothing' || now.is === 'failed') && (
        <Caution danger={now.is === 'failed'} role="status">
          <b>{now.said}</b>{' '}
          {now.is === 'nothing' &&
            !hasWays &&
            !now.stopped &&
            'No single limit that gives would mend it: ask for less.'}
          {now.inTheWay.length > 0 && (
            <ul>
              {now.inTheWay.map((said) => (
                <li key={said}>{said}</li>
              ))}
            </ul>
          )}
          {now.ways.length > 0 && (
            <>
              <p>Any one of these would do:</p>
              <ul>
                {now.ways.map((said) => (
                  <li key={said}>{said}</li>
                ))}
              </ul>
            </>
          )}
        </Caution>
      )}
      {view.missed.map(({ planId, said }) => (
        <Caution key={planId}>
          {said}. Nothing of it is counted on. <Link href={`/plan/${planId}`}>Move it or put it away</Link>
        </Caution>
      ))}
      {view.broken.length > 0 && (
        <Caution role="status">
          Since it was solved things went otherwise: {view.broken.join('; ')}. Solve again from what is there.
        </Caution>
      )}
      {view.changed.length > 0 && (
        <Fold title={`What changed: ${countOf(view.changed.length, 'thing')}`} open={view.changed.length <= MANY}>
          <ul>
            {view.changed.map((said) => (
              <li key={said}>{said}</li>
            ))}
          </ul>
        </Fold>
      )}
    </>
  );
}

/** The cook days as plans: kept, changed until they are cooked, and bought for. */
function Take({ view, weeks: { take, taken, running } }: { view: WeeksView; weeks: Weeks }) {
  const { cautions, plans, solvedAt } = view;
  return (
    <section className="stack" aria-labelledby="take-weeks">
      <h2 id="take-weeks">As plans</h2>
      {cautions.length > 0 && (
        <Caution>
          <ul>
            {cautions.map(({ id, said }) => (
              <li key={id}>{said}</li>
            ))}
          </ul>
        </Caution>
      )}
      <div className={styles.acts}>
        <Button
          variant="contained"
          disabled={running || take.pending || solvedAt === undefined}
          onClick={() => take.run({ seen: cautions.map(({ id }) => id), solvedAt: solvedAt ?? '' })}
        >
          {cautions.length > 0 ? 'I have seen that: make them plans' : 'Make them plans'}
        </Button>
        <span role="status" className="note">
          {taken &&
            `${countOf(taken.plans, 'plan')} made or changed${taken.dropped > 0 ? `, ${taken.dropped} put away` : ''}.`}
        </span>
      </div>
      {plans.length > 0 && (
        <>
          <p>
            <LinkButton variant="outlined" href="/plan/buy">
              Buy for several at once
            </LinkButton>
          </p>
          <ul className="rows">
            {plans.map(({ planId, said }) => (
              <li key={planId}>
                <Link href={`/plan/${planId}`}>{said}</Link>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
