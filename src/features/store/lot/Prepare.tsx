'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import type { KnownFood } from '@/core/food/food';
import { Fold } from '@/ui/Fold';
import { FoodField } from '@/ui/food/FoodField';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { prepareLot } from '../actions';
import type { OpenLot, StoreHouse } from './queries';

interface PrepareProps {
  lot: OpenLot;
  house: StoreHouse;
  onDone: (said: string, movementIds: readonly number[]) => void;
}

/** Some of an ingredient is cooked or stirred into another ahead of the pot that it goes into. */
export function Prepare({ lot, house, onDone }: PrepareProps) {
  const { readScale, scaleUnit, toType } = useUnits();
  const [grams, setGrams] = useState(toType(lot.grams));
  const [made, setMade] = useState('');
  const [food, setFood] = useState<KnownFood | null>(null);
  const [placeId, setPlaceId] = useState(lot.placeId);
  const [unread, setUnread] = useState<{ readonly grams?: string; readonly made?: string; readonly key?: string }>({});
  const prepare = useCommand(prepareLot, `lot-${lot.holdingId}-prepare`, ({ movementIds }) =>
    onDone(`${food?.food.name ?? 'It'} is in the house.`, movementIds),
  );
  const submit = () => {
    const taken = readScale(grams, 'asked');
    const came = readScale(made, 'asked');
    setUnread({
      ...(taken.ok ? {} : { grams: taken.problem.message }),
      ...(came.ok ? {} : { made: came.problem.message }),
      ...(food ? {} : { key: 'What did it become? Choose a food.' }),
    });
    if (!taken.ok || !came.ok || !food) return;
    prepare.run({
      holdingId: lot.holdingId,
      grams: taken.value,
      key: food.food.ndb,
      name: food.food.name.slice(0, 80),
      made: came.value,
      placeId,
    });
  };
  return (
    <Fold title="Make something of it ahead" lazy>
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <Field
          label="So much of it was taken"
          unit={scaleUnit}
          inputMode="decimal"
          autoComplete="off"
          value={grams}
          onChange={(event) => setGrams(event.target.value)}
          problem={unread.grams ?? prepare.at('grams')}
        />
        <div>
          <p className="note">It became</p>
          <FoodField
            label="What it became"
            value={food}
            onChange={setFood}
            {...((unread.key ?? prepare.at('key')) ? { problem: unread.key ?? prepare.at('key') ?? '' } : {})}
          />
        </div>
        <Field
          label="That weighs"
          unit={scaleUnit}
          inputMode="decimal"
          autoComplete="off"
          value={made}
          onChange={(event) => setMade(event.target.value)}
          problem={unread.made ?? prepare.at('made')}
          hint="cooked meat weighs less, a base with water more"
        />
        <Choice
          label="It goes to the"
          value={String(placeId)}
          options={house.places.map(({ id, name }) => ({ value: String(id), label: name.toLowerCase() }))}
          onChange={(id) => setPlaceId(Number(id))}
        />
        <Problems problems={prepare.atHead('grams', 'made', 'key')} />
        <div>
          <Button type="submit" variant="outlined" disabled={prepare.pending}>
            It is made
          </Button>
        </div>
      </form>
    </Fold>
  );
}
