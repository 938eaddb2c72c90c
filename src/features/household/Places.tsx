'use client';

import { useState } from 'react';
import { sizeOf } from '@/core/plan/equipment';
import { PLACE_KINDS, type PlaceKind } from '@/core/preserve/shelf-life';
import { KitchenThing } from '@/ui/drawings/KitchenThing';
import { useFocusOnChange } from '@/ui/next-act';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { PutAway } from '@/ui/AwayList';
import { putAway, savePlace } from './actions';
import { FormEnd } from './FormEnd';
import styles from './kitchen.module.css';
import { Standing } from './Standing';
import type { KitchenView } from './queries';

type Place = KitchenView['places'][number];

/** The fridges, freezers and cupboards, as large as what they hold. */
export function Places({ places }: { places: readonly Place[] }) {
  const { set } = useUnits();
  const [editing, setEditing] = useState<number | 'new'>();
  useFocusOnChange(editing);
  const done = () => setEditing(undefined);
  const inHand = places.find((place) => place.id === editing);
  // The last place of its kind stays: something would have nowhere to go.
  const mayGo = (place: Place) => places.filter((each) => each.kind === place.kind).length > 1;
  return (
    <>
      <Standing
        label="Room for packs"
        things={places.map((place) => ({
          id: place.id,
          name: place.name,
          said: place.capacityMl === null ? 'size not known' : sizeOf({ millilitres: place.capacityMl }, set),
          drawing: <KitchenThing kind={place.kind} millilitres={place.capacityMl ?? undefined} />,
        }))}
        open={editing}
        onOpen={setEditing}
        add="Add a place"
      />
      {editing === 'new' && <PlaceForm onDone={done} />}
      {inHand && <PlaceForm key={inHand.id} place={inHand} mayGo={mayGo(inHand)} onDone={done} />}
    </>
  );
}

function PlaceForm({ place, mayGo, onDone }: { place?: Place; mayGo?: boolean; onDone: () => void }) {
  const { set } = useUnits();
  const [kind, setKind] = useState<PlaceKind>(place?.kind ?? 'freezer');
  const [name, setName] = useState(place?.name ?? '');
  const [size, setSize] = useState(
    place && place.capacityMl !== null ? sizeOf({ millilitres: place.capacityMl }, set) : '',
  );
  const save = useCommand(savePlace, `place-${place?.id ?? 'new'}`, onDone);
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        save.run({ ...(place ? { id: place.id } : {}), kind, name, size });
      }}
    >
      {!place && (
        <Choice
          label="It is a"
          value={kind}
          options={PLACE_KINDS.map((value) => ({ value, label: value }))}
          onChange={setKind}
        />
      )}
      <Field
        label="Place is called"
        value={name}
        onChange={(event) => setName(event.target.value)}
        problem={save.at('name')}
        inputProps={{ 'data-next-act': true }}
        autoComplete="off"
      />
      <Field
        label="Holds"
        value={size}
        onChange={(event) => setSize(event.target.value)}
        problem={save.at('size')}
        hint={`such as ${set === 'us' ? '60 qt' : '60 L'}; empty: not known`}
        autoComplete="off"
      />
      <Problems problems={save.atHead('name', 'size')} />
      <FormEnd pending={save.pending} onDone={onDone}>
        {place && mayGo && <PutAway kind="place" id={place.id} name={place.name} putAway={putAway} onDone={onDone} />}
      </FormEnd>
    </form>
  );
}
