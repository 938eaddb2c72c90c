'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useRef, useState } from 'react';
import { Fold } from '@/ui/Fold';
import { AskBack } from '@/ui/form/AskBack';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { LOT_FIELDS, LotFields } from '@/ui/lots/LotFields';
import { useFocusWhenOpened } from '@/ui/next-act';
import { useUnits } from '@/ui/units';
import { describeLot, discardPacks, movePacks, takeBackLot, weighLot } from '../actions';
import { History } from '../pack/History';
import { Wrong } from '../pack/Wrong';
import styles from '../store.module.css';
import { Part } from './Part';
import { Prepare } from './Prepare';
import type { OpenLot, StoreHouse } from './queries';

interface LotInHandProps {
  lot: OpenLot;
  house: StoreHouse;
  onDone: (said: string, movementIds: readonly number[]) => void;
  onClose: () => void;
}

/** One ingredient in hand: how long it keeps, what can be done with it, and which pots it went into. */
export function LotInHand({ lot, house, onDone, onClose }: LotInHandProps) {
  const { inMass } = useUnits();
  const slot = `lot-${lot.holdingId}`;
  const holdingIds = [lot.holdingId];
  const head = useRef<HTMLHeadingElement>(null);
  useFocusWhenOpened(head);
  const move = useCommand(movePacks, `${slot}-move`, (value, input) =>
    onDone(
      `${lot.name} is in the ${lot.moveTo.find((each) => each.placeId === input.placeId)?.name.toLowerCase()}.`,
      value.movementIds,
    ),
  );
  const discard = useCommand(discardPacks, `${slot}-discard`, (value) =>
    onDone(`${lot.name} was thrown away.`, value.movementIds),
  );
  const isEmpty = lot.grams <= 0;
  return (
    <section aria-labelledby="lot-title" className={styles.inHand}>
      <div>
        <h2 id="lot-title" ref={head} tabIndex={-1} className="figure">
          {lot.name}
        </h2>
        <p className={styles.much}>
          {lot.isVoid ? 'was taken back' : isEmpty ? 'is used up' : <b>{inMass(lot.grams)}</b>}
        </p>
        {!isEmpty && (
          <p className={lot.tone === 'plain' ? 'soft' : lot.tone}>
            {lot.placeName} · {lot.until}
            {lot.notes.length > 0 && ` · ${lot.notes.join(', ')}`}
          </p>
        )}
        {lot.ahead && <p className="danger">Not to be cooked: it was {lot.ahead}.</p>}
        {lot.whyBlocked.length > 0 && <p className="danger">Not to be cooked: {lot.whyBlocked.join('; ')}.</p>}
      </div>
      <Problems problems={[...move.atHead('fits'), ...discard.problems]} />
      <AskBack command={move} field="fits" label="It fits" answer={{ fits: true }} />
      {!isEmpty && (
        <>
          {lot.moveTo.map((place, index) => (
            <Button
              key={place.placeId}
              variant={index === 0 ? 'contained' : 'outlined'}
              size="large"
              disabled={move.pending}
              onClick={() => move.run({ holdingIds, placeId: place.placeId })}
            >
              To the {place.name.toLowerCase()}
            </Button>
          ))}
          <Button variant="outlined" disabled={discard.pending} onClick={() => discard.run({ holdingIds })}>
            Throw away
          </Button>
          <Part lot={lot} onDone={onDone} />
          <Prepare lot={lot} house={house} onDone={onDone} />
          <Wrong
            pack={{ ...lot, blocked: lot.whyBlocked.length > 0, code: lot.name, mayBeOpened: false }}
            verb="cook"
            trace={`/store/trace?lot=${encodeURIComponent(lot.traceKey)}`}
            correct={weighLot}
            onDone={onDone}
          />
        </>
      )}
      {!lot.isVoid && <Stands key={JSON.stringify(lot.entry)} lot={lot} house={house} onDone={onDone} />}
      <section aria-labelledby="lot-from">
        <h3 id="lot-from">Where it comes from, where it went</h3>
        <p>
          {lot.came}
          {lot.label && ` · ${lot.label}`}
          {lot.entry.code !== '' && ` · lot ${lot.entry.code}`}
        </p>
        {lot.madeOf && (
          <p>
            made of <Link href={lot.madeOf.href}>{lot.madeOf.said}</Link>
          </p>
        )}
        <ul className="rows">
          {lot.usedIn.map(({ batchId, said }, index) => (
            <li key={index}>
              <Link href={`/batches/${batchId}`}>{said}</Link>
            </li>
          ))}
        </ul>
        <p className="note">{lot.rule}</p>
      </section>
      <History pack={lot} />
      <div>
        <Button variant="outlined" onClick={onClose}>
          Put it down
        </Button>
      </div>
    </section>
  );
}

/** What stands on its wrapper and on the bill, to be put right. */
function Stands({ lot, house, onDone }: Pick<LotInHandProps, 'lot' | 'house' | 'onDone'>) {
  const [entry, setEntry] = useState(lot.entry);
  const keep = useCommand(describeLot, `lot-${lot.holdingId}-stands`, ({ movementIds }) =>
    onDone(`${lot.name} is put right.`, movementIds),
  );
  const never = useCommand(takeBackLot, `lot-${lot.holdingId}-never`, ({ movementIds }) =>
    onDone(`${lot.name} never came.`, movementIds),
  );
  return (
    <Fold title="Its wrapper and its price" lazy>
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          keep.run({ holdingId: lot.holdingId, entry });
        }}
      >
        <LotFields
          entry={entry}
          onChange={(part) => {
            keep.clear();
            setEntry({ ...entry, ...part });
          }}
          at={keep.at}
          places={house.places}
          currency={house.currency}
        />
        <Problems problems={[...keep.atHead(...LOT_FIELDS), ...never.problems]} />
        <div className={styles.acts}>
          <Button type="submit" variant="outlined" disabled={keep.pending}>
            Put it right
          </Button>
          <Button variant="text" disabled={never.pending} onClick={() => never.run({ holdingId: lot.holdingId })}>
            it never came
          </Button>
        </div>
      </form>
    </Fold>
  );
}
