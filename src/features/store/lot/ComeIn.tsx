'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import type { KnownFood } from '@/core/food/food';
import { kindOfLot, placeKindOf } from '@/core/stock/lot';
import type { LotEntry } from '@/core/stock/lot-entry';
import { sure } from '@/core/sure';
import { FoodField } from '@/ui/food/FoodField';
import { Choice } from '@/ui/form/Choice';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { LOT_FIELDS, LotFields } from '@/ui/lots/LotFields';
import { receiveLot } from '../actions';
import styles from '../store.module.css';
import type { StoreHouse } from './queries';

interface ComeInProps {
  house: StoreHouse;
  onDone: (said: string, movementIds: readonly number[], holdingId: number) => void;
  onClose: () => void;
}

const CAME_WORDS = { received: 'it was bought', found: 'it was here all along' } as const;

/** An ingredient that comes into the house without a plan's list: bought, or found at the back of a shelf. */
export function ComeIn({ house, onDone, onClose }: ComeInProps) {
  const empty: LotEntry = {
    amount: '',
    price: '',
    date: '',
    is: 'best',
    code: '',
    kind: 'pantry',
    placeId: sure(house.places[0]).id,
  };
  const [food, setFood] = useState<KnownFood | null>(null);
  const [came, setCame] = useState<'received' | 'found'>('received');
  const [entry, setEntry] = useState(empty);
  const [unread, setUnread] = useState<string>();
  const receive = useCommand(receiveLot, 'come-in', ({ holdingId, movementIds }) => {
    onDone(`${food?.food.name ?? 'It'} is in the house.`, movementIds, holdingId);
    setFood(null);
    setEntry(empty);
  });
  const choose = (next: KnownFood | null) => {
    setFood(next);
    setUnread(undefined);
    receive.clear();
    if (!next) return;
    const kind = kindOfLot(next.food);
    const place = house.places.find((each) => each.kind === placeKindOf(next.food, kind));
    setEntry({ ...entry, kind, ...(place ? { placeId: place.id } : {}) });
  };
  const problem = unread ?? receive.at('key');
  return (
    <section aria-labelledby="come-in" className={styles.inHand}>
      <h2 id="come-in">What came in?</h2>
      <p className="note">
        A finished pack that was frozen before there were books? <Link href="/store/found">Write it down as found</Link>
        .
      </p>
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          if (!food) return setUnread('Choose the food that it is.');
          receive.run({ came, key: food.food.ndb, name: food.food.name.slice(0, 80), entry });
        }}
      >
        <FoodField label="What came in" value={food} onChange={choose} {...(problem ? { problem } : {})} />
        <Choice
          label="How it came"
          value={came}
          options={(['received', 'found'] as const).map((value) => ({ value, label: CAME_WORDS[value] }))}
          onChange={setCame}
        />
        <LotFields
          entry={entry}
          onChange={(part) => {
            receive.clear();
            setEntry({ ...entry, ...part });
          }}
          at={receive.at}
          places={house.places}
          currency={house.currency}
        />
        <Problems problems={receive.atHead(...LOT_FIELDS, 'key')} />
        <div className={styles.acts}>
          <Button type="submit" variant="contained" disabled={receive.pending}>
            It is in the house
          </Button>
          <Button variant="text" onClick={onClose}>
            Never mind
          </Button>
        </div>
      </form>
    </section>
  );
}
