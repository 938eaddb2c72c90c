'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { countHeld } from '@/core/stock/find';
import { Field } from '@/ui/form/Field';
import { AskBack } from '@/ui/form/AskBack';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { discardPacks, mixPacks, movePacks, sayOfPacks, unblockPacks } from '../actions';
import styles from '../store.module.css';
import type { Shelf, ShelfPack } from './queries';

type Held = Pick<ShelfPack, 'holdingId' | 'code' | 'grams' | 'placeId' | 'blocked'>;

interface SeveralProps {
  packs: readonly Held[];
  lots: readonly Held[];
  places: readonly Shelf[];
  grams: number;
  onDone: (said: string, movementIds: readonly number[]) => void;
}

/** Several packs in hand: moved, mixed, blocked or thrown away together, all of them or none. */
export function Several({ packs: ownPacks, lots, places, grams, onDone }: SeveralProps) {
  const packs = [...ownPacks, ...lots];
  const { inMass } = useUnits();
  const [why, setWhy] = useState('');
  const holdingIds = packs.map(({ holdingId }) => holdingId);
  const many = countHeld(ownPacks.length, lots.length);
  const told = (what: string) => (value: { movementIds: number[] }) => onDone(`${many} ${what}.`, value.movementIds);
  const move = useCommand(movePacks, 'several-move', (value, input) =>
    onDone(
      `${many} moved to the ${places.find((each) => each.placeId === input.placeId)?.name.toLowerCase()}.`,
      value.movementIds,
    ),
  );
  const discard = useCommand(discardPacks, 'several-discard', told('thrown away'));
  const say = useCommand(sayOfPacks, 'several-say', told('blocked'));
  const free = useCommand(unblockPacks, 'several-free', () => onDone(`${many} may be fed again.`, []));
  const mix = useCommand(mixPacks, 'several-mix', ({ code, movementIds }) =>
    onDone(`They are in ${code} now: write its label.`, movementIds),
  );
  const all = [move, discard, say, free, mix];
  const isBusy = packs.length === 0 || all.some((each) => each.pending);
  const reason = why.trim() === '' ? {} : { why };
  return (
    <section aria-labelledby="several" className={styles.inHand}>
      <h2 id="several" className="figure">
        {packs.length === 0 ? 'None yet' : many}
      </h2>
      <p className="soft">
        {packs.length === 0
          ? 'Press the packs that you take, or look for them and choose all that are found.'
          : `${inMass(grams)}: ${packs.map(({ code }) => code).join(', ')}`}
      </p>
      <Problems problems={all.flatMap((each) => each.atHead('why', 'fits'))} />
      <AskBack command={move} field="fits" label="They fit" answer={{ fits: true }} />
      {places.map((place) => (
        <Button
          key={place.placeId}
          variant="outlined"
          size="large"
          disabled={isBusy || packs.every((pack) => pack.placeId === place.placeId)}
          onClick={() => move.run({ holdingIds, placeId: place.placeId })}
        >
          To the {place.name.toLowerCase()}
        </Button>
      ))}
      <Button
        variant="outlined"
        size="large"
        disabled={isBusy || ownPacks.length < 2 || lots.length > 0}
        onClick={() => mix.run({ parts: packs.map((pack) => ({ holdingId: pack.holdingId, grams: pack.grams })) })}
      >
        Mix them into one
      </Button>
      <Field
        label="Why"
        hint="spoiled, recalled, past its date"
        autoComplete="off"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        problem={say.at('why') ?? free.at('why')}
      />
      <div className={styles.acts}>
        <Button variant="outlined" disabled={isBusy} onClick={() => discard.run({ holdingIds, ...reason })}>
          Throw away
        </Button>
        {packs.some((pack) => pack.blocked) ? (
          <Button variant="outlined" disabled={isBusy} onClick={() => free.run({ holdingIds, why })}>
            They may be fed
          </Button>
        ) : (
          <Button
            variant="outlined"
            disabled={isBusy}
            onClick={() => say.run({ holdingIds, is: 'blocked', ...reason })}
          >
            Do not feed them
          </Button>
        )}
      </div>
    </section>
  );
}
