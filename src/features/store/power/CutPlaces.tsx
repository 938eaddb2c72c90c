'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { readFoodTemperature } from '@/core/heat/heat-check';
import { LIKELY_IN_CUT } from '@/core/preserve/power-cut';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { sayOfCut } from '../actions';
import styles from './power.module.css';
import type { CutPlaceView, PowerView } from './queries';

const FULL = [
  { value: '', label: 'as full as its packs' },
  { value: '1', label: 'full' },
  { value: '0.5', label: 'half full' },
  { value: '0.2', label: 'nearly empty' },
] as const;

/** What is known of each cold place during a cut: how full, how often it was opened, what was read in it. */
export function CutPlaces({ view }: { view: PowerView }) {
  return view.cut
    ? view.places.map((place) => (
        <OnePlace key={place.placeId} cutId={view.cut?.id ?? 0} isAway={view.cut?.isAway === true} place={place} />
      ))
    : null;
}

function OnePlace({ cutId, isAway, place }: { cutId: number; isAway: boolean; place: CutPlaceView }) {
  const { set, inDegrees } = useUnits();
  const [text, setText] = useState('');
  const [unread, setUnread] = useState<string>();
  const say = useCommand(sayOfCut, `cut-${cutId}-${place.placeId}`, () => setText(''));
  const act = (of: Parameters<typeof say.run>[0]['of']) => say.run({ cutId, of });
  const submit = () => {
    const read = readFoodTemperature(text, set, LIKELY_IN_CUT[place.kind]);
    setUnread(read.ok ? undefined : read.problem.message);
    if (read.ok) act({ what: 'read', placeId: place.placeId, celsius: read.value });
  };
  return (
    <section aria-labelledby={`cut-${place.placeId}`} className={styles.place}>
      <h3 id={`cut-${place.placeId}`}>
        {place.name} <span className="soft">about {inDegrees(place.verdict.celsius, 0)}</span>
      </h3>
      {place.kind === 'freezer' && (
        <Choice
          label={`${place.name} was`}
          value={FULL.find(({ value }) => value === place.saidFull)?.value ?? ''}
          options={FULL}
          onChange={(full) => full !== '' && act({ what: 'full', placeId: place.placeId, full: Number(full) })}
        />
      )}
      <form
        className={styles.reading}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <Field
          label={`Read in the ${place.name.toLowerCase()}`}
          hint={set === 'us' ? '41 °F' : place.kind === 'fridge' ? '6.5 °C' : '−6.2 °C'}
          autoComplete="off"
          value={text}
          onChange={(event) => setText(event.target.value)}
          problem={unread ?? say.at('celsius')}
        />
        <Button type="submit" variant="outlined" disabled={say.pending}>
          Keep it
        </Button>
      </form>
      <Button
        variant="text"
        size="small"
        disabled={say.pending}
        onClick={() => act({ what: 'opened', placeId: place.placeId })}
      >
        it was opened{place.opened > 0 ? ` (${place.opened} ×)` : ''}
      </Button>
      {!isAway && (
        <p className="note">
          {place.isColdAgain
            ? 'Cold again, as it was read since.'
            : 'Not known to be cold again: read it once more now that the power is back.'}
        </p>
      )}
      {place.events.length > 0 && (
        <ul className={styles.events} aria-label={`Said of the ${place.name.toLowerCase()}`}>
          {place.events.map((event) => (
            <li key={event.id}>
              {event.said}{' '}
              <Button
                variant="text"
                size="small"
                aria-label={`Unsay: ${event.said}`}
                disabled={say.pending}
                onClick={() => act({ what: 'unsay', eventId: event.id })}
              >
                unsay
              </Button>
            </li>
          ))}
        </ul>
      )}
      <Problems problems={say.atHead('celsius')} />
    </section>
  );
}
