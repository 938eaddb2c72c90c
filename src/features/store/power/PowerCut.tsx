'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { sayCut } from '@/core/preserve/power-cut';
import { Fold } from '@/ui/Fold';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { beginCut, sayOfCut } from '../actions';
import { CutPlaces } from './CutPlaces';
import { CutVerdicts } from './CutVerdicts';
import { Warming } from './Warming';
import styles from './power.module.css';
import type { PowerView } from './queries';

/** The power is away, or was: how warm it got, what to save first, and what is to become of every pack. */
export function PowerCut({ view }: { view: PowerView }) {
  const { cut } = view;
  if (!cut) return <Begin view={view} />;
  return (
    <div className={`page ${styles.cut}`}>
      <div className="stack">
        <div className="titleRow">
          <h1>
            The power {cut.isAway ? 'has been' : 'was'} away {sayCut(cut.hours)}
          </h1>
          <p className="soft">
            {view.places.some((place) => place.readings.length > 0)
              ? 'drawn through what was read'
              : 'estimated from how full it is and how often it was opened'}
          </p>
        </div>
        <Warming view={view} />
        {cut.isAway ? <SaveFirst view={view} /> : <CutVerdicts view={view} />}
      </div>
      <aside className="stack">
        <When view={view} />
        <CutPlaces view={view} />
      </aside>
    </div>
  );
}

function Begin({ view }: { view: PowerView }) {
  const [at, setAt] = useState(view.now);
  const begin = useCommand(beginCut, 'begin-cut');
  return (
    <div className="page stack">
      <h1>A power cut?</h1>
      <p>
        Keep the doors shut. From here on the clock runs: it says what to save first, and afterwards what is to become
        of every pack.
      </p>
      <form
        className={styles.begin}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          begin.run({ at });
        }}
      >
        <Field
          label="It went away"
          type="datetime-local"
          value={at}
          onChange={(event) => setAt(event.target.value)}
          problem={begin.at('at')}
        />
        <Button type="submit" variant="contained" size="large" disabled={begin.pending} data-next-act>
          The power is away
        </Button>
      </form>
      <Problems problems={begin.atHead('at')} />
      <p>
        <Link href="/store">to the Store</Link>
      </p>
    </div>
  );
}

/** While it is away: the places in the order in which they lose their food, and what lies in each. */
function SaveFirst({ view }: { view: PowerView }) {
  return (
    <section aria-labelledby="save" className="stack">
      <h2 id="save">Save first</h2>
      <ol className={styles.save}>
        {view.places.map((place) => (
          <li key={place.placeId} className={place.isOver ? styles.over : styles.still}>
            <h3>
              {place.name}{' '}
              <span className={place.isOver ? 'danger' : 'soft'}>
                {place.packs.length === 0
                  ? 'nothing in it'
                  : place.until === undefined
                    ? 'keeps cold'
                    : place.isOver
                      ? `was safe until ${place.until}`
                      : `keeps until ${place.until}`}
              </span>
            </h3>
            {place.packs.length > 0 && (
              <p>
                {place.packs.map(({ code }) => code).join(', ')}:{' '}
                {place.isOver
                  ? 'perhaps lost: keep it shut, and look at each of them once the power is back'
                  : place.kind === 'fridge'
                    ? 'feed it, or lay it into a box with ice; frozen packs beside it keep it cold'
                    : 'leave it shut; packs close together, or in one box, stay frozen longer'}
              </p>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** When it went and came back, each to be put right. */
function When({ view }: { view: PowerView }) {
  const cut = view.cut;
  const say = useCommand(sayOfCut, `cut-${cut?.id ?? 0}`);
  const [from, setFrom] = useState(cut?.fromTyped ?? '');
  const [back, setBack] = useState(view.now);
  if (!cut) return null;
  const act = (of: Parameters<typeof say.run>[0]['of']) => say.run({ cutId: cut.id, of });
  return (
    <section aria-labelledby="when" className="stack">
      <h2 id="when" className="away">
        When
      </h2>
      <dl className={styles.facts}>
        <dt>from</dt>
        <dd>{cut.from}</dd>
        <dt>until</dt>
        <dd>
          {cut.to ?? 'still away'}
          {!cut.isAway && (
            <Button variant="text" size="small" disabled={say.pending} onClick={() => act({ what: 'still away' })}>
              still away
            </Button>
          )}
        </dd>
      </dl>
      {cut.isAway && (
        <div className={styles.begin}>
          <Field
            label="It came back"
            type="datetime-local"
            value={back}
            onChange={(event) => setBack(event.target.value)}
            problem={say.at('at')}
          />
          <Button
            variant="contained"
            size="large"
            disabled={say.pending}
            onClick={() => act({ what: 'back', at: back })}
          >
            The power is back
          </Button>
        </div>
      )}
      <Fold title="it went at another time, or never">
        <div className={styles.begin}>
          <Field
            label="It went away"
            type="datetime-local"
            value={from}
            onChange={(event) => setFrom(event.target.value)}
          />
          <Button variant="outlined" disabled={say.pending} onClick={() => act({ what: 'from', at: from })}>
            That is when
          </Button>
          <Button variant="text" disabled={say.pending} onClick={() => act({ what: 'never' })}>
            there was none
          </Button>
        </div>
      </Fold>
      <Problems problems={say.atHead(...(cut.isAway ? ['at'] : []))} />
    </section>
  );
}
